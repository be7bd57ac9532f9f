import type { Entry } from '../core/ledger/entry.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import { fromDay, weekday } from '../core/quantity/local-day.ts'
import type { Dice } from './dice.ts'
import { asEntries } from './visit.ts'

/** When somebody may come and work there, where the customer said so. Weekdays Monday 1 to Sunday 7. */
const hoursByPlace: Record<string, { weekdays?: number[]; hours?: [from: string, to: string][]; note?: string }> = {
  'Thistle & Rye bakery': { hours: [['10:30', '17:00']] },
  'Lantern Quay ferry kiosk': {
    hours: [
      ['07:00', '12:00'],
      ['12:30', '18:00'],
    ],
  },
  'Tram depot canteen': { hours: [['13:30', '18:00']] },
  'Kettle Lane hotel': { hours: [['11:00', '17:00']] },
  'Orchard Row nursery': {
    hours: [
      ['08:00', '12:30'],
      ['14:30', '17:00'],
    ],
  },
  "Bellfounders' law office": { hours: [['14:00', '18:00']] },
  'Northlight offices': { weekdays: [1, 2, 3, 4], note: 'Never Fridays.' },
}

/** The days each of them works, as a technician's record has it. */
export const workWeekdays = { ines: '12345', odile: '1245' }

/** Who comes on the first day that each of them works, and at what time where one was promised. */
const agreedFirst: Record<'ines' | 'odile', [place: string, from?: string][]> = {
  ines: [
    ['Lantern Quay ferry kiosk'],
    ['Kettle Lane hotel'],
    ['Thistle & Rye bakery'],
    ['Tram depot canteen', '14:30'],
  ],
  odile: [['Glasshouse studio'], ['Orchard Row nursery', '14:30'], ["Bellfounders' law office"]],
}

const calls: { place: string; machine: string; text: string; symptom: string }[] = [
  {
    place: 'Paper Lantern bookshop',
    machine: 'Reading bar',
    text: 'It growls and then nothing comes, either side.',
    symptom: 'no-water',
  },
  { place: 'Northlight offices', machine: 'Floor 2', text: 'Half a cup, and water in the tray.', symptom: 'short-cup' },
]

/** Ids of a place that was made. */
export interface Made {
  siteId: string
  /** By name. */
  machines: Record<string, string>
}

/**
 * What is arranged for the days to come: when each place may be worked at, visits that were agreed, and two calls that
 * came in the day before and are to be rung back.
 *
 * @param endDay - the day the world ends on
 */
export function arranged(
  dice: Dice,
  places: ReadonlyMap<string, Made>,
  people: Record<'ines' | 'odile', string>,
  endDay: number,
): Entry[] {
  const before = { happenedOn: fromDay(endDay - 1), atMs: (endDay - 1) * 86_400_000 + 58_800_000 }
  const about = (place: string, jottings: Jotting[], visitId?: string) =>
    asEntries(dice, jottings, {
      subjectKind: 'site',
      subjectId: places.get(place)!.siteId,
      ...before,
      ...(visitId && { visitId }),
    })
  const firstDay = (who: 'ines' | 'odile') =>
    [0, 1, 2, 3].map((after) => endDay + after).find((day) => workWeekdays[who].includes(String(weekday(day))))!
  return [
    ...Object.entries(hoursByPlace).flatMap(([place, { weekdays = [1, 2, 3, 4, 5, 6, 7], hours = [], note }]) =>
      about(place, [
        jot('setting', {
          setting: 'visit-hours',
          weekdays,
          hours: hours.map(([from, to]) => ({ from, to })),
          ...(note && { note }),
        }),
      ]),
    ),
    ...(['ines', 'odile'] as const).flatMap((who) =>
      agreedFirst[who].flatMap(([place, from]) =>
        about(
          place,
          [
            jot('appointment', {
              step: 'agreed',
              on: fromDay(firstDay(who)),
              technicianId: people[who],
              minutes: 60,
              tasks: [],
              ...(from && { from }),
            }),
          ],
          dice.uuid(before.atMs),
        ),
      ),
    ),
    ...calls.flatMap(({ place, machine, text, symptom }) =>
      asEntries(dice, [jot('fault-reported', { text, symptom }), jot('call', { text, end: 'ring-back' })], {
        subjectKind: 'machine',
        subjectId: places.get(place)!.machines[machine]!,
        ...before,
      }),
    ),
  ]
}
