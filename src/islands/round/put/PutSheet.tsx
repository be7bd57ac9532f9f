import { useRef, useState } from 'react'
import type { Entry } from '../../../core/ledger/entry.ts'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { counted, dayFull, dayShort, weekdayShort } from '../../../ui/format.ts'
import { SheetDialog } from '../../../ui/SheetDialog.tsx'
import type { PutOnVisit, SiteToJoin, VisitToJoin } from '../../../views/put-on-visit.ts'
import type { RoundRow } from '../../../views/round-page.ts'
import { writeFrom } from '../../make-entry.ts'
import { title } from '../../standing-words.ts'
import { useFetched } from '../../use-fetched.ts'
import { minutesWith, type PutThere, type PutWhere, putEntries } from './put-entries.ts'

interface PutProps {
  rows: readonly RoundRow[]
  today: string
  onClose(): void
  onDone(said: string): void
}

/** The chosen tasks, by their sites, and the visit each site’s are to be done on. */
export function PutSheet({ rows, today, onClose, onDone }: PutProps) {
  const [answer, setAnswer] = useState<PutOnVisit | null>(null)
  const [where, setWhere] = useState<Record<string, PutWhere>>({})
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  // Pressed again after a lost answer it is the same entries, as long as the same is meant.
  const held = useRef<{ meant: string; entries: Entry[] } | null>(null)
  const siteIds = [...new Set(rows.map(({ siteId }) => siteId))]
  const lost = useFetched<PutOnVisit>(
    `/api/round/visits?${new URLSearchParams(siteIds.map((id) => ['siteId', id]))}`,
    setAnswer,
    { afterMs: 0 },
  )
  const whereOf = (site: SiteToJoin): PutWhere =>
    where[site.siteId] ??
    (site.visits[0] ? { visit: site.visits[0] } : { on: fromDay(toDay(today) + 1), technicianId: site.technicianId })
  const put = async () => {
    if (!answer) return
    const all = answer.sites.map((site): PutThere => ({ site, tasks: tasksOf(rows, site), where: whereOf(site) }))
    const past = all.find(({ where: there }) => !('visit' in there) && !(there.on >= today))
    if (past) return setWrong(`${past.site.name}: say a day that is still to come.`)
    const meant = JSON.stringify(all)
    if (held.current?.meant !== meant)
      held.current = { meant, entries: all.flatMap((one) => putEntries(one, answer.stopMin, today, dayShort)) }
    setBusy(true)
    const told = await writeFrom(held.current.entries, { seq: answer.seq, subjectIds: siteIds })
    setBusy(false)
    if (!told.ok) return setWrong(told.issues.map(({ message }) => message).join('; '))
    onDone(
      all
        .map(({ site, where: there }) => `${site.name}: on ${dayShort('visit' in there ? there.visit.on : there.on)}`)
        .join('; '),
    )
  }
  return (
    <SheetDialog
      open
      onOpenChange={onClose}
      title={`${counted(rows.length, 'task')} on a visit`}
      about="It joins what is done there that day. Nothing is asked of the customer by this."
    >
      {lost && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          The visits to come need the network.
        </p>
      )}
      {answer?.sites.map((site) => (
        <SiteChoice
          key={site.siteId}
          site={site}
          tasks={rows.filter(({ siteId }) => siteId === site.siteId)}
          answer={answer}
          today={today}
          where={whereOf(site)}
          onWhere={(to) => setWhere({ ...where, [site.siteId]: to })}
        />
      ))}
      {wrong && (
        <p role="alert" className="m-0 mt-2 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <p className="mt-4 mb-0 flex gap-3">
        <button type="button" className="act" disabled={busy || !answer} onClick={put}>
          {busy ? 'Writing …' : 'Put it there'}
        </button>
        <button type="button" className="plain" onClick={onClose}>
          Cancel
        </button>
      </p>
    </SheetDialog>
  )
}

/** The chosen tasks of a site, with the minutes the firm takes for them. */
const tasksOf = (rows: readonly RoundRow[], { siteId, due }: SiteToJoin): PutThere['tasks'] =>
  rows
    .filter((row) => row.siteId === siteId)
    .map(({ subjectId, standing: { key, minutes } }) => ({
      minutes,
      ...due.find((task) => task.subjectId === subjectId && task.key === key),
      subjectId,
      key,
    }))

interface SiteChoiceProps {
  site: SiteToJoin
  tasks: readonly RoundRow[]
  answer: PutOnVisit
  today: string
  where: PutWhere
  onWhere(where: PutWhere): void
}

function SiteChoice({ site, tasks, answer, today, where, onWhere }: SiteChoiceProps) {
  const names = new Map(answer.technicians.map(({ id, name }) => [id, name.split(' ')[0]!]))
  const chosen = 'visit' in where ? where.visit : null
  const own = 'visit' in where ? null : where
  const there = tasksOf(tasks, site)
  return (
    <fieldset className="m-0 mt-3 border-0 border-t border-hair p-0 pt-2">
      <legend className="sr-only">{site.name}</legend>
      <p className="m-0 font-semibold">{site.name}</p>
      <p className="m-0 text-[14px] text-second">
        {tasks.map(({ standing, machineName }) => `${title(standing)}, ${machineName}`).join('; ')}
      </p>
      {site.visits.map((visit) => {
        const { before, after } = minutesWith(visit, there, answer.stopMin)
        return (
          <label key={visit.on} className="flex min-h-[44px] items-center gap-2.5 border-b border-hair">
            <input
              type="radio"
              name={`put-${site.siteId}`}
              checked={chosen?.on === visit.on}
              onChange={() => onWhere({ visit })}
            />
            <span className="min-w-0 flex-1">
              {weekdayShort(visit.on)} <b>{dayShort(visit.on)}</b>,{' '}
              {names.get(visit.technicianId) ?? 'somebody who left'}
              <span className="text-second">, {stateOf(visit)}</span>
            </span>
            <span className="mono text-[14px] whitespace-nowrap">
              {after > before ? `${before} → ${after} min` : `${before} min, on it`}
            </span>
          </label>
        )
      })}
      <label className="flex min-h-[44px] items-center gap-2.5">
        <input
          type="radio"
          name={`put-${site.siteId}`}
          checked={own !== null}
          onChange={() => onWhere({ on: fromDay(toDay(today) + 1), technicianId: site.technicianId })}
        />
        {site.visits.length > 0 ? 'On another day' : 'Nobody goes there yet: on'}
      </label>
      {own && (
        <div className="flex flex-wrap items-end gap-3 pl-6">
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[14px]">Day</span>
            <input
              type="date"
              className="field"
              min={today}
              value={own.on}
              onChange={(event) => onWhere({ ...own, on: event.target.value })}
            />
          </label>
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[14px]">Who goes</span>
            <select
              className="field min-h-[44px]"
              value={own.technicianId}
              onChange={(event) => onWhere({ ...own, technicianId: event.target.value })}
            >
              {answer.technicians.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          {own.on && <span className="pb-2 text-[14px] text-second">{dayFull(own.on)}</span>}
        </div>
      )}
    </fieldset>
  )
}

const stateOf = ({ state, from }: VisitToJoin): string =>
  state === 'agreed'
    ? `agreed${from ? ` for ${from}` : ''}: tell them if it gets longer`
    : { proposed: 'proposed', taken: 'taken up', asked: 'asked' }[state]
