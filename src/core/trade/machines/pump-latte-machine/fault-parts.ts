import type { BookPart } from '../../../faults/modes.ts'
import { domestic, handleGroup } from '../../shared/faults/parts.ts'

/** What it is made of, by sort: how each part fails there. */
export const pdParts: BookPart[] = [...domestic({ block: 'boiler', joints: 'joints', relief: false, part: '' }), ...handleGroup({ seal: 'the seal of the handle', part: 'portafilter-seal', hard: 'seal-hard' })]
