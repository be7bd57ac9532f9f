import { useState } from 'react'
import type { Entry } from '../core/ledger/entry.ts'
import { writeFrom } from './make-entry.ts'

/** Writes one entry and shows the page anew; where it is refused, why. */
export function useWrite() {
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState('')
  const write = async (entry: Entry) => {
    setBusy(true)
    const told = await writeFrom([entry])
    if (told.ok) return location.reload()
    setBusy(false)
    setWrong(told.issues[0]!.message)
  }
  return { busy, wrong, write }
}
