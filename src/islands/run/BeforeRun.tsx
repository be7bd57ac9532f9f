import { useMemo, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Chosen, Lane } from '../../core/procedures/lane.ts'
import { lanesTogether } from '../../core/procedures/lanes.ts'
import { type Offered, usualAtUse, usualWay } from '../../core/procedures/offered.ts'
import { planRun } from '../../core/procedures/plan.ts'
import { type Procedure, rootOf } from '../../core/procedures/procedure.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { SettingLevel } from '../setting/levels.ts'
import { AtHand } from './AtHand.tsx'
import { AtWhichGroups } from './AtWhichGroups.tsx'
import type { RunMeasures } from './DoseLine.tsx'
import { LanesPlan } from './LanesPlan.tsx'
import { SetWay } from './SetWay.tsx'
import { type Usual, WayChoice } from './WayChoice.tsx'
import { WhatIsDone } from './WhatIsDone.tsx'

interface Props {
  machine: { id: string; name: string }
  place: string
  kind: Kind
  offered: Offered[]
  /** Procedure and way as the address asks for them. */
  asked: { procedure: string; way: string | null } | null
  measures: RunMeasures
  /** The way a procedure is done here, where somebody chose one. */
  wayHere: (procedure: string) => string | null
  /** Drinks of an open day, as its counter tells. */
  made: number | null
  /** Where a way may be set, nearest first. */
  levels: SettingLevel[]
  today: string
  onStart: (running: Chosen[], lanes: Lane[]) => void
}

/** Before a run: what, by which way, with what at hand, how long, what may hurt. */
export function BeforeRun({
  machine,
  place,
  kind,
  offered,
  asked,
  measures,
  wayHere,
  made,
  levels,
  today,
  onStart,
}: Props) {
  const can = offered.filter(({ refused }) => refused === null)
  const [chosen, setChosen] = useState<string[]>(() => {
    const first =
      can.find(({ procedure }) => [procedure.id, rootOf(procedure)].includes(asked?.procedure ?? '')) ?? can[0]
    return first ? [first.procedure.id] : []
  })
  /** What was asked for stands at the top, chosen or not. */
  const [asFirst] = useState(() => new Set(chosen))
  const [ways, setWays] = useState<Record<string, string>>(asked?.way && chosen[0] ? { [chosen[0]]: asked.way } : {})
  const [ticked, setTicked] = useState<Set<string>>(new Set())
  /** Groups it is not done at this time. */
  const [leftOut, setLeftOut] = useState<Set<number>>(new Set())
  const running = useMemo(
    (): Chosen[] =>
      can
        .filter(({ procedure }) => chosen.includes(procedure.id))
        .map(({ procedure }) => ({
          procedure,
          way:
            procedure.ways.find(({ id }) => id === (ways[procedure.id] ?? wayHere(rootOf(procedure)))) ??
            usualWay(procedure, kind, made),
        })),
    [can, chosen, kind, made, ways, wayHere],
  )
  /** The usual one here, and what makes it so. */
  const usualOf = (procedure: Procedure): Usual => {
    const way = usualWay(procedure, kind, made)
    const byUse = made !== null && usualAtUse(way, kind.basedOn ?? kind.id, made)
    return { id: way.id, words: byUse ? `usual at ${Math.round(made)} drinks a day` : 'usual for this kind' }
  }
  const everywhere = useMemo(() => lanesTogether(running, kind), [kind, running])
  const groups = [...new Set(everywhere.flatMap(({ group }) => (group === null ? [] : [group])))]
  const lanes = useMemo(
    () => (leftOut.size === 0 ? everywhere : lanesTogether(running, kind, groupsBut(kind, leftOut))),
    [everywhere, kind, leftOut, running],
  )
  const nowhere = groups.length > 1 && groups.every((group) => leftOut.has(group))
  const plan = useMemo(() => (lanes.length > 0 ? planRun(lanes) : null), [lanes])
  const toggle = <T,>(set: Set<T>, one: T): Set<T> => {
    const next = new Set(set)
    if (!next.delete(one)) next.add(one)
    return next
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="Before the run"
        under={place}
        facts={[]}
        action={
          <a href={`/machines/${machine.id}?lens=work`} className="plain inline-flex items-center whitespace-nowrap">
            Back to the machine
          </a>
        }
      />
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <div className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6">
          <WhatIsDone offered={offered} first={asFirst} chosen={chosen} onChoose={setChosen} />
          {running.map(({ procedure, way }) => (
            <WayChoice
              key={procedure.id}
              procedure={procedure}
              chosen={way.id}
              usual={usualOf(procedure)}
              onChoose={(id) => setWays((now) => ({ ...now, [procedure.id]: id }))}
            >
              {way.id !== (wayHere(rootOf(procedure)) ?? usualWay(procedure, kind, made).id) && (
                <SetWay key={way.id} procedure={procedure} way={way} levels={levels} today={today} />
              )}
            </WayChoice>
          ))}
          {groups.length > 1 && (
            <AtWhichGroups
              groups={groups}
              leftOut={leftOut}
              onToggle={(group) => setLeftOut((now) => toggle(now, group))}
            />
          )}
          {plan?.never && (
            <p role="alert" className="m-0 mt-4 border-l-4 border-seal pl-3">
              <b className="text-seal-ink">These cannot be done in one run.</b>{' '}
              {[...new Set(plan.never.map(({ title }) => title))].join('; ')}: one leaves the machine as the other
              cannot use it. Do one after the other, each as a run of its own.
            </p>
          )}
          {plan && !plan.never && (
            <section className="pt-4" aria-label="How long">
              <h2 className="head m-0 pb-1">How long</h2>
              <LanesPlan lanes={lanes} plan={plan} />
            </section>
          )}
        </div>
        <AtHand
          machineId={machine.id}
          kind={kind}
          running={running}
          lanes={lanes}
          measures={measures}
          ticked={ticked}
          onTick={(what) => setTicked((now) => toggle(now, what))}
          nowhere={nowhere}
          ready={lanes.length > 0 && !nowhere && plan?.never === undefined}
          onStart={() => onStart(running, lanes)}
        />
      </div>
    </div>
  )
}

/** The groups of a machine without those left out. */
const groupsBut = ({ groups }: Kind, leftOut: Set<number>): number[] =>
  Array.from({ length: groups }, (_, i) => i + 1).filter((group) => !leftOut.has(group))
