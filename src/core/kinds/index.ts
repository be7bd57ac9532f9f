import { bt } from './bt.ts'
import { c2 } from './c2.ts'
import { dg } from './dg.ts'
import { dn } from './dn.ts'
import { dv } from './dv.ts'
import { gr } from './gr.ts'
import type { Kind } from './kind.ts'
import { lv } from './lv.ts'
import { pd } from './pd.ts'
import { pk } from './pk.ts'
import { pl } from './pl.ts'
import { pt } from './pt.ts'
import { sp } from './sp.ts'
import { sr } from './sr.ts'
import { st } from './st.ts'

/** The kinds of machine that ship. */
export const kinds: Kind[] = [c2, lv, pt, dv, dn, dg, bt, sr, st, sp, pk, pl, pd, gr]

/** @returns null when no such kind ships */
export const kindById = (id: string): Kind | null => kinds.find((kind) => kind.id === id) ?? null

/** How one of several is called on a screen. @example instanceName('side', 1) // 'left' */
export function instanceName(each: 'group' | 'side', index: number): string {
  return each === 'side' ? (index === 1 ? 'left' : 'right') : `group ${index}`
}

/** How many of a part a machine has. */
export const instances = (kind: Kind, each: 'group' | 'side' | undefined): number =>
  each === 'group' ? kind.groups : each === 'side' ? kind.sides : 1
