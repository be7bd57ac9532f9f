import { useMemo, useState } from 'react'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import type { Line } from '../../../core/quantity/working.ts'
import { descaleClocks } from '../../../core/standing/descale-clocks.ts'
import type { Standing } from '../../../core/standing/standing.ts'
import { chalkForecast, firstDayAt, type YearPlan } from '../../../core/standing/water/chalk-forecast.ts'
import { vesselWorking } from '../../../core/standing/water/chalk-lines.ts'
import { hadItBeenOnTime } from '../../../core/standing/water/machine-chalk.ts'
import { waterRails } from '../../../core/standing/water/water-rails.ts'
import { dayLong, dayNear, figure } from '../../../ui/format.ts'
import { WorkingColumn } from '../../../ui/WorkingColumn.tsx'
import { WorkingDrawer } from '../../../ui/WorkingDrawer.tsx'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { useWidth } from '../../use-width.ts'
import { ChalkChart } from './ChalkChart.tsx'
import { DescaleClocks } from './DescaleClocks.tsx'
import { DescalePart } from './DescalePart.tsx'
import { DrawPart } from './DrawPart.tsx'
import { InTheBoiler } from './InTheBoiler.tsx'
import { Rails } from './Rails.tsx'
import { SettingAdviser } from './SettingAdviser.tsx'
import { WaterCheck } from './WaterCheck.tsx'
import { type MachineWater, waterOf } from './water-of.ts'

interface Props {
  bundle: MachineBundle
  standings: Standing[]
  today: string
  /** Station chosen on the drawing. */
  station: string | null
  onAdjust: (title: string, line: Line) => void
  onSaved: () => Promise<void>
}

/** Chalk over the year with what keeps it down, the clocks of descaling, and the arithmetic. */
export function WaterLens(props: Props) {
  const water = useMemo(() => waterOf(props.bundle), [props.bundle])
  if (!water) return <p className="p-6">Before a machine is taken on, nothing can be said of its water.</p>
  return <Lens {...props} water={water} />
}

/** A year ahead, and so much of what was as helps to see it. */
const daysBack = 120
const daysAhead = 365

function Lens({ bundle, standings, today, station, onAdjust, onSaved, water }: Props & { water: MachineWater }) {
  const { facts, chalk, kept } = water
  const [chosenId, setChosenId] = useState<string | null>(null)
  const [sheet, setSheet] = useState(false)
  const [ref, width] = useWidth(880)
  const governs = standings.find(({ key }) => key === 'descale')
  const soonest = chalk.vessels.reduce((a, b) => ((b.dayAtLimit(0.5) ?? 1e9) < (a.dayAtLimit(0.5) ?? 1e9) ? b : a))
  const atStation = chalk.vessels.find(({ vessel }) => vessel.station === station)
  const vessel =
    chalk.vessels.find((one) => one.vessel.id === chosenId) ?? (chosenId === null ? (atStation ?? soonest) : soonest)
  const now = Math.max(facts.asOfDay, toDay(today))
  const working = useMemo(() => vesselWorking(facts, chalk, vessel, now), [facts, chalk, vessel, now])
  const year = useMemo(() => yearOf(water, vessel, standings, today), [water, vessel, standings, today])
  const { from, to, forecast, late, onTime, lateWords, rails, clocks } = year
  const gutter = width < 560 ? 92 : 116
  const scale = { today, from, to, width, gutter }
  const grams = vessel.gramsAt(now)
  const name = vessel.vessel.name
  return (
    <div className="flex min-w-0 flex-1">
      <section className="min-w-0 flex-1 px-4 pt-2 pb-6 lg:px-6" aria-label="Chalk and its clocks">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h2 className="head m-0">Chalk in the {name.toLowerCase()}</h2>
          {chalk.vessels.length > 1 &&
            chalk.vessels
              .filter((one) => one !== vessel)
              .map((one) => (
                <button
                  key={one.vessel.id}
                  type="button"
                  className="min-h-[28px] text-[14px] font-semibold text-copper max-md:min-h-[44px]"
                  onClick={() => setChosenId(one.vessel.id)}
                >
                  show the {one.vessel.name.toLowerCase()}
                </button>
              ))}
          <span className="ml-auto text-[13px] text-second">mm; inner band 1 in 2, outer 9 in 10</span>
        </div>
        <div ref={ref} className="min-w-0 overflow-hidden">
          <ChalkChart
            {...scale}
            forecast={forecast}
            late={late}
            onTime={onTime}
            lateWords={lateWords}
            limitMm={vessel.figures.limitMm.value}
          />
          <Rails rails={rails} {...scale} />
          <p className="m-0 mb-1 text-[13px] text-second" style={{ paddingLeft: gutter }}>
            filled done, hollow planned, struck missed
          </p>
          <h2 className="head m-0 border-t border-hair pt-1.5">
            {clocks.length > 1 ? 'Clocks of descaling' : 'Clock of descaling'}
            {facts.kind.descale === null && (
              <span className="pl-3 text-[13px] font-normal text-second">
                not descaled in place: planned for the bench
              </span>
            )}
          </h2>
          <DescaleClocks clocks={clocks} since={toDay(chalk.since)} {...scale} />
        </div>
        <div className="mt-3 grid gap-x-8 gap-y-5 xl:grid-cols-2">
          <DescalePart
            key={vessel.vessel.id}
            water={water}
            vessel={vessel}
            standing={governs}
            today={today}
            onAdjust={(line) => onAdjust('Descale', line)}
          />
          <div className="flex min-w-0 flex-col gap-5">
            {facts.kind.descale && <SettingAdviser bundle={bundle} water={water} today={today} onSaved={onSaved} />}
            {kept && <InTheBoiler kept={kept} today={today} onAdjust={(line) => onAdjust('In the boiler', line)} />}
            <DrawPart bundle={bundle} water={water} today={today} onSaved={onSaved} />
            <WaterCheck water={water} bundle={bundle} today={today} />
          </div>
        </div>
      </section>
      <aside className="hidden w-[332px] shrink-0 border-l border-hair px-5 pt-2 pb-6 lg:block" aria-label="Working">
        <h2 className="head m-0">
          <span className="text-copper">Working</span> {name}
        </h2>
        <p className="m-0 mb-2">
          <b className="mono font-semibold">{figure(vessel.thicknessOf(grams))} mm</b> of chalk, {figure(grams)} g,
          since {dayNear(chalk.since, today)}
        </p>
        <WorkingColumn working={working} onAdjust={(line) => onAdjust(`Chalk in the ${name.toLowerCase()}`, line)} />
      </aside>
      <WorkingDrawer
        title={name}
        about={`${figure(grams)} g of chalk since ${dayLong(chalk.since)}`}
        glance={`${figure(vessel.thicknessOf(grams))} mm of ${figure(vessel.figures.limitMm.value)} mm, ${figure(grams)} g`}
        working={working}
        open={sheet}
        onOpenChange={setSheet}
        onAdjust={(line) => onAdjust(`Chalk in the ${name.toLowerCase()}`, line)}
      />
    </div>
  )
}

