import { array, number, object, string } from 'yup'
import { closure, weekdays } from '../../parse/fields.ts'
import { busyMonths as busyMonthsWords } from '../../quantity/month-words.ts'
import { v, words } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

export const opening = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['opening']).required(),
      openWeekdays: weekdays().required(),
    }).noUnknown(),
  ),
  words: ({ openWeekdays }) => `Open ${openWeekdays.map((day) => dayNames[day - 1]).join(', ')}`,
})

export const closedDays = settingKind({
  body: Versions.first(
    closure()
      .concat(object({ v, setting: string().oneOf(['closure']).required(), name: words(80) }))
      .noUnknown(),
  ),
  words: ({ from, to, name }, { day }) => `Closed ${day(from)} to ${day(to)}${name ? `, ${name}` : ''}`,
})

/** How busy each month is beside the others, January first: 1 as usual. */
export const busyMonths = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['busy-months']).required(),
      months: array(number().required().min(0.1).max(10)).length(12).required(),
    }).noUnknown(),
  ),
  words: ({ months }) => `Busy months: ${busyMonthsWords(months)}`,
})
