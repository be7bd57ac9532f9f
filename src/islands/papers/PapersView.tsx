import { useState } from 'react'
import { visitLetter } from '../../core/letters/visit-letter.ts'
import { dayFull, dayLong } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { moneyOf } from '../../ui/minor-words.ts'
import { Act, Part } from '../../ui/Part.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { VisitInvoices } from '../../views/invoice-page.ts'
import { fromPage } from '../from-page.tsx'
import { PaperLink } from '../letters/PaperLink.tsx'
import { SendPapers } from '../letters/SendPapers.tsx'
import { newId } from '../new-id.ts'
import { sendOnce } from '../send-once.ts'
import { DraftPaper } from './DraftPaper.tsx'
import { IssuedInvoices } from './IssuedInvoices.tsx'

const BillToSheet = later(() => import('./BillToSheet.tsx').then((module) => module.BillToSheet))
const InvoicingSheet = later(() => import('./InvoicingSheet.tsx').then((module) => module.InvoicingSheet))

interface Props {
  papers: VisitInvoices
  today: string
  isOwner: boolean
}

/** What goes out of a closed visit: its report and its invoice, and what was issued of it. */
function PapersView({ papers: first, today, isOwner }: Props) {
  const [papers, setPapers] = useState(first)
  const [sheet, setSheet] = useState<'ours' | 'theirs' | null>(null)
  const [says, setSays] = useState('')
  const [busy, setBusy] = useState(false)
  // Asked twice, it is issued once.
  const [id, setId] = useState(newId)
  const { draft, notReady, issued, mayPay } = papers
  const look = async (payer = papers.customerId) => {
    const response = await fetch(`/api/visits/${papers.visitId}/papers?payer=${payer}`).catch(() => null)
    if (response?.ok) setPapers(await response.json())
    else setSays('No connection: this is as it was.')
  }
  const standing = issued.find(({ kind, cancelledBy }) => kind === 'invoice' && !cancelledBy)
  // What stands is shown as it was issued, whatever the visit was closed with since.
  const shown = standing?.document ?? draft
  const issue = async () => {
    setBusy(true)
    setSays('')
    const told = await sendOnce<{ number: string }>('POST', `/api/visits/${papers.visitId}/invoice`, {
      id,
      payerId: papers.customerId,
    })
    setBusy(false)
    if (told.ok) setId(newId())
    setSays(told.ok ? `Invoice ${told.number} is issued.` : told.issues[0]!.message)
    await look()
  }
  const sent: [string, string][] = [
    ['report', `Service report ${draft.reportCode}`],
    ['sheets', 'Drawn sheets, one a machine'],
    ...papers.besides.map((one): [string, string] => [one.id, one.name]),
    ...issued.flatMap(({ id: one, kind, number }): [string, string][] => [
      [`invoice ${one}`, `${kind === 'invoice' ? 'Invoice' : 'Credit note'} ${number}`],
      ...(papers.fileLacks.length === 0 ? [[`e-invoice ${one}`, `E-invoice file ${number}`] as [string, string]] : []),
    ]),
  ]
  const lost = notReady.filter(({ at }) => at === 'ours' || at === 'theirs')
  return (
    <div className="flex flex-1 flex-col bg-enamel">
      <TitleBlock
        name={`Papers, ${papers.site}`}
        under={`visit of ${dayFull(draft.deliveredOn)}`}
        facts={[
          { label: 'Charged', value: moneyOf(shown.totals.netMinor, shown.currency), source: 'before tax' },
          { label: 'Invoice', value: standing?.number ?? '–', source: standing ? 'stands' : 'not issued' },
        ]}
        action={
          <a
            className="plain inline-flex items-center whitespace-nowrap"
            href={`/sites/${papers.siteId}/leaving?visit=${papers.visitId}`}
          >
            The visit’s end
          </a>
        }
      />
      <div className="grid flex-1 lg:grid-cols-[minmax(0,1fr)_minmax(0,400px)]">
        <div className="min-w-0 bg-page px-4 py-4 lg:px-6">
          <DraftPaper invoice={shown} number={standing?.number ?? null} />
        </div>
        <div className="min-w-0 px-4 pt-3 lg:border-l lg:border-hair lg:px-5">
          <p role="status" className="m-0 pb-1 font-semibold text-copper empty:hidden">
            {says}
          </p>
          {!standing && (
            <Part title="To issue it">
              {mayPay.length > 1 && (
                <label className="flex min-h-[44px] flex-wrap items-center gap-x-3">
                  Written to
                  <select
                    className="field"
                    value={papers.customerId}
                    onChange={(event) => void look(event.target.value)}
                  >
                    {mayPay.map((one) => (
                      <option key={one.id} value={one.id}>
                        {one.name}
                      </option>
                    ))}
                  </select>
                </label>
              )}
              {notReady.length > 0 && (
                <ul className="m-0 list-none p-0">
                  {notReady.map(({ code, at, words }) => (
                    <li key={`${code} ${at}`} className="border-t border-hair py-1.5">
                      {words} <span className="mono text-[12.5px] text-second">EN 16931 {code}</span>
                    </li>
                  ))}
                </ul>
              )}
              <p className="m-0 flex flex-wrap gap-x-5">
                {isOwner && <Act onClick={() => setSheet('ours')}>How we invoice</Act>}
                <Act onClick={() => setSheet('theirs')}>Where their bills go</Act>
              </p>
              {papers.unpriced.length > 0 && (
                <p className="m-0 py-1 text-brass-ink">
                  Not in it, since nobody said a price: {papers.unpriced.join(', ')}.
                </p>
              )}
              {notReady.length === 0 && isOwner && (
                <>
                  <button
                    type="button"
                    className="act mt-2 min-h-[52px] w-full"
                    disabled={busy}
                    onClick={() => void issue()}
                  >
                    Issue invoice {papers.nextNumber}
                  </button>
                  <p className="m-0 pt-1 text-[13.5px] text-second">
                    What is issued is not changed any more: a slip is taken back by a credit note and issued anew.
                  </p>
                </>
              )}
              {!isOwner && (
                <p className="m-0 pt-1 text-[14px] text-second">
                  {lost.length > 0 ? 'An owner says how the firm invoices, and issues it.' : 'An owner issues it.'}
                </p>
              )}
            </Part>
          )}
          <IssuedInvoices papers={papers} isOwner={isOwner} onDone={look} onSays={setSays} />
          <SendPapers
            url={`/api/visits/${papers.visitId}/letters`}
            none={
              <>
                Nothing of this visit was sent yet.
                {papers.reportByMail && (
                  <b className="block font-semibold text-brass-ink">
                    The report was asked to go out as the visit was closed, and did not: no address was kept then, or it
                    could not be made. Send it from here.
                  </b>
                )}
              </>
            }
            papers={sent}
            // The annex goes along where it is wanted.
            chosen={sent.map(([paper]) => paper).filter((paper) => paper !== 'sheets')}
            to={draft.buyer.email ?? ''}
            {...visitLetter({ day: dayLong(draft.deliveredOn), site: papers.site, firm: draft.seller.name })}
          />
          <Part title="Papers">
            {[
              { href: `/api/visits/${papers.visitId}/report.pdf`, name: `Service report ${draft.reportCode}` },
              { href: `/api/visits/${papers.visitId}/sheets.pdf`, name: 'Drawn sheets, one a machine' },
              ...papers.besides,
            ].map(({ href, name }) => (
              <PaperLink key={href} href={href} name={name} onSays={setSays} />
            ))}
          </Part>
        </div>
      </div>
      {sheet === 'ours' && (
        <InvoicingSheet
          firmId={papers.firmId}
          now={papers.set.invoicing}
          currency={draft.currency}
          today={today}
          onClose={() => setSheet(null)}
          onSaved={() => look()}
        />
      )}
      {sheet === 'theirs' && (
        <BillToSheet
          customerId={papers.customerId}
          taxTold={papers.set.taxTold}
          today={today}
          onClose={() => setSheet(null)}
          onSaved={() => look()}
        />
      )}
    </div>
  )
}

export const PapersIsland = fromPage(PapersView)
