import { useState } from 'react'
import { dayLong } from '../../../ui/format.ts'
import { send } from '../../keep.ts'
import { useFetched } from '../../use-fetched.ts'

/** One’s own agreed visits in any calendar: a secret address, shown once, ended when it is no longer wanted. */
export function CalendarSheet() {
  const [since, setSince] = useState<string | null | undefined>(undefined)
  const [address, setAddress] = useState('')
  const [says, setSays] = useState('')
  const lost = useFetched<{ since: string | null }>('/api/calendar', ({ since: day }) => setSince(day), { afterMs: 0 })
  const make = async () => {
    const told = await send<{ address: string }>('POST', '/api/calendar')
    if (!told.ok) return setSays(told.issues[0]!.message)
    setAddress(told.address)
    setSince(new Date().toISOString())
    setSays('Shown only now: put it into your calendar as a subscription.')
  }
  const end = async () => {
    const told = await send<object>('DELETE', '/api/calendar')
    if (!told.ok) return setSays(told.issues[0]!.message)
    setAddress('')
    setSince(null)
    setSays('The address opens nothing any more.')
  }
  return (
    <div className="flex flex-col gap-3">
      <p className="m-0">
        Agreed visits with their day, time and place, and what was called off. No telephone numbers, no keys, no word on
        access: whoever has the address can read it.
      </p>
      {lost && <p role="alert">No connection: it can be made when there is signal.</p>}
      {since && !address && <p className="m-0 text-second">You have an address since {dayLong(since.slice(0, 10))}.</p>}
      {address && (
        <input
          className="field mono w-full text-[13px]"
          readOnly
          value={address}
          aria-label="Secret address"
          onFocus={(event) => event.target.select()}
        />
      )}
      <p className="m-0 flex flex-wrap gap-2">
        {address ? (
          <button
            type="button"
            className="act"
            onClick={() =>
              void navigator.clipboard
                ?.writeText(address)
                .then(() => setSays('Copied.'))
                .catch(() => setSays('Select the address and copy it by hand.'))
            }
          >
            Copy it
          </button>
        ) : (
          <button type="button" className="act" disabled={since === undefined} onClick={() => void make()}>
            {since ? 'Make another: the old one ends' : 'Make an address'}
          </button>
        )}
        {since && (
          <button type="button" className="plain" onClick={() => void end()}>
            End it
          </button>
        )}
      </p>
      <p role="status" className="m-0 text-[14px] text-second">
        {says}
      </p>
    </div>
  )
}
