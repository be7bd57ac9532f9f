import { likeBench } from '../../../bench/derive.ts'
import { type WithGrinder, withGrinder } from '../../shared/bench/built-in-grinder.ts'
import { basketC, dvBench, type SmallPump } from '../domestic-three-way-valve/bench.ts'

interface FiveSteps extends WithGrinder {
  /** Of the temperature controller: kelvin under its middle. */
  stepK: number
  atSteam: boolean
}

const atBasket = (m: FiveSteps) => basketC(m) - m.stepK

/** The machine with a grinder, a controller in five steps and a knob of three places. */
export const btBench = likeBench<SmallPump, FiveSteps>(dvBench, {
  ...withGrinder,
  kind: 'bt',
  elementW: 1420,
  sound: (dice) => ({ ...withGrinder.sound(dice), stepK: 0, atSteam: false }) as FiveSteps,
  faults: {
    ...withGrinder.faults,
    'step-low': (m, s) => {
      m.stepK = 7 + 4 * s
    },
    'knob-places': (m) => {
      m.atSteam = true
    },
  },
  notices: (m) => [
    ...withGrinder.notices(m),
    ['cold', m.mains && m.stepK > 0 && atBasket(m) < 84],
    ['noise', m.atSteam],
    ['taste', m.atSteam],
    ['steam-drips', m.atSteam],
  ],
  tests: {
    ...withGrinder.tests,
    'basket-temperature': { by: 'thermometer', shows: atBasket },
    'wand-shut': { by: 'eye', shows: (m) => (m.knobLeaks || m.atSteam ? 'drips' : 'dry') },
    step: { by: 'eye', shows: (m) => (m.stepK > 4 ? 'low' : 'usual') },
    knob: { by: 'eye', shows: (m) => (m.atSteam ? 'off' : 'middle') },
  },
})
