import { type AlongClock, alongWords, type Clock } from '../../core/wear/limits.ts'

/** In what a clock is counted. @example clockUnit('shots', 'capsules') // 'capsules' */
export function clockUnit(clock: Clock, drinks: string): string {
  if (clock === 'shots') return drinks
  if (clock === 'litres') return 'L'
  if (clock === 'months') return 'months'
  if (clock === 'detergentCycles') return 'detergent cycles'
  return alongWords[clock as AlongClock].unit
}
