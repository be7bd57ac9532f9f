import { useMemo, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { heldReasons } from '../../core/procedures/held-reasons.ts'
import { insideNow, runEntries } from '../../core/procedures/run-record.ts'
import { stepNow } from '../../core/procedures/run-state.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { browserNow } from '../../ui/clock.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { takes } from './clock-words.ts'
import { dropRun, type KeptRun, keepRun } from './kept-run.ts'

interface Props {
  run: KeptRun
  machineId: string
  softenerId: string | undefined
  place: string
  kind: Kind
  timeZone: string
  visitId: string | undefined
  /** Tasks that no kind lists and the reckoning raises by itself. */
  raised: readonly string[]
}

/** A run that ended: what was done, what was not, what it writes. */
export function RunEnd({ run, machineId, softenerId, place, kind, timeZone, visitId, raised }: Props) {
  const { lanes, state, running } = run
  const ended = state.ended!
  const today = dayAt(timeZone, ended.at)
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState('')
  const entries = useMemo((): Entry[] => {
    // As it ended, not as it is saved: sent twice it is the same.
    const more = { happenedAt: new Date(ended.at).toISOString(), ...(visitId && { visitId }) }
    const made = runEntries(running, lanes, state, kind, raised)
      .filter((draft) => draft.of !== 'softener' || softenerId)
      .filter((draft) => !(draft.kind === 'held' && run.held.some(({ inside }) => inside.of === draft.body.why)))
      .map(({ kind: entryKind, body, of }, i) => {
        run.ids[i] ??= newId()
        const id = run.ids[i]!
        return of === 'softener' && softenerId
          ? makeEntry('softener', softenerId, entryKind, body, today, { id, ...more })
          : makeEntry('machine', machineId, entryKind, body, today, { id, ...more })
      })
    // What was held at once is sent again, the same entry; what has been rinsed out since is released.
    const still = insideNow(lanes, state)
    return [
      ...run.held.map(({ entry }) => entry),
      ...made,
      ...run.held.flatMap(({ inside, entry }, i) => {
        if (still.some((one) => one.of === inside.of && one.group === inside.group)) return []
        run.ids[made.length + i] ??= newId()
        return makeEntry('machine', machineId, 'released', { held: entry.id }, today, {
          id: run.ids[made.length + i]!,
          ...more,
        })
      }),
    ]
  }, [ended.at, kind, lanes, machineId, run, running, softenerId, state, today, visitId, raised])
  const inside = insideNow(lanes, state)
  const named = (lane: string, step: string) =>
    lanes.find(({ id }) => id === lane)?.steps.find(({ id }) => id === step)?.say ?? step
  const skipped = state.records.filter(({ how }) => how === 'skipped')
  const repeats = state.records.filter(({ how }) => how === 'again')
  const undone = lanes.flatMap((lane) =>
    stepNow(lane, state) ? lane.steps.slice(state.at[lane.id]).map((step) => ({ lane, step })) : [],
  )
  const save = async () => {
    setBusy(true)
    // Its ids are kept first: an answer that is lost is asked for again by the same ones.
    await keepRun(machineId, run, browserNow().getTime())
    const told = await writeFrom(entries)
    if (!told.ok) {
      setBusy(false)
      return setWrong(told.issues.map(({ message }) => message).join('; '))
    }
    await dropRun(machineId)
    location.assign(`/machines/${machineId}?lens=ledger&saved`)
  }
  return (
    <div className="flex min-h-screen min-w-0 flex-col bg-enamel">
      <TitleBlock
        name={ended.how === 'done' ? 'Done' : ended.how === 'stopped' ? 'Stopped' : 'Ended early'}
        under={place}
        facts={[
          { label: 'Took', value: takes((ended.at - state.startedAt) / 1000) },
          { label: 'Skipped', value: skipped.length },
          { label: 'Once more', value: repeats.length },
        ]}
      />
      <div className="flex flex-col gap-4 px-4 py-4 lg:px-6">
        {inside.length > 0 && (
          <p role="alert" className="m-0 border-l-4 border-seal pl-3 text-[20px]">
            <b className="text-seal-ink">Do not use.</b>{' '}
            {inside
              .map(({ of, group }) =>
                heldReasons[of].drink
                  ? `${heldReasons[of].name} is in ${group === null || kind.groups === 1 ? 'it' : `group ${group}`}`
                  : `${heldReasons[of].words}`,
              )
              .join('; ')}
            . The machine says so until somebody signs it off.
          </p>
        )}
        {ended.why && <p className="m-0 text-[18px]">{ended.why}</p>}
        <section aria-label="What it writes">
          <h2 className="head m-0">Into the ledger</h2>
          <ul className="m-0 list-none p-0 text-[17px]">
            {entries.map((entry) => (
              <li key={entry.id} className="border-t border-hair py-1.5">
                {entryWords(entry, kind)}
              </li>
            ))}
          </ul>
        </section>
        {skipped.length > 0 && (
          <section aria-label="Skipped">
            <h2 className="head m-0">Skipped</h2>
            <ul className="m-0 list-none p-0">
              {skipped.map((record) => (
                <li key={`${record.lane} ${record.step} ${record.at}`} className="border-t border-hair py-1.5">
                  {named(record.lane, record.step)}: <span className="text-second">{record.reason}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {undone.length > 0 && (
          <section aria-label="Not done">
            <h2 className="head m-0">Not done</h2>
            <p className="m-0 text-second">{undone.map(({ step }) => step.say.toLowerCase()).join('; ')}</p>
          </section>
        )}
        <div className="flex flex-wrap gap-3">
          <button type="button" className="act min-h-[64px] min-w-[220px] text-[20px]" disabled={busy} onClick={save}>
            {busy ? 'Saving …' : 'Save it'}
          </button>
        </div>
        {wrong && (
          <p role="alert" className="m-0 font-semibold text-seal-ink">
            {wrong}
          </p>
        )}
      </div>
    </div>
  )
}
