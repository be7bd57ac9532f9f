import { part, task } from '../../../kinds/build.ts'
import type { Cleaning, Measure, Option, Part, PathLine, RoutineTask, Station, Task } from '../../../kinds/kind.ts'

const milk = { with: 'milk' } as const

/** The milk system, a set of stations that hangs on a super-automatic or a pod machine. */
export const milkOption = (standard: boolean): Option => ({
  id: 'milk',
  name: 'Milk system',
  standard,
  howToTell: [
    { look: 'A milk hose or a milk container that clips on beside the spouts', means: 'fitted' },
    { look: 'Milk drinks on the keys or in the menu', means: 'fitted' },
    { look: 'A steam wand only, milk frothed in a jug by hand', means: 'not fitted' },
  ],
  mark: 'T',
})

export const milkStations: Station[] = [
  { id: 'milk-cooler', name: 'Milk cooler', symbol: 'tank', ...milk },
  { id: 'milk-hose', name: 'Milk hose', symbol: 'joint', ...milk },
  { id: 'milk-valve', name: 'Pinch valve', symbol: 'valve', ...milk },
  { id: 'milk-pump', name: 'Milk pump', symbol: 'pump', ...milk },
  { id: 'air-jet', name: 'Air jet', symbol: 'jet', ...milk },
  { id: 'frother', name: 'Frother rings', symbol: 'joint', ...milk },
]

/** A rail at the foot of the drawing, below the electrical one. */
export const milkLine: PathLine = {
  id: 'milk',
  medium: 'milk',
  lane: 3,
  stations: milkStations.map(({ id }) => id),
  label: 'milk system',
  ...milk,
}

export const milkParts: { part: Part; tasks: Task[] }[] = [
  part('milk-hose', 'Milk hose', 'milk-hose', { months: [1, 3, 6] }, { ...milk, beta: 3, min: 3, caution: 'milk' }),
  part('frother-rings', 'Frother O-rings', 'frother', { milkDrinks: [1_500, 4_000, 8_000], months: [3, 6, 12] }, { ...milk, beta: 2.5, min: 8, rubber: true, caution: 'milk' }),
  part('air-jet', 'Air jet, air valve', 'air-jet', { months: [6, 12, 24] }, { ...milk, beta: 1.5, min: 8, other: 'cleaned weekly', caution: 'milk' }),
  part('milk-pump', 'Peristaltic or gear milk pump, hose', 'milk-pump', { milkDrinks: [8_000, 18_000, 35_000], months: [6, 12, 18] }, { ...milk, beta: 2.5, min: 25, caution: 'milk' }),
  part('pinch-tube', 'Milk pinch valve tube', 'milk-valve', { milkDrinks: [5_000, 12_000, 25_000], months: [6, 12, 18] }, { ...milk, beta: 2.5, min: 15, rubber: true, caution: 'milk' }),
  part(
    'cooler-seal',
    'Milk-cooler door seal, thermostat',
    'milk-cooler',
    { months: [24, 48, 84] },
    {
      ...milk,
      beta: 1.5,
      min: 20,
      markNote: 'holds 2 to 5 °C: common practice; the rest from memory',
      caution: 'milk',
    },
  ),
]

export const milkTasks: Task[] = [
  task('milk-cleaner', 'Milk cleaner run', 'clean', 'frother', { months: [0.034, 0.034, 0.034] }, { by: 'customer', care: { drawing: 'milk', hazards: ['milk'] }, ...milk, min: 5, mark: 'T', caution: 'milk' }),
  task('milk-strip', 'Milk system stripped, brushed, jet pricked', 'clean', 'frother', { months: [0.1, 0.25, 0.25] }, { by: 'customer', care: { drawing: 'milk', hazards: ['milk'] }, ...milk, min: 15, mark: 'T', caution: 'milk' }),
]

export const milkMeasures: Measure[] = [{ id: 'cooler-temperature', name: 'Milk in the cooler', unit: '°C', good: { from: 2, to: 5 }, mark: 'T', ...milk }]

export const milkCleaning: Cleaning[] = [{ what: 'Milk cleaner', takes: true, why: 'Daily, acid and alkaline never together: milk stone needs one, fat the other.', ...milk }]

export const milkRoutine: RoutineTask[] = [
  { what: 'Milk system rinsed', every: 'after each drink, or when idle over 30 min', rhythm: 'shot', drawing: 'milk', hazards: ['milk'], milk: true, mark: 'T' },
  { what: 'Milk cleaner run', every: 'daily', rhythm: 'day', days: 1, drawing: 'milk', hazards: ['milk'], milk: true, mark: 'T', task: 'milk-cleaner' },
]
