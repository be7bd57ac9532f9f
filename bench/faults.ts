import { benchOf } from '../src/core/bench/benches.ts'
import { type Played, playBest, playInOrder, sureEnough } from '../src/core/bench/play-case.ts'
import { secretCase } from '../src/core/bench/secret-case.ts'
import { faultBooks } from '../src/core/faults/books.ts'
import type { FaultBook } from '../src/core/faults/fault.ts'
import { type Network, networkOf } from '../src/core/faults/network.ts'
import { rankCauses } from '../src/core/faults/rank-causes.ts'
import { kindById } from '../src/core/kinds/index.ts'
import { reportHard } from './hard.ts'
import { leftOut } from './left-out.ts'
import { againstOptimal, cutDown } from './optimal-policy.ts'

// `npm run bench:faults [cases] [kind]`: machines broken in secret, searched by the next best test and by walking the path.

const cases = Number(process.argv[2] ?? 500)
const only = process.argv[3]
const mean = (numbers: number[]) => numbers.reduce((sum, n) => sum + n, 0) / Math.max(1, numbers.length)
const percent = (share: number) => `${(100 * share).toFixed(1)} %`

/** Stations in the order water meets them, branches after the line, rails last. */
function pathOrder(kindId: string): string[] {
  const { lines } = kindById(kindId)!
  return [...lines].sort((a, b) => Math.abs(a.lane) - Math.abs(b.lane)).flatMap(({ stations }) => stations)
}

function report(book: FaultBook): void {
  const bench = benchOf(book.kind)
  if (!bench) return
  const order = pathOrder(book.kind)
  const best: { played: Played; right: boolean }[] = []
  const walked: { played: Played; right: boolean }[] = []
  /** Every suspect at every step of every search, and whether it was the one. */
  const suspected: { p: number; right: boolean }[] = []
  let slowestMs = 0
  for (let seed = 1; seed <= cases; seed += 1) {
    const secret = secretCase(book, bench, seed)
    const began = performance.now()
    const played = playBest(book, secret)
    slowestMs = Math.max(slowestMs, (performance.now() - began) / Math.max(1, played.tests.length))
    const network = networkOf(book, secret.symptom)
    for (let done = 0; done <= played.tests.length; done += 1)
      rankCauses(network, played.tests.slice(0, done))!.forEach((p, i) => {
        if (p >= 0.1) suspected.push({ p, right: network.faults[i] === secret.fault })
      })
    best.push({ played, right: played.named === secret.fault })
    const walk = playInOrder(book, secret, order)
    walked.push({ played: walk, right: walk.named === secret.fault })
  }
  const minutes = mean(best.map(({ played }) => played.minutes))
  const walkMinutes = mean(walked.map(({ played }) => played.minutes))
  const share = (list: typeof best) => list.filter(({ right }) => right).length / list.length
  console.log(
    `\n${kindById(book.kind)!.name}: ${book.faults.length} faults, ${book.tests.length} tests, ${cases} cases`,
  )
  console.log(`  right fault first        ${percent(share(best))}   walking the path ${percent(share(walked))}`)
  console.log(
    `  minutes, mean            ${minutes.toFixed(1)}   walking ${walkMinutes.toFixed(1)}   ratio ${percent(minutes / walkMinutes)}`,
  )
  console.log(`  tests, mean              ${mean(best.map(({ played }) => played.tests.length)).toFixed(1)}`)
  console.log(`  slowest choice, mean over a case's tests  ${slowestMs.toFixed(1)} ms`)
  for (const [from, to] of [
    [0.3, 0.5],
    [0.5, 0.7],
    [0.7, 0.9],
    [0.9, sureEnough],
    [sureEnough, 1.01],
  ] as const) {
    const within = best.filter(({ played }) => played.sure >= from && played.sure < to)
    if (within.length > 0)
      console.log(
        `  named at ${percent(from)} to ${percent(Math.min(1, to))}: ${percent(share(within))} right, of ${within.length}; said ${percent(mean(within.map(({ played }) => played.sure)))}`,
      )
  }
  for (const [from, to] of [
    [0.1, 0.3],
    [0.3, 0.6],
    [0.6, 0.8],
    [0.8, 0.95],
  ] as const) {
    const given = suspected.filter(({ p }) => p >= from && p < to)
    console.log(
      `  of suspects given ${percent(from)} to ${percent(to)}: ${percent(given.filter(({ right }) => right).length / Math.max(1, given.length))} right, of ${given.length}; said ${percent(mean(given.map(({ p }) => p)))}`,
    )
  }
  const out = leftOut(book, Math.max(1, Math.round(cases / 60)))
  console.log(
    `  a fault the book lacks   something else leads in ${percent(out.elseLed / out.cases)}, another is named above 60 % in ${percent(out.falselySure / out.cases)}, of ${out.cases}`,
  )
  optimal(book, '7 suspects and 6 tests', (network) => cutDown(network, 7, 6))
  // With every suspect of it, where a kind is small.
  if (smallKinds.has(book.kind))
    optimal(book, `all ${book.faults.length} suspects and the 7 tests that say most`, (network) =>
      cutDown(network, book.faults.length, 7),
    )
}

const smallKinds = new Set(['gr', 'pd', 'pk'])

function optimal(book: FaultBook, words: string, cut: (network: Network) => Parameters<typeof againstOptimal>[0]) {
  const small = book.symptoms.map(({ id }) => againstOptimal(cut(networkOf(book, id))))
  console.log(
    `  against the optimal policy, ${words} of each complaint: ${mean(small.map(({ greedy }) => greedy)).toFixed(1)} to ${mean(small.map((one) => one.optimal)).toFixed(1)} min, ${percent(mean(small.map((one) => one.greedy / one.optimal)) - 1)} more`,
  )
}

for (const book of faultBooks) if (!only || only === book.kind) report(book)

console.log(
  '\nMachines with a past: two faults in one of ten, now and then in one of ten, the last hands in one of five',
)
reportHard(Math.max(20, Math.round(cases / 3)), only)
