import { cutOut, exchanger, heater, pressureSwitch, relay, sensor } from './heat.ts'
import type { Sort } from './sort.ts'
import {
  flowMeter,
  joint,
  levelProbe,
  nonReturn,
  relief,
  rotaryPump,
  solenoid,
  treatment,
  vibrationPump,
} from './water.ts'
import { control, drive, grinder, milk, supply } from './work.ts'

/** How parts fail, by their sort. Common practice; shares from memory. */
export const sorts = {
  solenoid,
  'vibration-pump': vibrationPump,
  'rotary-pump': rotaryPump,
  relief,
  'flow-meter': flowMeter,
  'level-probe': levelProbe,
  'non-return': nonReturn,
  joint,
  treatment,
  heater,
  sensor,
  'cut-out': cutOut,
  'pressure-switch': pressureSwitch,
  relay,
  exchanger,
  drive,
  grinder,
  milk,
  supply,
  control,
} satisfies Record<string, Sort>

export type SortId = keyof typeof sorts
