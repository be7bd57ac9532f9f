import { bookOf, writtenOf } from '../faults/books.ts'
import { c2Bench } from '../trade/machines/commercial-two-group/bench.ts'
import { dgBench } from '../trade/machines/domestic-built-in-grinder/bench.ts'
import { dvBench } from '../trade/machines/domestic-three-way-valve/bench.ts'
import { dnBench } from '../trade/machines/domestic-without-valve/bench.ts'
import { plBench } from '../trade/machines/pod-loading-lever/bench.ts'
import { pkBench } from '../trade/machines/pod-locking-head/bench.ts'
import { lvBench } from '../trade/machines/prosumer-lever-group/bench.ts'
import { ptBench } from '../trade/machines/prosumer-touch-menu/bench.ts'
import { pdBench } from '../trade/machines/pump-latte-machine/bench.ts'
import { grBench } from '../trade/machines/stand-alone-grinder/bench.ts'
import { stBench } from '../trade/machines/super-automatic-fixed-unit/bench.ts'
import { spBench } from '../trade/machines/super-automatic-motor-group/bench.ts'
import { srBench } from '../trade/machines/super-automatic-removable-unit/bench.ts'
import { btBench } from '../trade/machines/thermoblock-bean-to-cup/bench.ts'
import type { BenchKind } from './bench-kind.ts'
import { benchWithModes } from './modes.ts'

/** A kind on the bench, whatever its state is made of. */
// biome-ignore lint/suspicious/noExplicitAny: each kind has a state of its own, and only the bench itself reads it
export type AnyBench = BenchKind<any>

const made: AnyBench[] = [
  c2Bench,
  lvBench,
  ptBench,
  dvBench,
  dnBench,
  dgBench,
  btBench,
  srBench,
  stBench,
  spBench,
  pkBench,
  plBench,
  pdBench,
  grBench,
]

/** Kinds that stand on the bench, with every failure their parts can have. */
export const benches: AnyBench[] = made.map((bench) => {
  const { book, parts } = writtenOf(bench.kind)!
  return benchWithModes(bench, book, bookOf(bench.kind)!, parts)
})

/** @returns null where a kind does not stand on the bench yet */
export const benchOf = (kind: string): AnyBench | null => benches.find((bench) => bench.kind === kind) ?? null
