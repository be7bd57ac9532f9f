import { useState } from 'react'
import type { LetterRow } from '../../views/letter-page.ts'
import { sendOnce } from '../send-once.ts'
import { stateWords } from './letter-words.ts'

interface Props {
  rows: LetterRow[]
  via: string | null
  /** Each leads to the papers it went out with. */
  withVisit: boolean
  withPlace?: boolean
  onAgain: () => Promise<void>
}

/** Letters in a list: to whom, with what, and whether they went out; what was refused is sent again by a press. */
export function LetterLines({ rows, via, withVisit, withPlace = false, onAgain }: Props) {
  const [wrong, setWrong] = useState('')
  return (
    <>
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {rows.map((row) => (
          <li key={row.id} className="border-t border-hair py-1.5">
            <b className="font-semibold">{row.subject}</b>
            <span className="block text-[14px]">
              to {row.to}
              {row.files.length > 0 && <span className="text-second">, with {row.files.join(', ')}</span>}
            </span>
            <span
              className={`block text-[13.5px] ${row.state === 'refused' ? 'font-semibold text-seal-ink' : 'text-second'}`}
            >
              {stateWords(row, via)}; written by {row.by}
            </span>
            <span className="flex flex-wrap gap-x-5">
              {row.state === 'refused' && (
                <button
                  type="button"
                  className="min-h-[44px] font-semibold text-copper lg:min-h-[32px]"
                  onClick={async () => {
                    const told = await sendOnce<object>('POST', `/api/letters/${row.id}/again`)
                    setWrong(told.ok ? '' : told.issues[0]!.message)
                    await onAgain()
                  }}
                >
                  Send it again
                </button>
              )}
              {withVisit && row.visitId && (
                <a
                  className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                  href={`/visits/${row.visitId}/papers`}
                >
                  Its papers
                </a>
              )}
              {withPlace && row.siteId && (
                <a
                  className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                  href={`/sites/${row.siteId}/papers`}
                >
                  Papers of the place
                </a>
              )}
            </span>
          </li>
        ))}
      </ul>
    </>
  )
}
