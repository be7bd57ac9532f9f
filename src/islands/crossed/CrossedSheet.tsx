import { useMemo, useState } from 'react'
import { settled } from '../../core/ledger/crossed.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { counted } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { kindOf } from '../machine/kind-of.ts'
import { makeEntry, writeFrom, writtenAbout } from '../make-entry.ts'
import { CrossedLines } from './CrossedLines.tsx'
import type { CrossedHere } from './crossed-here.ts'
import { thingName, whoWrote } from './crossed-words.ts'
import { fitting } from './expected-of.ts'

interface Props {
  bundle: MachineBundle
  here: CrossedHere
  today: string
  me: string
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Which line counts of what two wrote: one after another, each choice an entry, nothing erased. */
export function CrossedSheet({ bundle, here, today, me, onClose, onSaved }: Props) {
  const [chosen, setChosen] = useState<Record<string, string | null>>({})
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const kind = kindOf(bundle)
  const [crossing] = here.asks
  const usual = useMemo(() => (crossing ? fitting(crossing, bundle) : null), [crossing, bundle])
  const names = new Map(bundle.technicians.map(({ id, name }) => [id, name]))

  const send = async (entries: Parameters<typeof writeFrom>[0]) => {
    setBusy(true)
    setWrong('')
    const told = await writeFrom(entries)
    setBusy(false)
    if (!told.ok) return setWrong(told.issues[0]!.message)
    await onSaved()
    if (here.asks.length < 2) onClose()
  }
  if (!crossing) return null
  const [first] = crossing.lines
  const { subjectKind, subjectId } = first!
  const others = crossing.lines.filter(({ recordedBy }) => recordedBy !== me).map(({ recordedBy }) => recordedBy)
  const ask = names.get(others.at(-1) ?? '')
  // What moved a machine is not struck from here: it stands where it stands, and the ledger's own page moves it.
  const mayStrike = crossing.lines.every(({ kind }) => kind !== 'moved' && kind !== 'commissioned')
  const choice = chosen[crossing.thing] ?? usual
  const decide = (counts: string | null) => {
    const line = crossing.lines.find(({ id }) => id === counts)
    const why = line ? `Compared: ${names.get(line.recordedBy) ?? 'another'}’s line counts` : ''
    const made = settled(crossing, counts, why).map(({ supersedes, ...jotting }) =>
      writtenAbout(subjectKind, subjectId, jotting as Parameters<typeof writtenAbout>[2], today, {
        ...(supersedes && { supersedes }),
      }),
    )
    return send(made)
  }
  const leaveForThem = () => {
    const lines = crossing.lines.map(
      (line) => `${entryWords(line, kind)} (${names.get(line.recordedBy) ?? 'somebody'})`,
    )
    const text = `Ask ${ask}: ${thingName(first!, kind)}, ${lines.join(' or ')}?`
    // A remark stands at machines, softeners and sites alone, and so does what is compared here.
    return send([makeEntry(subjectKind, subjectId, 'remark', { text, internal: true }, today)])
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={counted(here.asks.length, 'line differs', 'lines differ')}
      about={`${bundle.machine.name}, ${bundle.site.name}. All of it stands in the ledger; what is not chosen is struck, not erased.`}
    >
      <p className="m-0 mb-3 text-second">{whoWrote(crossing.lines, names, me, bundle.site.timeZone)}</p>
      <h3 className="m-0 mb-2 text-[18px] font-semibold">{thingName(first!, kind)}</h3>
      <CrossedLines
        crossing={crossing}
        bundle={bundle}
        today={today}
        me={me}
        chosen={choice}
        onChoose={(id) => setChosen((now) => ({ ...now, [crossing.thing]: id }))}
      />
      {wrong && (
        <p role="alert" className="m-0 mt-3 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      {here.alike.length + here.alone.length > 0 && (
        <ul className="m-0 mt-5 list-none border-t border-hair p-0 text-[15px]" aria-label="Nothing to ask">
          {here.alike.map((line) => (
            <li key={line.id} className="flex justify-between gap-3 border-b border-hair py-1.5">
              <span className="min-w-0">{entryWords(line, kind)}</span>
              <span className="shrink-0 text-second">both say so; it counts once</span>
            </li>
          ))}
          {here.alone.map((line) => (
            <li key={line.id} className="flex justify-between gap-3 border-b border-hair py-1.5">
              <span className="min-w-0">{entryWords(line, kind)}</span>
              <span className="shrink-0 text-second">{names.get(line.recordedBy) ?? 'somebody'} alone; it is kept</span>
            </li>
          ))}
        </ul>
      )}
      <div className="sticky -bottom-5 -mb-5 mt-4 flex flex-wrap gap-3 border-t border-hair bg-enamel pt-3 pb-5">
        {mayStrike && (
          <button
            type="button"
            className="act min-h-[48px]"
            disabled={busy || choice === null}
            onClick={() => void decide(choice)}
          >
            {busy ? 'Writing …' : 'The chosen one counts'}
          </button>
        )}
        <button type="button" className="plain min-h-[48px]" disabled={busy} onClick={() => void decide(null)}>
          {crossing.holds ? 'Leave it as it holds' : 'All of them stand'}
        </button>
        {ask && (
          <button type="button" className="plain min-h-[48px]" disabled={busy} onClick={() => void leaveForThem()}>
            Ask {ask.split(' ')[0]}
          </button>
        )}
      </div>
    </Sheet>
  )
}
