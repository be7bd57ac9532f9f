import type { BookPart } from '../../../faults/modes.ts'
import { domestic, domesticGroup, threeWay, threeWayAtRest } from '../../shared/faults/parts.ts'

/** What it is made of, by sort: how each part fails there. */
export const dvParts: BookPart[] = [...domestic({ block: 'boiler' }), threeWay, ...domesticGroup({ rest: threeWayAtRest })]
