import { array, number, object, string } from 'yup'
import { dayNumber } from '../quantity/local-day.ts'

/** A finite number. */
export const finite = () =>
  number().test(
    'finite',
    'must be a finite number',
    (value) => value === undefined || (Number.isFinite(value) && !isTooSmall(value)),
  )

/** Nearer to nothing than any database keeps: nobody measured that. */
const isTooSmall = (value: number): boolean => value !== 0 && Math.abs(value) < 1e-300

/** Something measured or counted that cannot be below nothing. */
export const amount = () => finite().min(0)

/** Something that will be divided by. */
export const divisor = () =>
  finite().test('positive', 'must be more than 0', (value) => value === undefined || value > 0)

/** A share that leaves something over: 0 ≤ share < 1. */
export const shareBelowOne = () =>
  amount().test('below_one', 'must be below 1', (value) => value === undefined || value < 1)

/** A real calendar day, `YYYY-MM-DD`. */
export const localDay = () =>
  string()
    .meta({ format: 'date' })
    .test('local_day', 'is not a date (YYYY-MM-DD)', (value) => value === undefined || dayNumber(value) !== null)

/** Weekdays a site is open on, Monday 1 … Sunday 7. */
export const weekdays = () =>
  array(number().required().integer().min(1).max(7)).test(
    'some_day',
    'must name at least one day',
    (value) => value === undefined || value.length > 0,
  )

/** A closure includes both its ends. */
export const closure = () =>
  object({ from: localDay().required(), to: localDay().required() })
    .noUnknown()
    .test('order', 'must not end before it begins', (value) => !value?.from || !value.to || value.from <= value.to)

export const uuid = () =>
  string().matches(/^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/, 'is not a UUID')

/** A day that is in the calendar and a time that is on the clock: a date object would turn 30 February into March. */
export const isInstant = (text: string): boolean =>
  dayNumber(text.slice(0, 10)) !== null && !Number.isNaN(Date.parse(text))

/** An instant as devices send it: ISO 8601, UTC. */
export const instant = () =>
  string()
    .matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,3})?)?Z$/, 'is not an instant (ISO 8601, UTC)')
    .test('instant', 'is not an instant (ISO 8601, UTC)', (value) => value === undefined || isInstant(value))

/** A time on the clock, `HH:MM`. */
export const timeOfDay = () => string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, 'is not a time, such as 08:30')
