import { array, mixed, object, string } from 'yup'
import { bookOf, faultBooks } from '../faults/books.ts'
import { circumstancesHeard } from '../faults/circumstances-heard.ts'
import { complaintsHeard, type Heard, heardBeside } from '../faults/complaint.ts'
import type { FaultBook } from '../faults/fault.ts'
import type { Complaint } from '../faults/likelihood.ts'
import { type Network, type NetworkTest, networkOf } from '../faults/network.ts'
import { isDead, rankTests } from '../faults/next-test.ts'
import { afterOutcome, rankCauses } from '../faults/rank-causes.ts'
import { comesAndGoes } from '../faults/search.ts'
import { leaderOf, sharesOf } from '../faults/shares.ts'
import { type Stop, stopOf, stopOfComplaint } from '../faults/stops.ts'
import { stopsIn } from '../faults/stops-said.ts'
import { stopOfAnswer } from '../faults/stops-seen.ts'
import { divisor } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { InputFault, topic } from './topic.ts'

type Likelihoods = Record<string, Record<string, number>>

const isLikelihoods = (given: unknown): given is Likelihoods =>
  typeof given === 'object' &&
  given !== null &&
  !Array.isArray(given) &&
  Object.keys(given).length > 0 &&
  Object.values(given).every((under) => typeof under === 'object' && under !== null && !Array.isArray(under))

export const fault = topic({
  name: 'fault',
  about: 'What is wrong: suspects after what was seen, and the test that says most a minute.',
  schema: object({
    kind: string().oneOf(faultBooks.map(({ kind }) => kind)),
    symptom: string(),
    says: array(string().max(500).required()).max(20),
    faults: array(object({ id: string().required(), prior: divisor().required() }).noUnknown().required())
      .min(1)
      .max(1000),
    tests: array(
      object({
        id: string().required(),
        minutes: divisor().required(),
        outcomes: mixed<Likelihoods>()
          .required()
          .test('likelihoods', 'must be {outcome: {fault: likelihood}}', (given) => isLikelihoods(given)),
      })
        .noUnknown()
        .required(),
    ).max(1000),
    seen: array(object({ test: string().required(), outcome: string().required() }).noUnknown().required())
      .max(1000)
      .default([]),
  }).noUnknown(),
  together: {
    oneOf: [{ required: ['kind'] }, { required: ['faults', 'tests'] }],
  },
  example: {
    faults: [
      { id: 'pump weak', prior: 3 },
      { id: 'chalk', prior: 5 },
    ],
    tests: [
      {
        id: 'flow after the pump',
        minutes: 8,
        outcomes: { good: { 'pump weak': 0.1, chalk: 0.95 }, little: { 'pump weak': 0.9, chalk: 0.05 } },
      },
    ],
    seen: [],
  },
  reckon({ kind, symptom, says, faults, tests, seen }) {
    if (kind === undefined && symptom !== undefined)
      throw new InputFault('symptom', symptom, 'belongs to a kind: name one')
    if (kind === undefined && says !== undefined) throw new InputFault('says', says, 'belongs to a kind: name one')
    const book = kind === undefined ? null : bookOf(kind)!
    const heard = book && says ? heardInAll(says.map((said) => complaintsHeard(book, said))) : []
    // Each sentence is a complaint of its own, as it may be meant; one that says nothing known tells nothing.
    const told = book && says ? says.flatMap((said) => meantBy(book, said)) : []
    const complaints = [...(symptom === undefined ? [] : [{ [symptom]: 1 }]), ...told]
    // What a sentence may mean stops nothing by itself: its own words do, or the complaint that was named.
    const stop = book ? ((says && stopsIn(says.join('. '))[0]) ?? stopOfComplaint(symptom ?? null)) : undefined
    const circumstances = book && says ? circumstancesHeard(book, says.join('. ')) : []
    const network =
      kind === undefined
        ? ownNetwork(faults, tests)
        : kindNetwork(kind, symptom ?? null, complaints, comesAndGoes({ seen: [...circumstances, ...seen] }), {
            faults,
            tests,
          })
    const shown = seen.map((one) => (book ? stopOfAnswer(one) : undefined)).find((one) => one !== undefined)
    const stops = stop ?? shown
    const { lines, add } = startWorking()
    const before = add({ what: 'Suspects', value: new Set(network.faults).size, origin: 'setting' })
    let belief = rankCauses(
      network,
      circumstances.map(({ test, outcome }) => ({ test, outcome, said: true })),
    )!
    for (const { test, words } of circumstances)
      add({ what: `Told besides, ${test}: ${words}`, value: leaderOf(network, belief).p, origin: 'measured' })
    const done = new Set<string>()
    const answered = new Set(circumstances.map(({ test }) => test))
    seen.forEach(({ test, outcome }, i) => {
      const known = network.tests.find(({ id }) => id === test)
      if (!known) throw new InputFault(`seen[${i}].test`, test, 'is unknown')
      const shown = known.outcomes.find(({ id }) => id === outcome)
      if (!shown) throw new InputFault(`seen[${i}].outcome`, outcome, `is no outcome of ${test}`)
      if (done.has(test)) throw new InputFault(`seen[${i}].test`, test, 'is there already')
      done.add(test)
      const next = afterOutcome(belief, shown.under)
      if (!next) throw new InputFault('seen', seen, 'is impossible under every fault')
      belief = next
      const first = leaderOf(network, belief)
      add({ what: `${test}: ${outcome}`, value: first.p, origin: 'measured', source: `then ${first.fault} leads` })
    })
    const top = leaderOf(network, belief)
    const likeliest = add({
      what: `Likeliest: ${top.fault}`,
      value: top.p,
      formula:
        seen.length === 0
          ? `its weight ÷ the weights of {${before}}`
          : `its weight × the likelihoods of what was seen ÷ the same summed over {${before}}`,
      origin: 'reckoned',
      reference: 'Bayes’ rule',
    })
    const suspects = sharesOf(network, belief).sort((a, b) => b.p - a.p || (a.fault < b.fault ? -1 : 1))
    const may = stops ? stopOf(stops).mayTest : 'all'
    const [next] = rankTests(belief, network.tests, ({ id, minutes }) =>
      done.has(id) || answered.has(id) || !mayBe(may, book, id) ? null : minutes,
    )
    if (next)
      add({
        what: `Next: ${next.test}`,
        value: next.bits,
        unit: 'bit',
        formula: `entropy of its outcomes − that under each of {${before}} suspects, {${likeliest}} among them; most a minute`,
        origin: 'reckoned',
        reference: 'Lindley 1956, Ann. Math. Stat. 27, 986; half-split rule of troubleshooting',
      })
    return {
      result: {
        suspects,
        ...(next && { next }),
        ...(says && { symptoms: heard }),
        ...(stops && { stop: { why: stops, now: stopOf(stops).now, mayTest: may } }),
      },
      working: lines,
    }
  },
})

