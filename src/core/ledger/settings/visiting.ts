import { array, number, object, string } from 'yup'
import { amount, closure, timeOfDay, uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

const hours = object({ from: timeOfDay().required(), to: timeOfDay().required() })
  .noUnknown()
  .test('order', 'must not end before it begins', (span) => !span?.from || !span.to || span.from < span.to)

/** When somebody may come and work there: weekdays and hours, on the clock of the site. No hours: any hour. */
export const visitHours = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['visit-hours']).required(),
      weekdays: array(number().required().integer().min(1).max(7)).required().max(7),
      hours: array(hours.required())
        .required()
        .max(4)
        .test('apart', 'must be in order of the day and apart', (all) =>
          (all ?? []).every((span, i) => i === 0 || all![i - 1]!.to < span.from),
        ),
      note: words(200),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ weekdays, hours, note }) =>
    `We may come ${weekdays.length === 7 ? 'any day' : weekdays.length === 0 ? 'on no day' : weekdays.map((day) => dayNames[day - 1]).join(', ')}, ${hours.length === 0 ? 'any hour' : hours.map(({ from, to }) => `${from} to ${to}`).join(', ')}${note ? `. ${note}` : ''}`,
})

/** Days somebody of the firm is away: both ends belong to it. */
export const absence = settingKind({
  body: Versions.first(
    closure()
      .concat(
        object({
          v,
          setting: string().oneOf(['absence']).required(),
          technicianId: uuid().required(),
          name: words(80),
        }),
      )
      .noUnknown(),
  ),
  affects: 'nobody',
  words: ({ from, to, name }, { day }) => `Away ${day(from)} to ${day(to)}${name ? `, ${name}` : ''}`,
})

/** How long the road from here to another place takes, parking included, where somebody knows better than the reckoning. */
export const road = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['road']).required(),
      /** A site, or the technician whose day begins there. */
      toId: uuid().required(),
      toName: words(80),
      /** None: as it is reckoned, again. */
      minutes: amount().max(600),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ toName, minutes }) =>
    `Road to ${toName ?? 'another place'}: ${minutes === undefined ? 'as it is reckoned' : `${minutes} min`}`,
})
