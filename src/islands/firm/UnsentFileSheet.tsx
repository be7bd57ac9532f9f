import { useState } from 'react'
import { readUnsentFile, type UnsentFile } from '../../device/unsent-file.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { counted, dayLong } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { sendEntries } from '../send-entries.ts'

interface Came {
  saved: number
  refused: string[]
}

/** Reads in what a device wrote out because it could not send any more: each save once, in its order. */
export function UnsentFileSheet({ onClose }: { onClose: () => void }) {
  const [file, setFile] = useState<UnsentFile | null>(null)
  const [wrong, setWrong] = useState('')
  const [done, setDone] = useState<number | null>(null)
  const [came, setCame] = useState<Came | null>(null)
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return
    const read = readUnsentFile(await chosen.text())
    setFile(read)
    setCame(null)
    setWrong(read ? '' : `${chosen.name} is not what a device writes of what waits.`)
  }
  const take = async (from: UnsentFile) => {
    const told: Came = { saved: 0, refused: [] }
    for (const [i, { entries, knownSeq }] of from.saves.entries()) {
      setDone(i)
      const origin = `the device of ${from.technician?.name ?? 'a technician'}`
      const sent = await sendEntries(entries, undefined, { origin, ...(knownSeq !== undefined && { knownSeq }) })
      if (sent.ok) told.saved += entries.length
      else if (sent.why === 'refused') told.refused.push(...sent.issues.map(({ message }) => message))
      else {
        setWrong(
          `${'message' in sent ? sent.message : 'Somebody else wrote meanwhile.'} What was read in so far is in the ledger: choose the file again.`,
        )
        break
      }
    }
    setDone(null)
    setCame(told)
  }
  const entries = file?.saves.reduce((sum, save) => sum + save.entries.length, 0) ?? 0
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="What a device could not send"
      about="What is in the ledger already is not written twice. Entries say whose device they come from."
    >
      <label className="plain inline-flex cursor-pointer items-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
        Choose the file
        <FileInput accept="application/json,.json" className="sr-only" onChosen={(chosen) => void choose(chosen)} />
      </label>
      {file && !came && (
        <>
          <p className="mt-3 mb-2">
            <b>{counted(entries, 'entry', 'entries')}</b> of {file.technician?.name ?? 'somebody'}, written out on{' '}
            {dayLong(file.writtenAt.slice(0, 10))}.
          </p>
          <button type="button" className="act" disabled={done !== null} onClick={() => void take(file)}>
            {done === null ? 'Read it in' : `${done} of ${file.saves.length} …`}
          </button>
        </>
      )}
      {came && (
        <p role="status" className="mt-3 mb-0">
          <b>{counted(came.saved, 'entry', 'entries')}</b> in the ledger.
          {came.refused.length > 0 && ` Refused: ${came.refused.join('; ')}.`}
        </p>
      )}
      {wrong && (
        <p role="alert" className="mt-3 mb-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
    </Sheet>
  )
}
