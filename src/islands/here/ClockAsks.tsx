import { useState } from 'react'
import { dayAt, timeAt } from '../../core/quantity/site-time.ts'
import { tellDeviceChanged } from '../../device/device-changed.ts'
import { type ClockSaid, sayClock } from '../../device/say-clock.ts'
import type { Unsent } from '../../device/unsent.ts'
import { counted, dayShort } from '../../ui/format.ts'

/** Saves whose times the server's clock contradicts: one word for all of them, then they are sent. */
export function ClockAsks({ items, zone, onSaid }: { items: Unsent[]; zone: string; onSaid: () => Promise<void> }) {
  const [busy, setBusy] = useState(false)
  const [first] = items
  if (!first) return null
  const offMs = first.clockOffMs ?? 0
  const say = async (right: ClockSaid) => {
    setBusy(true)
    for (const item of items) await sayClock(item, right, zone)
    tellDeviceChanged()
    await onSaid()
    setBusy(false)
  }
  const moment = (ms: number) => `${timeAt(zone, ms)} on ${dayShort(dayAt(zone, ms))}`
  return (
    <section aria-label="The clock" className="my-3 border-l-4 border-brass bg-copper-tint p-3">
      <p className="m-0">
        <b>Look at the clock of this device.</b> It was {lengthWords(Math.abs(offMs))} {offMs > 0 ? 'ahead' : 'behind'}{' '}
        when {counted(items.length, 'save was', 'saves were')} written, or it was set since. The first says{' '}
        <b>{moment(first.saidAt)}</b>; by the server’s clock it was <b>{moment(first.saidAt - offMs)}</b>.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <button type="button" className="act min-h-[48px]" disabled={busy} onClick={() => void say('server')}>
          It was {timeAt(zone, first.saidAt - offMs)}: set {items.length === 1 ? 'it' : 'all'} right
        </button>
        <button type="button" className="plain min-h-[48px]" disabled={busy} onClick={() => void say('device')}>
          It was {timeAt(zone, first.saidAt)}: send as written
        </button>
      </div>
    </section>
  )
}

/** @example lengthWords(7_380_000) // '2 h 3 min' */
function lengthWords(ms: number): string {
  const minutes = Math.round(ms / 60_000)
  const [days, hours] = [Math.floor(minutes / 1440), Math.floor((minutes % 1440) / 60)]
  if (days > 60) return `about ${Math.round(days / 30.44)} months`
  if (days > 0) return `${counted(days, 'day')}${hours > 0 ? ` ${hours} h` : ''}`
  return hours > 0 ? `${hours} h${minutes % 60 > 0 ? ` ${minutes % 60} min` : ''}` : `${minutes} min`
}
