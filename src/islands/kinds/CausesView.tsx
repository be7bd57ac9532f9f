import { useState } from 'react'
import { dayNear, ended, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { CausesPage } from '../../views/causes-page.ts'
import { fromPage } from '../from-page.tsx'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { useWrite } from '../use-write.ts'
import { CauseRow } from './CauseRow.tsx'

interface Props {
  page: CausesPage
  today: string
}

const percent = (share: number) => `${(100 * share).toFixed(1)}\u00a0%`

/** What was found on a firm's machines of a kind beside what the book expects, and whether the search goes by it. */
function CausesView({ page, today }: Props) {
  const { kind, rows, inWordsOnly, adopted, firmId } = page
  const confirmed = rows.reduce((sum, { cured }) => sum + cured.length, 0)
  const notCured = rows.reduce((sum, row) => sum + row.notCured, 0)
  const adoptedCalls = adopted?.counts.reduce((sum, { n }) => sum + n, 0) ?? 0
  const [id] = useState(newId)
  const { busy, wrong, write } = useWrite()
  const adopt = () => {
    const counts = rows.filter(({ cured }) => cured.length > 0).map(({ fault, cured }) => ({ fault, n: cured.length }))
    return write(makeEntry('firm', firmId, 'setting', { setting: 'causes', kind: kind.id, counts }, today, { id }))
  }
  const goBack = () =>
    write(
      makeEntry('firm', firmId, 'withdrawn', { reason: 'back to the book of faults' }, today, {
        id,
        supersedes: adopted!.entryId,
      }),
    )
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="What it was"
        under={`${kind.name}, ${figure(kind.machines)} machines`}
        facts={[
          { label: 'Confirmed', value: confirmed },
          { label: 'Repaired, not it', value: notCured },
          { label: 'In words alone', value: inWordsOnly },
        ]}
        action={
          <a className="plain inline-flex items-center whitespace-nowrap" href={`/kinds/${kind.id}`}>
            The kind
          </a>
        }
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="m-0 max-w-[72ch]">
          A fault search begins with how often each fault is the cause. The book’s shares are from memory and count for
          40 calls; your own count for what they are, once you adopt them.
        </p>
        <p className="m-0 flex flex-wrap items-center gap-3 py-2">
          {adopted && (
            <>
              <b>
                {adoptedCalls} confirmed causes adopted on {ended(dayNear(adopted.on, today))}
              </b>
              <button type="button" className="plain" disabled={busy} onClick={goBack}>
                Back to the book
              </button>
            </>
          )}
          {confirmed > adoptedCalls && (
            <button type="button" className="act" disabled={busy} onClick={adopt}>
              {adopted ? `Adopt all ${confirmed}` : `Adopt these ${confirmed}`}
            </button>
          )}
          {wrong && (
            <span role="alert" className="font-semibold text-seal-ink">
              {wrong}
            </span>
          )}
        </p>
        {rows.length === 0 ? (
          <p className="m-0 text-second">
            No repair of such a machine names its cause yet. A search under Fault that ends in a test-out does.
          </p>
        ) : (
          <table className="w-full max-w-[1000px] border-collapse text-[15px]">
            <thead>
              <tr className="slim text-left text-[13px] text-second">
                <th className="py-1 font-semibold">Cause</th>
                <th className="pr-3 text-right font-semibold">It was it</th>
                <th className="pr-3 text-right font-semibold max-sm:hidden">Repaired, not it</th>
                <th className="pr-3 text-right font-semibold">Book</th>
                <th className="text-right font-semibold">With yours</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <CauseRow key={row.fault} row={row} percent={percent} today={today} />
              ))}
            </tbody>
          </table>
        )}
        {inWordsOnly > 0 && (
          <p className="m-0 pt-2 text-[13px] text-second">
            {inWordsOnly === 1 ? 'One repair names' : `${inWordsOnly} repairs name`} a cause in words alone: such cannot
            be counted.
          </p>
        )}
      </div>
    </div>
  )
}

export const CausesIsland = fromPage(CausesView)
