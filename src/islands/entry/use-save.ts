import { useState } from 'react'
import { flushSync } from 'react-dom'
import { fetchedAtRest } from '../../ui/later.tsx'
import type { WrittenSince } from '../../views/entry-verdict.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { Draft } from './draft.ts'
import { entriesOfDraft } from './entries-of-draft.ts'
import { showFirstWrong } from './first-wrong.ts'

const checks = fetchedAtRest(() => import('../../core/ledger/parse-entry.ts'))
const sender = fetchedAtRest(() => import('../send-entries.ts'))

interface Given {
  bundle: MachineBundle
  draft: Draft
  idFor: (slot: string) => string
  today: string
  me: string
  /** Gives photos that wait their names. @returns the draft with them, or why they still wait */
  sendPhotos: () => Promise<Draft | string>
  /** Forgets the draft, once it is saved. */
  clear: () => Promise<void>
}

/** Saves a visit as it is drafted; says what is wrong with it at its fields, and who wrote meanwhile. */
export function useSave({ bundle, draft: typed, idFor, today, me, sendPhotos, clear }: Given) {
  const [issues, setIssues] = useState(new Map<string, string>())
  const [problem, setProblem] = useState('')
  const [others, setOthers] = useState<WrittenSince[]>([])
  const [busy, setBusy] = useState(false)
  const save = async (anyway = false) => {
    if (busy) return
    let draft = typed
    if (draft.photos.some(({ name }) => !name)) {
      setBusy(true)
      const sent = await sendPhotos()
      setBusy(false)
      if (typeof sent === 'string') return setProblem(`Nothing was saved. ${sent}`)
      draft = sent
    }
    const now = entriesOfDraft(draft, bundle, idFor, me)
    const found = new Map(now.issues.map((issue) => [issue.slot, issue.message]))
    // Without signal since the page opened the server checks alone.
    const check = await checks().catch(() => null)
    for (const { slot, entry } of now.entries) {
      const parsed = check?.parseEntry(entry)
      if (parsed && !parsed.ok) found.set(slot, parsed.issues.map((issue) => issue.message).join('; '))
    }
    if (draft.happenedOn > today) found.set('day', `is in the future: today is ${today}`)
    flushSync(() => setIssues(found))
    if (found.size > 0) {
      const first = showFirstWrong()
      const many = found.size === 1 ? 'One field needs' : `${found.size} fields need`
      return setProblem(`${many} another look; nothing was saved.${first ? ` The first: ${first}.` : ''}`)
    }
    if (now.entries.length === 0) return setProblem('There is nothing to save yet.')
    setBusy(true)
    setProblem('')
    const about = [bundle.machine.id, ...(bundle.softener ? [bundle.softener.id] : [])]
    const sending = await sender().catch(() => null)
    if (!sending) {
      setBusy(false)
      return setProblem('Nothing was saved: this page was not all here when the network went. What you typed is kept.')
    }
    const sent = await sending.sendEntries(
      now.entries.map(({ entry }) => entry),
      anyway ? undefined : { seq: bundle.seq, subjectIds: about },
    )
    if (sent.ok) {
      await clear()
      location.assign(`/machines/${bundle.machine.id}?saved`)
      return
    }
    setBusy(false)
    if (sent.why === 'written-since') return setOthers(sent.answer.writtenSince ?? [])
    if (sent.why !== 'refused') return setProblem(sent.message)
    const slotOf = new Map(now.entries.map(({ slot, entry }) => [entry.id, slot]))
    const taken = sent.issues.some((issue) => issue.code === 'taken')
    flushSync(() =>
      setIssues(
        new Map(
          sent.issues.map((issue) => [
            issue.path === 'happenedOn' ? 'day' : (slotOf.get(issue.entryId) ?? ''),
            issue.message,
          ]),
        ),
      ),
    )
    const first = showFirstWrong()
    setProblem(
      taken
        ? 'This visit was saved before, with other figures. Correct it in the ledger.'
        : `Nothing was saved: ${first ? `${first} ` : ''}${sent.issues[0]?.message ?? 'it was refused'}`,
    )
  }
  return { issues, forgetIssues: () => setIssues(new Map()), problem, others, busy, save }
}
