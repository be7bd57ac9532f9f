import { benchOf } from '../src/core/bench/benches.ts'
import { playBest } from '../src/core/bench/play-case.ts'
import { secretCase } from '../src/core/bench/secret-case.ts'
import { faultBooks } from '../src/core/faults/books.ts'
import { type FaultBook, nothingWrong, somethingElse } from '../src/core/faults/fault.ts'
import { bookWithout, isTold } from './left-out.ts'

// `npm run bench:calibration [cases a kind] [kind]`: whether what is named at 73 % is right in 73 of 100. One machine in
// ten is broken in a way that its book does not have: then only “something else” is right.

const cases = Number(process.argv[2] ?? 600)
const only = process.argv[3]
const bands = [0, 0.3, 0.5, 0.6, 0.7, 0.8, 0.9, 1.01]
const oneIn = 10

interface Said {
  p: number
  right: boolean
}

function said(book: FaultBook, seed: number): Said {
  const bench = benchOf(book.kind)!
  const known = secretCase(book, bench, seed)
  const missing = seed % oneIn === 0 && known.fault !== nothingWrong && isTold(book, known.fault)
  const { named, sure } = playBest(missing ? bookWithout(book, known.fault) : book, known)
  return { p: sure, right: named === (missing ? somethingElse : known.fault) }
}

const all = faultBooks.flatMap((book) => {
  if ((only && only !== book.kind) || !benchOf(book.kind)) return []
  const own = Array.from({ length: cases }, (_, i) => said(book, i + 1))
  console.log(`${book.kind}: right first ${percent(own)} of ${own.length}`)
  return own
})

console.log(`\nsaid at the end, of ${all.length} machines, one in ${oneIn} broken by what its book has not`)
for (let i = 0; i + 1 < bands.length; i += 1) {
  const [from, to] = [bands[i]!, bands[i + 1]!]
  const within = all.filter(({ p }) => p >= from && p < to)
  if (within.length === 0) continue
  const mean = within.reduce((sum, { p }) => sum + p, 0) / within.length
  // Standard error of a share (binomial): what chance alone would move it.
  const share = within.filter(({ right }) => right).length / within.length
  const error = Math.sqrt((share * (1 - share)) / within.length)
  console.log(
    `${100 * from} to ${Math.round(100 * Math.min(1, to))} %: ${percent(within)} right ± ${(100 * error).toFixed(1)}, said ${(100 * mean).toFixed(1)} %, of ${within.length}`,
  )
}

function percent(list: Said[]): string {
  return `${((100 * list.filter(({ right }) => right).length) / list.length).toFixed(1)} %`
}
