import { useMemo, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Chosen, Lane } from '../../core/procedures/lane.ts'
import { lanesTogether } from '../../core/procedures/lanes.ts'
import { type Offered, usualAtUse, usualWay } from '../../core/procedures/offered.ts'
import { planRun } from '../../core/procedures/plan.ts'
import { type Item, type Procedure, rootOf } from '../../core/procedures/procedure.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { SettingLevel } from '../setting/levels.ts'
import { CautionBand } from './CautionBand.tsx'
import { DoseLine, type RunMeasures } from './DoseLine.tsx'
import { LanesPlan } from './LanesPlan.tsx'
import { SetWay } from './SetWay.tsx'
import { wakeSound } from './signals.ts'
import { type Usual, WayChoice } from './WayChoice.tsx'

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
  const first = running.flatMap(({ procedure }) => procedure.mustFinish?.first ?? [])
  const missing = first.filter((one) => !ticked.has(one))
  const doses = running.flatMap(({ way }) =>
    way.parts.flatMap((part) =>
      part.steps.flatMap((step) =>
        step.act === 'dose' ? [{ dose: step.dose, each: part.each === 'group' && kind.groups > 1 }] : [],
      ),
    ),
  )
  const cautions = [
    ...new Map(
      lanes.flatMap(({ steps }) =>
        steps.flatMap(({ caution, besides = [] }) =>
          [...(caution ? [caution] : []), ...besides].map((one) => [one.say, one] as const),
        ),
      ),
    ).values(),
  ]
  const row = ({ procedure, refused }: Offered) => (
    <label key={procedure.id} className="flex min-h-[48px] items-center gap-3 border-t border-hair py-1">
      <input
        type="checkbox"
        className="h-6 w-6 shrink-0"
        disabled={refused !== null}
        checked={chosen.includes(procedure.id)}
        onChange={() =>
          setChosen((now) =>
            now.includes(procedure.id) ? now.filter((id) => id !== procedure.id) : [...now, procedure.id],
          )
        }
      />
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{procedure.name}</b>
        <span className="block text-[14px] text-second">
          {refused
            ? `${refused.why}${refused.instead ? ` Instead: ${refused.instead.name.toLowerCase()}.` : ''}`
            : procedure.about}
        </span>
      </span>
    </label>
  )
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
          <fieldset className="m-0 border-0 p-0">
            <legend className="head p-0">What is done</legend>
            {offered.filter(({ procedure }) => asFirst.has(procedure.id)).map(row)}
            <details>
              <summary className="flex min-h-[48px] cursor-pointer items-center border-t border-hair font-semibold text-copper">
                Something beside it: hands go on while it soaks or runs by itself
              </summary>
              {offered.filter(({ procedure }) => !asFirst.has(procedure.id)).map(row)}
            </details>
          </fieldset>
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
            <fieldset className="m-0 mt-4 flex flex-wrap items-center gap-x-6 border-0 p-0">
              <legend className="head p-0">At which groups</legend>
              {groups.map((group) => (
                <label key={group} className="flex min-h-[48px] items-center gap-3">
                  <input
                    type="checkbox"
                    className="h-6 w-6 shrink-0"
                    checked={!leftOut.has(group)}
                    onChange={() => setLeftOut((now) => toggle(now, group))}
                  />
                  group {group}
                </label>
              ))}
            </fieldset>
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
        <aside className="shrink-0 border-hair px-5 py-3 lg:w-[440px] lg:border-l" aria-label="At hand">
          <h2 className="head m-0">At hand</h2>
          <ul className="m-0 list-none p-0">
            {itemsOf(running).map(({ name, why }) => (
              <li key={name} className="border-t border-hair">
                <label className="flex min-h-[44px] items-center gap-3">
                  <input
                    type="checkbox"
                    className="h-5 w-5"
                    checked={ticked.has(name)}
                    onChange={() => setTicked((now) => toggle(now, name))}
                  />
                  <span>
                    {name} {why && <span className="text-[14px] text-second">{why}</span>}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          {doses.length > 0 && (
            <h2 className="head m-0 pt-3">{doses.some(({ each }) => each) ? 'Dose, each group' : 'Dose'}</h2>
          )}
          {doses.map(({ dose }) => (
            <DoseLine key={JSON.stringify(dose)} amount={dose} measures={measures} />
          ))}
          {doses.some(({ dose }) => dose.of === 'descaler') && (
            <p className="m-0 pt-2 text-[15px]">
              How that comes about, and other acids, on its{' '}
              <a className="word" href={`/machines/${machine.id}?lens=water`}>
                Water lens
              </a>
              .
            </p>
          )}
          {first.length > 0 && (
            <fieldset className="m-0 mt-3 border-0 border-l-4 border-solid border-brass p-0 pl-3">
              <legend className="head p-0">Before it starts</legend>
              <p className="m-0 text-[14px]">
                {running.find(({ procedure }) => procedure.mustFinish)?.procedure.mustFinish?.why}
              </p>
              {first.map((one) => (
                <label key={one} className="flex min-h-[48px] items-center gap-3">
                  <input
                    type="checkbox"
                    className="h-6 w-6"
                    checked={ticked.has(one)}
                    onChange={() => setTicked((now) => toggle(now, one))}
                  />
                  {one}
                </label>
              ))}
            </fieldset>
          )}
          <button
            type="button"
            className="act mt-4 min-h-[64px] w-full text-[20px]"
            disabled={lanes.length === 0 || nowhere || missing.length > 0 || plan?.never !== undefined}
            onClick={() => {
              wakeSound()
              onStart(running, lanes)
            }}
          >
            Start
          </button>
          <p className="m-0 pt-1 text-[14px] text-second" role="status">
            {lanes.length === 0
              ? 'Choose what is done.'
              : nowhere
                ? 'Choose at which group.'
                : missing.length > 0
                  ? `${missing.length} of the list above still to be seen to.`
                  : 'It is kept on this device from the first step: a reload or a flat battery loses nothing.'}
          </p>
          {cautions.length > 0 && (
            <section className="pt-4" aria-label="Cautions">
              <h2 className="head m-0 pb-1">What may hurt</h2>
              {cautions.map((caution) => (
                <CautionBand key={caution.say} caution={caution} small />
              ))}
              <p className="m-0 pt-2 text-[14px] text-second">
                Local rules and the makers’ instructions come first; mains, gas and pressure vessels belong to those
                licensed for them.
              </p>
            </section>
          )}
        </aside>
      </div>
    </div>
  )
}

/** The groups of a machine without those left out. */
const groupsBut = ({ groups }: Kind, leftOut: Set<number>): number[] =>
  Array.from({ length: groups }, (_, i) => i + 1).filter((group) => !leftOut.has(group))

/** Tools and materials of all that is run, once each. */
function itemsOf(running: Chosen[]): Item[] {
  const all = running.flatMap(({ way }) => [...way.tools, ...way.materials])
  return [...new Map(all.map((item) => [item.name, item])).values()]
}
