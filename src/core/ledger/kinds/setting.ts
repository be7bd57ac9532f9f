import { object, string } from 'yup'
import { parseStrict } from '../../parse/parse-strict.ts'
import { v } from '../body-fields.ts'
import { anywhere, entryKind } from '../entry-definition.ts'
import { type AnySetting, isSettingName, settingKindOf, settingNames } from '../setting-kinds.ts'
import type { ReceivedBody, Shapes } from '../versions.ts'

const plainly = object({ v, setting: string().required() })

/** How early to act was once called by another name. */
const named = (body: ReceivedBody): ReceivedBody => (body.setting === 'school' ? { ...body, setting: 'policy' } : body)

/** Each setting has shapes of its own, found by its name. */
const shapes: Shapes<AnySetting> = {
  schemas: settingNames.flatMap((name) => settingKindOf(name).body.schemas),
  parse(input) {
    const plain = parseStrict(plainly, input)
    if (!plain.ok) return plain
    const body = named(input as ReceivedBody)
    const name = String(body.setting)
    if (isSettingName(name)) {
      const parsed = settingKindOf(name).body.parse(body)
      return parsed.ok ? { ok: true, value: input as ReceivedBody } : parsed
    }
    const message = `must be one of ${settingNames.join(', ')}`
    return { ok: false, issues: [{ path: 'setting', code: 'oneOf', message, value: name }] }
  },
  lifted(received) {
    const body = named(received)
    return settingKindOf(String(body.setting) as AnySetting['setting']).body.lifted(body)
  },
}

/** A figure, a habit or a choice that holds from that day on, here and beneath. */
export const setting = entryKind({
  body: shapes,
  about: anywhere,
  affects: 'along',
  madeBy: 'people',
  words: (body, pen) => settingKindOf(body.setting).words(body, pen),
})
