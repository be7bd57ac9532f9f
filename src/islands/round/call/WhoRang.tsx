import { useState } from 'react'
import type { CallPlace } from '../../../views/call-page.ts'
import type { KeptCall } from './kept-call.ts'

/** Who is on the line, where it is not whoever is on record. */
export function WhoRang({
  call,
  here,
  onChange,
}: {
  call: KeptCall
  here: CallPlace | null
  onChange: (change: Partial<KeptCall>) => void
}) {
  const [open, setOpen] = useState(call.caller !== '' || call.phone !== '')
  if (here && !open)
    return (
      <button type="button" className="word min-h-[44px] text-[14px]" onClick={() => setOpen(true)}>
        Somebody else is on the line
      </button>
    )
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 pt-1">
      <label className="flex min-w-[180px] flex-1 flex-col text-[13px] text-second">
        On the line
        <input
          className="field"
          value={call.caller}
          maxLength={120}
          placeholder={here?.customer.contact || 'name'}
          onChange={(event) => onChange({ caller: event.target.value })}
        />
      </label>
      <label className="flex min-w-[180px] flex-1 flex-col text-[13px] text-second">
        Number to ring back
        <input
          className="field"
          type="tel"
          value={call.phone}
          maxLength={60}
          placeholder={here?.customer.phone || 'number'}
          onChange={(event) => onChange({ phone: event.target.value })}
        />
      </label>
    </div>
  )
}
