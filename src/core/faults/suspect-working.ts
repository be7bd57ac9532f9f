import { startWorking, type Working } from '../quantity/working.ts'
import type { FaultBook } from './fault.ts'
import { complaintUnder } from './likelihood.ts'
import { networkOf } from './network.ts'
import type { PriorReason } from './prior-factors.ts'
import { asTaken, rankCauses } from './rank-causes.ts'
import { afterRepair, type Search, searchFactors } from './search.ts'

/** How one suspect comes to its share: calls, complaint, records, each test by what it multiplied. */
export function suspectWorking(
  book: FaultBook,
  search: Search,
  reasons: Record<string, PriorReason[]>,
  faultId: string,
): Working {
  const { lines, add } = startWorking()
  const fault = book.faults.find(({ id }) => id === faultId)!
  const weight = [
    add({ what: 'Of a hundred calls', value: fault.per100, origin: 'default', source: 'from memory', mark: 'M' }),
  ]
  const factors = Object.fromEntries(
    Object.entries(reasons).map(([id, list]) => [id, list.reduce((product, { factor }) => product * factor, 1)]),
  )
  const said = complaintUnder(book, fault, search.symptom)
  const symptom = book.symptoms.find(({ id }) => id === search.symptom)!
  weight.push(
    add({
      what: `“${symptom.name}”`,
      value: said,
      origin: 'default',
      source: 'chance it is said so, from memory',
      mark: 'M',
    }),
  )
  for (const { words, factor } of reasons[faultId] ?? [])
    weight.push(add({ what: `Records: ${words}`, value: factor, unit: '×', origin: 'measured' }))
  if (search.notCured.includes(faultId))
    weight.push(add({ what: 'Repaired, not cured', value: afterRepair, unit: '×', origin: 'measured' }))
  const network = networkOf(book, search.symptom, searchFactors(search, factors))
  const at = network.faults.indexOf(faultId)
  const before = new Map<string, string>()
  for (const { test, outcome, said = false } of search.seen) {
    const plain = network.tests.find(({ id }) => id === test)!
    const first = said ? undefined : before.get(test)
    const under = asTaken(plain, said, first).outcomes.find(({ id }) => id === outcome)!.under
    if (!said) before.set(test, first ?? outcome)
    const known = book.tests.find(({ id }) => id === test)!
    const words = known.outcomes.find(({ id }) => id === outcome)!.words
    weight.push(
      add({
        what: `${known.say}: ${words.toLowerCase()}`,
        value: under[at]!,
        origin: 'measured',
        source: said ? 'said on the telephone' : first === undefined ? 'chance of it if so' : 'looked again',
      }),
    )
  }
  const belief = rankCauses(network, search.seen) ?? network.prior
  add({
    what: 'Share of all suspects',
    value: 100 * belief[at]!,
    unit: '%',
    formula: `${weight.map((n) => `{${n}}`).join(' × ')} ÷ the same summed over all`,
    origin: 'reckoned',
    reference: 'Bayes’ rule',
  })
  return { lines, why: 'Chances are from memory: a technician’s, not a maker’s.' }
}
