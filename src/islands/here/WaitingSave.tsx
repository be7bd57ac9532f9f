import { useState } from 'react'
import { timeAt } from '../../core/quantity/site-time.ts'
import type { Unsent } from '../../device/unsent.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { sizeWords } from './size-words.ts'

interface WaitingSaveProps {
  item: Unsent
  names: Map<string, string>
  zone: string
  aheadMs: number
  /** Something else of its visit was refused: a visit is written whole. */
  isBehind: boolean
  onGiveUp: () => void
  onWithoutPhoto: () => void
}

/** One save that waits: when, about what, what it says; where it was refused, why, and the way on. */
export function WaitingSave({ item, names, zone, aheadMs, isBehind, onGiveUp, onWithoutPhoto }: WaitingSaveProps) {
  const [asksGiveUp, setAsksGiveUp] = useState(false)
  const about = item.subjectIds.flatMap((id) => names.get(id) ?? [])
  const machine = item.entries.find(({ subjectKind }) => subjectKind === 'machine')
  const href = machine ? `/machines/${machine.subjectId}` : null
  return (
    <li className="border-t border-hair py-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="mono text-[14px] text-second">{timeAt(zone, item.madeAt + aheadMs)}</span>
        {href ? (
          <a className="min-w-0 flex-1 font-semibold hover:underline" href={href}>
            {about[0] ?? 'A machine'}
          </a>
        ) : (
          <b className="min-w-0 flex-1">{about[0] ?? 'The firm'}</b>
        )}
        <span className={item.state === 'refused' ? 'font-semibold text-seal-ink' : 'text-second'}>
          {item.state === 'refused' ? 'refused' : isBehind ? 'held by what was refused' : 'waits'}
        </span>
        <span className="mono text-[13px] text-second">{sizeWords(item.bytes)}</span>
      </div>
      <ul className="m-0 mt-0.5 list-none p-0 text-[15px] text-second">
        {item.entries.map((entry) => (
          <li key={entry.id}>
            {entryWords(entry, null)}
            {item.issues
              .filter(({ entryId }) => entryId === entry.id)
              .map(({ path, message }) => (
                <b key={path + message} className="block text-seal-ink">
                  {message}
                </b>
              ))}
          </li>
        ))}
      </ul>
      {item.issues
        .filter(({ entryId }) => !item.entryIds.includes(entryId))
        .map(({ path, message }) => (
          <b key={path + message} className="block text-[15px] text-seal-ink">
            {message}
          </b>
        ))}
      {item.state === 'refused' && (
        <div className="mt-1 flex flex-wrap items-center gap-3">
          {asksGiveUp ? (
            <>
              <span>It is not written to the ledger then; this device keeps it aside.</span>
              <button type="button" className="plain min-h-[44px]" onClick={onGiveUp}>
                Yes, set it aside
              </button>
              <button type="button" className="plain min-h-[44px]" onClick={() => setAsksGiveUp(false)}>
                Let it stand
              </button>
            </>
          ) : (
            <>
              {item.issues.some(({ code }) => code === 'photo') && (
                <button type="button" className="act min-h-[44px]" onClick={onWithoutPhoto}>
                  Send it without the photo
                </button>
              )}
              <button type="button" className="plain min-h-[44px]" onClick={() => setAsksGiveUp(true)}>
                Set it aside
              </button>
            </>
          )}
        </div>
      )}
    </li>
  )
}
