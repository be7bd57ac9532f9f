import { useState } from 'react'
import { dayShort } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { moneyOf } from '../../ui/minor-words.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ClaimRow } from '../../views/claims.ts'
import type { PageAddress } from '../../views/customer-page.ts'
import type { InvoiceListPage, InvoiceRow } from '../../views/invoice-page.ts'
import { fromPage } from '../from-page.tsx'
import { usePages } from '../use-pages.tsx'
import { ClaimsPart } from './ClaimsPart.tsx'

const LetterheadSheet = later(() => import('../care/LetterheadSheet.tsx').then((module) => module.LetterheadSheet))

interface Props {
  first: InvoiceListPage
  claims: ClaimRow[]
  firm: { id: string; name: string }
  /** What all papers begin with, for whoever may change it. */
  letterhead: { now: PageAddress['letterhead'] } | null
  today: string
}

/** All invoices and credit notes, the latest first, and the file for whoever keeps the books. */
function InvoiceList({ first, claims, firm, letterhead, today }: Props) {
  const { rows, more } = usePages(first, '/api/invoices')
  const [open, setOpen] = useState(false)
  const year = today.slice(0, 4)
  return (
    <div>
      <TitleBlock
        name="Invoices"
        under={firm.name}
        facts={[]}
        action={
          letterhead && (
            <button type="button" className="plain" onClick={() => setOpen(true)}>
              Letterhead and logo
            </button>
          )
        }
      />
      {open && letterhead && (
        <LetterheadSheet
          firmId={firm.id}
          now={letterhead.now}
          today={today}
          onClose={() => setOpen(false)}
          onSaved={async () => location.reload()}
        />
      )}
      <div className="px-4 pt-2 pb-8 lg:px-6">
        <p className="m-0 flex flex-wrap gap-x-5">
          {[year, String(Number(year) - 1)].map((one) => (
            <a
              key={one}
              className="inline-flex min-h-[44px] items-center font-semibold text-copper"
              href={`/api/export/invoices.csv?from=${one}-01-01&to=${one}-12-31`}
            >
              {one} as a spreadsheet
            </a>
          ))}
        </p>
        {rows.length === 0 && (
          <p className="m-0 max-w-[600px] text-second">
            None is issued yet. A visit is closed with its lines and prices; its invoice is issued among the papers of
            that visit.
          </p>
        )}
        <ul className="m-0 list-none p-0">
          {rows.map((row) => (
            <Line key={row.id} row={row} />
          ))}
        </ul>
        {more}
        <div className="pt-6">
          <ClaimsPart claims={claims} today={today} />
        </div>
      </div>
    </div>
  )
}

function Line({ row }: { row: InvoiceRow }) {
  const { kind, cancelledBy, cancels } = row
  return (
    <li className="border-t border-hair">
      <a
        href={`/visits/${row.visitId}/papers`}
        className="grid min-h-[52px] grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 py-1.5 hover:bg-copper-tint md:grid-cols-[130px_90px_minmax(0,1fr)_auto]"
      >
        <span className="mono font-semibold">{row.number}</span>
        <span className="mono text-right text-[13px] md:text-left">{dayShort(row.issuedOn)}</span>
        <span className="min-w-0">
          {row.buyer}
          <span className="block text-[13.5px] text-second">
            {kind === 'invoice' ? `for the visit at ${row.place}` : `credit note, takes back ${cancels}`}
            {cancelledBy && `; taken back by ${cancelledBy}`}
          </span>
        </span>
        <span className={`mono text-right ${cancelledBy ? 'text-second line-through' : ''}`}>
          {kind === 'credit-note' && '−'}
          {moneyOf(row.payableMinor, row.currency)}
        </span>
      </a>
    </li>
  )
}

export const InvoiceListIsland = fromPage(InvoiceList)
