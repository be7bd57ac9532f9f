import { number, object, string } from 'yup'
import { finite, localDay } from '../../parse/fields.ts'
import { planningFigures } from '../../trade/planning-figures.ts'
import { waitsFor, waitWords } from '../../trade/waits-for.ts'
import { v, words } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** A figure a plan is weighed by, as far as it can be meant. */
const weighed = (id: keyof typeof planningFigures) =>
  finite().min(planningFigures[id].least).max(planningFigures[id].most)

/** What the firm weighs its visits by: what is left out is as it is from memory. */
export const planning = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['planning']).required(),
      /** What costs of a plan are shown in; money needs the price of a minute. */
      costsIn: string().oneOf(['minutes', 'money']),
      lateStands: weighed('lateStands'),
      lateShort: weighed('lateShort'),
      lateNuisance: weighed('lateNuisance'),
      lateHard: weighed('lateHard'),
      wasteful: weighed('wasteful'),
      stop: weighed('stop'),
      over: weighed('over'),
      changed: weighed('changed'),
      otherTechnician: weighed('otherTechnician'),
      otherWeekday: weighed('otherWeekday'),
      betweenContract: weighed('betweenContract'),
      detour: weighed('detour'),
      kmhNear: weighed('kmhNear'),
      kmhMiddle: weighed('kmhMiddle'),
      kmhFar: weighed('kmhFar'),
      park: weighed('park'),
      carryChance: weighed('carryChance'),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: () => 'What visits are planned by',
})

/** A task waits for a part, a price or the customer’s yes, until a day or until somebody says that it is there. */
export const waits = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['waits']).required(),
      /** The task by its key among those of its machine. */
      task: string().max(80).required(),
      taskName: words(120),
      /** None: it waits no longer. */
      for: string().oneOf(waitsFor),
      /** The first day it may be done on; none: nobody knows. */
      until: localDay(),
      note: words(200),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ task, taskName = task, for: what, until, note }, { day }) =>
    `${taskName} ${what ? `waits for ${waitWords[what]}${until ? ` until ${day(until)}` : ''}` : 'waits no longer'}${note ? `. ${note}` : ''}`,
})

/** Visits agreed to come round: every so many months from a first day, each within some days before and after. */
export const contract = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['contract']).required(),
      /** None: there is no contract any more. */
      everyMonths: number().integer().min(1).max(36),
      firstOn: localDay(),
      within: number().integer().min(0).max(60),
      /** Work that belongs to each of them, beside what is due then. */
      minutes: number().integer().min(0).max(600),
      note: words(200),
    })
      .noUnknown()
      .test('whole', 'must be said with it', (told, context) => {
        if (told?.everyMonths === undefined) return true
        const missing = (['firstOn', 'within'] as const).find((field) => told[field] === undefined)
        return missing ? context.createError({ path: missing }) : true
      }),
  ),
  affects: 'nobody',
  words: ({ everyMonths, firstOn, within, note }, { day }) =>
    everyMonths === undefined || firstOn === undefined
      ? `No contract visits any more${note ? `. ${note}` : ''}`
      : `Contract visit every ${everyMonths === 1 ? 'month' : `${everyMonths} months`} from ${day(firstOn)}, ${within} days before or after${note ? `. ${note}` : ''}`,
})
