import { part } from '../../../kinds/build.ts'
import type { Part, Task } from '../../../kinds/kind.ts'

type Row = { part: Part; tasks: Task[] }

/** Parts that a lever-operated and a dual-boiler prosumer machine share. */
export const prosumerParts = (boiler: string): Row[] => [
  part('group-gasket', 'Group gasket', 'group', { shots: [3_000, 6_000, 10_000], months: [9, 15, 24], detergent: [15, 40, 80] }, { beta: 3, min: 8, rubber: true, sizes: ['8 mm', '8.2 mm', '8.5 mm', '9 mm'], caution: 'scald' }),
  part('shower-screen', 'Shower screen', 'screen', { shots: [4_000, 8_000, 15_000], months: [12, 24, 48] }, { beta: 2.5, min: 4, caution: 'scald' }),
  part('pump', 'Vibratory pump', 'pump', { shots: [8_000, 15_000, 30_000], litres: [500, 1_200, 2_500], months: [36, 60, 96], runningHours: [60, 120, 250] }, { beta: 1.8, min: 25, without: 'rotary', caution: 'mains' }),
  part('rotary-pump', 'Rotary pump', 'pump', { litres: [5_000, 15_000, 40_000], months: [60, 96, 144] }, { beta: 2, min: 40, with: 'rotary', other: 'dry running ends it in minutes', caution: 'mains' }),
  part('relief-valve', 'Brew-pressure relief / expansion valve', 'relief', { months: [24, 48, 84] }, { beta: 1.8, min: 25, caution: 'pressure' }),
  part('safety-valve', 'Safety valve', 'breather', { months: [24, 36, 48] }, { beta: 1.5, min: 25, safety: true, other: 'replace after any weep; local rules first', caution: 'pressure' }),
  part('vacuum-breaker', 'Vacuum breaker', 'breather', { heatUps: [350, 900, 1_500], months: [12, 30, 48] }, { beta: 2, min: 15, safety: true, caution: 'pressure' }),
  part('relay', 'Controller, solid-state relay', 'relay', { months: [48, 84, 132] }, { beta: 1.2, min: 30, caution: 'mains' }),
  part('heating-element', 'Heating element', 'heater', { months: [60, 96, 144] }, { beta: 1.5, min: 75, caution: 'mains' }),
  part('cut-out', 'Over-temperature cut-out', 'heater', { months: [60, 96, 144] }, { beta: 1, min: 20, safety: true, other: 'never bridged', caution: 'mains' }),
  part('steam-seals', 'Steam and hot-water valve seals', 'steam-valve', { openings: [3_000, 7_000, 15_000], months: [12, 24, 48] }, { beta: 2.5, min: 20, rubber: true, caution: 'pressure' }),
  part('no-burn-tube', 'No-burn tube and tip ring', 'wand', { months: [12, 30, 60] }, { beta: 1.8, min: 10, caution: 'scald' }),
  part('level-probe', 'Level probe', 'level', null, { beta: 1.5, min: 20, caution: 'mains' }, { upkeep: { clean: { months: [12, 24, 36] } } }),
  part('tank-valve', 'Tank valve ring, tank hoses', 'tank', { months: [24, 48, 84] }, { beta: 2, min: 10, without: 'plumbed', rubber: true }),
  part('tank-magnet', 'Tank level magnet, reed', 'tank', { months: [48, 84, 120] }, { beta: 1.2, min: 15, without: 'plumbed' }),
  part('softening-sachet', 'Tank softening sachet', 'tank', { litres: [20, 40, 70], months: [1, 2, 3] }, { beta: 4, min: 1, without: 'plumbed' }),
  part('element-gasket', 'Boiler and element gasket', boiler, { months: [36, 72, 120] }, { beta: 2, min: 60, mark: 'T', other: 'new at every opening', caution: 'pressure' }),
]

/** Revisions a prosumer machine comes in. */
export const prosumerOptions = [
  {
    id: 'plumbed',
    name: 'Plumbed in',
    standard: false,
    howToTell: [
      { look: 'A hose from the wall under the machine, no tank or a closed one', means: 'fitted' as const },
      { look: 'A tank that is filled by hand', means: 'not fitted' as const },
    ],
    mark: 'T' as const,
  },
  {
    id: 'rotary',
    name: 'Rotary pump',
    standard: false,
    howToTell: [
      { look: 'A quiet, even hum while it brews; a motor with a brass head inside', means: 'fitted' as const },
      { look: 'A loud buzz that shakes the cups', means: 'not fitted' as const },
    ],
    mark: 'T' as const,
  },
]
