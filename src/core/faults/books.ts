import type { FaultBook } from './fault.ts'
import { withFirstShares } from './first-shares.ts'
import { btFaults } from './kinds/bt.ts'
import { c2Faults } from './kinds/c2.ts'
import { dgFaults } from './kinds/dg.ts'
import { dnFaults } from './kinds/dn.ts'
import { dvFaults } from './kinds/dv.ts'
import { grFaults } from './kinds/gr.ts'
import { lvFaults } from './kinds/lv.ts'
import { pdFaults } from './kinds/pd.ts'
import { pkFaults } from './kinds/pk.ts'
import { plFaults } from './kinds/pl.ts'
import { ptFaults } from './kinds/pt.ts'
import { spFaults } from './kinds/sp.ts'
import { srFaults } from './kinds/sr.ts'
import { stFaults } from './kinds/st.ts'

/** What is known of each kind's faults, by kind. */
export const faultBooks: FaultBook[] = [
  c2Faults,
  lvFaults,
  ptFaults,
  dvFaults,
  dnFaults,
  dgFaults,
  btFaults,
  srFaults,
  stFaults,
  spFaults,
  pkFaults,
  plFaults,
  pdFaults,
  grFaults,
].map(withFirstShares)

/** @returns null where no faults of a kind are written yet */
export const bookOf = (kind: string): FaultBook | null => faultBooks.find((book) => book.kind === kind) ?? null
