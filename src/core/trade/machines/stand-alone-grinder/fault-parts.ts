import type { BookPart } from '../../../faults/modes.ts'
import { electrics } from '../../shared/faults/parts.ts'

/** What a grinder is made of, by sort: how each part fails there. */
export const grParts: BookPart[] = [
  {
    id: 'grinder',
    sort: 'grinder',
    name: 'the grinder',
    station: 'burrs',
    does: { silent: 'start-switch', little: 'chute-clogged', coarse: 'burrs-worn' },
    is: { stone: 'stone', worn: 'burrs-worn' },
    lookedBy: { burrs: 'burrs' },
  },
  ...electrics({
    dead: 'no-mains',
    stops: 'start-switch',
    control: { without: { unfinished: 'it has no programme', board: 'its timer is seen by its dose' } },
  }),
]
