import type { BookPart } from '../../../faults/modes.ts'
import { builtInGrinder, domestic, domesticGroup, threeWay, threeWayAtRest } from '../../shared/faults/parts.ts'

/** What it is made of, by sort: how each part fails there. */
export const dgParts: BookPart[] = [...domestic({ block: 'thermoblock' }), threeWay, ...domesticGroup({ rest: threeWayAtRest }), builtInGrinder({ is: { stone: 'grinder-jam', worn: 'burrs-worn', interlock: 'hopper-switch' }, notLooked: { interlock: 'the book tries it' } })]
