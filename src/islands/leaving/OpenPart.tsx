import { upper } from '../../core/ledger/phrases.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { isCallTheirs } from '../../core/quotes/own-call.ts'
import type { Waiting } from '../../core/quotes/waiting.ts'
import { dayFull } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'
import { Part } from '../../ui/Part.tsx'
import { WaitingWedge } from '../quotes/WaitingWedge.tsx'
import type { Leaving } from './leaving.ts'

interface Props {
  leaving: Leaving
  currency: string
  today: LocalDay
  /** Of coming for one thing alone; null where nobody said what that costs. */
  callMinor: number | null
  /** What waiting adds, by what is open; null where nobody knows when it fails. */
  waits: ReadonlyMap<string, Waiting[] | null>
  /** Null where it is closed. */
  onUntil: ((key: string, until: string) => void) | null
}

/** What stays open, as the customer is told of it: until when they chose to wait, what it costs fitted. */
export function OpenPart({ leaving, currency, today, callMinor, waits, onUntil }: Props) {
  const { told } = leaving
  return (
    <Part title="Left open, and told">
      {told.length === 0 && <p className="m-0 py-1 text-[14px] text-second">Nothing is left open.</p>}
      <ul className="m-0 list-none p-0">
        {told.map((one) => (
          <li key={one.key} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-hair py-1.5">
            <span className="min-w-[180px] flex-1 leading-tight">
              <b className="font-semibold">{upper(one.name)}</b>
              <span className="block text-[13.5px] text-second">
                {one.machine}
                {one.fittedMinor !== undefined && `, the part ${moneyOf(one.fittedMinor, currency)} before tax`}
              </span>
              <Waits of={waits.get(one.key)} callMinor={callMinor} currency={currency} today={today} />
            </span>
            {onUntil ? (
              <label className="flex items-center gap-2 text-[13.5px]">
                <span className="text-second">waits until</span>
                <input
                  type="date"
                  className="field mono"
                  min={today}
                  value={one.until ?? ''}
                  onChange={(event) => onUntil(one.key, event.target.value)}
                />
              </label>
            ) : (
              <span className="text-[13.5px]">{one.until ? `waits until ${dayFull(one.until)}` : 'not decided'}</span>
            )}
          </li>
        ))}
      </ul>
      {onUntil && told.length > 0 && (
        <p className="m-0 pt-1 text-[13px] text-second">
          {callMinor !== null &&
            `What waiting adds, at most: the chance that it is due by then, times ${moneyOf(callMinor, currency)} for a call of its own${isCallTheirs(leaving.cover, today) ? '' : ', which the contract bears'}; what they lose while it stands still is not in it. `}
          A day only where they chose to wait: left empty it is said as told, and not decided.
        </p>
      )}
    </Part>
  )
}

/** What waiting adds to one thing, where anybody knows when it falls due and what coming for it costs. */
function Waits({
  of,
  callMinor,
  currency,
  today,
}: { of: Waiting[] | null | undefined } & Pick<Props, 'callMinor' | 'currency' | 'today'>) {
  if (of === undefined || callMinor === null) return null
  if (of === null)
    return <span className="block text-[13px] text-second">How long it holds nobody knows: no figure for waiting.</span>
  return <WaitingWedge waits={of} callMinor={callMinor} currency={currency} today={today} />
}
