import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { counted, dayFull, dayShort, weekdayShort } from '../../../ui/format.ts'
import { hoursWords } from '../../../ui/hours.ts'
import type { WeeksRow, WeeksTask, WeeksValley } from '../../../views/weeks-ahead.ts'
import { costFigure, costWords } from './cost-words.ts'
import { TaskChoice } from './TaskChoice.tsx'
import { VisitSteps } from './VisitSteps.tsx'
import { useVisitChoice } from './visit-choice.ts'
import { WhoGoes } from './WhoGoes.tsx'

/** More than these would hide the days. */
const mostAgain = 4

interface Props {
  row: WeeksRow
  valley: WeeksValley
  today: string
  /** The day looked at, from today. */
  day: number
  names: Map<string, string>
  onDay: (day: number) => void
  /** The page’s keys are for this one. */
  keyed: boolean
  onWritten: (on: string) => void
  /** A task is to wait for something. */
  onWaits: (task: WeeksTask) => void
  onFigures: () => void
}

const sum = (day: NonNullable<WeeksValley['days'][number]>) => day.roadMin + day.earlyMin + day.lateMin

/** Days whose costs are within so many minutes are alike: the figures behind them are no surer than that. */
const alike = 5

/** What the day costs, line by line; what is done on it; what other days would cost. */
export function VisitWorking({ row, valley, today, day, names, onDay, keyed, onWritten, onWaits, onFigures }: Props) {
  const choice = useVisitChoice(valley)
  const { perMinute, latePerDay } = valley
  const words = (minutes: number) => costWords(minutes, perMinute)
  const on = fromDay(toDay(today) + day)
  const cost = valley.days[day]
  const planned = toDay(valley.on) - toDay(today)
  const best = valley.days[planned]
  const others = otherDays(valley, day)
  const open = valley.days.filter((one) => one !== null)
  const cheaper = cost ? open.filter((one) => sum(one) < sum(cost) - alike).length : 0
  const near = cost ? open.filter((one) => Math.abs(sum(one) - sum(cost)) <= alike).length : 0
  const more = cost && best ? sum(cost) - sum(best) : 0
  return (
    <>
      <h2 className="head m-0">
        <span className="text-copper">Working</span> {weekdayShort(on)} {dayShort(on)}
      </h2>
      {cost ? (
        <>
          <p className="m-0">
            <b>{words(sum(cost))}</b>
            {day !== planned
              ? more > 0
                ? `, ${words(more)} more than the day proposed`
                : ', no more than the day proposed'
              : cheaper > 0
                ? `; ${cheaper === 1 ? 'one day costs' : `${cheaper} days cost`} less but ${cheaper === 1 ? 'is' : 'are'} full or needed by others`
                : near > 3
                  ? `, with ${near - 1} other days as good`
                  : `, the cheapest of ${open.length} days`}
          </p>
          <p className="m-0 mb-2 text-[14px] text-second">
            {row.name}, {names.get(cost.technicianId)?.split(' ')[0]}
          </p>
          <ol className="m-0 list-none p-0 text-[14px]">
            <Line
              n={1}
              what="Further road"
              source={
                day === planned && row.visits.some(({ on: own, with: along }) => own === valley.on && along.length > 0)
                  ? `on a trip of ${hoursWords(valley.tripRoadMin)}`
                  : 'reckoned from the map'
              }
              value={words(cost.roadMin)}
            />
            <Line n={2} what="Alone, there and back" source="not added" value={words(valley.aloneMin)} quiet />
            <Line
              n={3}
              what="Changed early, costs"
              source="unused life × work and part; of a part beyond a fifth, more"
              value={words(cost.earlyMin)}
            />
            <Line n={4} what="Risk of being late" source="days late × harm, from memory" value={words(cost.lateMin)} />
            <Line n={5} what="This day costs" source="1 + 3 + 4, unrounded" value={words(sum(cost))} strong />
          </ol>
        </>
      ) : (
        <p className="m-0 mb-2">Nobody can come that day: closed, or nobody at work.</p>
      )}
      {cost && (
        <WhoGoes
          ways={cost.ways}
          usual={day === planned ? valley.technicianId : cost.technicianId}
          names={names}
          choice={choice}
        />
      )}
      <VisitSteps
        key={`${valley.siteId} ${valley.on} ${valley.state}`}
        choice={choice}
        row={row}
        valley={valley}
        today={today}
        day={day}
        keyed={keyed}
        onWritten={onWritten}
      />
      <MayNotWait valley={valley} />
      <TaskChoice valley={valley} choice={choice} today={today} onWaits={onWaits} />
      {valley.again.length > 0 && (
        <p className="m-0 mt-1 text-[13px] text-second">
          Comes round again, planned once it is done:{' '}
          {valley.again
            .slice(0, mostAgain)
            .map(({ name, machineName, about }) => `${name}, ${machineName}, about ${dayShort(about)}`)
            .join('; ')}
          {valley.again.length > mostAgain && ` and ${valley.again.length - mostAgain} more`}.
        </p>
      )}
      {others.length > 0 && (
        <>
          <h3 className="m-0 mt-3 grid grid-cols-[1fr_48px_48px_48px_52px] border-b border-hair text-[14px] font-semibold">
            Other days
            {['early', 'late', 'road', perMinute === null ? 'min' : 'in all'].map((word) => (
              <span key={word} className="text-right text-[13px] font-normal text-second">
                {word}
              </span>
            ))}
          </h3>
          <ul className="m-0 list-none p-0">
            {others.map((index) => {
              const one = valley.days[index]!
              const other = fromDay(toDay(today) + index)
              return (
                <li key={index} className="border-b border-hair">
                  <button
                    type="button"
                    onClick={() => onDay(index)}
                    className="mono grid min-h-[44px] w-full grid-cols-[1fr_48px_48px_48px_52px] items-center text-left text-[13px] md:min-h-[32px]"
                  >
                    <span>
                      {weekdayShort(other)} <b>{dayShort(other)}</b>
                    </span>
                    <span className="text-right">{costFigure(one.earlyMin, perMinute)}</span>
                    <span className="text-right">{costFigure(one.lateMin, perMinute)}</span>
                    <span className="text-right">{costFigure(one.roadMin, perMinute)}</span>
                    <b className="text-right">{costFigure(sum(one), perMinute)}</b>
                  </button>
                </li>
              )
            })}
          </ul>
        </>
      )}
      <p className="m-0 mt-2 text-[13px] text-second">
        {dayFull(on)}, {perMinute === null ? 'in minutes of your time' : 'minutes of your time at what one costs'}. A
        part counts by its price where one is set, else as what such parts usually cost; a day late as{' '}
        {latePerDay.nuisance}, {latePerDay.short} or {latePerDay.stands} min by what it does to the place. Work takes{' '}
        {valley.timedVisits === 0
          ? 'what the catalogue says: no visit has its times yet'
          : `what it took on ${counted(valley.timedVisits, 'timed visit')} of yours, with the catalogue where that is little`}
        .{' '}
        <button type="button" className="word max-md:min-h-[44px]" onClick={onFigures}>
          Change what it is weighed by
        </button>
      </p>
    </>
  )
}

