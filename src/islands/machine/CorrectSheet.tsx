import { useState } from 'react'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { entryKindOf, type Jotting } from '../../core/ledger/entry-kinds.ts'
import { corrected, jot } from '../../core/ledger/jot.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { newId } from '../new-id.ts'
import { sendEntries } from '../send-entries.ts'
import { kindOf } from './kind-of.ts'

interface Props {
  bundle: MachineBundle
  today: string
  entry: RecordedEntry
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Puts an entry right by a new one that stands in its place, or withdraws it. The old one stays to be seen. */
export function CorrectSheet({ bundle, today, entry, onClose, onSaved }: Props) {
  const what = entryKindOf(entry.kind).corrects?.(entry.body)
  const isNumber = what?.is === 'number'
  const reads = { whole: entry.kind === 'reading' }
  const [text, setText] = useState(
    what ? String(Object.entries(entry.body).find(([field]) => field === what.field)?.[1] ?? '') : '',
  )
  const [day, setDay] = useState(entry.happenedOn)
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [id] = useState(newId)
  const [sure, setSure] = useState(false)

  /** Written again in today's shape, with its one field as typed. */
  const correction = (typed: string | number): Jotting => {
    const { kind, body }: Jotting = entry
    return what ? corrected({ kind, body } as Jotting, what.field, typed) : ({ kind, body } as Jotting)
  }
  const send = async (made: Jotting, on: string) => {
    setBusy(true)
    const { subjectKind, subjectId } = entry
    const happenedAt = on === entry.happenedOn ? entry.happenedAt : instantAt(bundle.site.timeZone, on)
    const correction = { id, subjectKind, subjectId, ...made, happenedAt, happenedOn: on, supersedes: entry.id }
    const sent = await sendEntries([correction], undefined, { knownSeq: bundle.seq })
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
  /** What all the rest is dated by is asked about twice. */
  const withdraw = () => (entry.kind === 'commissioned' ? setSure(true) : void send(jot('withdrawn', {}), today))
  const correct = () => {
    if (day > today) return setWrong('That day is in the future.')
    const typed = isNumber ? numberIn(text, reads) : text.trim()
    if (typed === null || (what && typed === ''))
      return setWrong(`${what?.label}: type ${isNumber ? 'a number' : 'some words'}.`)
    return send(correction(typed), day)
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Correct an entry"
      about={`${entryWords(entry, kindOf(bundle))}. It stays to be seen, struck through.`}
    >
      <div className="flex flex-col gap-3">
        {what && (
          <label className="flex flex-col gap-1" htmlFor="correct-value">
            <span className="slim text-[14px]">{what.label}</span>
            {isNumber ? (
              <NumberInput id="correct-value" className="field mono" text={text} onText={setText} reads={reads} />
            ) : (
              <input
                id="correct-value"
                className="field"
                value={text}
                onChange={(event) => setText(event.target.value)}
              />
            )}
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
          {!sure && (
            <button type="button" className="plain" disabled={busy} onClick={withdraw}>
              Withdraw: it did not happen
            </button>
          )}
        </div>
        {sure && (
          <div role="alert" className="border-l-4 border-seal pl-3">
            <p className="m-0 mb-2">
              Then {bundle.machine.name} was never taken on: nothing of it can be dated any more, and it falls off every
              list of what is due. To change its day, save a correction instead.
            </p>
            <button type="button" className="plain" disabled={busy} onClick={() => send(jot('withdrawn', {}), today)}>
              Withdraw it all the same
            </button>
          </div>
        )}
      </div>
    </Sheet>
  )
}
