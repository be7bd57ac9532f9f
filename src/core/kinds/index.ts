import { c2 } from '../trade/machines/commercial-two-group/kind.ts'
import { dg } from '../trade/machines/domestic-built-in-grinder/kind.ts'
import { dv } from '../trade/machines/domestic-three-way-valve/kind.ts'
import { dn } from '../trade/machines/domestic-without-valve/kind.ts'
import { pl } from '../trade/machines/pod-loading-lever/kind.ts'
import { pk } from '../trade/machines/pod-locking-head/kind.ts'
import { lv } from '../trade/machines/prosumer-lever-group/kind.ts'
import { pt } from '../trade/machines/prosumer-touch-menu/kind.ts'
import { pd } from '../trade/machines/pump-latte-machine/kind.ts'
import { gr } from '../trade/machines/stand-alone-grinder/kind.ts'
import { st } from '../trade/machines/super-automatic-fixed-unit/kind.ts'
import { sp } from '../trade/machines/super-automatic-motor-group/kind.ts'
import { sr } from '../trade/machines/super-automatic-removable-unit/kind.ts'
import { bt } from '../trade/machines/thermoblock-bean-to-cup/kind.ts'
import type { Kind } from './kind.ts'

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
