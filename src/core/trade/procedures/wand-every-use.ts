import type { Procedure } from '../../procedures/procedure.ts'
import { check, figure, hands, steaming } from '../../procedures/step-parts.ts'
import { withWand } from './kinds-by-build.ts'
import { oneWay } from './one-way.ts'

const tipDown = { hazard: 'scald', say: 'Tip into cloth or tray: steam burns before it is seen.' } as const

/** Every use: the wand, as it is taught. */
export const wandEveryUse: Procedure = {
  id: 'wand-every-use',
  version: 2,
  family: 'steam',
  name: 'Wand after every use',
  about: 'Purged and wiped at once, each time: to be shown, and to be shown again.',
  kinds: withWand,
  once: true,
  writes: [],
  ways: [
    oneWay(
      {
        id: 'purge-then-wipe',
        name: 'purged first, then wiped',
        reason:
          'Closing the tap draws milk up: two seconds of steam blow it out before it dries, and the cloth is warm from it.',
        every: { words: 'after every drink', drinks: 1, mark: 'T' },
        figures: [figure('Purge', '2 s at least'), figure('Wipe', 'all round, the back too')],
        tools: [{ name: 'Damp cloth, only for the wand' }],
      },
      withWand,
      [
        hands('close', 'Milk done: close the tap', 3, { at: ['steam-valve', 'steam-knob'], state: steaming }),
        hands('purge', 'Purge at once, two seconds', 3, { at: ['wand'], caution: tipDown, state: steaming }),
        hands('wipe', 'Wipe it, the back too', 5, {
          at: ['wand'],
          caution: { hazard: 'scald', say: 'The wand is hot: the cloth between.' },
        }),
        check(
          'bare',
          'Bare metal all round?',
          'The wand',
          [
            ['bare', 'Bare', 'pass'],
            ['skin', 'A skin', 'repeat', 'purge', 'Plain water steamed until warm softens it: purge and wipe again.'],
          ],
          { at: ['wand'] },
        ),
      ],
    ),
    oneWay(
      {
        id: 'purge-before-and-after',
        name: 'purged before as well',
        reason: 'In a busy bar the wand is purged before the milk too: what condensed in it does not thin the milk.',
        every: { words: 'before and after every drink', drinks: 1, mark: 'T' },
        figures: [figure('Purge', 'before, and 2 s after'), figure('Wipe', 'all round, the back too')],
        tools: [{ name: 'Damp cloth, only for the wand' }],
      },
      [],
      [
        hands('before', 'Purge before the milk', 3, { at: ['wand'], caution: tipDown, state: steaming }),
        hands('close', 'Milk done: close the tap', 3, { at: ['steam-valve', 'steam-knob'] }),
        hands('purge', 'Purge at once, two seconds', 3, { at: ['wand'], caution: tipDown, state: steaming }),
        hands('wipe', 'Wipe it, the back too', 5, {
          at: ['wand'],
          caution: { hazard: 'scald', say: 'The wand is hot: the cloth between.' },
        }),
      ],
    ),
  ],
}
