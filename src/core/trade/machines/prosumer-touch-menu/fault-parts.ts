import type { BookPart } from '../../../faults/modes.ts'
import { domestic, ofSteamBoiler, threeWay } from '../../shared/faults/parts.ts'

/** What it is made of, by sort: how each part fails there. */
export const ptParts: BookPart[] = [...domestic({ block: 'brew-boiler', part: 'heating-element' }), threeWay, ...ofSteamBoiler({ boiler: 'steam boiler', fill: 'steam-boiler', heat: 'relay', cold: 'steam-element', cool: 'steam-low' })]
