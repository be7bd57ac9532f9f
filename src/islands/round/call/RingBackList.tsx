import { dayAt, timeAt } from '../../../core/quantity/site-time.ts'
import { dayNear } from '../../../ui/format.ts'
import type { RingBack } from '../../../views/call-page.ts'
import { CallLink } from '../../records/contact-links.tsx'

interface Props {
  calls: RingBack[]
  today: string
  timeZone: string
  onTake: (call: RingBack) => void
}

/** Who is to be rung back, the first that rang first. */
export function RingBackList({ calls, today, timeZone, onTake }: Props) {
  if (calls.length === 0) return null
  return (
    <section aria-label="To ring back" className="border-b border-hair bg-copper-tint px-4 py-2 lg:px-6">
      <h2 className="m-0 text-[16px] font-[620]">To ring back</h2>
      <ul className="m-0 list-none p-0">
        {calls.map((call) => {
          const caller = call.caller || call.customer?.contact || ''
          const phone = call.phone || call.customer?.phone || ''
          const on = dayAt(timeZone, Date.parse(call.at))
          return (
            <li key={call.id} className="flex flex-wrap items-center gap-x-4 border-t border-hair py-1">
              <span className="mono text-[14px]">
                {on === today ? '' : `${dayNear(on, today)} `}
                {timeAt(timeZone, Date.parse(call.at))}
              </span>
              <span className="min-w-0 flex-1 basis-[260px] text-[15px]">
                <b className="font-semibold">
                  {[call.machine?.name, call.place].filter(Boolean).join(', ') || caller || 'Somebody'}
                </b>
                {call.text && ` “${call.text}”`}
                <span className="text-[13px] text-second">
                  {call.origin ? ` from ${call.origin}` : ` taken by ${call.by || 'somebody'}`}
                </span>
              </span>
              {caller && (call.machine || call.place) && <span className="text-[14px]">{caller}</span>}
              {phone ? <CallLink phone={phone} /> : <span className="text-[14px] text-second">no number</span>}
              <button type="button" className="plain" onClick={() => onTake(call)}>
                Take it up
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
