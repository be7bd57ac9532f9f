import { useState } from 'react'
import { dayShort } from '../../../ui/format.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { typedText, wrongAt } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'

interface Props {
  page: DayPage
  person: DayPerson
  firmId: string
  onDone: () => void
  onCancel: () => void
}

/** Days on which somebody does not work: nothing is planned for them then. What was agreed stays and is said. */
export function AwaySheet({ page, person, firmId, onDone, onCancel }: Props) {
  const [wrong, setWrong] = useState('')
  const takeBack = async (entryId: string) => {
    const told = await writeFrom([makeEntry('firm', firmId, 'withdrawn', {}, page.today, { supersedes: entryId })])
    if (told.ok) onDone()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <>
      <SheetForm
        fields={[
          { id: 'from', label: 'First day away', kind: 'day', half: true, paths: ['body.from'] },
          { id: 'to', label: 'Last day away', kind: 'day', half: true, paths: ['body.to', 'body'] },
          { id: 'name', label: 'Why', hint: 'leave, course; may be empty', paths: ['body.name'] },
        ]}
        values={{ from: page.on, to: page.on, name: '' }}
        save="Away then"
        onCancel={onCancel}
        onSave={async (values) => {
          const [from, to, name] = ['from', 'to', 'name'].map((id) => typedText(values, id)) as [string, string, string]
          if (!from) return wrongAt('from', 'is missing')
          if (!to) return wrongAt('to', 'is missing')
          if (to < from) return wrongAt('to', 'must not be before the first')
          const body = { setting: 'absence' as const, technicianId: person.id, from, to, ...(name && { name }) }
          const told = await writeFrom([makeEntry('firm', firmId, 'setting', body, page.today)])
          if (told.ok) onDone()
          return told
        }}
      />
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      {person.absences.length > 0 && (
        <ul aria-label="Away already" className="m-0 list-none p-0 pt-3">
          {person.absences.map(({ entryId, from, to, name }) => (
            <li key={entryId} className="flex min-h-[44px] items-center gap-3 border-t border-hair">
              <span className="flex-1">
                {from === to ? dayShort(from) : `${dayShort(from)} to ${dayShort(to)}`}
                {name && <span className="text-second">, {name}</span>}
              </span>
              <button type="button" className="plain" onClick={() => void takeBack(entryId)}>
                Take back
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
