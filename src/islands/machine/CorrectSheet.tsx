import { useState } from 'react'
import type { Entry, RecordedEntry } from '../../core/ledger/entry.ts'
import { browserNow } from '../../ui/clock.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { newId, sendEntries } from '../send-entries.ts'

interface Props {
  bundle: MachineBundle
  today: string
  entry: RecordedEntry
  onClose: () => void
  onSaved: () => Promise<void>
}

/** The one figure or sentence of an entry that people get wrong, by kind. */
const correctable: Record<string, { field: string; label: string; number: boolean }> = {
  reading: { field: 'count', label: 'Counter', number: true },
  measured: { field: 'value', label: 'Value', number: true },
  inspected: { field: 'condition', label: 'Condition, 0 to 4', number: true },
  removed: { field: 'condition', label: 'Condition, 0 to 4', number: true },
  regenerated: { field: 'saltKg', label: 'Salt, kg', number: true },
  descaled: { field: 'grams', label: 'Acid, g', number: true },
  note: { field: 'text', label: 'Note', number: false },
  'fault-reported': { field: 'text', label: 'Fault', number: false },
  repaired: { field: 'text', label: 'Repair', number: false },
}

/** Puts an entry right by a new one that stands in its place, or withdraws it. The old one stays to be seen. */
export function CorrectSheet({ bundle, today, entry, onClose, onSaved }: Props) {
  const isDrops = entry.kind === 'water-test' && entry.body.method === 'drops'
  const what = isDrops ? { field: 'drops', label: 'Drops', number: true } : correctable[entry.kind]
  const [text, setText] = useState(what ? String(entry.body[what.field] ?? '') : '')
  const [day, setDay] = useState(entry.happenedOn)
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [id] = useState(newId)

  const send = async (made: Pick<Entry, 'kind' | 'body'>, on: string) => {
    setBusy(true)
    const { subjectKind, subjectId } = entry
    const happenedAt = on === entry.happenedOn ? entry.happenedAt : `${on}T12:00:00.000Z`
    const sent = await sendEntries([
      { id, subjectKind, subjectId, ...made, happenedAt, happenedOn: on, supersedes: entry.id },
    ])
    setBusy(false)
    if (sent.ok) {
      await onSaved()
      onClose()
    } else
      setWrong(
        sent.why === 'refused'
          ? sent.issues.map((issue) => `${issue.path.replace('body.', '')} ${issue.message}`).join('; ')
          : 'message' in sent
            ? sent.message
            : 'It was not saved.',
      )
  }
  const correct = () => {
    if (day > today) return setWrong('That day is in the future.')
    const typed = what?.number ? Number(text.replace(/[\s,](?=\d{3})/g, '').replace(',', '.')) : text.trim()
    if (what && (what.number ? !text.trim() || !Number.isFinite(typed) : !typed))
      return setWrong(`${what.label}: type ${what.number ? 'a number' : 'some words'}.`)
    return send({ kind: entry.kind, body: what ? { ...entry.body, [what.field]: typed } : entry.body }, day)
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Correct an entry"
      about={`${entryWords(entry, bundle.machine.kind)}. It stays to be seen, struck through.`}
    >
      <div className="flex flex-col gap-3">
        {what && (
          <label className="flex flex-col gap-1">
            <span className="slim text-[14px]">{what.label}</span>
            <input
              className={`field ${what.number ? 'mono' : ''}`}
              inputMode={what.number ? 'decimal' : 'text'}
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
        )}
        <label className="flex flex-col gap-1">
          <span className="slim text-[14px]">Day it happened</span>
          <input
            className="field mono"
            type="date"
            max={today}
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
        </label>
        {wrong && (
          <p role="alert" className="m-0 font-semibold text-seal-ink">
            {wrong}
          </p>
        )}
        <div className="flex flex-wrap gap-3">
          <button type="button" className="act" disabled={busy} onClick={correct}>
            {busy ? 'Saving …' : 'Save the correction'}
          </button>
          <button
            type="button"
            className="plain"
            disabled={busy}
            onClick={() =>
              send(
                { kind: 'withdrawn', body: { v: 1 } },
                browserNow().toISOString().slice(0, 10) < today ? entry.happenedOn : today,
              )
            }
          >
            Withdraw: it did not happen
          </button>
        </div>
      </div>
    </Sheet>
  )
}
