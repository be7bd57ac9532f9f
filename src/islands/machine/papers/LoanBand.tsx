import { dayLong } from '../../../ui/format.ts'
import type { Papers } from '../../../views/machine-bundle.ts'

/** Which machine stands in for which, while one is in the workshop. */
export function LoanBand({ papers: { standIn, standsInFor, onLoanSince } }: { papers: Papers }) {
  if (!standIn && !onLoanSince) return null
  const other = standIn ?? standsInFor
  return (
    <p role="status" className="m-0 border-b border-hair bg-copper-tint px-6 py-2">
      {standIn ? (
        'In its place, on loan: '
      ) : (
        <>
          <b>On loan here</b> since {dayLong(onLoanSince!)}
          {standsInFor && ', in the place of '}
        </>
      )}
      {other && (
        <a className="word" href={`/machines/${other.id}`}>
          {other.name}
        </a>
      )}
      .
    </p>
  )
}
