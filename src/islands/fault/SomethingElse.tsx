import { useState } from 'react'
import type { FaultBook } from '../../core/faults/fault.ts'
import type { Search, Suspicion } from '../../core/faults/search.ts'
import { seenWords } from '../../core/faults/seen-words.ts'
import type { Histories } from '../../core/standing/histories.ts'
import { SimilarCases } from './SimilarCases.tsx'

interface Props {
  machineId: string
  book: FaultBook
  search: Search
  now: Suspicion
  histories: Histories
  today: string
  onAgain: (test: string) => void
  onDescribe: (cause: string) => void
}

/** What fits best is in no book: what was doubtful, what it was before, whom to ask, and a word for what it is. */
export function SomethingElse({ machineId, book, search, now, histories, today, onAgain, onDescribe }: Props) {
  const [cause, setCause] = useState('')
  const [copied, setCopied] = useState(false)
  const complaint = book.symptoms.find(({ id }) => id === search.symptom)!.name
  const told = [complaint, ...search.seen.map((seen) => seenWords(book, seen))].join('\n')
  return (
    <section aria-label="Something else" className="border-b border-hair bg-copper-tint px-4 py-3 lg:px-6">
      <h2 className="m-0 text-[18px] font-[640]">Most likely it is something this book does not have</h2>
      <p className="m-0 text-[14px]">
        No fault of the book explains what was seen. No part is changed on a guess: look at what was doubtful once more,
        at what is special about this machine, at what was done to it last.
      </p>
      {now.doubtful.length > 0 && (
        <ul className="m-0 list-none p-0 pt-1" aria-label="Doubtful answers">
          {now.doubtful.map((seen) => (
            <li key={seen.at} className="flex flex-wrap items-center gap-3 border-t border-hair py-1 text-[15px]">
              <span className="min-w-0 flex-1">{seenWords(book, seen)}</span>
              <button type="button" className="plain" onClick={() => onAgain(seen.test)}>
                Look once more
              </button>
            </li>
          ))}
        </ul>
      )}
      <SimilarCases machineId={machineId} search={search} histories={histories} today={today} />
      <form
        className="flex flex-wrap items-end gap-3 border-t border-hair pt-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (cause.trim() !== '') onDescribe(cause.trim())
        }}
      >
        <label className="flex min-w-[220px] flex-1 flex-col gap-0.5 text-[14px]">
          <span className="slim">What it is, in your words</span>
          <input className="field" value={cause} maxLength={300} onChange={(event) => setCause(event.target.value)} />
        </label>
        <button type="submit" className="act" disabled={cause.trim() === ''}>
          I found it: repair it
        </button>
        <button
          type="button"
          className="plain"
          onClick={() => void navigator.clipboard?.writeText(told).then(() => setCopied(true))}
        >
          {copied ? 'Copied' : 'Copy what was seen, for a colleague'}
        </button>
      </form>
      <p className="m-0 pt-1 text-[13px] text-second">
        Your words go into the ledger with the repair, and are read again under “What it was” of this kind.
      </p>
    </section>
  )
}
