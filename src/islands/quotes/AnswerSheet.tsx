import type { QuoteAnswer } from '../../core/ledger/kinds/quoted.ts'
import { codeOf } from '../../core/papers/code.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import type { StandingQuote } from '../../core/quotes/quotes-standing.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  quote: StandingQuote
  today: LocalDay
  words: [QuoteAnswer, string][]
  onClose: () => void
  onSaved: () => Promise<void>
}

/** What was said to a quote, by whom. What was offered is not changed by it. */
export function AnswerSheet({ quote: { last }, today, words, onClose, onSaved }: Props) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={`Quote ${codeOf(last.body.quote)}`}
      about="What was offered stays as it is; what they said stands beside it, with who said it."
    >
      <SheetForm
        fields={[
          { id: 'said', label: 'What they said', kind: 'choice', options: words, paths: ['body.answer.said'] },
          { id: 'on', label: 'Day', kind: 'day', half: true, paths: ['body.answer.on'] },
          { id: 'who', label: 'Who said it', half: true, paths: ['body.answer.name'] },
          {
            id: 'order',
            label: 'Their order number',
            half: true,
            hint: 'where they have one',
            paths: ['body.answer.orderNumber'],
          },
        ]}
        values={{ said: 'yes', on: today, who: '', order: '' }}
        save="Keep it"
        onCancel={onClose}
        onSave={async (values) => {
          const name = typedText(values, 'who')
          const orderNumber = typedText(values, 'order')
          const on = typedText(values, 'on')
          if (!on || on < last.happenedOn || on > today)
            return {
              ok: false,
              issues: [{ path: 'body.answer.on', code: 'typed', message: 'is no day between the quote and today' }],
            }
          const told = await writeFrom([
            makeEntry(
              'site',
              last.subjectId,
              'quoted',
              {
                ...last.body,
                answer: {
                  said: values.said as QuoteAnswer,
                  on,
                  ...(name && { name }),
                  ...(orderNumber && { orderNumber }),
                },
              },
              last.happenedOn,
              { supersedes: last.id, ...(last.visitId && { visitId: last.visitId }) },
            ),
          ])
          if (told.ok) {
            await onSaved()
            onClose()
          }
          return told
        }}
      />
    </Sheet>
  )
}
