import { type Fault, type FaultBook, nothingWrong, somethingElse, type Test } from './fault.ts'
import { outcomesUnder } from './likelihood.ts'
import { ownLooksOfAll, showsMachine } from './own-looks.ts'

// What is in no book. It stands under one name, as patterns: beside each fault one that behaves like it, is not found
// where that would be, and shows something of its own at other looks at the same place; one more that no look finds; and
// at each station what behaves like nothing known.

/** Share of the calls that are for something no book has. From memory. */
export const shareOfElse = 0.07
/** Of it, what behaves like nothing that is known. From memory. */
const likeNothing = 0.2
/** Of what behaves like something known, what no look of the book would find. From memory. */
const hidden = 0.25

/**
 * How often what is in no book shows something of its own rather than what the fault does that it is like: where that
 * would be seen, at other looks at the same place, at looks elsewhere, in how the machine behaves. From memory.
 */
const elsewise = { atItsLook: 0.15, atItsStation: 0.2, elsewhere: 0.02, inBehaviour: 0.05 } as const

function elsewiseAt(test: Test, fault: Fault): number {
  // What whoever works with it tells is of how it comes, whatever it is.
  if (test.by === 'word') return 0
  if (showsMachine(test)) return elsewise.inBehaviour
  return test.station === fault.station ? elsewise.atItsStation : elsewise.elsewhere
}

/** Where something can be wrong that looks like nothing known. */
const stationsOf = ({ tests }: FaultBook): string[] => [...new Set(tests.map(({ station }) => station))]

/**
 * What a test shows of each pattern, in the order of their weights.
 *
 * @returns chances by outcome, each summing to 1
 */
export function residualUnder(book: FaultBook): (test: Test) => Map<string, number>[] {
  const own = ownLooksOfAll(book).map((looks) => new Set(looks))
  const stations = stationsOf(book)
  return (test) => {
    const [sound, broad] = [outcomesUnder(test, nothingWrong), outcomesUnder(test, somethingElse)]
    const spread = (plain: Map<string, number>, share: number) =>
      new Map([...plain].map(([id, p]) => [id, (1 - share) * p + share * broad.get(id)!]))
    const unlike = spread(sound, elsewise.atItsLook)
    const beside = (share: (fault: Fault) => number) =>
      book.faults.map((fault, i) =>
        own[i]!.has(test.id) ? unlike : spread(outcomesUnder(test, fault.id), share(fault)),
      )
    return [
      ...beside((fault) => elsewiseAt(test, fault)),
      ...beside(() => 0),
      ...stations.map((station) => (station === test.station ? broad : sound)),
    ]
  }
}

/**
 * What each pattern weighs beside the faults of a book: its share of them all, as often as what it is like is complained
 * of so.
 *
 * @param plain - what the faults weigh, in the book's order, before the records: what these say for one that is named,
 *   they say against what is not
 */
export function residualWeights(book: FaultBook, plain: number[]): number[] {
  // As sound as a machine can be is no pattern of something unknown.
  const like = plain.map((weight, i) => (book.faults[i]!.id === nothingWrong ? 0 : weight))
  const [named, patterns] = [sumOf(plain), sumOf(like)]
  const others = (named * shareOfElse) / (1 - shareOfElse)
  const stations = stationsOf(book)
  const beside = (share: number) => like.map((weight) => (1 - likeNothing) * share * others * (weight / patterns))
  return [...beside(1 - hidden), ...beside(hidden), ...stations.map(() => (likeNothing * others) / stations.length)]
}

const sumOf = (weights: number[]): number => weights.reduce((total, weight) => total + weight, 0)
