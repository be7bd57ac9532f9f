import { counted } from '../../../ui/format.ts'
import type { CallDay, CallMoment } from '../../../views/call-page.ts'
import { dayWords, whyNoMoment } from './call-words.ts'
import { MomentRow } from './MomentRow.tsx'

interface Props {
  days: CallDay[]
  /** The day that is being looked at. */
  at: string | null
  failed: boolean
  moments: CallMoment[]
  chosen: CallMoment | null
  today: string
  timeZone: string
  me: string
  lostPerDay: number | null
  minutes: number
  /** Nobody said yet where. */
  isOpen: boolean
  onChoose: (moment: CallMoment) => void
  onMinutes: (minutes: number) => void
  onEnough: () => void
}

const mostMinutes = 480

/** The best moments to go over all technicians, with what each costs and moves. */
export function WhenToGo(props: Props) {
  const { days, at, failed, moments, chosen, today, timeZone, me, lostPerDay, minutes, isOpen } = props
  const nowMin = days[0]?.nowMin ?? 0
  const none = days.filter(({ moments: there }) => there.length === 0)
  return (
    <section aria-label="When to go" className="pt-2">
      <div className="flex flex-wrap items-center gap-x-3 px-4">
        <h2 className="head m-0">When to go</h2>
        <label className="ml-auto flex items-center gap-2 text-[14px] text-second">
          work there, about
          <input
            type="number"
            className="field mono w-[84px] text-right"
            value={minutes}
            min={5}
            max={mostMinutes}
            step={5}
            onChange={(event) => {
              const typed = Math.round(Number(event.target.value))
              if (typed >= 5 && typed <= mostMinutes) props.onMinutes(typed)
            }}
          />
          min
        </label>
      </div>
      {!isOpen ? (
        <p className="m-0 px-4 py-2 text-[14px] text-second">
          Once the machine is chosen, the days of everybody are looked through: where it costs least road, what it
          moves, and what is lost till then.
        </p>
      ) : (
        <>
          <ul className="m-0 mt-1 list-none border-b border-hair p-0">
            {moments.map((moment, i) => (
              <MomentRow
                key={`${moment.on} ${moment.technicianId} ${moment.beginMin}`}
                n={i + 1}
                moment={moment}
                on={moment === chosen}
                today={today}
                timeZone={timeZone}
                nowMin={nowMin}
                me={me}
                lostPerDay={lostPerDay}
                onChoose={() => props.onChoose(moment)}
              />
            ))}
          </ul>
          <p className="m-0 flex flex-wrap items-center gap-x-3 px-4 py-1 text-[13px] text-second" role="status">
            {at !== null && (
              <>
                Looking at {dayWords(at, today)} …
                <button type="button" className="plain" onClick={props.onEnough}>
                  That is enough
                </button>
              </>
            )}
            {at === null &&
              days.length > 0 &&
              `Of ${counted(days.length, 'day')}, over everybody. Roads and the break from memory until typed or driven.`}
          </p>
          {at === null && days.length > 0 && moments.length === 0 && (
            <p className="m-0 px-4 py-1 text-[15px] font-semibold text-seal-ink">
              No day of these has room.{' '}
              {none.map(({ on, why }) => `${dayWords(on, today)}: ${why ? whyNoMoment[why] : ''}`).join('; ')}. Note it
              and ring back, or make room in Weeks ahead.
            </p>
          )}
          {failed && (
            <p role="alert" className="m-0 px-4 py-1 font-semibold text-seal-ink">
              No connection: the days cannot be looked through. Note it, and ring back.
            </p>
          )}
        </>
      )}
    </section>
  )
}
