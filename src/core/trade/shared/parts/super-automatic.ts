import { part } from '../../../kinds/build.ts'
import type { Kind, Measure, Part, Task } from '../../../kinds/kind.ts'

type Row = { part: Part; tasks: Task[] }

/** Parts of a super-automatic for offices and homes, whoever takes its brew unit out. */
export const superAutomaticParts: Row[] = [
  part('piston-ring', 'Brew-unit piston ring', 'brew-unit', { shots: [5_000, 10_000, 20_000], months: [9, 14, 24] }, { beta: 2.5, min: 10, rubber: true }),
  part('upper-screen', 'Upper screen', 'brew-unit', { shots: [8_000, 15_000, 30_000], months: [18, 36, 60] }, { beta: 2, min: 10 }),
  part('unit-drive', 'Unit drive: gear, nut, motor', 'drive', { shots: [25_000, 50_000, 90_000], months: [48, 84, 120] }, { beta: 1.5, min: 45, caution: 'mains' }),
  part('position-switches', 'Position switches', 'position', { shots: [20_000, 50_000, 90_000], months: [48, 84, 120] }, { beta: 1.2, min: 30, caution: 'mains' }),
  part('multi-way-valve', 'Drain / ceramic multi-way valve', 'drain-valve', { shots: [15_000, 30_000, 60_000], months: [36, 60, 96] }, { beta: 1.5, min: 40, caution: 'mains' }),
  part('pump', 'Vibratory pump', 'pump', { shots: [12_000, 25_000, 50_000], litres: [800, 1_800, 3_500], months: [36, 60, 84], runningHours: [80, 180, 350] }, { beta: 1.8, min: 25, caution: 'mains' }),
  part('pump-hose', 'Pump hose', 'pump', { months: [36, 60, 96] }, { beta: 1.8, min: 10, mark: 'T', rubber: true, other: 'new with the pump', caution: 'mains' }),
  part('flow-meter', 'Flow meter', 'flow-meter', { shots: [30_000, 60_000, 100_000], litres: [3_000, 6_000, 10_000], months: [48, 72, 108] }, { beta: 1.4, min: 20, caution: 'mains' }),
  part('thermoblock', 'Thermoblock', 'thermoblock', { shots: [20_000, 40_000, 70_000], litres: [2_000, 4_000, 8_000], months: [48, 84, 120] }, { beta: 1.5, min: 50, other: 'chalk over 0.15 / 0.3 / 0.6 mm', caution: 'mains' }),
  part('pressure-hoses', 'High-pressure hoses and rings', 'thermoblock', { shots: [15_000, 30_000, 50_000], months: [36, 60, 96] }, { beta: 2, min: 25, rubber: true, caution: 'mains' }),
  part('steam-valve', 'Steam / hot-water valve', 'steam-valve', { openings: [8_000, 20_000, 40_000], months: [24, 48, 84] }, { beta: 1.6, min: 35, caution: 'scald' }),
  part('tank-coupling', 'Tank coupling seal and gauze', 'tank', { months: [12, 24, 48] }, { beta: 2, min: 5, rubber: true }),
  part('tank-filter', 'Tank filter', 'tank', { litres: [30, 50, 70], months: [1.5, 2, 3] }, { beta: 4, min: 1 }),
  part(
    'burrs',
    'Burrs',
    'burrs',
    null,
    { beta: 2, min: 40, other: 'a stone ends ceramic ones', caution: 'mains' },
    {
      variants: {
        ceramic: { shots: [15_000, 30_000, 50_000], kilograms: [130, 260, 450], months: [60, 96, 144] },
        steel: { shots: [8_000, 16_000, 28_000], kilograms: [70, 150, 250], months: [48, 84, 120], beta: 2.5 },
      },
    },
  ),
  part('chute', 'Chute and flap', 'burrs', { shots: [10_000, 25_000, 50_000], months: [36, 72, 108] }, { beta: 1.3, min: 40, other: 'oily or flavoured beans: a third', caution: 'mains' }),
  part('grinder-motor', 'Grinder motor, brushes', 'grinder-motor', { shots: [20_000, 40_000, 70_000], months: [60, 96, 144] }, { beta: 1.6, min: 45, caution: 'mains' }),
  part('spring-contacts', 'Spring contacts', 'contacts', { months: [48, 84, 144] }, { beta: 1.2, min: 30, caution: 'mains' }),
  part('spout-pipes', 'Coffee spout pipes', 'spout', { months: [12, 36, 60] }, { beta: 1.5, min: 10, other: 'cleaned weekly' }),
  part('door-switches', 'Door, tray, container switches', 'door', { months: [48, 84, 120] }, { beta: 1.2, min: 25, caution: 'mains' }),
]

/** Good readings of one for an office, whichever way its unit comes out. */
export const superAutomaticMeasures: Measure[] = [
  { id: 'open-flow', name: 'Open flow, 10 s', unit: 'ml', good: { from: 45, to: 90 }, mark: 'M' },
  { id: 'outlet-temperature', name: 'Water at outlet', unit: '°C', good: { from: 86, to: 93 }, mark: 'T' },
  { id: 'cup-temperature', name: 'Coffee in warm cup', unit: '°C', good: { from: 62, to: 76 }, mark: 'M' },
  { id: 'tray-water', name: 'Tray water a drink', unit: 'ml', good: { from: 6, to: 15 }, mark: 'M' },
  { id: 'hot-water-flow', name: 'Hot water, 10 s', unit: 'ml', good: { from: 60, to: 90 }, mark: 'M' },
  { id: 'shot-time', name: 'Espresso 40 g', unit: 's', good: { from: 18, to: 28 }, mark: 'T' },
]

/** What a drink draws there. */
export const superAutomaticBudget: Kind['budget'] = {
  drinks: [
    { name: 'espresso', share: 0.3, cupMl: 40, puckMl: 10, dischargeMl: 9, flushMl: 0 },
    { name: 'coffee', share: 0.55, cupMl: 120, puckMl: 11, dischargeMl: 9, flushMl: 0 },
    { name: 'double coffee', share: 0.15, cupMl: 220, puckMl: 15, dischargeMl: 12, flushMl: 0 },
  ],
  besides: [{ name: 'hot water: one drink in twenty', mlPerDrink: 9.5, goes: 'hot-water' }],
  daily: [{ name: 'rinse on, rinse off, two idle rinses', ml: 200, goes: 'brew' }],
  mark: 'M',
}

/** What goes along with its drinks. */
export const superAutomaticCounts: Kind['counts'] = {
  kilograms: { perDrink: 0.0105 },
  openings: { perDrink: 0.4 },
  runningHours: { perDrink: 0.0072, perOpenDay: 0.01 },
  milkDrinks: { perDrink: 0.4 },
}
