import { look } from './build.ts'
import type { Comes, Fault, FaultBook, Test } from './fault.ts'
import { type BookPart, modeFault } from './modes.ts'
import { sorts } from './sorts/index.ts'

/** What tells of a fault that it comes so, and what is told where it does not. Common practice; figures from memory. */
const askedOf: {
  id: string
  say: string
  asked: string
  outcomes: Record<string, string>
  normal: Record<string, number>
  /** By how it comes: what is told of it. */
  told: Partial<Record<Comes, Record<string, number>>>
  /** Only of what heats. */
  heats?: true
}[] = [
  {
    id: 'ask-often',
    say: 'Ask: is it always so, or now and then?',
    asked: 'Is it always so, or only now and then?',
    outcomes: { always: 'Always', sometimes: 'Now and then' },
    normal: { always: 0.8, sometimes: 0.2 },
    told: { sometimes: { sometimes: 0.65 }, sudden: { sometimes: 0.12 } },
  },
  {
    id: 'ask-came',
    say: 'Ask: did it come from one day to the next, or get worse from week to week?',
    asked: 'Did it come from one day to the next, or get worse from week to week?',
    outcomes: { sudden: 'From one day to the next', slowly: 'Worse from week to week' },
    normal: { sudden: 0.55, slowly: 0.45 },
    told: { sudden: { sudden: 0.85 }, slowly: { slowly: 0.72 } },
  },
  {
    id: 'ask-when',
    say: 'Ask: whenever, only from cold, or only hot and after many cups?',
    asked: 'Is it so whenever, only from cold, or only after many cups?',
    outcomes: { any: 'Whenever', cold: 'Only from cold', hot: 'Only hot, after many' },
    normal: { any: 0.84, cold: 0.08, hot: 0.08 },
    told: { cold: { cold: 0.6 }, hot: { hot: 0.6 } },
    heats: true,
  },
]

/** Minutes of a question. */
const questionMinutes = 0.5
/** How often somebody tells that it was worked on, where hands left it so. From memory. */
const toldOfHands = 0.75

/** How a fault of the book comes, where its sort does not say it: what is chalked, and what wears, slowly. */
const usuallyComes = ({ traits, part, comes }: Fault): Comes[] => {
  if (comes) return comes
  if (traits?.includes('chalk') || traits?.includes('grind')) return ['slowly']
  if (traits?.includes('flakes') || traits?.includes('stuck') || traits?.includes('airlock')) return ['sudden']
  return part && !traits?.includes('user') ? ['slowly'] : []
}

/**
 * A book that asks how a complaint comes and goes, and tells its faults apart by it; and whether hands were at it, which
 * speaks for whatever hands leave behind.
 */
export function withCircumstances(book: FaultBook, parts: BookPart[]): FaultBook {
  const ofSort = new Map<string, Comes[]>()
  for (const part of parts)
    for (const mode of sorts[part.sort].modes)
      if (!part.without?.[mode.id]) ofSort.set(part.is?.[mode.id] ?? modeFault(part, mode), mode.comes)
  const faults = book.faults.map((fault) => {
    const comes = ofSort.get(fault.id) ?? usuallyComes(fault)
    return comes.length > 0 ? { ...fault, comes } : fault
  })
  const heats = book.symptoms.some(({ id }) => id === 'cold')
  const ask = book.tests.find(({ id }) => id === 'ask')!
  const questions = askedOf.filter((one) => heats || !one.heats)
  return {
    ...book,
    faults,
    tests: [
      ...book.tests.map((test) => (test === ask ? withHands(ask, faults) : test)),
      ...questions.map(({ id, say, outcomes, normal, told }) => ({
        ...look(id, say, ask.station, questionMinutes, outcomes, toldBy(faults, told), { by: 'word' }),
        normal,
      })),
    ],
    phone: { ...book.phone, ...Object.fromEntries(questions.map(({ id, asked }) => [id, asked])) },
  }
}

function toldBy(faults: Fault[], told: Partial<Record<Comes, Record<string, number>>>): Test['sees'] {
  return Object.fromEntries(
    faults.flatMap(({ id, comes = [] }) => {
      const how = comes.map((one) => told[one]).find((one) => one !== undefined)
      return how ? [[id, how]] : []
    }),
  )
}

/** The question what was done, which knows of hands as well. */
function withHands(ask: Test, faults: Fault[]): Test {
  const left = faults.filter(({ traits }) => traits?.includes('refit'))
  if (left.length === 0) return ask
  const worked = ask.outcomes.some(({ id }) => id === 'worked')
  return {
    ...ask,
    ...(!worked && {
      outcomes: [...ask.outcomes, { id: 'worked', words: 'Opened or worked on lately' }],
      normal: { ...ask.normal, worked: Math.min(...Object.values(ask.normal)) },
    }),
    sees: { ...ask.sees, ...Object.fromEntries(left.map(({ id }) => [id, { worked: toldOfHands }])) },
  }
}