/** Whether a test of a kind may be done: never live, since nobody here says that he is qualified; after a stop, dead. */
function mayBe(may: Stop['mayTest'], book: FaultBook | null, id: string): boolean {
  const test = book?.tests.find((one) => one.id === id)
  return may !== 'nothing' && !test?.gate && (may === 'all' || (test !== undefined && isDead(test)))
}

/** What was heard in all sentences: each counts as much. */
function heardInAll(sentences: Heard[][]): Heard[] {
  const spoke = sentences.filter((heard) => heard.length > 0)
  const all = new Map<string, Heard>()
  for (const { symptom, p, words } of spoke.flat()) {
    const before = all.get(symptom) ?? { symptom, p: 0, words: [] }
    all.set(symptom, {
      symptom,
      p: before.p + p / spoke.length,
      words: [...new Set([...before.words, ...words])],
    })
  }
  return [...all.values()].sort((a, b) => b.p - a.p)
}

/** What a sentence complains of: as it may be meant, and what other clauses of it say clearly besides. */
function meantBy(book: FaultBook, said: string): Complaint[] {
  const heard = complaintsHeard(book, said)
  const beside = heard[0] ? heardBeside(book, said, heard[0].symptom) : []
  return [...asMeant(heard), ...beside.map((symptom) => ({ [symptom]: 1 }))]
}

/** A sentence as the complaints it may be, the three likeliest. */
function asMeant(heard: Heard[]): Complaint[] {
  const likeliest = heard.slice(0, 3)
  const all = likeliest.reduce((sum, { p }) => sum + p, 0)
  return all > 0 ? [Object.fromEntries(likeliest.map(({ symptom, p }) => [symptom, p / all]))] : []
}

function kindNetwork(
  kind: string,
  symptom: string | null,
  complaints: Complaint[],
  seldom: boolean,
  own: { faults?: unknown; tests?: unknown },
): Network {
  if (own.faults !== undefined)
    throw new InputFault('faults', own.faults, 'belong to a network of its own, not to a kind')
  if (own.tests !== undefined) throw new InputFault('tests', own.tests, 'belong to a network of its own, not to a kind')
  const book = bookOf(kind)!
  if (symptom !== null && !book.symptoms.some(({ id }) => id === symptom))
    throw new InputFault('symptom', symptom, `is none of ${book.symptoms.map(({ id }) => id).join(', ')}`)
  return networkOf(book, complaints, {}, seldom)
}

function ownNetwork(
  faults: { id: string; prior: number }[] | undefined,
  tests: { id: string; minutes: number; outcomes: Likelihoods }[] | undefined,
): Network {
  if (!faults) throw new InputFault('faults', undefined, 'is missing: name a kind, or faults and tests')
  if (!tests) throw new InputFault('tests', undefined, 'is missing: name a kind, or faults and tests')
  twice(faults, 'faults')
  twice(tests, 'tests')
  const sum = faults.reduce((total, { prior }) => total + prior, 0)
  const place = new Map(faults.map(({ id }, i) => [id, i]))
  return {
    faults: faults.map(({ id }) => id),
    prior: Float64Array.from(faults, ({ prior }) => prior / sum),
    tests: tests.map((test, i): NetworkTest => {
      const outcomes = Object.entries(test.outcomes).map(([id, given]) => {
        const under = new Float64Array(faults.length)
        for (const [name, likelihood] of Object.entries(given)) {
          const path = `tests[${i}].outcomes.${id}.${name}`
          const at = place.get(name)
          if (at === undefined) throw new InputFault(path, name, 'is no fault here')
          if (typeof likelihood !== 'number' || !(likelihood >= 0 && likelihood <= 1))
            throw new InputFault(path, likelihood, 'must be a likelihood in [0, 1]')
          under[at] = likelihood
        }
        return { id, under }
      })
      faults.forEach(({ id }, f) => {
        const whole = outcomes.reduce((total, { under }) => total + under[f]!, 0)
        if (Math.abs(whole - 1) > 1e-6)
          throw new InputFault(`tests[${i}].outcomes`, whole, `must sum to 1 over the outcomes for ${id}`)
      })
      return { id: test.id, minutes: test.minutes, outcomes }
    }),
  }
}

function twice(list: { id: string }[], path: string): void {
  const seen = new Set<string>()
  list.forEach(({ id }, i) => {
    if (seen.has(id)) throw new InputFault(`${path}[${i}].id`, id, 'is there already')
    seen.add(id)
  })
}
