import { useState } from 'react'
import { counted, figure } from '../../ui/format.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'

/** What the meter shows over the counts, and a way to let every machine behind it be counted so. */
export function MeterOverCounts({
  meter,
  softenerId,
  today,
}: {
  meter: NonNullable<SoftenerPage['meter']>
  softenerId: string
  today: string
}) {
  const [wrong, setWrong] = useState('')
  const factor = Math.round(meter.factor * 100) / 100
  const use = async () => {
    const told = await writeFrom([
      makeEntry('softener', softenerId, 'setting', { setting: 'budget-factor', factor }, today),
    ])
    if (told.ok) location.reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <p className="mt-2 mb-0 text-[14px]">
      Its meter shows <b className="mono">{figure(meter.factor)}</b> times what the counts come to, over{' '}
      {counted(meter.intervals, 'interval')}
      {meter.applied !== null && `; ${figure(meter.applied)} is in use`}.{' '}
      {meter.applied !== factor && (
        <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={use}>
          Count the machines so
        </button>
      )}
      {wrong && <b role="alert"> {wrong}</b>}
    </p>
  )
}
