import { useState } from 'react'
import { toDay } from '../../core/quantity/local-day.ts'
import { counted, dayFull, dayShort, figure } from '../../ui/format.ts'
import type { RoundRow } from '../../views/round-page.ts'
import type { WeeksValley } from '../../views/weeks-ahead.ts'
import { useFetched } from '../use-fetched.ts'
import type { OpenSheet } from './open-sheet.ts'
import { waitsWords } from './waits-words.ts'

interface WhyThenProps {
  row: RoundRow
  today: string
  names: Map<string, string>
  onOpen(sheet: OpenSheet): void
}

/** Which visit the chosen task is on, and what it costs to do it then. */
export function WhyThen({ row, today, names, onOpen }: WhyThenProps) {
  const [valley, setValley] = useState<WeeksValley | null>(null)
  const { goes } = row
  useFetched<{ valley: WeeksValley | null }>(
    goes ? `/api/round/valley?siteId=${row.siteId}&on=${goes.on}` : null,
    (answer) => setValley(answer.valley),
    { afterMs: 250 },
  )
  const own = goes && valley?.siteId === row.siteId && valley.on === goes.on ? valley : null
  const task = own?.tasks.find(({ subjectId, key }) => subjectId === row.subjectId && key === row.standing.key)
  return (
    <section aria-label="When it is done" className="mb-2 text-[14px]">
      {row.waits && (
        <p className="m-0 border-l-4 border-brass pl-2">
          It {waitsWords(row.waits, today, dayShort)}
          {row.waits.note && `. ${row.waits.note}`}
        </p>
      )}
      {goes ? (
        <>
          <p className="m-0">
            {goes.on === today ? 'Today' : `On ${dayFull(goes.on)}`}
            {goes.from && ` at ${goes.from}`}, <b>{goes.state === 'taken' ? 'taken up' : goes.state}</b>:{' '}
            {names.get(goes.technicianId)?.split(' ')[0] ?? 'somebody who left'}, {counted(goes.tasks, 'task')} in all
          </p>
          {own && task && <Costs valley={own} task={task} today={today} />}
        </>
      ) : (
        <p className="m-0 text-second">On no visit yet.</p>
      )}
      <p className="m-0 flex flex-wrap gap-x-4">
        {goes && (
          <a className="word inline-flex min-h-[36px] items-center max-md:min-h-[44px]" href={weeksHref(row.siteId)}>
            What other days cost
          </a>
        )}
        <button
          type="button"
          className="word min-h-[36px] max-md:min-h-[44px]"
          onClick={() => onOpen({ what: 'put', rows: [row] })}
        >
          {goes ? 'Put it on another' : 'Put it on a visit'}
        </button>
        <button
          type="button"
          className="word min-h-[36px] max-md:min-h-[44px]"
          onClick={() => onOpen({ what: 'waits', row })}
        >
          {row.waits ? 'What it waits for' : 'It waits for something'}
        </button>
      </p>
    </section>
  )
}

/** Weeks ahead at a site. */
const weeksHref = (siteId: string) => `/round/weeks?siteId=${siteId}`

function Costs({ valley, task, today }: { valley: WeeksValley; task: WeeksValley['tasks'][number]; today: string }) {
  const ways = valley.days[toDay(valley.on) - toDay(today)]?.ways
  const way = ways?.find(({ technicianId }) => technicianId === valley.technicianId)
  const lines = [
    [`${Math.round(task.unused * 100)} %`, 'of its life not used'],
    [`${Math.round(task.chanceDue * 100)} %`, 'chance that it is due by then'],
    [`${figure(Math.round(valley.aloneMin))} min`, 'on the road, if it went alone'],
    ...(way ? [[`${figure(Math.round(way.roadMin))} min`, 'further road, this site with that trip']] : []),
  ] as [string, string][]
  return (
    <dl className="m-0 my-1 grid grid-cols-[72px_1fr] gap-x-2">
      {lines.map(([value, words]) => (
        <div key={words} className="contents">
          <dt className="mono text-right font-semibold">{value}</dt>
          <dd className="m-0 text-second">{words}</dd>
        </div>
      ))}
    </dl>
  )
}
