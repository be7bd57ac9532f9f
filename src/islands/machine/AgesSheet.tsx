import { useMemo, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { guards } from '../../core/standing/taken-over.ts'
import { counted } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { send } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { PathDrawing } from '../path/PathDrawing.tsx'

interface Props {
  bundle: MachineBundle
  kind: Kind
  /** Stations this machine does not have. */
  without: Set<string>
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

type Told = 'good' | 'looks-right' | 'unknown'
type Scope = 'machine' | 'site' | 'kind'

const toldWords: Record<Told, [name: string, about: string]> = {
  good: ['A full service was done', 'every clock starts that day, but for what guards and for what is marked'],
  'looks-right': ['All looks right', 'seen today: each part is as old as it looks, but for what is marked'],
  unknown: ['Not known', 'one first look stands for all of it, and nothing of it is overdue'],
}

/**
 * What is known of the ages of a machine that was taken over in the middle of its life, said once: exceptions are
 * marked on the drawing. What guards is left out of it, whatever is said: it is seen by itself.
 */
export function AgesSheet({ bundle, kind, without, today, onClose, onSaved }: Props) {
  const [told, setTold] = useState<Told>('looks-right')
  const [on, setOn] = useState(today)
  const [scope, setScope] = useState<Scope>('machine')
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set())
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [id] = useState(newId)
  const ours = kind.tasks.filter(({ by }) => by !== 'customer')
  const guarding = [...new Set(ours.filter(guards).map(({ name }) => name.toLowerCase()))]
  const except = [...new Set(ours.filter((task) => marked.has(task.station)).map((task) => task.part ?? task.id))]
  const covered = new Set(
    ours.filter((task) => !guards(task) && !marked.has(task.station)).map((task) => task.part ?? task.id),
  ).size
  const canMark = told !== 'unknown' && scope === 'machine'
  const hanging = useMemo(
    () => new Map([...marked].map((station) => [station, { standings: [], words: 'not this' }])),
    [marked],
  )
  const save = async () => {
    if (on > today) return setWrong('That day is in the future.')
    setBusy(true)
    const day = told === 'good' ? on : today
    const body = { parts: told, ...(canMark && except.length > 0 && { except }) }
    const answer =
      scope === 'machine'
        ? await writeFrom([makeEntry('machine', bundle.machine.id, 'taken-over', body, day, { id })])
        : await send<{ machines: number }>('POST', '/api/ages', {
            id,
            scope,
            of: scope === 'site' ? bundle.site.id : bundle.machine.kind,
            parts: told,
            on: day,
          })
    setBusy(false)
    if (!answer.ok) return setWrong(answer.issues[0]!.message)
    await onSaved()
    onClose()
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="What is known of its ages"
      about={`Of ${bundle.machine.name}, taken over in the middle of its life.`}
      wide
    >
      <fieldset className="m-0 border-0 p-0">
        <legend className="sr-only">What is known</legend>
        {(Object.keys(toldWords) as Told[]).map((one) => (
          <label key={one} className="flex min-h-[44px] items-center gap-3">
            <input type="radio" name="told" className="h-5 w-5" checked={told === one} onChange={() => setTold(one)} />
            <span>
              <b className="font-semibold">{toldWords[one][0]}</b>{' '}
              <span className="text-[14px] text-second">{toldWords[one][1]}</span>
            </span>
            {one === 'good' && told === 'good' && (
              <input
                type="date"
                aria-label="Day of the full service"
                className="field mono"
                max={today}
                value={on}
                onChange={(event) => setOn(event.target.value)}
              />
            )}
          </label>
        ))}
      </fieldset>
      <fieldset className="m-0 mt-2 border-0 p-0">
        <legend className="slim text-[14px] text-second">For</legend>
        <div className="flex flex-wrap gap-x-5">
          {(
            [
              ['machine', `this machine`],
              ['site', `every machine at ${bundle.site.name} that waits for its first look`],
              ['kind', `every ${kind.name} that does`],
            ] as const
          ).map(([one, words]) => (
            <label key={one} className="flex min-h-[44px] items-center gap-2">
              <input
                type="radio"
                name="scope"
                className="h-5 w-5"
                checked={scope === one}
                onChange={() => setScope(one)}
              />
              {words}
            </label>
          ))}
        </div>
      </fieldset>
      {canMark && (
        <>
          <p className="mt-2 mb-1">Press what it is not said of:</p>
          <div className="overflow-x-auto border-y border-hair bg-field py-2">
            <PathDrawing
              kind={kind}
              today={today}
              without={without}
              hanging={hanging}
              chosen={null}
              onChoose={(station) =>
                setMarked((now) => {
                  const next = new Set(now)
                  if (!next.delete(station)) next.add(station)
                  return next
                })
              }
            />
          </div>
        </>
      )}
      {told !== 'unknown' && (
        <p className="mt-3 mb-0 border-l-4 border-brass pl-3">
          It covers {counted(covered, 'part or task', 'parts and tasks')}
          {marked.size > 0 && ` and leaves ${except.length} unknown`}. Never covered: {guarding.join(', ')}. What the
          law asks to be tested, and what guards, is seen by itself.
        </p>
      )}
      {wrong && (
        <p role="alert" className="mt-2 mb-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <div className="sheet-foot mt-3 flex flex-wrap gap-3">
        <button type="button" className="act" disabled={busy} onClick={save}>
          {busy ? 'Saving …' : 'Say so'}
        </button>
        <button type="button" className="plain" onClick={onClose}>
          Leave as it is
        </button>
      </div>
    </Sheet>
  )
}
