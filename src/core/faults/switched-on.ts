import type { FaultBook } from './fault.ts'

/** Tests at the machine as it serves, switched on and shut, however little else they ask. */
const asItServes = new Set([
  'lamps',
  'lamp',
  'display',
  'clean-lamp',
  'settings',
  'menu',
  'steam-set',
  'control-programme',
  'control-settings',
  'step',
  'home',
  'hopper-seat',
  'tank-magnet',
  'button',
  'shut-again',
  'ways-watch',
  'pump-sound',
  'grinder-sound',
  'sound',
  'grind-dose',
  'weight',
  'spread',
  'shot',
  'ring',
  'timer',
  'rested',
  'puck-weight',
  'drive',
  'boiler-gauge',
  'fill-off',
])

/** A book whose tests say so where the machine has to run: who stands before an opened one shuts it first. */
export const withSwitchedOn = (book: FaultBook): FaultBook => ({
  ...book,
  tests: book.tests.map((test) =>
    asItServes.has(test.id) && test.needs.length === 0 ? { ...test, needs: ['on'] } : test,
  ),
})
