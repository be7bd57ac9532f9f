import { useState } from 'react'
import { dayLong } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'
import { Act, Part } from '../../ui/Part.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import type { VisitInvoices } from '../../views/invoice-page.ts'
import { newId } from '../new-id.ts'
import { typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { sendOnce } from '../send-once.ts'

interface Props {
  papers: VisitInvoices
  isOwner: boolean
  onDone: () => Promise<void>
  onSays: (words: string) => void
}

/** What was issued for a visit, the first first: each as paper and as file, and what took it back. */
export function IssuedInvoices({ papers, isOwner, onDone, onSays }: Props) {
  const [back, setBack] = useState<{ id: string; number: string; by: string } | null>(null)
  const { issued, fileLacks } = papers
  if (issued.length === 0) return null
  return (
    <Part title="Issued">
      <ul className="m-0 list-none p-0">
        {issued.map((one) => (
          <li key={one.id} className="border-t border-hair py-1.5">
            <b className="font-semibold">
              {one.kind === 'invoice' ? 'Invoice' : 'Credit note'} <span className="mono">{one.number}</span>
            </b>
            <span className="float-right mono">{moneyOf(one.payableMinor, one.currency)}</span>
            <span className="block text-[13.5px] text-second">
              {dayLong(one.issuedOn)}, to {one.buyer}
              {one.cancels && `; takes back ${one.cancels}`}
              {one.cancelledBy && `; taken back by ${one.cancelledBy}`}
            </span>
            {one.kind === 'invoice' && !one.cancelledBy && one.isOfFormerClosing && (
              <span className="block font-semibold text-brass-ink">
                The visit was closed anew since: this invoice is of what was signed before. Take it back, then issue it
                anew.
              </span>
            )}
            <span className="flex flex-wrap gap-x-5">
              <a
                className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                href={`/api/invoices/${one.id}/paper.pdf`}
                target="_blank"
                rel="noreferrer"
              >
                PDF
              </a>
              {fileLacks.length === 0 && (
                <a
                  className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                  href={`/api/invoices/${one.id}/e-invoice.xml`}
                >
                  E-invoice file
                </a>
              )}
              {isOwner && one.kind === 'invoice' && !one.cancelledBy && (
                <Act onClick={() => setBack({ id: one.id, number: one.number, by: newId() })}>Take it back</Act>
              )}
            </span>
          </li>
        ))}
      </ul>
      {fileLacks.length > 0 && (
        <p className="m-0 pt-1 text-[13.5px] text-second">
          For the e-invoice file (UBL 2.1, EN 16931) it still needs {fileLacks.join(' and ')}.
        </p>
      )}
      {back && (
        <Sheet
          open
          onOpenChange={() => setBack(null)}
          title={`Take back invoice ${back.number}`}
          about="A credit note of the same sum, with a number of its own. The invoice stays, and says so."
        >
          <SheetForm
            fields={[{ id: 'why', label: 'Why', hint: 'it stands on the credit note' }]}
            values={{ why: '' }}
            save="Issue the credit note"
            onCancel={() => setBack(null)}
            onSave={async (values) => {
              const why = typedText(values, 'why')
              if (!why) return wrongAt('why', 'must be said')
              const told = await sendOnce<{ number: string }>('POST', `/api/invoices/${back.id}/credit-note`, {
                id: back.by,
                why,
              })
              if (told.ok) {
                onSays(`Credit note ${told.number} takes back ${back.number}.`)
                setBack(null)
                await onDone()
              }
              return told
            }}
          />
        </Sheet>
      )}
    </Part>
  )
}
