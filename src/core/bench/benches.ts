import type { BenchKind } from './bench-kind.ts'
import { btBench } from './kinds/bt.ts'
import { c2Bench } from './kinds/c2.ts'
import { dgBench } from './kinds/dg.ts'
import { dnBench } from './kinds/dn.ts'
import { dvBench } from './kinds/dv.ts'
import { grBench } from './kinds/gr.ts'
import { lvBench } from './kinds/lv.ts'
import { pdBench } from './kinds/pd.ts'
import { pkBench } from './kinds/pk.ts'
import { plBench } from './kinds/pl.ts'
import { ptBench } from './kinds/pt.ts'
import { spBench } from './kinds/sp.ts'
import { srBench } from './kinds/sr.ts'
import { stBench } from './kinds/st.ts'

/** A kind on the bench, whatever its state is made of. */
// biome-ignore lint/suspicious/noExplicitAny: each kind has a state of its own, and only the bench itself reads it
export type AnyBench = BenchKind<any>

/** Kinds that stand on the bench. */
export const benches: AnyBench[] = [
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

/** @returns null where a kind does not stand on the bench yet */
export const benchOf = (kind: string): AnyBench | null => benches.find((bench) => bench.kind === kind) ?? null
