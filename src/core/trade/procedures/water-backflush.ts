import type { Every, Procedure, Way } from '../../procedures/procedure.ts'
import { type Span, span, spanWords } from '../../procedures/span.ts'
import { brewing, check, figure, hands, hotHandle, lockedIn, nbsp, seconds } from '../../procedures/step-parts.ts'

interface WaterWay {
  id: string
  name: string
  reason: string
  usualFor: string[]
  onS: Span
  offS: Span
  times: Span
  kinds: string[]
  every: Every
  unsaid?: true
}

const ways: WaterWay[] = [
  {
    id: 'even-strokes-in-the-shift',
    name: 'even strokes in the shift',
    reason: 'Every few hours behind a busy bar: it keeps the screen clean and the night’s work small.',
    usualFor: ['c2'],
    onS: span(7, 5, 10),
    offS: span(7, 5, 10),
    times: span(5),
    kinds: ['c2'],
    every: { words: 'every few hours', hours: 3, days: 1, mark: 'T' },
  },
  {
    id: 'every-two-hours',
    name: 'every two hours, basket rinsed with it',
    reason:
      'By the clock, not by the cup: basket out and rinsed, backflush with water, group brushed while it runs, wand wiped.',
    usualFor: [],
    onS: span(5),
    offS: span(2),
    times: span(5),
    kinds: ['c2'],
    every: { words: 'every two hours', hours: 2, days: 1, mark: 'T' },
  },
  {
    id: 'long-lifts-at-the-end',
    name: 'long lifts at the end',
    reason: 'Two or three long lifts when the coffee is made, then a look under the basket.',
    usualFor: ['lv'],
    onS: span(15),
    offS: span(5),
    times: span(3, 2, 3),
    kinds: ['lv'],
    every: { words: 'daily, after the last coffee', days: 1, mark: 'T' },
  },
  {
    id: 'five-short-strokes',
    name: 'five short strokes',
    reason: 'Harmless to a small pump, whenever it is thought of; no rinse is needed after it.',
    usualFor: ['dv', 'dg', 'pt'],
    onS: span(4, 3, 5),
    offS: span(5),
    times: span(5),
    kinds: ['dv', 'dn', 'dg', 'pt'],
    every: { words: 'any time: daily, weekly, or whenever it is thought of', days: 7, mark: 'T' },
    unsaid: true,
  },
]

const asWay = (way: WaterWay): Way => ({
  id: way.id,
  name: way.name,
  reason: way.reason,
  kinds: way.kinds,
  usualFor: way.usualFor,
  every: way.every,
  figures: [
    figure(
      'Strokes',
      `${seconds(way.onS)} on, ${seconds(way.offS)} off, ${spanWords(way.times).replaceAll(' ', nbsp)}${nbsp}×`,
      way.unsaid ? 'M' : 'T',
    ),
  ],
  tools: [{ name: 'Blind basket' }, { name: 'Group brush' }, { name: 'Cloth' }],
  materials: [],
  parts: [
    {
      id: 'group',
      name: 'Backflush',
      each: 'group',
      steps: [
        hands('tray-in', 'Tray empty and in its place', 15, { at: ['tray'], state: { tray: 'in' } }),
        hands('blind-in', 'Coffee basket out and rinsed, blind basket in, lock in', 30, {
          at: ['basket', 'group'],
          takes: ['blind'],
          caution: { hazard: 'scald', say: 'The group is hot: hold the grip, not the metal.' },
        }),
        {
          id: 'strokes',
          say: 'Strokes of water',
          act: 'cadence',
          onS: way.onS.usual,
          offS: way.offS.usual,
          times: way.times.usual,
          on: 'Water ON',
          onHow: 'Blind basket locked in. Stop as soon as the pump strains.',
          off: 'Water OFF',
          offHow: 'A hiss, and the tray takes what comes.',
          as: {
            lv: {
              on: 'Lever UP',
              onHow: 'All the way up. Blind basket locked in.',
              off: 'Lever DOWN',
              offHow: 'Right down: half-way vents nothing. Wait for the gush to be over.',
            },
          },
          handsS: 0,
          at: ['three-way', 'lever', 'group', 'screen', 'basket', 'tray'],
          state: brewing,
          caution: lockedIn,
        },
        hands('out', 'Take it out', 10, {
          at: ['group', 'basket'],
          how: 'After the hiss.',
          as: { lv: { how: 'Lever right down, the gush over: loosen slowly.' } },
          caution: hotHandle,
        }),
        check(
          'look',
          'Look under the basket and at the seal',
          'What do you see?',
          [
            ['clean', 'Clean all round', 'pass'],
            ['grounds', 'Grounds at the edge: brushed off while water runs', 'pass'],
            [
              'new',
              'The seal is hard or cracked: a new one is in',
              'pass',
              { fits: ['group-gasket', 'group-seal', 'screen-seal'] },
            ],
            ['later', 'The seal is hard or cracked: no new one here', 'pass'],
          ],
          {
            how: 'The brush all round while water runs: it keeps the hand away.',
            at: ['group', 'screen'],
            state: brewing,
            caution: { hazard: 'scald', say: 'Hot water falls free: the brush goes in, not the fingers.' },
          },
        ),
        hands('basket-back', 'Coffee basket back', 15, { at: ['basket'], gives: ['blind'] }),
      ],
    },
  ],
})

/** The same without powder: in the shift, or after the last coffee. */
export const waterBackflush: Procedure = {
  id: 'water-backflush',
  version: 2,
  family: 'brewing',
  name: 'Water backflush',
  about: 'Plain water against a blind basket. It takes no oil out of the valve, and keeps the powder’s work small.',
  kinds: ['c2', 'lv', 'pt', 'dv', 'dn', 'dg'],
  needs: {
    stations: ['three-way', 'lever'],
    why: 'There is no 3-way valve: nothing vents, and the pressure stays behind the basket.',
    instead: 'group-clean',
  },
  writes: [],
  ways: ways.map(asWay),
}
