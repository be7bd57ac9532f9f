import { part } from '../../../kinds/build.ts'
import type { Part, Task } from '../../../kinds/kind.ts'

type Row = { part: Part; tasks: Task[] }

/** Parts of a pod machine, however its head is shut. */
export const podParts: Row[] = [
  part('needle', 'Piercing needle, plate', 'needle', { shots: [8_000, 15_000, 25_000] }, { beta: 1.8, min: 10, caution: 'scald' }, { upkeep: { clean: { shots: [300, 600, 1_200], months: [1, 3, 6] } } }),
  part('head-gasket', 'Head gasket', 'head', { shots: [4_000, 8_000, 15_000], months: [18, 36, 60] }, { beta: 2.5, min: 15, rubber: true, caution: 'scald' }),
  part('cage', 'Capsule cage', 'head', { shots: [8_000, 15_000, 30_000], months: [36, 60, 96] }, { beta: 2, min: 30, caution: 'mains' }),
  part('non-return-valve', 'Head non-return valve', 'non-return', { shots: [6_000, 12_000, 25_000], months: [24, 48, 84] }, { beta: 1.5, min: 30, caution: 'mains' }),
  part('lock-linkage', 'Lock or lever linkage', 'lock', { shots: [8_000, 16_000, 30_000], months: [36, 60, 96] }, { beta: 1.8, min: 35, caution: 'mains' }),
  part('pump', 'Vibratory pump', 'pump', { shots: [8_000, 15_000, 30_000], litres: [500, 1_000, 2_000], months: [36, 60, 84], runningHours: [60, 120, 220] }, { beta: 1.8, min: 25, caution: 'mains' }),
  part('flow-heater', 'Flow heater', 'heater', { shots: [8_000, 15_000, 30_000], litres: [600, 1_200, 2_400], months: [48, 72, 108] }, { beta: 1.5, min: 40, other: 'chalk over 0.12 / 0.25 / 0.5 mm', caution: 'mains' }),
  part('flow-meter', 'Flow meter', 'flow-meter', { shots: [20_000, 40_000, 70_000], months: [48, 84, 120] }, { beta: 1.4, min: 25, caution: 'mains' }),
  part('tank-valve', 'Tank valve, seal', 'tank', { months: [24, 48, 84] }, { beta: 2, min: 5, rubber: true }),
  part('thermal-fuse', 'Thermal fuse, sensor', 'fuse', { months: [48, 84, 120] }, { beta: 1.1, min: 25, caution: 'mains' }),
  part('head-switch', 'Button, head switch', 'button', { shots: [10_000, 25_000, 50_000], months: [36, 72, 108] }, { beta: 1.2, min: 25, caution: 'mains' }),
]
