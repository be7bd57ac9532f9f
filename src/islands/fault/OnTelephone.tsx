import type { FaultBook } from '../../core/faults/fault.ts'
import type { Search, Suspicion } from '../../core/faults/search.ts'
import { enoughQuestions } from '../../core/faults/triage.ts'

interface Props {
  machineId: string
  book: FaultBook
  search: Search
  now: Suspicion
}

/** Suspicion from which a word to the customer is worth it. */
const worthSaying = 0.12

/** Before driving: how many questions are asked, what the customer can safely do, what to take along. */
export function OnTelephone({ machineId, book, search, now }: Props) {
  const asked = search.seen.filter(({ said }) => said).length
  const likely = book.faults
    .map((fault, i) => ({ fault, p: now.belief[i]! }))
    .filter(({ p }) => p >= worthSaying)
    .sort((a, b) => b.p - a.p)
  const tell = likely.filter(({ fault }) => book.customer[fault.id])
  const drive = likely.filter(({ fault }) => !fault.repair.tell)
  return (
    <section aria-label="On the telephone" className="border-b border-hair bg-copper-tint px-4 py-3 lg:px-6">
      <h2 className="m-0 text-[16px] font-[640]">
        {asked < enoughQuestions
          ? `Question ${asked + 1} of ${enoughQuestions}`
          : `${enoughQuestions} questions are enough`}
      </h2>
      <p className="m-0 text-[14px]">
        What is said on the telephone is wrong one time in five, and is weighed so. Nobody is asked to open a machine,
        to reach into it, or to switch anything on again that fell.
      </p>
      <a
        className="word inline-flex min-h-[44px] items-center text-[14px]"
        href={`/machines/${machineId}/triage?symptom=${search.symptom}`}
      >
        The questions on a card, to print
      </a>
      {tell.length > 0 && (
        <>
          <h3 className="m-0 pt-2 text-[14px] font-semibold">The customer can safely</h3>
          <ul className="m-0 list-none p-0">
            {tell.map(({ fault, p }) => (
              <li key={fault.id} className="border-t border-hair py-1 text-[15px]">
                {book.customer[fault.id]}{' '}
                <span className="text-[13px] text-second">
                  {fault.name.toLowerCase()}, {Math.round(100 * p)} %
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      {drive.length > 0 && asked > 0 && (
        <p className="m-0 pt-1 text-[14px]">
          <b>Take along for:</b> {drive.map(({ fault }) => fault.name.toLowerCase()).join('; ')}.
        </p>
      )}
    </section>
  )
}
