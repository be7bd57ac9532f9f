import { inSentence, type StopId, stopOf } from '../../../core/faults/stops.ts'

interface Props {
  stop: StopId
  /** It is on every list already. */
  isHeld: boolean
  busy: boolean
  onHold: () => void
  onNotSo: () => void
}

/** Something must stop first: what to say, in its order, and that nobody uses it till somebody was there. */
export function CallStop({ stop, isHeld, busy, onHold, onNotSo }: Props) {
  const { name, now, after, only } = stopOf(stop)
  return (
    <section aria-label="Stop" className="border-l-[8px] border-l-seal py-1 pl-3">
      <h3 className="m-0 text-[18px] font-[680] text-seal-ink">Stop: {inSentence(name)}</h3>
      <p className="m-0 text-[15px] font-semibold">Say to them, in this order:</p>
      <ol className="m-0 list-decimal pl-6 text-[16px]">
        {now.map((one) => (
          <li key={one} className="py-0.5">
            {one}
          </li>
        ))}
      </ol>
      <p className="m-0 text-[14px]">{after}</p>
      <p className="m-0 flex flex-wrap items-center gap-3 pt-1">
        {isHeld ? (
          <b role="status">It is on record: {only ? `no ${only} from it` : 'not for use'}.</b>
        ) : (
          <button type="button" className="act min-h-[48px]" disabled={busy} onClick={onHold}>
            {only ? `Put it on record now: no ${only} from it` : 'Put it on record now: do not use'}
          </button>
        )}
        {!isHeld && (
          <button type="button" className="plain min-h-[48px]" onClick={onNotSo}>
            It was not so
          </button>
        )}
      </p>
    </section>
  )
}
