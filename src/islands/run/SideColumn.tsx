import type { ReactNode } from 'react'
import type { Lane } from '../../core/procedures/lane.ts'
import { byItself, laneNow, laneWaitsFor, type RunState, readyLanes, stepNow } from '../../core/procedures/run-state.ts'
import { stepSeconds } from '../../core/procedures/step-seconds.ts'
import { runningClock } from './clock-words.ts'
import { DoseLine, type RunMeasures } from './DoseLine.tsx'

interface Props {
  machineId: string
  lanes: Lane[]
  state: RunState
  now: number
  measures: RunMeasures
  onTake: (lane: string) => void
  onEnough: (lane: string) => void
}

/** Beside the step: the dose, what else runs, what comes, what to do when it goes wrong. */
export function SideColumn({ machineId, lanes, state, now, measures, onTake, onEnough }: Props) {
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  const at = lane ? state.at[lane.id]! : 0
  const dose = lane?.steps.slice(0, at + 1).findLast((one) => one.act === 'dose')
  const going = lanes.flatMap((one) => {
    const itself = byItself(one, state)
    return itself && one.id !== state.hand ? [{ lane: one, ...itself }] : []
  })
  const others = readyLanes(lanes, state).filter((one) => one.id !== state.hand && byItself(one, state) === null)
  const waiting = lanes.flatMap((one) => {
    const way = one.id === state.hand ? null : laneWaitsFor(lanes, state, one)
    return way ? [{ lane: one, way }] : []
  })
  const next = lane?.steps.slice(at + 1, at + 4) ?? []
  return (
    <aside className="flex flex-col gap-3 bg-page px-5 py-3 lg:w-[432px] lg:shrink-0 lg:border-l lg:border-hair">
      {dose?.act === 'dose' && step?.act !== 'dose' && (
        <Block title={`Dose, already in ${dose.into}`}>
          <DoseLine amount={dose.dose} measures={measures} />
        </Block>
      )}
      {going.length > 0 && (
        <Block title={lane ? 'Also running' : 'Running by itself'}>
          {going.map(({ lane: one, step: itself, from, until }) => (
            <div key={one.id} className="pb-2">
              <div className="flex items-baseline justify-between gap-3">
                <span className="text-[18px]">
                  {itself.act === 'soak' ? itself.what : itself.say}
                  <span className="block text-[15px] text-second">
                    {one.title}
                    {itself.act === 'wait' && `, until ${itself.until}`}
                  </span>
                </span>
                <b className="mono text-[28px]">
                  {itself.act === 'wait' && now >= until ? 'look' : runningClock((until - now) / 1000)}
                </b>
              </div>
              <div className="h-[9px] border border-deep bg-field">
                <div
                  className="h-full bg-water"
                  style={{ width: `${Math.min(100, (100 * (now - from)) / Math.max(1, until - from))}%` }}
                />
              </div>
              <button
                type="button"
                className="min-h-[64px] text-[16px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
                onClick={() => (itself.act === 'soak' ? onEnough(one.id) : onTake(one.id))}
              >
                {itself.act === 'soak' ? 'It has had enough' : 'Go and look'}
              </button>
            </div>
          ))}
          <p className="m-0 text-[15px] text-second">A bell at each end.</p>
        </Block>
      )}
      {others.length > 0 && (
        <Block title="Ready as well">
          {others.map((one) => (
            <button
              key={one.id}
              type="button"
              className="flex min-h-[64px] w-full items-center justify-between gap-3 border-t border-hair text-left text-[17px]"
              onClick={() => onTake(one.id)}
            >
              <span>
                {one.title}
                <span className="block text-[15px] text-second">{stepNow(one, state)?.say}</span>
              </span>
              <b className="text-copper">take it up</b>
            </button>
          ))}
        </Block>
      )}
      {waiting.length > 0 && (
        <Block title="Waits">
          {waiting.map(({ lane: one, way }) => (
            <p key={one.id} className="m-0 border-t border-hair py-1.5 text-[16px] first:border-0">
              {one.title}
              <span className="block text-[15px] text-second">
                {way.words}: {way.lane.title.toLowerCase()}
              </span>
            </p>
          ))}
        </Block>
      )}
      {next.length > 0 && (
        <Block title="Next">
          <ol className="m-0 list-none p-0">
            {next.map((one, i) => (
              <li key={one.id} className="flex gap-3 text-[17px]">
                <span className="mono w-6 text-second">{at + 2 + i}</span>
                <span className="flex-1">{one.say}</span>
                <span className="mono text-second">{runningClock(stepSeconds(one))}</span>
              </li>
            ))}
          </ol>
        </Block>
      )}
      {step?.wrong && (
        <Block title="If it goes wrong">
          <p className="m-0 text-[17px] leading-snug">{step.wrong}</p>
        </Block>
      )}
      <a
        href={`/machines/${machineId}/strip-down`}
        className="mt-auto inline-flex min-h-[64px] items-center text-[16px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
      >
        Something comes off: a strip-down sheet
      </a>
    </aside>
  )
}

function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-b border-hair pb-3 last:border-0">
      <h2 className="slim m-0 pb-1 text-[15px] text-second">{title}</h2>
      {children}
    </section>
  )
}
