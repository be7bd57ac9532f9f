import { useState } from 'react'
import type { FaultBook } from '../../../core/faults/fault.ts'
import type { Entry } from '../../../core/ledger/entry.ts'
import type { CallMoment } from '../../../views/call-page.ts'
import { keptSearches } from '../../fault/kept-search.ts'
import { writeFrom } from '../../make-entry.ts'
import {
  doneEntries,
  holdEntries,
  type PutIn,
  ringBackEntries,
  searchToGoOn,
  solvedEntries,
  visitEntries,
} from './call-entries.ts'
import type { KeptCall } from './kept-call.ts'
import type { useKeptCall } from './use-kept-call.ts'

/** How a call ended, for the screen. */
export type CallOver =
  | { end: 'visit'; moment: CallMoment; step: PutIn['step'] }
  | { end: 'solved' | 'ring-back' | 'done' }

/** What is written of a call: how it ends, each end once. */
export function useCallWrites({
  kept,
  call,
  book,
  firmId,
  today,
}: {
  kept: ReturnType<typeof useKeptCall>
  call: KeptCall
  book: FaultBook | null
  firmId: string
  today: string
}) {
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState('')
  const [over, setOver] = useState<CallOver | null>(null)
  const given = { call, idOf: kept.idOf, book, firmId, today }
  const write = async (entries: Entry[], since?: Parameters<typeof writeFrom>[1]): Promise<boolean> => {
    setBusy(true)
    const told = await writeFrom(entries, since)
    setBusy(false)
    const [issue] = told.ok ? [] : told.issues
    setWrong(
      issue?.code === 'written-since'
        ? 'The day has changed meanwhile: it is looked through again. Then put it in.'
        : (issue?.message ?? ''),
    )
    return told.ok
  }
  const end = async (entries: Entry[], how: CallOver, since?: Parameters<typeof writeFrom>[1]) => {
    if (busy || !(await write(entries, since))) return
    if (how.end === 'visit') await keepSearch(call, kept.idOf)
    await kept.drop()
    setOver(how)
  }
  return {
    busy,
    wrong,
    over,
    ringBack: () => end(ringBackEntries(given), { end: 'ring-back' }),
    done: () => end(doneEntries(given), { end: 'done' }),
    solved: (cause: string, fault: string | null) => end(solvedEntries(given, { cause, fault }), { end: 'solved' }),
    /** Refused where somebody else ordered a day or wrote of the place since the moment was found. */
    visit: (moment: CallMoment, how: PutIn, seq: number) =>
      end(
        visitEntries(given, moment, how),
        { end: 'visit', moment, step: how.step },
        {
          seq,
          subjectIds: [firmId, call.machine!.siteId],
        },
      ),
    /** Nobody uses it from now on, however the call ends. */
    hold: async () => {
      if (await write(holdEntries(given))) kept.change({ isReported: true, isHeld: true })
    },
    anew: () => {
      setOver(null)
      setWrong('')
      void kept.anew()
    },
  }
}

/** On this device the search goes on at the machine where the call left it. */
async function keepSearch({ machine, search }: KeptCall, idOf: (name: string) => string): Promise<void> {
  if (!machine || !search) return
  await keptSearches.keep(machine.machineId, {
    search: searchToGoOn(search),
    reportId: idOf('report'),
    ids: Object.fromEntries(search.seen.map((_, i) => [`seen ${i}`, idOf(`seen ${i}`)])),
    onRecord: search.seen.length,
  })
}