function Line({
  n,
  what,
  source,
  value,
  quiet,
  strong,
}: {
  n: number
  what: string
  source: string
  value: string
  quiet?: boolean
  strong?: boolean
}) {
  return (
    <li
      className={`flex items-baseline gap-2 border-t border-hair py-1 ${strong ? 'border-b-2 border-b-ink font-semibold' : ''}`}
    >
      <span className="mono w-4 text-[13px] text-second">{n}</span>
      <span className="min-w-0 flex-1">
        {what} <span className="narrow text-[13px] font-normal text-second">{source}</span>
      </span>
      <span className={`mono ${quiet ? 'text-second' : 'font-semibold'}`}>{value}</span>
    </li>
  )
}

/** What hygiene, safety or law forbid is not weighed: it is said. */
function MayNotWait({ valley: { tasks, on, hardPerDay } }: { valley: WeeksValley }) {
  const hard = tasks.filter(({ late, due }) => late === 'hard' && due <= on)
  if (hard.length === 0) return null
  return (
    <p className="m-0 mt-2 border-l-4 border-seal pl-2 text-[14px]">
      <b>May not wait:</b> {hard.map(({ name, machineName }) => `${name} (${machineName})`).join(', ')}. Hygiene, safety
      or law; each day over counts as {hoursWords(hardPerDay)}.
    </p>
  )
}

/** The cheapest day of each of the next weeks that is not the one looked at: at most four of them. */
function otherDays(valley: WeeksValley, day: number): number[] {
  const byWeek = new Map<number, number>()
  for (const [index, one] of valley.days.entries()) {
    if (!one || index === day) continue
    const week = Math.floor(index / 7)
    const so = byWeek.get(week)
    if (so === undefined || sum(one) < sum(valley.days[so]!)) byWeek.set(week, index)
  }
  return [...byWeek.values()]
    .sort((a, b) => sum(valley.days[a]!) - sum(valley.days[b]!))
    .slice(0, 4)
    .sort((a, b) => a - b)
}
