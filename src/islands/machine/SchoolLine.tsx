import { useState } from 'react'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { type School, schoolName, schoolReason, schools } from '../../core/wear/limits.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { machineLevels } from '../setting/levels.ts'
import { SettingSheet } from '../setting/SettingSheet.tsx'

interface Props {
  bundle: MachineBundle
  today: string
  onSaved: () => Promise<void>
}

/** Which school of when to act holds here, and the choice of another with its reasons. */
export function SchoolLine({ bundle, today, onSaved }: Props) {
  const [open, setOpen] = useState(false)
  const found = nearestSetting(effective(bundle.ledgers), 'school')
  const school = (found?.body.school ?? 'usual') as School
  const [choice, setChoice] = useState<School>(school)
  return (
    <span className="text-[13px] text-second">
      <button type="button" className="word min-h-[24px] text-[13px]" onClick={() => setOpen(true)}>
        {schoolName[school]} school
      </button>
      {found ? `, set for this ${found.level}` : ''}
      {open && (
        <SettingSheet
          levels={machineLevels(bundle)}
          today={today}
          title="When to act"
          about="Practitioners disagree, each with reason. The usual school is the default: it is what most go by, and a maker's figure replaces it wherever one is entered."
          body={() => ({ v: 1, setting: 'school', school: choice })}
          onClose={() => setOpen(false)}
          onSaved={onSaved}
        >
          <fieldset className="m-0 border-0 p-0">
            <legend className="sr-only">School</legend>
            {schools.map((name) => (
              <label key={name} className="flex min-h-[52px] items-start gap-2 border-t border-hair py-2">
                <input
                  type="radio"
                  name="school"
                  className="mt-1"
                  checked={choice === name}
                  onChange={() => setChoice(name)}
                />
                <span>
                  <b>{schoolName[name]}</b>
                  <span className="block text-[14px] text-second">{schoolReason[name]}</span>
                </span>
              </label>
            ))}
          </fieldset>
        </SettingSheet>
      )}
    </span>
  )
}
