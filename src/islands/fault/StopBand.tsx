import { useState } from 'react'
import { inSentence, type StopId, stopOf } from '../../core/faults/stops.ts'
import { heldNow } from '../../core/standing/held-now.ts'
import { effective } from '../../core/standing/histories.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'

interface Props {
  bundle: MachineBundle
  stop: StopId
  /** The complaint it came with, by its name. */
  complaint: string
  phone: boolean
  provedDead: boolean
  /** The fault is in the ledger already. */
  isReported: boolean
  today: string
  onProved: (on: boolean) => void
  onNotSo: () => void
  onSaved: () => Promise<void>
}

/** Something had to stop first: what is done now, who may go on, and the note on every list until it is released. */
export function StopBand(props: Props) {
  const { bundle, stop, complaint, phone, provedDead, isReported, today, onProved, onNotSo, onSaved } = props
  const { name, now, after, mayTest, holds, only } = stopOf(stop)
  const [[reportId, id]] = useState(() => [newId(), newId()] as const)
  const [says, setSays] = useState('')
  const isHeld = heldNow(effective(bundle.ledgers)).some(({ body }) => body.why === holds)
  const hold = async () => {
    setSays('Saving …')
    const about = ['machine', bundle.machine.id] as const
    const told = await writeFrom([
      ...(isReported
        ? []
        : [
            makeEntry(...about, 'fault-reported', { text: `${complaint}: ${inSentence(name)}` }, today, {
              id: reportId,
            }),
          ]),
      makeEntry(...about, 'held', { why: holds, ...(only && { only }) }, today, { id }),
    ])
    setSays(told.ok ? '' : told.issues[0]!.message)
    if (told.ok) await onSaved()
  }
  return (
    <section
      aria-label="Stop"
      className="border-b border-hair border-l-[8px] border-l-seal bg-enamel px-4 py-3 lg:px-6"
    >
      <h2 className="m-0 text-[20px] font-[680] text-seal-ink">Stop: {inSentence(name)}</h2>
      <p className="m-0 pt-1 text-[15px] font-semibold">
        {phone ? 'Say to the customer, in this order:' : 'Now, in this order:'}
      </p>
      <ol className="m-0 list-decimal pl-6 text-[17px]">
        {now.map((one) => (
          <li key={one} className="py-0.5">
            {one}
          </li>
        ))}
      </ol>
      <p className="m-0 pt-1 text-[15px]">{after}</p>
      <div className="flex flex-wrap items-center gap-3 pt-2">
        {isHeld ? (
          <b>It is on record: not for use.</b>
        ) : (
          <button type="button" className="act min-h-[48px]" onClick={() => void hold()}>
            {only ? `Put it on record: no ${only} from it` : 'Put it on record: do not use'}
          </button>
        )}
        <button type="button" className="plain min-h-[48px]" onClick={onNotSo}>
          It was not so
        </button>
        {says && (
          <span role="status" className="font-semibold text-seal-ink">
            {says}
          </span>
        )}
      </div>
      {mayTest === 'dead' && !phone && (
        <label className="flex min-h-[48px] items-center gap-3 pt-1">
          <input
            type="checkbox"
            className="h-6 w-6 shrink-0"
            checked={provedDead}
            onChange={(event) => onProved(event.target.checked)}
          />
          I am qualified, and it is off, locked off, proved dead, cold and at 0 bar
        </label>
      )}
      {mayTest === 'nothing' && <p className="m-0 pt-1 font-semibold">Nothing is tested here.</p>}
    </section>
  )
}
