import { part } from '../../../kinds/build.ts'
import type { Part, Task } from '../../../kinds/kind.ts'

type Row = { part: Part; tasks: Task[] }

/** Parts that every small machine with a portafilter shares. @param heater - station of its thermoblock or boiler */
export const domesticParts = (heater: string, block: 'Thermoblock' | 'Boiler'): Row[] => [
  part('group-seal', 'Group seal', 'group', { shots: [1_500, 3_000, 6_000], months: [12, 24, 48], detergent: [20, 40, 80] }, { beta: 3, min: 8, rubber: true, caution: 'scald' }),
  part('screen', 'Screen and screw', 'screen', { shots: [3_000, 6_000, 12_000], months: [12, 36, 60] }, { beta: 2.5, min: 5, caution: 'scald' }),
  part('pump', 'Vibratory pump', 'pump', { shots: [5_000, 10_000, 20_000], litres: [250, 600, 1_200], months: [36, 60, 84], runningHours: [40, 80, 160] }, { beta: 1.8, min: 25, caution: 'mains' }),
  part('pump-protector', 'Pump thermal protector', 'protector', { months: [48, 84, 120] }, { beta: 1.2, min: 10, caution: 'mains' }),
  part('relief-valve', 'Relief valve to tank', 'relief', { months: [36, 60, 96] }, { beta: 1.8, min: 25, caution: 'mains' }),
  part('heater', block, heater, { shots: [8_000, 15_000, 30_000], months: [48, 84, 120] }, { beta: 1.5, min: 60, other: 'chalk beyond its limit', caution: 'mains' }),
  part('block-rings', 'Block and boiler O-rings, joint rings', heater, { shots: [5_000, 10_000, 20_000], months: [36, 60, 96] }, { beta: 2, min: 40, rubber: true, other: 'new whenever opened', caution: 'mains' }),
  part('thermostat', 'Thermostat, sensor, thermal fuse', 'thermostat', { months: [48, 84, 120] }, { beta: 1.2, min: 25, caution: 'mains' }),
  part('steam-knob', 'Steam knob seal, selector valve', 'steam-knob', { openings: [2_000, 5_000, 10_000], months: [24, 48, 84] }, { beta: 2, min: 30, rubber: true, caution: 'scald' }),
  part('frothing-sleeve', 'Frothing sleeve, tip ring', 'wand', { months: [12, 24, 48] }, { beta: 2, min: 2, caution: 'scald' }),
  part('tank-valve', 'Tank valve ring', 'tank', { months: [24, 48, 84] }, { beta: 2, min: 5, rubber: true }),
]

/** The valve on the group, of a machine that vents. */
export const threeWayPart = (more: { with?: string } = {}): Row => part('three-way-valve', '3-way valve', 'three-way', { shots: [6_000, 12_000, 25_000], months: [24, 48, 84] }, { beta: 1.6, min: 30, caution: 'mains', ...more })

/** The closed disc its cleaning needs. */
export const cleaningDisc = (more: { with?: string } = {}): Row => part('cleaning-disc', 'Cleaning disc, rubber', 'basket', { uses: [12, 24, 50], months: [12, 24, 48] }, { beta: 2.5, min: 1, rubber: true, ...more })

/** Its softening tank filter. */
export const tankFilter = (more: { with?: string } = {}): Row => part('tank-filter', 'Tank filter', 'tank', { litres: [20, 40, 60], months: [1, 2, 3] }, { beta: 4, min: 1, ...more })

/** A basket with one small hole, which makes the crema for any grind. */
export const pressurisedBasket: Row = part('pressurised-basket', 'Pressurised basket: hole, valve', 'basket', { shots: [2_000, 4_000, 8_000], months: [24, 48, 84] }, { beta: 2, min: 1 })

/** Of a grinder that is built in. */
export const builtInGrinder: Row[] = [
  part('burrs', 'Burrs, small conical steel', 'burrs', { shots: [3_000, 6_000, 10_000], kilograms: [50, 100, 170], months: [36, 60, 96] }, { beta: 2.5, min: 20, sizes: ['35 mm', '38 mm', '40 mm'], caution: 'mains' }),
  part('chute', 'Grinder chute, paddle', 'burrs', { shots: [3_000, 7_000, 15_000], months: [36, 60, 96] }, { beta: 1.5, min: 30, other: 'oily beans: half', caution: 'mains' }),
  part('hopper-switches', 'Portafilter and hopper switches', 'switches', { shots: [5_000, 12_000, 25_000], months: [36, 72, 120] }, { beta: 1.2, min: 30, caution: 'mains' }),
]
