import { array, object, string } from 'yup'
import { amount, divisor } from '../../parse/fields.ts'
import { clocks, policies, policyName } from '../../wear/limits.ts'
import { slug, v } from '../body-fields.ts'
import { plain, taskName, upper } from '../phrases.ts'
import { settingKind } from '../setting-definition.ts'
import { fieldsRenamed, Versions } from '../versions.ts'

export const policy = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['policy']).required(),
      policy: string().oneOf(policies).required(),
      /** Of one part or task only. */
      task: string().max(80),
    }).noUnknown(),
  ).respelling(fieldsRenamed({ school: 'policy', duty: 'task' })),
  words: ({ task, policy }, pen) =>
    `How early${task ? `, ${taskName(task, pen).toLowerCase()}` : ''}: ${policyName[policy]}`,
})

/** A life or interval of one's own: it wins over the catalogue at this level. */
export const life = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['life']).required(),
      task: string().max(80).required(),
      /** Of one kind of machine only. */
      kind: slug(),
      clock: string().oneOf(clocks).required(),
      value: divisor().max(1e8).required(),
    }).noUnknown(),
  ).respelling(fieldsRenamed({ duty: 'task' })),
  words: ({ task, clock, value }, pen) => `${taskName(task, pen)}: ${pen.limit(clock, value, 'shots')}`,
})

/** How often it is cleaned with detergent: so many times an open day, or once every so many drinks. */
export const detergent = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['detergent']).required(),
      perOpenDay: amount().max(50),
      everyDrinks: divisor().max(100_000),
    })
      .noUnknown()
      .test(
        'one',
        'needs a number a day or a number of drinks, not both',
        (set) => (set.perOpenDay === undefined) !== (set.everyDrinks === undefined),
      ),
  ),
  words: ({ everyDrinks, perOpenDay }, { figure }) =>
    everyDrinks
      ? `Cleaned with detergent every ${figure(everyDrinks)} drinks`
      : `Cleaned with detergent ${figure(perOpenDay ?? 0)} times an open day`,
})

/** The way a procedure is done here, where it is not its kind's usual one. */
export const way = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['way']).required(),
      procedure: slug().required(),
      way: slug().required(),
      /** As it is called, and how often it has its tasks done: the dates go by it. */
      name: string().max(120),
      rhythm: object({
        tasks: array(slug().required()).required().min(1).max(20),
        words: string().max(120).required(),
        days: amount().positive('must be above 0').max(3660),
        drinks: amount().positive('must be above 0').max(1_000_000),
        litres: amount().positive('must be above 0').max(100_000),
      })
        .noUnknown()
        .optional()
        .default(undefined),
    }).noUnknown(),
  ).respelling(fieldsRenamed({ school: 'way' })),
  words: ({ procedure, way, name, rhythm }) =>
    `${upper(plain(procedure))}: ${name ?? plain(way)}${rhythm ? `, ${rhythm.words}` : ''}`,
})
