import type { BookPart } from '../../../faults/modes.ts'
import { coilPump, electrics, tooHot } from '../../shared/faults/parts.ts'

/** What a pod machine is made of, by sort: how each part fails there. */
export const pkParts: BookPart[] = [
  coilPump({ lookedBy: { coil: 'pump-coil' } }),
  {
    id: 'meter',
    sort: 'flow-meter',
    name: 'the flow meter',
    station: 'flow-meter',
    part: 'flow-meter',
    does: { silent: 'meter-stands', few: 'meter-few', many: { like: 'meter-few', alone: true, shows: { cup: { short: 0.85 }, 'tray-water': { right: 0.9 } }, complaints: { 'short-cup': 8 } } },
    is: { jammed: 'meter-stands', few: 'meter-few' },
    lookedBy: { pulses: 'meter-pulses' },
  },
  {
    id: 'element',
    sort: 'heater',
    name: 'the heater',
    station: 'heater',
    part: 'flow-heater',
    does: { cold: 'heater-open', weak: 'heater-chalked', trips: { like: 'board-dead', complaints: { trips: 9, dead: 1 } } },
    is: { open: 'heater-open', crusted: 'heater-chalked' },
    without: { leg: 'one element, one leg' },
    notLooked: { legs: 'the book measures it', crust: 'it is descaled, not opened for a look' },
  },
  {
    id: 'sensor',
    sort: 'sensor',
    name: 'the sensor',
    station: 'heater',
    does: { cool: 'sensor-off', hot: tooHot('sensor-off', 'outlet-temperature'), fault: 'heater-open' },
    is: { 'reads-high': 'sensor-off' },
  },
  {
    id: 'non-return',
    sort: 'non-return',
    name: 'the non-return valve',
    station: 'non-return',
    part: 'non-return-valve',
    does: { back: 'non-return-leaks', shut: 'non-return-stuck' },
    is: { back: 'non-return-leaks', shut: 'non-return-stuck' },
  },
  {
    id: 'inside',
    sort: 'joint',
    name: 'hoses and rings inside',
    station: 'heater',
    does: { leaks: 'joint-leaks', narrow: 'heater-chalked' },
    is: { hot: 'joint-leaks' },
  },
  ...electrics({ dead: 'board-dead', stops: 'button-worn', control: { is: { board: 'board-dead', unfinished: 'prompt-misread' }, notLooked: { programme: 'the book reads its lamp' } } }),
]
