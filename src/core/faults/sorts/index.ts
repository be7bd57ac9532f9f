import { control } from './control.ts'
import { cutOut } from './cut-out.ts'
import { drive } from './drive.ts'
import { exchanger } from './exchanger.ts'
import { flowMeter } from './flow-meter.ts'
import { grinder } from './grinder.ts'
import { handValve } from './hand-valve.ts'
import { heater } from './heater.ts'
import { joint } from './joint.ts'
import { leakStop } from './leak-stop.ts'
import { levelProbe } from './level-probe.ts'
import { milk } from './milk.ts'
import { nonReturn } from './non-return.ts'
import { pressureSwitch } from './pressure-switch.ts'
import { reducer } from './reducer.ts'
import { relay } from './relay.ts'
import { relief } from './relief.ts'
import { restSeat } from './rest-seat.ts'
import { rotaryPump } from './rotary-pump.ts'
import { seal } from './seal.ts'
import { sensor } from './sensor.ts'
import { solenoid } from './solenoid.ts'
import type { Sort } from './sort.ts'
import { supply } from './supply.ts'
import { tankSwitch } from './tank-switch.ts'
import { treatment } from './treatment.ts'
import { vibrationPump } from './vibration-pump.ts'
import { wayOfWorking } from './way-of-working.ts'

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
  seal,
  reducer,
  'leak-stop': leakStop,
  'hand-valve': handValve,
  'rest-seat': restSeat,
  'tank-switch': tankSwitch,
  'way-of-working': wayOfWorking,
} satisfies Record<string, Sort>

export type SortId = keyof typeof sorts
