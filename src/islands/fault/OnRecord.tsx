import type { FaultBook } from '../../core/faults/fault.ts'
import { searchOnRecord } from '../../core/faults/search-on-record.ts'
import { seenWords } from '../../core/faults/seen-words.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { counted, dayNear } from '../../ui/format.ts'
import type { KeptSearch } from './kept-search.ts'

interface Props {
  book: FaultBook
  /** Effective entries of the machine. */
  entries: readonly Entry[]
  today: string
  onGoOn: (kept: KeptSearch) => void
}

/** A search somebody else began, on the telephone or here: it goes on from what they were told. */
export function OnRecord({ book, entries, today, onGoOn }: Props) {
  const found = searchOnRecord(book, entries)
  if (!found || found.answerIds.length === 0) return null
  const { search, reportId, answerIds, text, on } = found
  const complaint = book.symptoms.find(({ id }) => id === search.symptom)!
  return (
    <section aria-label="Begun already" className="border-b border-hair bg-copper-tint px-4 py-3 lg:px-6">
      <h2 className="m-0 text-[16px] font-[640]">
        Reported {dayNear(on, today)}: “{text}”
      </h2>
      <p className="m-0 text-[15px]">
        Taken as {complaint.name.toLowerCase()}, with {counted(answerIds.length, 'answer')}:
      </p>
      <ul className="m-0 list-disc pl-5 text-[14px]">
        {search.seen.map((seen, i) => (
          <li key={answerIds[i]}>
            {seenWords(book, seen)}
            {seen.said && <span className="text-second"> told on the telephone</span>}
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="act mt-2 min-h-[48px]"
        onClick={() =>
          onGoOn({
            search,
            reportId,
            ids: Object.fromEntries(answerIds.map((id, i) => [`seen ${i}`, id])),
            onRecord: answerIds.length,
          })
        }
      >
        Go on from there
      </button>
    </section>
  )
}
