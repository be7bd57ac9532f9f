import type { Entry } from '../src/core/ledger/entry.ts'
import { firstOfMonth, fromDay, toDay } from '../src/core/quantity/local-day.ts'
import { counterLine } from '../src/core/standing/counter-line.ts'
import { openDays } from '../src/core/usage/open-days.ts'

/** A stream of numbers in [0, 1) from a seed: mulberry32. */
function random(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** How a simulated machine is used. */
interface Habit {
  name: string
  /** Drinks of an open day, given the day's number of the year. */
  mean(day: number): number
  /** Variance of a day over its mean. */
  scatter: number
  openWeekdays: number[]
  closures: { from: string; to: string }[]
  /** Its busy months, where somebody said them. */
  months?: number[]
  resetOn: number | null
}

const habitNames = [
  'steady',
  'seasonal',
  'seasonal, months said',
  'growing',
  'wild',
  'closed in summer',
  'board swapped',
] as const
const [firstDay, lastDay] = [toDay('2024-06-03'), toDay('2026-06-30')]

function habit(name: (typeof habitNames)[number], r: () => number): Habit {
  const pace = Math.exp(Math.log(4) + r() * Math.log(60))
  const phase = r() * 365
  const seasonal = (day: number) => 1 + 0.25 * Math.sin(((day - phase) / 365) * 2 * Math.PI)
  const summer = [2024, 2025, 2026].map((year) => ({ from: `${year}-07-20`, to: `${year}-09-02` }))
  return {
    name,
    mean: {
      steady: () => pace,
      seasonal: (day: number) => pace * seasonal(day),
      'seasonal, months said': (day: number) => pace * seasonal(day),
      growing: (day: number) => pace * (1 + 0.3 * ((day - firstDay) / 730)),
      wild: () => pace,
      'closed in summer': () => pace,
      'board swapped': () => pace,
    }[name],
    scatter: name === 'wild' ? 12 : 1.5 + r() * 3,
    openWeekdays: r() < 0.4 ? [1, 2, 3, 4, 5] : r() < 0.5 ? [1, 2, 3, 4, 5, 6] : [1, 2, 3, 4, 5, 6, 7],
    closures: name === 'closed in summer' ? summer : [],
    ...(name === 'seasonal, months said' && {
      months: Array.from({ length: 12 }, (_, i) => Math.round(seasonal(firstOfMonth(2025 * 12 + i) + 14) * 10) / 10),
    }),
    resetOn: name === 'board swapped' ? firstDay + 200 + Math.floor(r() * 150) : null,
  }
}

/** A normal number by Box and Muller. */
const normal = (r: () => number) => Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r())

interface Shot {
  habit: string
  covered: boolean
  /** Width of the band over the days ahead. */
  width: number
  ahead: number
}

/** One counter: read for a year and some, then asked on which day it passes a count. */
function shot(seed: number): Shot | null {
  const r = random(seed)
  const one = habit(habitNames[seed % habitNames.length]!, r)
  const open = openDays(one)
  const total: number[] = [0]
  for (let day = firstDay; day < lastDay; day += 1) {
    const mean = open.plain.count(day, day + 1) > 0 ? one.mean(day) : 0
    const made = mean > 0 ? Math.max(0, Math.round(mean + Math.sqrt(mean * one.scatter) * normal(r))) : 0
    total.push(total.at(-1)! + made)
  }
  const at = (day: number) => total[day - firstDay]!
  const shown = (day: number) => (one.resetOn !== null && day >= one.resetOn ? at(day) - at(one.resetOn) : at(day))
  const asked = firstDay + 400 + Math.floor(r() * 60)
  const pitch = 7 + Math.floor(r() * 38)
  const entries: (Entry & { kind: 'reading' })[] = []
  for (let day = firstDay; day <= asked; day += Math.max(3, Math.round(pitch * (0.7 + 0.6 * r())))) {
    entries.push({
      id: `01939000-0000-7000-8000-${String(entries.length).padStart(12, '0')}`,
      subjectKind: 'machine',
      subjectId: 'm',
      kind: 'reading',
      happenedAt: `${fromDay(day)}T08:00:00Z`,
      happenedOn: fromDay(day),
      body: { v: 1, counter: 'shots', count: shown(day) },
    })
  }
  const line = counterLine(entries, 'shots', open, 30, asked, firstDay)
  const since = line.last!.day
  const ahead = 30 + Math.floor(r() * 150)
  const amount = at(Math.min(lastDay, since + ahead)) - at(since)
  if (amount <= 0) return null
  // A limit is passed on the day at whose end it was reached.
  let truth = since
  while (truth < lastDay && at(truth + 1) - at(since) < amount) truth += 1
  const [early, late] = [line.dayAfter(since, amount, 0.1), line.dayAfter(since, amount, 0.9)]
  if (early === null || late === null) return null
  return { habit: one.name, covered: truth >= early && truth <= late, width: late - early, ahead: truth - since }
}

/** Coverage of eight-in-ten bands over so many simulated counters, by habit and in all. */
export function forecastCoverage(counters: number): string {
  const shots: Shot[] = []
  for (let seed = 1; shots.length < counters; seed += 1) {
    const one = shot(seed)
    if (one) shots.push(one)
  }
  const row = (name: string, some: Shot[]) => {
    const widths = some.map(({ width }) => width).sort((a, b) => a - b)
    const share = some.filter(({ covered }) => covered).length / some.length
    const ahead = some.reduce((sum, one) => sum + one.ahead, 0) / some.length
    return `| ${name} | ${some.length} | ${Math.round(share * 100)} % | ${widths[Math.floor(widths.length / 2)]} days | ${Math.round(ahead)} days |`
  }
  return [
    '| habit | counters | in the band | middle width | ahead, on average |',
    '| --- | --- | --- | --- | --- |',
    ...habitNames.map((name) =>
      row(
        name,
        shots.filter(({ habit: of }) => of === name),
      ),
    ),
    row('all', shots),
  ].join('\n')
}
