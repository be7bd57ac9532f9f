import { chargeUnitWords } from '../../core/close-out/charge-terms.ts'
import { type Invoice, toldLines } from '../../core/invoices/invoice.ts'
import { addressLines } from '../../core/invoices/party.ts'
import { dayLong, figure } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'

/** An invoice as it stands on its paper; without a number it is not issued yet. */
export function DraftPaper({ invoice, number }: { invoice: Omit<Invoice, 'number'>; number: string | null }) {
  const { seller, buyer, totals, currency, taxName } = invoice
  const sum = (minor: number) => moneyOf(minor, currency)
  const [name = '', ...address] = addressLines(seller)
  const told = toldLines(invoice)
  return (
    <article
      aria-label={number ? `Invoice ${number}` : 'Invoice, not issued yet'}
      className="mx-auto max-w-[760px] border border-hair bg-enamel px-5 py-5 text-[14.5px] lg:px-9 lg:py-8"
    >
      <p className="m-0 text-[19px] font-bold">{name}</p>
      <p className="m-0 text-[13px] text-second">
        {[...address, seller.phone, seller.email].filter(Boolean).join(' · ')}
      </p>
      <div className="flex flex-wrap justify-between gap-x-8 gap-y-3 py-6">
        <p className="m-0 whitespace-pre-line">{addressLines(buyer).join('\n')}</p>
        <dl className="m-0 grid grid-cols-[auto_auto] gap-x-4 text-[13.5px]">
          <dt className="text-second">Day</dt>
          <dd className="m-0">{dayLong(invoice.issuedOn)}</dd>
          <dt className="text-second">Work done on</dt>
          <dd className="m-0">{dayLong(invoice.deliveredOn)}</dd>
          <dt className="text-second">To be paid by</dt>
          <dd className="m-0">{dayLong(invoice.dueOn)}</dd>
          {invoice.orderNumber && (
            <>
              <dt className="text-second">Their order</dt>
              <dd className="m-0">{invoice.orderNumber}</dd>
            </>
          )}
        </dl>
      </div>
      <h2 className="head m-0 pb-1">{number ? `Invoice ${number}` : 'Invoice, not issued yet'}</h2>
      {invoice.lines.length === 0 ? (
        <p className="m-0 py-2 text-second">Nothing of this visit is charged to the customer.</p>
      ) : (
        <table className="w-full border-collapse">
          <thead>
            <tr className="slim text-[13px] text-second">
              <th className="py-1 text-left font-semibold">What for</th>
              <th className="py-1 pl-2 text-right font-semibold">How much</th>
              <th className="py-1 pl-2 text-right font-semibold">{invoice.withTax ? 'With tax' : 'Before tax'}</th>
            </tr>
          </thead>
          <tbody>
            {invoice.lines.map((line, i) => (
              <tr key={i} className="border-t border-hair align-top">
                <td className="py-1.5">
                  {line.name}
                  {line.note && <span className="text-second"> ({line.note})</span>}
                </td>
                <td className="mono py-1.5 pl-2 text-right whitespace-nowrap">
                  {`${figure(line.quantityMilli / 1000)} ${chargeUnitWords[line.unit]}`.trim()}
                </td>
                <td className="mono py-1.5 pl-2 text-right whitespace-nowrap">{sum(told[i]!)}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr className="border-t-2 border-deep">
              <td className="py-1" colSpan={2}>
                Together, {invoice.withTax ? 'with tax' : 'before tax'}
              </td>
              <td className="mono py-1 pl-2 text-right">
                {sum(invoice.withTax ? totals.grossMinor : totals.netMinor)}
              </td>
            </tr>
            {totals.taxes.map((tax) => (
              <tr key={`${tax.category} ${tax.taxBp}`}>
                <td className="py-1" colSpan={2}>
                  {invoice.withTax && tax.taxBp > 0 && 'In it: '}
                  {tax.taxBp > 0
                    ? `${taxName} ${figure(tax.taxBp / 100)} %`
                    : [tax.category === 'AE' ? 'The customer owes the tax' : 'No tax', tax.reason]
                        .filter(Boolean)
                        .join(': ')}
                </td>
                <td className="mono py-1 pl-2 text-right">{sum(tax.taxMinor)}</td>
              </tr>
            ))}
            {totals.roundingMinor !== 0 && (
              <tr>
                <td className="py-1" colSpan={2}>
                  Rounded by
                </td>
                <td className="mono py-1 pl-2 text-right">{sum(totals.roundingMinor)}</td>
              </tr>
            )}
            <tr className="font-semibold">
              <td className="py-1" colSpan={2}>
                To pay
              </td>
              <td className="mono py-1 pl-2 text-right">{sum(totals.payableMinor)}</td>
            </tr>
          </tfoot>
        </table>
      )}
      {invoice.account && (
        <p className="m-0 pt-4 text-[13.5px]">
          To {invoice.account.name ?? 'our account'}, IBAN <span className="mono">{invoice.account.iban}</span>
        </p>
      )}
    </article>
  )
}
