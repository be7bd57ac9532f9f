import type { Procedure } from '../../procedures/procedure.ts'
import { leadingDescales } from './descale-beans-and-pods.ts'
import { espressoDescales } from './descale-espresso.ts'
import { asWay } from './descale-way.ts'

/** Descaling in place, in the shape each machine’s programme has. */
export const descale: Procedure = {
  id: 'descale',
  version: 2,
  family: 'water',
  name: 'Descale in place',
  about:
    'Acid through pump, heater and each outlet; rinsed until it is out. Never where the boiler keeps it in its corners.',
  kinds: ['dv', 'dn', 'dg', 'bt', 'sr', 'st', 'pk', 'pl', 'pd'],
  writes: [{ entry: 'descaled', task: 'descale', by: ['charge', 'rinsed'] }],
  mustFinish: {
    why: 'Broken off, acid stays in the machine: it is not for use until it is rinsed.',
    first: [
      'Time for all of it, rinse too',
      'A vessel for a whole tank under each outlet',
      'Descaler for this machine, strips, and fresh water for the rinse',
    ],
  },
  ways: [...espressoDescales, ...leadingDescales].map(asWay),
}
