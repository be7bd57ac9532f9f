import type { BookPart } from '../../../faults/modes.ts'
import { domestic, handleGroup, hotWaterTap, ofSteamBoiler, steamSensor, steamTap, threeWay, threeWayAtRest } from '../../shared/faults/parts.ts'
import { plumbedParts } from '../../shared/faults/plumbed.ts'

/** What it is made of, by sort: how each part fails there. */
export const ptParts: BookPart[] = [
  ...domestic({ block: 'brew-boiler', part: 'heating-element' }),
  threeWay,
  ...plumbedParts,
  ...ofSteamBoiler({ boiler: 'steam boiler', fill: 'steam-boiler', heat: 'relay', cold: 'steam-element', cool: 'steam-low' }),
  steamSensor({ station: 'relay', cool: 'steam-low', cold: 'relay' }),
  ...handleGroup({ seal: 'the group gasket', part: 'group-gasket', hard: 'seal-hard', rest: threeWayAtRest }),
  steamTap({ station: 'steam-valve', part: 'steam-seals', worn: 'knob-leaks', little: 'wand-blocked' }),
  hotWaterTap({ like: 'knob-leaks', part: 'steam-seals' }),
]
