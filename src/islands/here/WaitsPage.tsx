import { useCallback, useEffect, useState } from 'react'
import { timeAt } from '../../core/quantity/site-time.ts'
import type { CallerMachine } from '../../core/visits/caller-machine.ts'
import { type AboutDevice, aboutDevice } from '../../device/about-device.ts'
import { onDeviceChanged, tellDeviceChanged } from '../../device/device-changed.ts'
import { giveUpUnsent } from '../../device/give-up.ts'
import { packedAnswer } from '../../device/packed.ts'
import type { Sending } from '../../device/send-unsent.ts'
import { allUnsent, type Unsent } from '../../device/unsent.ts'
import { sendWithoutPhotos } from '../../device/without-photos.ts'
import { pageZone } from '../../ui/clock.ts'
import { counted, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { CrossedList } from '../crossed/CrossedList.tsx'
import { island } from '../island.tsx'
import { sendWaiting } from '../outbox.ts'
import { ClockAsks } from './ClockAsks.tsx'
import { HoseLine } from './HoseLine.tsx'
import { PackedHere } from './PackedHere.tsx'
import { sizeWords } from './size-words.ts'
import { WaitingSave } from './WaitingSave.tsx'
import { writeUnsentFile } from './write-unsent-file.ts'

interface Here {
  unsent: Unsent[]
  about: AboutDevice | null
  /** Machines, softeners and sites by id, as far as this device knows their names. */
  names: Map<string, string>
}

const stoppedWords: Record<NonNullable<Sending['stopped']>, string> = {
  'no network': 'No network: it is sent when it is back, by itself.',
  busy: 'The server does not take it just now: it is tried again by itself.',
  'signed out': 'You were signed out. Nothing is lost: sign in, then it is sent.',
  'somebody else': 'Somebody else is signed in here: what you wrote is sent when you sign in.',
}

/** All that was written on this device and is not in the ledger yet: since when, how much, and what stands in the way. */
function WaitsPage() {
  const [here, setHere] = useState<Here | null>(null)
  const [sending, setSending] = useState(false)
  const [told, setTold] = useState('')
  const look = useCallback(async () => {
    const [unsent, about] = await Promise.all([allUnsent().catch(() => []), aboutDevice()])
    // What waits is said at once; how the machines of it are called is read from a list of thousands.
    setHere((before) => ({ unsent, about, names: before?.names ?? new Map() }))
    if (unsent.length === 0) return
    const all = (await packedAnswer('/api/machines/all')) as { answer: { machines: CallerMachine[] } } | null
    const names = namesIn(all?.answer.machines ?? [])
    setHere((now) => now && { ...now, names })
  }, [])
  useEffect(() => {
    void look()
    return onDeviceChanged(() => void look())
  }, [look])

  const sendNow = async () => {
    setSending(true)
    setTold('')
    const came = await sendWaiting(true).catch(() => null)
    setSending(false)
    await look()
    if (came?.stopped) setTold(stoppedWords[came.stopped])
    else if (came)
      setTold(came.refused.length > 0 ? 'Sent, but for what is refused below.' : 'All of it is in the ledger.')
  }
  const giveUp = async (item: Unsent) => {
    await giveUpUnsent(item, 'given up on the page of what waits')
    tellDeviceChanged()
  }
  const withoutPhoto = async (item: Unsent) => {
    await sendWithoutPhotos(item)
    tellDeviceChanged()
    await sendNow()
  }
  if (!here) return <p className="m-0 p-4 text-second lg:px-6">Looking on this device …</p>
  const { unsent, about } = here
  const zone = pageZone()
  const mine = unsent.filter(({ by }) => by === about?.technician.id)
  const others = unsent.length - mine.length
  const refused = mine.filter(({ state }) => state === 'refused')
  const entries = mine.reduce((sum, { entryIds }) => sum + entryIds.length, 0)
  const bytes = mine.reduce((sum, one) => sum + one.bytes, 0)
  const oldest = mine[0]
  return (
    <div className="flex min-w-0 flex-1 flex-col bg-enamel">
      <TitleBlock
        name="What waits"
        under={about ? `${about.technician.name}, on this device` : 'on this device'}
        facts={[
          { label: 'To be sent', value: figure(entries), source: entries === 1 ? 'entry' : 'entries' },
          { label: 'Size', value: sizeWords(bytes) },
          ...(oldest ? [{ label: 'Since', value: timeAt(zone, oldest.madeAt + (about?.aheadMs ?? 0)) }] : []),
          ...(refused.length > 0 ? [{ label: 'Refused', value: refused.length, tone: 'text-seal-ink' }] : []),
        ]}
      />
      <div className="max-w-[760px] px-4 pt-4 pb-16 lg:px-6">
        <HoseLine waiting={mine.map(({ entryIds }) => entryIds.length)} isCut={navigator.onLine === false} />
        {mine.length === 0 ? (
          <p className="my-3 text-[17px]">Nothing waits: all that was written here is in the ledger.</p>
        ) : (
          <>
            <div className="my-3 flex flex-wrap items-center gap-3">
              <button type="button" className="act min-h-[48px]" disabled={sending} onClick={sendNow}>
                {sending ? 'Sending …' : 'Send now'}
              </button>
              <button type="button" className="plain min-h-[48px]" onClick={() => void writeUnsentFile()}>
                Write it to a file
              </button>
              <span className="text-[14px] text-second">
                The file is the last way out of a broken device: Data in and out reads it.
              </span>
            </div>
            <ClockAsks items={mine.filter(({ clockOffMs }) => clockOffMs !== null)} zone={zone} onSaid={sendNow} />
            <ul className="m-0 list-none p-0" aria-label="What waits">
              {mine.map((item) => (
                <WaitingSave
                  key={item.order}
                  item={item}
                  names={here.names}
                  zone={zone}
                  aheadMs={about?.aheadMs ?? 0}
                  isBehind={item.state === 'waits' && refused.some((one) => sharesVisit(one, item))}
                  onGiveUp={() => void giveUp(item)}
                  onWithoutPhoto={() => void withoutPhoto(item)}
                />
              ))}
            </ul>
          </>
        )}
        {told && (
          <p role="status" className="my-3 font-semibold">
            {told}
          </p>
        )}
        {others > 0 && (
          <p className="my-3 text-second">
            {counted(others, 'save')} of somebody else {others === 1 ? 'waits' : 'wait'} here too: sent when they sign
            in.
          </p>
        )}
        <CrossedList />
        <PackedHere zone={zone} />
      </div>
    </div>
  )
}

const sharesVisit = (one: Unsent, other: Unsent) => one.visitIds.some((id) => other.visitIds.includes(id))

const namesIn = (machines: CallerMachine[]): Map<string, string> =>
  new Map(
    machines.flatMap(({ machineId, machineName, siteId, siteName }): [string, string][] => [
      [machineId, `${machineName}, ${siteName}`],
      [siteId, siteName],
    ]),
  )

export const WaitsIsland = island(WaitsPage)
