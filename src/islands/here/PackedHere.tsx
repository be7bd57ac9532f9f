import { useCallback, useEffect, useState } from 'react'
import { dayAt, timeAt } from '../../core/quantity/site-time.ts'
import { type AboutDevice, aboutDevice } from '../../device/about-device.ts'
import { onDeviceChanged } from '../../device/device-changed.ts'
import { keptSites } from '../../device/kept-sites.ts'
import { type PackedUp, packUp } from '../../device/pack-up.ts'
import { mostPackedBytes, type PackedLine, packedLines } from '../../device/packed.ts'
import { dayShort, figure } from '../../ui/format.ts'
import { sizeWords } from './size-words.ts'

const stoppedWords: Record<NonNullable<PackedUp['stopped']>, string> = {
  'no network': 'No network: what is here stays, the rest is packed when it is back.',
  'signed out': 'You were signed out: sign in, then it is packed.',
  'no room': 'There is no more room on this device for it.',
  'told to': 'Stopped. What is here stays; the next time goes on from there.',
}

/** What of the firm’s data is on this device, how big, from when; and how to have it packed now. */
export function PackedHere({ zone }: { zone: string }) {
  const [about, setAbout] = useState<AboutDevice | null>(null)
  const [lines, setLines] = useState<PackedLine[]>([])
  const [packing, setPacking] = useState<{ here: number; of: number; stop: AbortController } | null>(null)
  const [told, setTold] = useState('')
  const look = useCallback(() => {
    void packedLines().then(setLines, () => undefined)
    void aboutDevice().then(setAbout)
  }, [])
  useEffect(() => {
    look()
    return onDeviceChanged(look)
  }, [look])
  const packNow = async () => {
    const stop = new AbortController()
    setTold('')
    setPacking({ here: 0, of: 0, stop })
    const came = await packUp({
      now: Date.now(),
      keptSites: await keptSites(),
      onLine: (here, of) => setPacking({ here, of, stop }),
      signal: stop.signal,
    }).catch(() => null)
    setPacking(null)
    look()
    setTold(came ? (came.stopped ? stoppedWords[came.stopped] : 'All of it is here.') : 'This browser keeps nothing.')
  }
  const of = (path: RegExp) => lines.filter(({ address }) => path.test(address)).length
  const bytes = lines.reduce((sum, line) => sum + line.bytes, 0)
  const at = about?.packedAt ? about.packedAt + about.aheadMs : null
  return (
    <section aria-labelledby="packed-here" className="mt-8">
      <h2 id="packed-here" className="head m-0">
        On this device
      </h2>
      <p className="my-1 text-[16px]">
        <b>{figure(of(/^\/sites\//))}</b> sites, <b>{figure(of(/\/bundle$/))}</b> machines with all that is reckoned of
        them, the names of every machine. <span className="mono">{sizeWords(bytes)}</span> of at most{' '}
        <span className="mono">{sizeWords(mostPackedBytes)}</span>
        {at === null ? '.' : `, as of ${timeAt(zone, at)} on ${dayShort(dayAt(zone, at))}.`}
      </p>
      <p className="my-1 max-w-[62ch] text-[14px] text-second">
        Your day and the days you are expected somewhere next, with their places and machines; then what was opened here
        lately. It is enciphered with a key that does not leave this browser, and goes when you sign out.
      </p>
      {packing ? (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <progress
            className="h-3 w-[220px]"
            aria-label="Packing"
            max={packing.of || 1}
            value={packing.of ? packing.here : undefined}
          />
          <span className="mono text-[14px]">
            {packing.here} of {packing.of}
          </span>
          <button type="button" className="plain min-h-[44px]" onClick={() => packing.stop.abort()}>
            Stop
          </button>
        </div>
      ) : (
        <button type="button" className="plain mt-2 min-h-[44px]" onClick={() => void packNow()}>
          Pack now
        </button>
      )}
      {told && (
        <p role="status" className="my-2">
          {told}
        </p>
      )}
    </section>
  )
}
