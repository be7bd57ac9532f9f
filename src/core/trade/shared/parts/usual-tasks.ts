import { task } from '../../../kinds/build.ts'
import type { Descale, RoutineTask, Task } from '../../../kinds/kind.ts'

/** Asked of every machine once a year, and after each repair. */
export const electricalTest = (station: string, minutes: number): Task => task('electrical-test', 'Electrical safety test', 'check', station, { months: [12, 12, 24] }, { min: minutes, mark: 'T', other: 'and after each repair; local rules first', caution: 'mains' })

/** Safety valve, vacuum breaker and cut-outs, looked at where there is a steam boiler. */
export const safetyLook = (station: string): Task => task('safety-look', 'Safety valve, vacuum breaker, cut-outs', 'check', station, { months: [6, 12, 12] }, { min: 10, mark: 'T', caution: 'pressure' })

/** Screen of the hot-water outlet. */
export const hotWaterScreen = (station: string): Task => task('hot-water-screen', 'Hot-water outlet screen', 'clean', station, { months: [3, 6, 12] }, { min: 10, caution: 'scald' })

/** A machine at home is looked through every other year. */
export const homeService = (station: string, minutes: number): Task => task('full-service', 'Full service', 'service', station, { months: [12, 24, 36] }, { min: minutes, mark: 'T', caution: 'mains' })

/** The steam tip off and its holes pricked, at home. */
export const tipOff = (station: string): Task => task('steam-tip-off', 'Steam tip off', 'clean', station, { months: [0.25, 0.5, 1] }, { by: 'customer', care: { drawing: 'wand', hazards: ['scald'] }, min: 5, mark: 'T', caution: 'scald' })

/** Litres and months after which a machine with a tank is descaled. */
export const tankDescale = (minutes: number): Descale => ({
  litres: [
    { upToDh: 7, byPolicy: { cautious: 60, usual: 100, longLife: 150 } },
    { upToDh: 14, byPolicy: { cautious: 30, usual: 50, longLife: 80 } },
    { upToDh: 21, byPolicy: { cautious: 15, usual: 25, longLife: 40 } },
    { upToDh: null, byPolicy: { cautious: 10, usual: 15, longLife: 25 } },
  ],
  months: { cautious: 1, usual: 3, longLife: 6 },
  minutes,
})

/** The tank, at every machine that has one. */
export const tankRoutine: RoutineTask[] = [
  { what: 'Tank emptied, fresh water', every: 'daily', rhythm: 'day', days: 1, drawing: 'tank', mark: 'M' },
  { what: 'Tank washed', every: 'weekly', rhythm: 'week', days: 7, drawing: 'tank', mark: 'M' },
  { what: 'Tank sanitised', every: 'monthly', rhythm: 'month', days: 30, drawing: 'tank', hazards: ['gas'], how: 'a sanitiser for drinking-water tanks by its label; never on a day with descaler', mark: 'M', procedure: 'tank-sanitised' },
]
