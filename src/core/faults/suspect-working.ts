import { startWorking, type Working } from '../quantity/working.ts'
import { type FaultBook, somethingElse } from './fault.ts'
import { spokenFor } from './likelihood.ts'
import { networkOf } from './network.ts'
import { type PriorReason, priorFactors } from './prior-factors.ts'
import { chancesOfSeen, rankCauses } from './rank-causes.ts'
import { shareOfElse } from './residual.ts'
import { afterRepair, comesAndGoes, complainedOf, type Search, searchFactors } from './search.ts'
import { sharesOf } from './shares.ts'

/**
 * How one suspect comes to its share: calls, complaint, records, each test by what it multiplied.
 *
 * @param seen - what still speaks, see `Suspicion`
 */
export function suspectWorking(
  book: FaultBook,
  search: Search,
  seen: Search['seen'],
  reasons: Record<string, PriorReason[]>,
  faultId: string,
): Working {
  const { lines, add } = startWorking()
  const factors = priorFactors(reasons)
  const weight = faultId === somethingElse ? [shareBefore()] : weightBefore()
  if (search.notCured.includes(faultId))
    weight.push(
      add({
        what: search.cured?.includes(faultId) ? 'Repaired, and it was it' : 'Repaired, not cured',
        value: afterRepair,
        unit: '×',
        origin: 'measured',
      }),
    )
  const network = networkOf(book, complainedOf(search), searchFactors(search, factors), comesAndGoes(search))
  const at = network.faults.indexOf(faultId)
  const before = new Map<string, string>()
  for (const one of seen) {
    const { test, outcome, said = false, words: other, times } = one
    const plain = network.tests.find(({ id }) => id === test)!
    const first = said ? undefined : before.get(test)
    const under = chancesOfSeen(network, plain, one, first)!
    if (!said) before.set(test, first ?? outcome)
    const known = book.tests.find(({ id }) => id === test)!
    const words = known.outcomes.find(({ id }) => id === outcome)?.words ?? `something else: ${other ?? ''}`
    weight.push(
      add({
        what: `${known.say}: ${words.toLowerCase()}${times ? `, ${times.n} of ${times.of} times` : ''}`,
        value: under[at]!,
        origin: 'measured',
        source: said ? 'told, not seen' : first === undefined ? 'chance of it if so' : 'looked again',
      }),
    )
  }
  const belief = rankCauses(network, seen) ?? network.prior
  add({
    what: 'Share of all suspects',
    value: 100 * sharesOf(network, belief).find(({ fault }) => fault === faultId)!.p,
    unit: '%',
    formula:
      faultId === somethingElse
        ? `{${weight[0]}}, spread over two patterns beside each fault and one at each station; each × its chances of what was seen, then summed ÷ the same over all`
        : `${weight.map((n) => `{${n}}`).join(' × ')} ÷ the same summed over all`,
    origin: 'reckoned',
    reference: 'Bayes’ rule',
  })
  return { lines, why: 'Chances are from memory: a technician’s, not a maker’s.' }

  function shareBefore(): number {
    return add({
      what: 'What is in no book, whatever is complained of',
      value: 100 * shareOfElse,
      unit: '%',
      origin: 'default',
      source: 'from memory',
      mark: 'M',
    })
  }

  function weightBefore(): number[] {
    const fault = book.faults.find(({ id }) => id === faultId)!
    const said = complainedOf(search).flatMap((complaint) => Object.keys(complaint))
    const names = said.map((id) => book.symptoms.find((symptom) => symptom.id === id)!.name)
    return [
      add({ what: 'Of a hundred calls', value: fault.per100, origin: 'default', source: 'from memory', mark: 'M' }),
      add({
        what: names.map((name) => `“${name}”`).join(' and '),
        value: spokenFor(book, complainedOf(search))[book.faults.indexOf(fault)]!,
        origin: 'default',
        source: 'chance it is said so, from memory',
        mark: 'M',
      }),
      ...(reasons[faultId] ?? []).map(({ words, factor }) =>
        add({ what: `Records: ${words}`, value: factor, unit: '×', origin: 'measured' }),
      ),
    ]
  }
}
