import { totalsOf } from '../../core/close-out/charge-line.ts'
import { pathOf } from '../../core/close-out/strokes.ts'
import type { EntryOf } from '../../core/ledger/entry.ts'
import { signingWords } from '../../core/ledger/kinds/visit-closed.ts'
import { codeOf } from '../../core/papers/code.ts'
import { dayAt, timeAt } from '../../core/quantity/site-time.ts'
import { dayLong } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'

interface Props {
  closed: EntryOf<'visit-closed'>
  /** The closing it was first: its revisions go by the same code. */
  firstId: string
  timeZone: string
  currency: string
  /** Lines that came to it since. */
  sinceClosed: number
  onAgain: () => void
}

/** A visit that is closed: who signed what and when; what is wrong in it is closed anew, as its revision. */
export function ClosedBand({ closed, firstId, timeZone, currency, sinceClosed, onAgain }: Props) {
  const { signed, sentences, lines, taxBp, isolated, reportByMail } = closed.body
  const { netMinor } = totalsOf(lines, taxBp)
  const at = Date.parse(signed.at)
  return (
    <section aria-label="Closed" className="border-b border-hair px-4 py-3 lg:px-6">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
        <div className="min-w-[260px] flex-1">
          <h2 className="head m-0">
            Closed {timeAt(timeZone, at)} on {dayLong(dayAt(timeZone, at))}
            {closed.supersedes && ', a revision'}
          </h2>
          <p className="m-0 text-[14.5px]">
            {signed.how === 'signed' ? `Signed by ${signed.name}` : signingWords[signed.how]}
            {signed.how !== 'signed' && signed.name && `, ${signed.name}`}
            {signed.as && `, ${signed.as}`}.{' '}
            {netMinor > 0 ? `${moneyOf(netMinor, currency)} before tax is charged.` : 'Nothing is charged.'}
            {reportByMail && ' Its report was asked to go to them by e-mail: whether it went stands with the papers.'}
          </p>
          {isolated && isolated.length > 0 && (
            <p className="m-0 font-semibold text-seal-ink">
              Isolated and tagged: {isolated.map(({ how }) => how).join('; ')}.
            </p>
          )}
          <ol className="m-0 list-decimal pt-1 pl-5 text-[14px]">
            {sentences.map(({ text, struck }) => (
              <li key={text} className={struck ? 'text-second line-through' : ''}>
                {text}
                {struck && <span className="sr-only"> (struck out)</span>}
              </li>
            ))}
          </ol>
          {sinceClosed > 0 && (
            <p className="m-0 pt-1 font-semibold text-brass-ink">
              {sinceClosed === 1 ? 'One line was' : `${sinceClosed} lines were`} written to this visit after it was
              closed: close it anew, and the customer gets the revision.
            </p>
          )}
          <p className="m-0 flex flex-wrap items-center gap-x-6">
            {closed.visitId && (
              <a
                className="inline-flex min-h-[44px] items-center font-semibold text-copper"
                href={`/api/visits/${closed.visitId}/report.pdf`}
                target="_blank"
                rel="noreferrer"
              >
                Service report {codeOf(firstId)}, PDF
              </a>
            )}
            {closed.visitId && (
              <a
                className="inline-flex min-h-[44px] items-center font-semibold text-copper"
                href={`/visits/${closed.visitId}/papers`}
              >
                Papers and invoice
              </a>
            )}
            <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={onAgain}>
              Put something right
            </button>
          </p>
        </div>
        {signed.strokes && signed.strokes.length > 0 && <Signature strokes={signed.strokes} name={signed.name ?? ''} />}
      </div>
    </section>
  )
}

/** A signature as it was drawn. */
function Signature({ strokes, name }: { strokes: readonly (readonly number[])[]; name: string }) {
  const xs = strokes.flatMap((stroke) => stroke.filter((_, i) => i % 2 === 0))
  const ys = strokes.flatMap((stroke) => stroke.filter((_, i) => i % 2 === 1))
  const [left, top] = [Math.min(...xs) - 20, Math.min(...ys) - 20]
  const [width, height] = [Math.max(...xs) - left + 20, Math.max(...ys) - top + 20]
  return (
    <svg
      viewBox={`${left} ${top} ${width} ${height}`}
      className="block h-[96px] max-w-[300px]"
      role="img"
      aria-label={`Signature of ${name}`}
    >
      <path
        d={pathOf(strokes)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={6}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  )
}
