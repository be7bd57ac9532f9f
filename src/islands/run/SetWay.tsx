import { useState } from 'react'
import type { Procedure, Way } from '../../core/procedures/procedure.ts'
import { waySetting } from '../../core/procedures/way-setting.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import type { SettingLevel } from '../setting/levels.ts'

interface Props {
  procedure: Procedure
  way: Way
  levels: SettingLevel[]
  today: string
}

/** The way just chosen, as the usual one from now on: here, at the site, with the customer, in the firm. */
export function SetWay({ procedure, way, levels, today }: Props) {
  const [where, setWhere] = useState(levels[0]!.level)
  const [id] = useState(newId)
  const [said, setSaid] = useState('')
  const set = async () => {
    const level = levels.find((one) => one.level === where)!
    const told = await writeFrom([
      makeEntry(level.level, level.id, 'setting', { ...waySetting(procedure, way) }, today, { id }),
    ])
    setSaid(told.ok ? `Usual for ${level.words} from now on.` : told.issues[0]!.message)
  }
  if (said)
    return (
      <p role="status" className="m-0 py-1 font-semibold">
        {said}
      </p>
    )
  return (
    <p className="m-0 flex flex-wrap items-center gap-3 py-1 text-[14px]">
      <label className="flex items-center gap-2">
        The usual one from now on for
        <select className="field" value={where} onChange={(event) => setWhere(event.target.value as typeof where)}>
          {levels.map(({ level, words }) => (
            <option key={level} value={level}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="plain" onClick={set}>
        Set it
      </button>
    </p>
  )
}
