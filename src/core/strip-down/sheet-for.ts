import { knownFor } from '../trade/strip-downs/known.ts'
import type { KnownStripDown } from './known-strip-down.ts'

/** What is opened for a fault, of those sheets the first that is written for the kind. */
const sheetsOf: Record<string, string[]> = {
  'three-way-leaks': ['three-way-valve'],
  'three-way-shut': ['three-way-valve'],
  'three-way-coil': ['three-way-valve'],
  'probe-chalked': ['level-probe'],
  'steam-seat': ['steam-valve'],
  'knob-leaks': ['steam-valve'],
  'wand-joint': ['wand-joint'],
  'tip-blocked': ['steam-tip'],
  'wand-blocked': ['steam-tip'],
  'gasket-hard': ['screen-and-seal', 'screen-by-screw'],
  'seal-hard': ['screen-and-seal', 'screen-by-screw'],
  'screen-clogged': ['screen-and-seal', 'screen-by-screw'],
  'pump-weak': ['pump-and-relief', 'pump-and-hose'],
  'pump-dead': ['pump-and-relief', 'pump-and-hose'],
  'hose-leaks': ['pump-and-hose'],
  'nozzle-seals': ['brew-unit-and-nozzle', 'lower-piston-gasket'],
  'unit-ring': ['brew-unit-and-nozzle', 'unit-and-valve', 'upper-piston-gasket'],
  'unit-screen': ['brew-unit-and-nozzle', 'unit-and-valve', 'upper-piston-gasket'],
  'unit-dry': ['brew-unit-and-nozzle', 'unit-and-valve', 'guides-shield-bushing'],
  'valve-gaskets': ['unit-and-valve'],
  'drive-nut': ['endless-screw'],
  'group-heater': ['group-heater'],
  'air-jet': ['milk-unit'],
  'frother-rings': ['milk-unit'],
  'needle-blocked': ['pod-head-and-needle'],
  'needle-blunt': ['pod-head-and-needle'],
  'head-gasket': ['pod-head-and-needle'],
  'outlet-blocked': ['pod-head-and-needle'],
  'chute-clogged': ['grinder-service'],
  'burrs-worn': ['grinder-service', 'grinder-burrs'],
  'grinder-jam': ['grinder-service'],
  'contacts-off': ['grinder-service'],
  stone: ['grinder-burrs'],
  'thread-stiff': ['grinder-burrs'],
  'thread-loose': ['grinder-burrs'],
  'joint-leaks': ['latte-machine-opened'],
  'boiler-chalked': ['latte-machine-opened'],
}

/**
 * The sheet a fault's repair is done by on a kind of machine.
 *
 * @param kind - the kind, or what a firm's own is based on
 * @returns null where none is written for it: an empty sheet serves
 * @example sheetForFault('pump-weak', 'sr')?.id // 'pump-and-hose'
 */
export function sheetForFault(fault: string, kind: string): KnownStripDown | null {
  const here = knownFor(kind)
  return sheetsOf[fault]?.map((id) => here.find((one) => one.id === id)).find((one) => one !== undefined) ?? null
}

/** Sheets on which a part of a kind comes off. @example sheetsForPart('level-probe', 'c2')[0]?.id // 'level-probe' */
export const sheetsForPart = (part: string, kind: string): KnownStripDown[] =>
  knownFor(kind).filter(({ things }) => things.some((thing) => thing.parts?.includes(part)))
