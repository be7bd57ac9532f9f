import { type Fault, type FaultBook, nothingWrong } from './fault.ts'
import type { Worth } from './next-test.ts'
import { ownLooks } from './own-looks.ts'
import { measurementOf, proofOf, provedBy } from './proof.ts'
import type { Search, Suspicion } from './search.ts'
import { namedLeader } from './shares.ts'
import { testingMinutes } from './worth-testing.ts'

/** Whether to repair the likeliest rather than test on, and the arithmetic of it. */
export interface RepairNow {
  fault: string
  p: number
  /** Minutes of repairing thrown away, on the average, if it is repaired now; a part's price among them. */
  wastedMinutes: number
  /** What the part costs, in minutes of labour; 0 where nobody said. */
  partMinutes: number
  /** Minutes of the next test; none where nothing is left to try. */
  testMinutes: number | null
  /** Minutes the search is expected to cost if it is done, with what is left after it. */
  testingMinutes: number | null
  /** What looks at the fault itself and has to be done before a part is touched; null where it has shown it. */
  proof: Worth | null
}

/** Sure enough to repair without another word, unless what might be thrown away is dear. */
const sureEnough = 0.9
/** So sure somebody has to be before a part is changed, and before something is cleaned or set. From memory. */
const sureOfPart = 0.95
/** The same where a look at the part itself has shown it. */
const sureOfSeen = 0.9
const sureOfWork = 0.7
/** Where no test is left: under this no part is tried, and somebody has to say that it is so. From memory. */
const likelyPart = 0.55

/** Whether a repair puts something new in. */
const isPartChanged = ({ part, repair }: Fault): boolean => part !== undefined && !repair.tell

/** A waste nobody minds, min. From memory. */
const mostWaste = 15

/** Whether what was seen is enough to touch a part, or to call the machine sound. */
export function isProved(
  book: FaultBook,
  { notCured, repairedAfter = {}, seen: all }: Search,
  { network, seen }: Pick<Suspicion, 'network' | 'seen'>,
  fault: string,
): boolean {
  if (fault === nothingWrong) {
    const asked = measurementOf(book, network)
    const measured = asked === null ? [] : seen.filter(({ test, said }) => test === asked && !said)
    return asked === null || measured.length > 0
  }
  const since = notCured.includes(fault) ? (repairedAfter[fault] ?? all.length) : 0
  return provedBy(network, seen, fault).some((i) => all.indexOf(seen[i]!) >= since)
}

/**
 * Whether it is time to repair the likeliest.
 *
 * @param partMinutes - by fault, what its part costs, in minutes of labour
 * @returns null while another test is worth more than it costs; where what leads is in no book; where nothing that was
 *   seen on the machine speaks for it; where the same was repaired, and nothing new speaks for it since
 */
export function repairNow(
  book: FaultBook,
  search: Search,
  { network, belief, next, all, seen, elseLeads }: Suspicion,
  partMinutes: Record<string, number> = {},
): RepairNow | null {
  if (elseLeads) return null
  const top = namedLeader(network, belief)
  const fault = book.faults[top]!
  const proof = proofOf(book, network, seen, fault.id, all)
  if (!proof && !isProved(book, search, { network, seen }, fault.id)) return null
  const p = belief[top]!
  const part = partMinutes[fault.id] ?? 0
  const waste = (now: Float64Array): number => {
    const best = namedLeader(network, now)
    const { id, repair } = book.faults[best]!
    return (1 - now[best]!) * (repair.minutes + (partMinutes[id] ?? 0))
  }
  const wastedMinutes = waste(belief)
  const testMinutes = next[0]?.minutes ?? null
  const dear = wastedMinutes >= Math.max(testMinutes ?? 0, mostWaste)
  const test = next[0] && network.tests.find(({ id }) => id === next[0]!.test)
  const testing = test ? testingMinutes(belief, test, testMinutes!, waste) : null
  const own = new Set(ownLooks(book, fault))
  const isSeen = provedBy(network, seen, fault.id).some((i) => own.has(seen[i]!.test))
  const [least, atLeast] = isPartChanged(fault) ? [isSeen ? sureOfSeen : sureOfPart, likelyPart] : [sureOfWork, 0]
  const isSure = p >= (isSeen ? least : Math.max(sureEnough, least)) && !dear
  const worthIt = isSure || (testing === null ? p >= atLeast : p >= least && wastedMinutes < testing)
  return worthIt
    ? { fault: network.faults[top]!, p, wastedMinutes, partMinutes: part, testMinutes, testingMinutes: testing, proof }
    : null
}
