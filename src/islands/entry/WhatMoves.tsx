import type { Reckoning, Standing } from '../../core/standing/standing.ts'
import { DueBell } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { dayNear, daysUntil, figure, halfWidth } from '../../ui/format.ts'
import { firmUnit, quantity } from '../../ui/quantity.ts'
import { byDue } from '../path/PathDrawing.tsx'
import { title } from '../standing-words.ts'

interface Props {
  before: { standings: Standing[]; reckoning: Reckoning | null }
  after: { standings: Standing[]; reckoning: Reckoning | null }
  today: string
  entries: number
}

/** What saving will move: each window before, dashed and grey, and after, in colour. */
export function WhatMoves({ before, after, today, entries }: Props) {
  const axis = dueAxis(today, 250, 760)
  const was = new Map(before.standings.map((standing) => [standing.key, standing]))
  const moved = after.standings
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
      <h2 className="head m-0">
        What this moves <span className="ml-1 text-[13px] font-normal text-second">dashed: before. Solid: after</span>
      </h2>
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
                <div className="truncate font-semibold">{title(standing)}</div>
                <div className="mono truncate text-[12.5px] text-second">{said(old, today)}</div>
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
  if (!standing?.due) return 'over 10 years'
  const days = daysUntil(standing.due.p50, today)
  if (days < 0) return `overdue ${-days} d`
  const spread = halfWidth(standing.due)
  return `${dayNear(standing.due.p50, today)}${spread > 0 ? ` ± ${spread} d` : ''}`
}
