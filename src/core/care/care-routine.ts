import { careHazards } from '../kinds/care-words.ts'
import type { CareItem } from './care-terms.ts'

export const eachShot: CareItem[] = [
  { say: 'Knock the puck out', drawing: 'knock', mark: 'T' },
  {
    say: 'Wipe the basket dry',
    how: 'A wet wall lets water run down the side: uneven coffee.',
    drawing: 'wipe',
    mark: 'T',
  },
  {
    say: 'Run the group 2 to 3 seconds',
    how: 'It washes the grounds off the screen.',
    drawing: 'flush',
    caution: careHazards.scald,
    mark: 'T',
  },
  { say: 'Wipe rim and lugs before locking in', drawing: 'wipe', mark: 'T' },
]

export const eachMilk: CareItem[] = [
  {
    say: 'Purge the wand at once, then wipe it',
    how: 'Two seconds of steam, then the cloth, the back too: milk is sucked in when the tap shuts.',
    drawing: 'wand',
    caution: 'Steam burns before it is seen: tip into the cloth.',
    mark: 'T',
  },
]