/** Everything on the months' axis for one vessel. */
function yearOf(
  { facts, chalk }: MachineWater,
  vessel: MachineWater['chalk']['vessels'][number],
  standings: Standing[],
  today: string,
) {
  const now = toDay(today)
  const since = toDay(chalk.since)
  const [from, to] = [Math.max(now - daysBack, Math.min(since, now - 30)), now + daysAhead]
  const descale = standings.find(({ key }) => key === 'descale')
  const due = descale?.due ? Math.max(now, toDay(descale.due.p50)) : null
  const pitch = due === null ? null : Math.max(14, due - Math.max(since, due - 3650))
  const descales =
    due === null ? [] : Array.from({ length: 30 }, (_, i) => due + i * (pitch ?? 0)).filter((day) => day <= to)
  const plan: YearPlan = { from, to, descales: [...new Set(descales)] }
  const forecast = chalkForecast(facts, vessel, since, plan)
  const rails = waterRails(facts.histories, standings, from, to)
  const renew = standings.find(({ key }) => key in renewNames)
  const wait = renew?.due && renew.since ? lateBy(renew) : null
  const start = wait && Math.max(now, wait.from)
  const late =
    wait && start && chalk.water.treatment.kind !== 'none'
      ? chalkForecast(facts, vessel, since, {
          ...plan,
          descales: [],
          unsoftened: [{ from: start, to: start + wait.days, water: chalk.water.raw.likely }],
        }).filter(({ day }) => day >= now)
      : []
  const reached = firstDayAt(late, vessel.figures.limitMm.value, today)
  const done = forecast.filter(({ day }) => day <= now)
  const better = chalk.water.treatment.kind === 'none' ? null : hadItBeenOnTime(facts, chalk, vessel)
  const onTime =
    better && better.gramsAt(now) < vessel.gramsAt(now) * 0.97
      ? chalkForecast(facts, better, since, { from, to: now, descales: [] })
      : []
  return {
    from,
    to,
    forecast,
    late,
    onTime: onTime.length > 0 && done.length > 0 ? onTime : [],
    lateWords: wait
      ? `if the ${renewNames[renew!.key]} of ${dayNear(fromDay(start!), today)} waits ${wait.days} d${reached === null ? '' : `, the limit is reached ${dayNear(fromDay(reached), today)}`}`
      : '',
    rails,
    clocks: descaleClocks(facts, chalk),
  }
}

/** Work that lets raw water through at once when it waits; a membrane only wears on. */
const renewNames: Record<string, string> = { regenerate: 'regeneration', 'change-cartridge': 'cartridge' }

/** What if the next regeneration is forgotten until the one after: hard water for as long as one lasts. */
function lateBy(renew: Standing): { from: number; days: number } {
  const from = toDay(renew.due!.p50)
  return { from, days: Math.max(7, Math.min(120, from - toDay(renew.since!))) }
}
