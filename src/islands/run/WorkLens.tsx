import { useEffect, useMemo, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { lanesOf } from '../../core/procedures/lanes.ts'
import { offeredTo, usualWay } from '../../core/procedures/offered.ts'
import { planRun } from '../../core/procedures/plan.ts'
import { type Family, familyNames, type Procedure, rootOf, type Way } from '../../core/procedures/procedure.ts'
import { drinksMade } from '../../core/standing/drinks-made.ts'
import { type Histories, nearestWay } from '../../core/standing/histories.ts'
import { libraryHere } from '../../core/standing/own-procedures.ts'
import { type RoutineLine, routineHere } from '../../core/standing/routine.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { treatmentBefore } from '../../core/standing/water/treatment-before.ts'
import { knownFor } from '../../core/trade/strip-downs/known.ts'
import { dayNear } from '../../ui/format.ts'
import { lasts, urgencyOf, urgencyText } from '../../ui/urgency.ts'
import { AsideNote, lookAtMachine } from '../AsideNote.tsx'
import { takes } from './clock-words.ts'
import { readRun } from './kept-run.ts'

interface Props {
  machineId: string
  kind: Kind
  histories: Histories
  standings: Standing[]
  today: string
  chosen: string | null
  /** With the stations it works on. */
  onChoose: (procedure: string, stations: string[]) => void
}

/** What can be done on this machine, what is due of it, and what cannot be and why. */
export function WorkLens({ machineId, kind, histories, standings, today, chosen, onChoose }: Props) {
  const offered = useMemo(
    () => offeredTo(kind, treatmentBefore(histories).kind, libraryHere(histories)),
    [histories, kind],
  )
  const made = useMemo(() => drinksMade(histories), [histories])
  const routine = useMemo(() => new Map(routineHere(histories).map((line) => [line.procedure, line])), [histories])
  const [begun, setBegun] = useState<string | null>(null)
  const [aside, setAside] = useState<string | null>(null)
  useEffect(() => {
    void readRun(machineId).then(({ value, aside: why }) => {
      setBegun(value ? value.run.running.map(({ procedure }) => procedure.name).join(' and ') : null)
      setAside(why)
    })
  }, [machineId])
  useEffect(() => {
    const first = offered.find(({ refused }) => refused === null)
    if (chosen === null && first) onChoose(first.procedure.id, stationsOf(usualWay(first.procedure, kind, made)))
  }, [chosen, kind, made, offered, onChoose])
  const of = (family: Family) => offered.filter(({ procedure }) => procedure.family === family)
  const families = (Object.keys(familyNames) as Family[]).filter((family) => of(family).length > 0)
  const sheets = [
    ...knownFor(kind.basedOn ?? kind.id),
    { id: 'free', name: 'Something else', about: 'An empty sheet: each thing is named as it comes off.' },
  ]
  const wayOf = (procedure: Procedure) =>
    procedure.ways.find(({ id }) => id === nearestWay(histories, rootOf(procedure))?.body.way) ??
    usualWay(procedure, kind, made)
  const run = `/machines/${machineId}/run`
  return (
    <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
      <AsideNote what="A run" why={aside} look={lookAtMachine} />
      {begun && (
        <p role="status" className="m-0 mb-3 flex flex-wrap items-center gap-3 border-l-4 border-copper pl-3">
          <b>Begun here and not ended: {begun.toLowerCase()}.</b>
          <a href={run} className="act inline-flex items-center">
            Go on with it
          </a>
        </p>
      )}
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="head m-0">Guided work</h2>
        <a href={`/machines/${machineId}/care`} className="word inline-flex min-h-[44px] items-center">
          Care sheet for the customer
        </a>
      </div>
      {offered.length === 0 && (
        <p className="m-0 text-second">No procedure is written for this kind yet. Its own leaflet comes first.</p>
      )}
      {families.map((family) => (
        <section key={family} aria-label={familyNames[family]} className="pb-2">
          <h3 className="m-0 pt-2 text-[15px] font-semibold text-second">{familyNames[family]}</h3>
          <ul className="m-0 list-none p-0">
            {of(family).map(({ procedure, refused }) => {
              const way = wayOf(procedure)
              const due = dueOf(
                procedure.writes.map(({ task, taskOf }) => taskOf?.[kind.basedOn ?? kind.id] ?? task),
                standings,
              )
              return (
                <li
                  key={procedure.id}
                  className={`flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-hair py-2 ${chosen === procedure.id ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
                >
                  <button
                    type="button"
                    className="min-h-[48px] min-w-[240px] flex-1 pl-3 text-left"
                    aria-pressed={chosen === procedure.id}
                    onClick={() => onChoose(procedure.id, stationsOf(way))}
                  >
                    <b className="block font-semibold">{procedure.name}</b>
                    <span className="block text-[14px] text-second">
                      {refused
                        ? `${refused.why}${refused.instead ? ` Instead: ${refused.instead.name.toLowerCase()}.` : ''}`
                        : procedure.about}
                    </span>
                  </button>
                  {refused ? (
                    <b className="pl-3 text-[14px]">not on this machine</b>
                  ) : (
                    <>
                      <span className="text-[14px] max-md:pl-3 md:w-[250px] md:text-right">
                        <b className="mono">{takes(planRun(lanesOf(procedure, way, kind)).totalS)}</b>
                        <span className="block text-second">{way.name}</span>
                      </span>
                      <LastAndNext due={due} line={routine.get(rootOf(procedure))} today={today} />
                      <a
                        href={`${run}?procedure=${procedure.id}`}
                        className="plain ml-auto inline-flex items-center whitespace-nowrap"
                        aria-label={`Do it: ${procedure.name}`}
                      >
                        Do it …
                      </a>
                    </>
                  )}
                </li>
              )
            })}
          </ul>
        </section>
      ))}
      <h2 className="head m-0 pt-5">Strip-down sheets</h2>
      <p className="m-0 pb-1 text-[14px] text-second">
        Each thing as it comes off, with its screws and which way round; played backwards until nothing is left over.
      </p>
      <ul className="m-0 list-none p-0">
        {sheets.map(({ id, name, about }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-hair py-2">
            <span className="min-w-[240px] flex-1 pl-3">
              <b className="block font-semibold">{name}</b>
              <span className="block text-[14px] text-second">{about}</span>
            </span>
            <a
              href={`/machines/${machineId}/strip-down?of=${id}`}
              className="plain inline-flex items-center whitespace-nowrap"
              aria-label={`Open a sheet: ${name}`}
            >
              Open a sheet …
            </a>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** When it was done last, and when it comes next: of what is dated by wear, else of the customer's own routine. */
function LastAndNext({ due, line, today }: { due: Standing | null; line: RoutineLine | undefined; today: string }) {
  const last = due ? (due.sinceKnown ? due.since : null) : (line?.last ?? null)
  return (
    <span className="text-right text-[14px] max-md:text-left md:w-[130px]">
      {due ? (
        <span className={`mono block ${urgencyText[urgencyOf(due.due, today)]}`}>
          {lasts(due.due, today, due.unseen)}
        </span>
      ) : (
        line?.next && <span className="mono block">next {dayNear(line.next, today)}</span>
      )}
      {last && <span className="block text-second">last {dayNear(last, today)}</span>}
    </span>
  )
}

/** Every station a way's steps work on. */
const stationsOf = (way: Way): string[] => [
  ...new Set(way.parts.flatMap(({ steps }) => steps.flatMap(({ at }) => at ?? []))),
]

/** The soonest of the standings that it answers. */
const dueOf = (tasks: string[], standings: Standing[]): Standing | null =>
  standings.find((standing) => tasks.includes(standing.task)) ?? null
