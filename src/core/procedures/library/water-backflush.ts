import type { Procedure, School } from '../procedure.ts'
import { type Span, span, spanWords } from '../span.ts'
import { figure, hands, lockedIn, nbsp, seconds } from '../step-parts.ts'

interface WaterSchool {
  id: string
  name: string
  reason: string
  usualFor: string[]
  onS: Span
  offS: Span
  times: Span
  /** How often, as the school has it. */
  every: string
  unsaid?: true
}

const schools: WaterSchool[] = [
  {
    id: 'even-strokes-in-the-shift',
    name: 'even strokes in the shift',
    reason: 'Every few hours behind a busy bar: it keeps the screen clean and the night’s work small.',
    usualFor: ['c2'],
    onS: span(7, 5, 10),
    offS: span(7, 5, 10),
    times: span(5),
    every: 'every few hours',
  },
  {
    id: 'long-lifts-at-the-end',
    name: 'long lifts at the end',
    reason: 'Two or three long lifts when the coffee is made, then a look under the basket.',
    usualFor: ['lv'],
    onS: span(15),
    offS: span(5),
    times: span(3, 2, 3),
    every: 'daily, after the last coffee',
  },
  {
    id: 'five-short-strokes',
    name: 'five short strokes',
    reason: 'Harmless to a small pump, whenever it is thought of; no rinse is needed after it.',
    usualFor: ['dv', 'dg', 'pt'],
    onS: span(4, 3, 5),
    offS: span(5),
    times: span(5),
    every: 'any time',
    unsaid: true,
  },
]

const asSchool = (school: WaterSchool): School => ({
  id: school.id,
  name: school.name,
  reason: school.reason,
  usualFor: school.usualFor,
  figures: [
    figure(
      'Strokes',
      `${seconds(school.onS)} on, ${seconds(school.offS)} off, ${spanWords(school.times).replaceAll(' ', nbsp)}${nbsp}×`,
      school.unsaid ? 'M' : 'T',
    ),
    figure('How often', school.every),
  ],
  tools: [{ name: 'Blind basket' }, { name: 'Group brush' }, { name: 'Cloth' }],
  materials: [],
  parts: [
    {
      id: 'group',
      name: 'Backflush',
      each: 'group',
      steps: [
        hands('blind-in', 'Blind basket in, lock in', 20, { at: ['basket', 'group'] }),
        {
          id: 'strokes',
          say: 'Strokes of water',
          act: 'cadence',
          onS: school.onS.usual,
          offS: school.offS.usual,
          times: school.times.usual,
          on: 'Water ON',
          onHow: 'Blind basket locked in. Stop as soon as the pump strains.',
          off: 'Water OFF',
          offHow: 'A hiss, and the tray takes what comes.',
          handsS: 0,
          at: ['three-way', 'lever', 'group', 'screen', 'basket', 'tray'],
          caution: lockedIn,
        },
        hands('look', 'Look under the basket and at the seal', 20, {
          how: 'Grounds at the edge: brush all round while water runs, hand kept away by the brush.',
          at: ['group', 'screen'],
          caution: { hazard: 'scald', say: 'Hot water falls free: the brush goes in, not the fingers.' },
        }),
        hands('basket-back', 'Coffee basket back', 15, { at: ['basket'] }),
      ],
    },
  ],
})

/** The same without powder: in the shift, or after the last coffee. */
export const waterBackflush: Procedure = {
  id: 'water-backflush',
  version: 1,
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
  schools: schools.map(asSchool),
}
