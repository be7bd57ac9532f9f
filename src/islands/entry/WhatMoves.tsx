import { useMemo } from 'react'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { Level } from '../../core/standing/histories.ts'
import { byDue, type Standing } from '../../core/standing/standing.ts'
import { DueBell } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { dayNear, daysUntil, figure, halfWidth } from '../../ui/format.ts'
import { firmUnit, quantity } from '../../ui/quantity.ts'
import { spreadWords } from '../../ui/urgency.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { type ReckonedBundle, reckonBundle } from '../machine/reckon-bundle.ts'
import { standingsOf } from '../machine/standings-of.ts'
import { title } from '../standing-words.ts'
import type { Made } from './entries-of-draft.ts'
import { MovesHead } from './MovesHead.tsx'

interface Props {
  bundle: MachineBundle
  before: ReckonedBundle
  made: Made
  today: string
}

/** What saving will move: each window before, dashed and grey, and after, in colour. */
export function WhatMoves({ bundle, before, made, today }: Props) {
  const entries = made.entries.length
  const after = useMemo(
    () => (made.entries.length === 0 ? before : reckonBundle(withDraft(bundle, made))),
    [before, bundle, made],
  )
  const axis = dueAxis(today, 250, 760)
  const was = new Map(standingsOf(before).map((standing) => [standing.key, standing]))
  const moved = standingsOf(after)
    .map((standing) => ({ standing, was: was.get(standing.key) }))
    .filter(
      ({ standing, was: old }) =>
        old?.due?.p50 !== standing.due?.p50 ||
        (old?.due && standing.due && Math.abs(halfWidth(old.due) - halfWidth(standing.due)) > 1),
    )
    .sort((a, b) => byDue(a.standing, b.standing))
  const shown = moved.slice(0, 8)
  return (
    <div>
      <MovesHead />
      {entries === 0 && (
        <p className="text-second">
          Nothing is written yet. As you type, the dates that move show here, before anything is saved.
        </p>
      )}
      {entries > 0 && moved.length === 0 && (
        <p className="text-second">No date moves by this; it is kept in the ledger.</p>
      )}
      {shown.length > 0 && (
        <>
          <div className="flex justify-end">
            <DueScale axis={axis} bands={false} />
          </div>
          {shown.map(({ standing, was: old }) => (
            <div key={standing.key} className="flex items-center gap-2 border-t border-hair py-1">
              <div className="narrow min-w-0 flex-1 leading-tight">
                <div className="font-semibold">{title(standing)}</div>
                <div className="mono text-[12.5px] text-second">{said(old, today)}</div>
                <div className="mono text-[13px] font-semibold">
                  <span className="text-copper">→ </span>
                  {said(standing, today)}
                </div>
              </div>
              <svg width={axis.width} height={50} className="shrink-0" aria-hidden="true">
                <path d={`M${axis.todayX} 0V50`} stroke="var(--ink)" strokeWidth={1.25} />
                {old?.due && <DueBell due={old.due} axis={axis} y={13} reach={9} faded />}
                {standing.due && <DueBell due={standing.due} axis={axis} y={37} reach={10} />}
                {old?.due && standing.due && (
                  <path
                    d={`M${axis.x(old.due.p50)} 22v4H${axis.x(standing.due.p50)}v2`}
                    stroke="var(--copper)"
                    strokeWidth={1.25}
                    fill="none"
                  />
                )}
              </svg>
            </div>
          ))}
          {moved.length > shown.length && (
            <p className="m-0 pt-1 text-[13px] text-second">and {moved.length - shown.length} that fall later</p>
          )}
        </>
      )}
      {before.reckoning?.use && after.reckoning?.use && (
        <dl className="m-0 mt-3 border-t border-ink pt-1">
          <Pair name="Use, an open day" before={before.reckoning.use} after={after.reckoning.use} />
          {before.reckoning.litresPerOpenDay !== undefined && after.reckoning.litresPerOpenDay !== undefined && (
            <div className="flex justify-between py-0.5">
              <dt>Draw, {firmUnit('L')} an open day</dt>
              <dd className="mono m-0 text-[13px]">
                <span className="text-second">{quantity(before.reckoning.litresPerOpenDay, 'L').value} → </span>
                <b>{quantity(after.reckoning.litresPerOpenDay, 'L').value}</b>
              </dd>
            </div>
          )}
        </dl>
      )}
    </div>
  )
}

/** The bundle as it will be once the draft is saved. */
function withDraft(bundle: MachineBundle, made: Made): MachineBundle {
  const ledgers = { ...bundle.ledgers }
  for (const { entry } of made.entries) {
    const level = entry.subjectKind as Level
    const pending: RecordedEntry = { ...entry, seq: 0, recordedAt: entry.happenedAt, recordedBy: '' }
    ledgers[level] = [...(ledgers[level] ?? []), pending]
  }
  return { ...bundle, ledgers }
}

function Pair({
  name,
  before,
  after,
}: {
  name: string
  before: { mean: number; sd: number }
  after: { mean: number; sd: number }
}) {
  return (
    <div className="flex justify-between py-0.5">
      <dt>{name}</dt>
      <dd className="mono m-0 text-[13px]">
        <span className="text-second">
          {figure(before.mean)} ± {figure(before.sd)} →{' '}
        </span>
        <b>
          {figure(after.mean)} ± {figure(after.sd)}
        </b>
      </dd>
    </div>
  )
}

function said(standing: Standing | undefined, today: string): string {
  if (!standing?.due) return standing?.unseen ? 'age not known' : 'over 10 years'
  const days = daysUntil(standing.due.p50, today)
  if (days < 0) return `overdue ${-days} d`
  const spread = halfWidth(standing.due)
  return `${dayNear(standing.due.p50, today)}${spread > 0 ? ` ${spreadWords(spread)}` : ''}`
}
