import { useState } from 'react'
import { createRoot } from 'react-dom/client'
import { aboutDevice } from '../../device/about-device.ts'
import { forgetDevice } from '../../device/forget-device.ts'
import { allUnsent } from '../../device/unsent.ts'
import { counted } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { sendWaiting } from '../outbox.ts'
import { writeUnsentFile } from './write-unsent-file.ts'

/**
 * Makes a device ready to be left: what waits is sent; what cannot be is written to a file, or given up by a second
 * word. Then all that was packed goes, with its key.
 *
 * @returns false when whoever sits here would rather stay
 */
export async function leaveDevice(): Promise<boolean> {
  await sendWaiting(true).catch(() => null)
  const waiting = await entriesWaiting()
  if (waiting > 0 && !(await askFirst(waiting))) return false
  await forgetDevice((await aboutDevice())?.technician.id ?? null)
  return true
}

/** Entries of whoever works here that are not in the ledger. */
async function entriesWaiting(): Promise<number> {
  const about = await aboutDevice()
  const unsent = await allUnsent().catch(() => [])
  return unsent.filter(({ by }) => by === about?.technician.id).reduce((sum, { entryIds }) => sum + entryIds.length, 0)
}

function askFirst(waiting: number): Promise<boolean> {
  return new Promise((resolve) => {
    const place = document.body.appendChild(document.createElement('div'))
    const root = createRoot(place)
    const answer = (leaves: boolean) => {
      root.unmount()
      place.remove()
      resolve(leaves)
    }
    root.render(<LeaveSheet waiting={waiting} onAnswer={answer} />)
  })
}

function LeaveSheet({ waiting: first, onAnswer }: { waiting: number; onAnswer: (leaves: boolean) => void }) {
  const [waiting, setWaiting] = useState(first)
  const [isWritten, setIsWritten] = useState(false)
  const [asksTwice, setAsksTwice] = useState(false)
  const [busy, setBusy] = useState(false)
  const send = async () => {
    setBusy(true)
    await sendWaiting(true).catch(() => null)
    const left = await entriesWaiting()
    setBusy(false)
    if (left === 0) onAnswer(true)
    else setWaiting(left)
  }
  const write = async () => {
    await writeUnsentFile()
    setIsWritten(true)
  }
  return (
    <Sheet
      open
      onOpenChange={() => onAnswer(false)}
      title={`${counted(waiting, 'entry', 'entries')} ${waiting === 1 ? 'is' : 'are'} not sent yet`}
      about="What is not sent is on this device alone. Signing out takes all that is packed here away, and the key to it."
    >
      <div className="flex flex-col gap-2">
        <button type="button" className="act min-h-[48px]" disabled={busy} onClick={() => void send()}>
          {busy ? 'Sending …' : 'Send now, then sign out'}
        </button>
        <button type="button" className="plain min-h-[48px]" onClick={() => void write()}>
          Write it to a file
        </button>
        {isWritten && (
          <button type="button" className="plain min-h-[48px]" onClick={() => onAnswer(true)}>
            The file is safe: sign out
          </button>
        )}
        <button type="button" className="plain min-h-[48px]" onClick={() => onAnswer(false)}>
          Stay signed in
        </button>
        {asksTwice ? (
          <button type="button" className="plain min-h-[48px] text-seal-ink" onClick={() => onAnswer(true)}>
            Yes, throw {waiting === 1 ? 'it' : `all ${waiting}`} away
          </button>
        ) : (
          <button type="button" className="word min-h-[44px] self-start" onClick={() => setAsksTwice(true)}>
            Give {waiting === 1 ? 'it' : 'them'} up
          </button>
        )}
      </div>
    </Sheet>
  )
}
