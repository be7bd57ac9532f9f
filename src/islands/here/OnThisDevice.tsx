import { useEffect, useState } from 'react'
import { timeAt } from '../../core/quantity/site-time.ts'
import { aboutDevice } from '../../device/about-device.ts'
import { packedLines } from '../../device/packed.ts'
import { counted } from '../../ui/format.ts'
import { useUnsent } from './use-unsent.ts'

interface Packed {
  sites: number
  machines: number
  /** When all of it was here, on the firm’s clock. */
  at: string | null
}

/** @example waitsWords({ entries: 3, photos: 2 }) // '3 entries, 2 photos wait to be sent' */
const waitsWords = ({ entries, photos }: { entries: number; photos: number }): string =>
  [
    ...(entries > 0 ? [counted(entries, 'entry', 'entries')] : []),
    ...(photos > 0 ? [counted(photos, 'photo')] : []),
  ].join(', ') + (entries + photos === 1 ? ' waits to be sent' : ' wait to be sent')

/** What a page without network says of itself: since when, what is here as of when, what waits to be sent. */
export function OnThisDevice() {
  const unsent = useUnsent()
  const [packed, setPacked] = useState<Packed | null>(null)
  useEffect(() => {
    void Promise.all([packedLines(), aboutDevice()])
      .then(([lines, about]) => {
        const of = (path: RegExp) => lines.filter(({ address }) => path.test(address)).length
        setPacked({
          sites: of(/^\/sites\//),
          machines: of(/\/bundle$/),
          at: about?.packedAt ? timeAt(about.firm.timeZone, about.packedAt + about.aheadMs) : null,
        })
      })
      .catch(() => undefined)
  }, [])
  return (
    <p
      role="status"
      className="m-0 flex flex-wrap items-baseline gap-x-4 gap-y-0.5 border-b border-hair bg-field px-4 py-2 text-[14px] text-second lg:px-6"
    >
      <b className="text-[15px] text-ink">No network</b>
      {packed && packed.machines > 0 && (
        <span>
          kept here: <b className="text-ink">{packed.sites}</b> {packed.sites === 1 ? 'site' : 'sites'},{' '}
          <b className="text-ink">{packed.machines}</b> {packed.machines === 1 ? 'machine' : 'machines'}
          {packed.at !== null && (
            <>
              , as of <span className="mono text-ink">{packed.at}</span>
            </>
          )}
        </span>
      )}
      {unsent && unsent.entries + unsent.photos > 0 && (
        <a href="/waits" className="inline-flex items-center font-semibold text-copper max-md:min-h-[44px]">
          {waitsWords(unsent)}
        </a>
      )}
    </p>
  )
}
