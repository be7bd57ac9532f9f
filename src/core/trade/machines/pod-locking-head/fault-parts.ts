import type { BookPart } from '../../../faults/modes.ts'
import { coilPump, electrics, handSeal, heated, jointsOf, meterOf, sensorOf } from '../../shared/faults/parts.ts'

/** What a pod machine is made of, by sort: how each part fails there. */
export const pkParts: BookPart[] = [
  coilPump({ lookedBy: { coil: 'pump-coil' } }),
  meterOf({ few: 'meter-few', short: { cup: { short: 0.85 }, 'tray-water': { right: 0.9 } } }),
  heated({ name: 'the heater', station: 'heater', part: 'flow-heater', cold: 'heater-open', weak: 'heater-chalked', chalked: 'heater-chalked', dark: 'board-dead' }),
  sensorOf({ name: 'the sensor', station: 'heater', cool: 'sensor-off', fault: 'heater-open', outlet: 'outlet-temperature' }),
  {
    id: 'non-return',
    sort: 'non-return',
    name: 'the non-return valve',
    station: 'non-return',
    part: 'non-return-valve',
    does: { back: 'non-return-leaks', shut: 'non-return-stuck' },
    is: { back: 'non-return-leaks', shut: 'non-return-stuck' },
  },
  handSeal({ name: 'the head’s gasket', station: 'head', part: 'head-gasket', hard: 'head-gasket', look: 'gasket' }),
  jointsOf({ station: 'heater', leaks: 'joint-leaks', narrow: 'heater-chalked' }),
  ...electrics({ dead: 'board-dead', stops: 'button-worn', control: { is: { board: 'board-dead', unfinished: 'prompt-misread' }, notLooked: { programme: 'the book reads its lamp' } } }),
]
