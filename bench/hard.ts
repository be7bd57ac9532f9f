import { benchOf } from '../src/core/bench/benches.ts'
import { faultBooks } from '../src/core/faults/books.ts'
import { priorFactors, priorReasons } from '../src/core/faults/prior-factors.ts'
import { type HardCase, hardCase } from './hard-cases.ts'
import { type PlayedThrough, playThrough } from './play-through.ts'

const percent = (part: number, of: number) => `${((100 * part) / Math.max(1, of)).toFixed(1)} % of ${of}`

interface Row {
  machine: HardCase['is']
  first: string | undefined
  was: string[]
  played: PlayedThrough
}

function play(kind: string, seed: number, withRecords: boolean): Row {
  const book = faultBooks.find((one) => one.kind === kind)!
  const machine = hardCase(book, seed)
  const was = machine.broken
  const factors = withRecords ? priorFactors(priorReasons(book, machine.evidence)) : {}
  const played = playThrough(book, machine, factors)
  return { machine: machine.is, first: played.repairs[0]?.fault, was, played }
}

const right = ({ first, was }: Row) => first !== undefined && was.includes(first)
/** Machines with a past, searched with their records and without, repairs and all; so many of each kind. */
export function reportHard(cases: number, only: string | undefined): void {
  const all: { with: Row[]; without: Row[] } = { with: [], without: [] }
  for (const { kind } of faultBooks) {
    if ((only && only !== kind) || !benchOf(kind)) continue
    for (let seed = 1; seed <= cases; seed += 1) {
      all.with.push(play(kind, seed, true))
      all.without.push(play(kind, seed, false))
    }
    const own = all.with.slice(-cases)
    console.log(`${kind}: first repair right ${percent(own.filter(right).length, own.length)}`)
  }

  const of = (name: string, rows: Row[]) => {
    const cured = rows.filter(({ played }) => played.cured).length
    console.log(
      `${name.padEnd(26)} first repair right ${percent(rows.filter(right).length, rows.length)}, all cured ${percent(cured, rows.length)}`,
    )
  }
  of('with records', all.with)
  of('without records', all.without)
  of(
    'plain, with records',
    all.with.filter(({ machine }) => !machine.two && !machine.seldom && !machine.lastHands),
  )
  of(
    'two faults',
    all.with.filter(({ machine }) => machine.two),
  )
  of(
    'comes and goes',
    all.with.filter(({ machine }) => machine.seldom),
  )
  of(
    'last hands',
    all.with.filter(({ machine }) => machine.lastHands),
  )
  of(
    'last hands, no records',
    all.without.filter(({ machine }) => machine.lastHands),
  )
  const leading = (rows: Row[], tests: number) =>
    percent(rows.filter(({ was, played: { led } }) => was.includes((led[tests] ?? led.at(-1))!)).length, rows.length)
  for (const tests of [0, 3, 6])
    console.log(
      `leads after ${tests} tests: with records ${leading(all.with, tests)}, without ${leading(all.without, tests)}`,
    )
  const parts = all.with.flatMap(({ played }) => played.repairs).filter(({ part }) => part)
  console.log(`parts changed that were sound ${percent(parts.filter(({ wasIt }) => !wasIt).length, parts.length)}`)
  const tests = (rows: Row[]) => rows.reduce((sum, { played }) => sum + played.tests, 0) / Math.max(1, rows.length)
  console.log(`tests a case ${tests(all.with).toFixed(1)} with records, ${tests(all.without).toFixed(1)} without`)
}
