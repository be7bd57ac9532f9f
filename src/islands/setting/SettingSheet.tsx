import { type ReactNode, useState } from 'react'
import type { Entry } from '../../core/ledger/entry.ts'
import { jot } from '../../core/ledger/jot.ts'
import type { AnySetting } from '../../core/ledger/setting-kinds.ts'
import type { Unversioned } from '../../core/ledger/versions.ts'
import { browserNow } from '../../ui/clock.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { newId } from '../new-id.ts'
import { sendEntries } from '../send-entries.ts'
import type { SettingLevel } from './levels.ts'

interface Props {
  /** Where it may be set, nearest first. */
  levels: SettingLevel[]
  today: string
  title: string
  about: string
  /** The setting's body, or words that say what is wrong with what was typed. */
  body: () => Unversioned<AnySetting> | string
  children: ReactNode
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Sets a figure nearby or for the whole firm: one entry, effective today. */
export function SettingSheet({ levels, today, title, about, body, children, onClose, onSaved }: Props) {
  const [level, setLevel] = useState(levels[0]!.level)
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [id] = useState(newId)
  const save = async () => {
    const made = body()
    if (typeof made === 'string') return setWrong(made)
    setBusy(true)
    const subjectId = levels.find((one) => one.level === level)!.id
    const entry: Entry = {
      id,
      subjectKind: level,
      subjectId,
      happenedAt: browserNow().toISOString(),
      happenedOn: today,
      ...jot('setting', made),
    }
    const sent = await sendEntries([entry])
    setBusy(false)
    if (!sent.ok)
      return setWrong(
        sent.why === 'refused'
          ? sent.issues.map((issue) => issue.message).join('; ')
          : 'message' in sent
            ? sent.message
            : 'It was not saved.',
      )
    await onSaved()
    onClose()
  }
  return (
    <Sheet open onOpenChange={(open) => !open && onClose()} title={title} about={about}>
      {children}
      <fieldset className="m-0 mt-4 border-0 p-0">
        <legend className="slim text-[14px] text-second">For</legend>
        {levels.map(({ level: name, words }) => (
          <label key={name} className="flex min-h-[44px] items-center gap-2">
            <input type="radio" name="level" checked={level === name} onChange={() => setLevel(name)} />
            {words}
          </label>
        ))}
      </fieldset>
      {wrong && (
        <p role="alert" className="m-0 mt-2 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button type="button" className="act" disabled={busy} onClick={save}>
          {busy ? 'Saving …' : 'Save'}
        </button>
        <button type="button" className="plain" onClick={onClose}>
          Leave as it is
        </button>
      </div>
    </Sheet>
  )
}
