import { useMemo, useState } from 'react'
import { kinds as shipped } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { jot } from '../../core/ledger/jot.ts'
import { effective, nearestSetting, ofKind, settingsAt } from '../../core/standing/histories.ts'
import { movesOf } from '../../core/standing/moves-of.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { counted, dayNear } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { useOwnKinds } from '../kinds/own-kinds-here.ts'
import { makeEntry, writeFrom, writtenAbout } from '../make-entry.ts'
import { newId } from '../new-id.ts'

interface Props {
  bundle: MachineBundle
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

const shownMoves = 12

/**
 * Says what a machine is: its kind and its groups, where it was entered as something else or not taken on any more.
 * What that moves is shown before anything is written; the entry it puts right stays to be seen.
 */
export function KindSheet({ bundle, today, onClose, onSaved }: Props) {
  const { machine } = bundle
  const histories = useMemo(() => effective(bundle.ledgers), [bundle])
  const taken = ofKind(histories, 'machine', 'commissioned')[0]
  const groupsNow = nearestSetting(histories, 'groups')?.body.count
  const { own } = useOwnKinds()
  const kinds = [...shipped, ...(own?.kinds ?? [])]
  const [kindId, setKindId] = useState(taken?.body.kind ?? machine.kind)
  const [groups, setGroups] = useState<number | null>(null)
  const [day, setDay] = useState(taken?.happenedOn ?? today)
  const [partsNew, setPartsNew] = useState(taken?.body.partsNew ?? false)
  const [ids] = useState(() => [newId(), newId(), newId()] as const)
  const showsNow = settingsAt(histories, 'machine', 'counter-counts').at(-1)
  const [shows, setShows] = useState<{ unit: string; each: string } | null>(
    showsNow && showsNow.each !== 1 ? { unit: showsNow.unit, each: String(showsNow.each) } : null,
  )
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const kind = kinds.find(({ id }) => id === kindId)
  const hasGroups = kind?.tasks.some(({ each }) => each === 'group') ?? false
  const each = shows ? numberIn(shows.each) : 1
  const counts = useMemo(() => {
    if (!kind || kind.uncounted) return null
    // Said to count what its kind does again: one is one.
    const said = shows ? { unit: shows.unit.trim(), each: each ?? 0 } : { unit: kind.counter.unit, each: 1 }
    const before = showsNow ?? { unit: kind.counter.unit, each: 1 }
    const same = said.unit === before.unit && said.each === before.each
    return same || said.unit === '' || said.each <= 0 ? null : said
  }, [each, kind, shows, showsNow])
  const groupsHere = groups ?? groupsNow ?? kind?.groups ?? 1

  const entries = useMemo((): Entry[] => {
    if (!kind) return []
    const body = { kind: kind.id, kindVersion: kind.version, partsNew }
    const same = taken?.body.kind === kind.id && taken.happenedOn === day && taken.body.partsNew === partsNew
    const about = taken
      ? { id: ids[0], supersedes: taken.id }
      : { id: ids[0], ...(withdrawnBy(bundle) && { supersedes: withdrawnBy(bundle)! }) }
    return [
      ...(same ? [] : [writtenAbout('machine', machine.id, jot('commissioned', body), day, about)]),
      ...(hasGroups && groupsHere !== (groupsNow ?? kind.groups)
        ? [makeEntry('machine', machine.id, 'setting', { setting: 'groups', count: groupsHere }, today, { id: ids[1] })]
        : []),
      ...(counts
        ? [makeEntry('machine', machine.id, 'setting', { setting: 'counter-counts', ...counts }, today, { id: ids[2] })]
        : []),
    ]
  }, [bundle, counts, day, groupsHere, groupsNow, hasGroups, ids, kind, machine.id, partsNew, taken, today])

  const moves = useMemo(() => {
    if (entries.length === 0) return []
    const asIf = { ...bundle.ledgers, machine: [...(bundle.ledgers.machine ?? []), ...entries] }
    const standings = (ledgers: typeof asIf | MachineBundle['ledgers']) =>
      reckonMachine(ledgers, { showWorking: false })?.standings ?? []
    return movesOf(standings(bundle.ledgers), standings(asIf))
  }, [bundle.ledgers, entries])

  const save = async () => {
    if (shows && (shows.unit.trim() === '' || !each || each <= 0))
      return setWrong('Say what its counter counts, and how much one of it is.')
    if (entries.length === 0) return onClose()
    setBusy(true)
    const told = await writeFrom(entries)
    setBusy(false)
    if (!told.ok) return setWrong(told.issues.map(({ message }) => message).join('; '))
    await onSaved()
    onClose()
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={taken ? 'What it is' : 'Take it on'}
      about={
        taken
          ? 'Where it was entered as something else. What was written about it stays; parts that such a machine has not are dated no more.'
          : 'It is dated from the day it is taken on.'
      }
    >
      <div className="flex flex-col gap-3">
        <label className="flex flex-col gap-0.5">
          <span className="slim text-[14px]">Kind of machine</span>
          <select className="field" value={kindId} onChange={(event) => setKindId(event.target.value)}>
            {kinds.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <div className="flex flex-wrap gap-4">
          {hasGroups && (
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[14px]">Groups</span>
              <select className="field" value={groupsHere} onChange={(event) => setGroups(Number(event.target.value))}>
                {[1, 2, 3, 4].map((n) => (
                  <option key={n} value={n}>
                    {n}
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[14px]">Taken on</span>
            <input
              type="date"
              className="field mono"
              max={today}
              value={day}
              onChange={(event) => event.target.value && setDay(event.target.value)}
            />
          </label>
        </div>
        {kind && !kind.uncounted && <WhatItCounts kind={kind} shows={shows} onChange={setShows} />}
        <label className="flex min-h-[44px] items-center gap-2">
          <input
            type="checkbox"
            className="h-5 w-5"
            checked={partsNew}
            onChange={(event) => setPartsNew(event.target.checked)}
          />
          New that day: its parts are as old as it is
        </label>
        <section aria-label="What this moves" aria-live="polite">
          <h3 className="slim m-0 text-[15px] font-semibold">What this moves</h3>
          {moves.length === 0 && <p className="m-0 text-second">Nothing.</p>}
          <ul className="m-0 list-none p-0 text-[14px]">
            {moves.slice(0, shownMoves).map((move) => (
              <li key={move.key} className="flex justify-between gap-3 border-t border-hair py-1">
                <span className="min-w-0">{move.name}</span>
                <span className="mono shrink-0">
                  {near(move.before, today)} → <b>{near(move.after, today)}</b>
                </span>
              </li>
            ))}
          </ul>
          {moves.length > shownMoves && (
            <p className="m-0 text-[14px] text-second">and {counted(moves.length - shownMoves, 'date')} more</p>
          )}
        </section>
        {wrong && (
          <p role="alert" className="m-0 font-semibold text-seal-ink">
            {wrong}
          </p>
        )}
        <div className="sheet-foot flex flex-wrap gap-3">
          <button type="button" className="act" disabled={busy || !kind} onClick={save}>
            {busy ? 'Saving …' : taken ? 'It is so' : 'Take it on'}
          </button>
          <button type="button" className="plain" onClick={onClose}>
            Leave as it is
          </button>
        </div>
      </div>
    </Sheet>
  )
}

interface WhatItCountsProps {
  kind: Kind
  /** Null: what counters of its kind count. */
  shows: { unit: string; each: string } | null
  onChange: (shows: { unit: string; each: string } | null) => void
}

/** A portion of coffee, from memory: a grinder that counts portions is reckoned in what it grinds. */
const portionKg = 0.018

/** What the numbers on this machine's counter are, where it counts something else than its kind does. */
function WhatItCounts({ kind, shows, onChange }: WhatItCountsProps) {
  const { unit } = kind.counter
  return (
    <div className="flex flex-wrap items-end gap-3">
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">Its counter counts</span>
        <select
          className="field"
          value={shows ? 'other' : ''}
          onChange={(event) =>
            onChange(
              event.target.value
                ? unit === 'kg'
                  ? { unit: 'portions', each: String(portionKg) }
                  : { unit: '', each: '' }
                : null,
            )
          }
        >
          <option value="">{unit}</option>
          <option value="other">something else</option>
        </select>
      </label>
      {shows && (
        <>
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[14px]">Called</span>
            <input
              className="field w-[130px]"
              maxLength={30}
              placeholder="portions, tens"
              value={shows.unit}
              onChange={(event) => onChange({ ...shows, unit: event.target.value })}
            />
          </label>
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[14px]">One of it is</span>
            <span className="flex items-center gap-2">
              <NumberInput
                className="field mono w-[96px]"
                text={shows.each}
                onText={(text) => onChange({ ...shows, each: text })}
              />
              {unit}
            </span>
          </label>
          {unit === 'kg' && shows.each === String(portionKg) && (
            <span className="text-[13px] text-second">a double of 18 g, from memory: weigh one</span>
          )}
        </>
      )}
    </div>
  )
}

const near = (day: string | null, today: string) => (day ? dayNear(day, today) : '–')

/** The entry that says it was never taken on, where one does. */
function withdrawnBy({ ledgers: { machine = [] } }: MachineBundle): string | null {
  const first = new Set(machine.filter(({ kind }) => kind === 'commissioned').map(({ id }) => id))
  return (
    machine.findLast(({ kind, supersedes }) => kind === 'withdrawn' && supersedes && first.has(supersedes))?.id ?? null
  )
}
