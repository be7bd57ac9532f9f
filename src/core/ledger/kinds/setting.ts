import { object, string } from 'yup'
import { parseStrict } from '../../parse/parse-strict.ts'
import { v } from '../body-fields.ts'
import { anywhere, entryKind } from '../entry-definition.ts'
import { type AnySetting, isSettingName, settingKindOf, settingNames } from '../setting-kinds.ts'
import type { Shapes } from '../versions.ts'

const named = object({ v, setting: string().required() })

/** Each setting has shapes of its own, found by its name. */
const shapes: Shapes<AnySetting> = {
  schemas: settingNames.flatMap((name) => settingKindOf(name).body.schemas),
  parse(input) {
    const plain = parseStrict(named, input)
    if (!plain.ok) return plain
    const { setting: name } = plain.value
    if (isSettingName(name)) return settingKindOf(name).body.parse(input)
    const message = `must be one of ${settingNames.join(', ')}`
    return { ok: false, issues: [{ path: 'setting', code: 'oneOf', message, value: name }] }
  },
  lifted: (body) => settingKindOf(String(body.setting) as AnySetting['setting']).body.lifted(body),
}

/** A figure, a habit or a choice that holds from that day on, here and beneath. */
export const setting = entryKind({
  body: shapes,
  about: anywhere,
  affects: 'along',
  madeBy: 'people',
  words: (body, pen) => settingKindOf(body.setting).words(body, pen),
})
