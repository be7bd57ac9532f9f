import { useEffect, useState } from 'react'
import { atRest } from '../here/at-rest.ts'
import { useUnsent } from '../here/use-unsent.ts'
import { newerVersion, takeNewer } from './newer-version.ts'

/** What a page’s head says of this device: what waits to be sent, and that a newer version is here; mostly nothing. */
export function DeviceMark() {
  const waiting = useUnsent()
  const [newer, setNewer] = useState<'ready' | 'after what is under way' | null>(null)
  useEffect(() => newerVersion(setNewer), [])
  // It comes when the page has come to rest.
  useEffect(() => {
    if (import.meta.env.PROD) void atRest()
  }, [])
  const many = waiting ? waiting.entries + waiting.photos : 0
  return (
    <>
      {waiting && many > 0 && (
        <a
          href="/waits"
          className={`flex h-9 items-center gap-1.5 rounded-sm border px-2.5 text-[14px] no-underline max-md:h-11 ${waiting.refused > 0 ? 'border-seal font-semibold text-seal-ink' : 'border-hair bg-field'}`}
        >
          <svg width={12} height={16} viewBox="0 0 12 16" aria-hidden="true">
            <path d="M6 1c4 5 5.500 7 5.500 9.500a5.500 5 0 0 1-11 0C.500 8 2 6 6 1z" fill="var(--water)" />
          </svg>
          <span className="mono">{many}</span>
          <span className={waiting.refused > 0 ? '' : 'max-md:sr-only'}>
            {waiting.refused > 0 ? 'refused' : many === 1 ? 'waits' : 'wait'}
          </span>
        </a>
      )}
      {newer === 'ready' && (
        <button
          type="button"
          className="flex h-9 items-center rounded-sm border border-hair bg-field px-2.5 text-[14px] max-md:h-11"
          onClick={takeNewer}
        >
          Newer version<span className="max-md:sr-only">: change to it</span>
        </button>
      )}
      {newer === 'after what is under way' && (
        <span className="text-[13px] text-second max-md:sr-only">
          A newer version comes when what is under way is saved
        </span>
      )}
    </>
  )
}
