import { useState } from 'react'
import { totalsOf } from '../../core/close-out/charge-line.ts'
import type { QuoteAnswer } from '../../core/ledger/kinds/quoted.ts'
import { codeOf } from '../../core/papers/code.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import type { QuoteStage, StandingQuote } from '../../core/quotes/quotes-standing.ts'
import { dayFull } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { moneyOf } from '../../ui/minor-words.ts'
import { Act, Part } from '../../ui/Part.tsx'

const AnswerSheet = later(() => import('./AnswerSheet.tsx').then((module) => module.AnswerSheet))

interface Props {
  quotes: StandingQuote[]
  today: LocalDay
  onWrite: () => void
  onSaved: () => Promise<void>
}

const stageWords: Record<QuoteStage, string> = {
  waits: 'waits for an answer',
  lapsed: 'not answered, and past its day',
  yes: 'they said yes: to be done',
  done: 'they said yes; done since',
  no: 'they said no',
  withdrawn: 'taken back by us',
}

/** What was offered at this place and how it stands; what is answered is kept beside what was offered. */
export function QuotesPart({ quotes, today, onWrite, onSaved }: Props) {
  const [answering, setAnswering] = useState<StandingQuote | null>(null)
  return (
    <Part title="Quotes" action={<Act onClick={onWrite}>Write a quote</Act>}>
      {quotes.length === 0 && (
        <p className="m-0 py-1 text-[14px] text-second">
          Nothing was offered here yet. A quote says what is advised, what it costs, and what waiting may add.
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {quotes.map((quote) => {
          const { last, quotedOn, stage } = quote
          const { body, id, visitId } = last
          const { netMinor, grossMinor } = totalsOf(body.lines, body.taxBp)
          return (
            <li key={body.quote} className="border-t border-hair py-1.5 text-[14.5px]">
              <span className="flex items-baseline gap-3">
                <b className="min-w-0 flex-1 font-semibold leading-tight">
                  {body.items.map(({ name }) => name).join('; ')}
                </b>
                <span className="mono whitespace-nowrap">
                  {moneyOf(body.withTax ? grossMinor : netMinor, body.currency)}
                </span>
              </span>
              <span className={`block text-[13.5px] ${stage === 'yes' ? 'font-semibold text-copper' : 'text-second'}`}>
                {codeOf(body.quote)} of {dayFull(quotedOn)}, {stageWords[stage]}
                {stage === 'waits' && `; holds until ${dayFull(body.validUntil)}`}
                {body.answer?.name && `, ${body.answer.name}`}
                {body.answer?.orderNumber && `, order ${body.answer.orderNumber}`}
              </span>
              <span className="flex flex-wrap gap-x-5">
                {visitId && (
                  <a
                    className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                    href={`/api/visits/${visitId}/quotes/${id}.pdf`}
                    target="_blank"
                    rel="noreferrer"
                  >
                    Quote, PDF
                  </a>
                )}
                {visitId && stage === 'waits' && (
                  <a
                    className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                    href={`/sites/${last.subjectId}/papers?send=${encodeURIComponent(`quote ${id}`)}`}
                  >
                    Send it
                  </a>
                )}
                {(stage === 'waits' || stage === 'lapsed') && (
                  <Act onClick={() => setAnswering(quote)}>What they said</Act>
                )}
              </span>
            </li>
          )
        })}
      </ul>
      {answering && (
        <AnswerSheet
          quote={answering}
          today={today}
          words={answerChoices}
          onClose={() => setAnswering(null)}
          onSaved={onSaved}
        />
      )}
    </Part>
  )
}

const answerChoices: [QuoteAnswer, string][] = [
  ['yes', 'They said yes'],
  ['no', 'They said no'],
  ['withdrawn', 'We take it back'],
]
