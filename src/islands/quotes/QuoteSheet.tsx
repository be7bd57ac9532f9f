import { useState } from 'react'
import { totalsOf } from '../../core/close-out/charge-line.ts'
import type { CloseOut } from '../../core/close-out/close-out.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { decimalOf } from '../../core/money/minor.ts'
import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import type { Advised } from '../../core/quotes/advised.ts'
import { isCallTheirs, type Road } from '../../core/quotes/own-call.ts'
import { quoteLines } from '../../core/quotes/quote-lines.ts'
import { quotedItems } from '../../core/quotes/quoted-items.ts'
import { twoVisits } from '../../core/quotes/waiting.ts'
import { dayShort } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { type ChosenRow, chosenOf, type WrongRows } from './quote-choice.ts'

interface Props {
  siteId: string
  visitId: string
  advised: Advised[]
  terms: Pick<CloseOut, 'rates' | 'cover' | 'withTax' | 'next'>
  /** Of coming for one thing alone; null where nobody said what it costs. */
  callMinor: number | null
  road: Road
  currency: string
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

/** A quote holds as long as firms usually let it. From memory. */
const usualDays = 30

/** What is advised, chosen for a quote: what goes in and the work, and until when the quote holds. */
export function QuoteSheet(props: Props) {
  const { siteId, visitId, advised, terms, callMinor, road, currency, today, onClose, onSaved } = props
  const { rates, cover, withTax, next } = terms
  const [rows, setRows] = useState(() =>
    Object.fromEntries(
      advised.map(({ key, isOpen, partMinor, minutes }): [string, ChosenRow] => [
        key,
        {
          taken: isOpen,
          price: partMinor === null ? '' : decimalOf(partMinor, currency),
          minutes: minutes === null ? '' : String(minutes),
        },
      ]),
    ),
  )
  const [validUntil, setValidUntil] = useState(fromDay(toDay(today) + usualDays))
  const [ownVisit, setOwnVisit] = useState(next === null)
  const [note, setNote] = useState('')
  const [wrong, setWrong] = useState<WrongRows>({})
  const [says, setSays] = useState('')
  const [busy, setBusy] = useState(false)
  const [id] = useState(newId)
  const { items, wrong: amiss } = chosenOf(advised, rows, currency)
  const lines = quoteLines(items, { rates, cover, validUntil, own: ownVisit ? road : null })
  const totals = totalsOf(lines, rates.taxBp)
  const change = (key: string, part: Partial<ChosenRow>) => setRows({ ...rows, [key]: { ...rows[key]!, ...part } })
  const save = async () => {
    setWrong(amiss)
    if (Object.keys(amiss).length > 0)
      return setSays('What goes in needs its price, and every work its minutes: see the rows.')
    if (items.length === 0) return setSays('Choose what is quoted.')
    if (!validUntil || validUntil < today) return setSays('Say a day until which it holds: today or later.')
    setBusy(true)
    const days = twoVisits(today, next?.on ?? null)
    // Where the contract bears the call, waiting adds nothing to what they pay.
    const theirCallMinor = isCallTheirs(cover, validUntil) ? callMinor : null
    const taken = advised.filter(({ key }) => items.some((item) => item.key === key))
    const told = await writeFrom([
      makeEntry(
        'site',
        siteId,
        'quoted',
        {
          quote: id,
          currency,
          taxBp: rates.taxBp,
          ...(withTax && { withTax: true }),
          validUntil,
          items: quotedItems(taken, days, theirCallMinor),
          ...(theirCallMinor !== null && { callMinor: theirCallMinor }),
          ...(ownVisit && { ownVisit: true }),
          lines: lines.map((line) => ({ ...line, name: upper(line.name).slice(0, 160) })),
          ...(note.trim() && { note: note.trim() }),
        },
        today,
        { id, visitId },
      ),
    ])
    setBusy(false)
    if (!told.ok) return setSays(told.issues[0]!.message)
    await onSaved()
    onClose()
  }
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Write a quote"
      about="Choose what is advised; prices are before tax, of one piece. What waiting may add goes along with each, as it is reckoned today."
    >
      {advised.length === 0 && (
        <p className="m-0 py-1 text-second">Nothing was left open, and nothing falls due soon.</p>
      )}
      <ul className="m-0 list-none p-0">
        {advised.map((one) => (
          <ChooseRow
            key={one.key}
            one={one}
            row={rows[one.key]!}
            currency={currency}
            wrong={wrong[one.key]}
            onChange={(part) => change(one.key, part)}
          />
        ))}
      </ul>
      <label className="flex min-h-[44px] items-center gap-3 border-t border-hair">
        <input type="checkbox" checked={ownVisit} onChange={(event) => setOwnVisit(event.target.checked)} />
        {next ? 'On a visit of its own, with the call and the road' : 'With the call and the road: no visit is agreed'}
      </label>
      <label className="flex min-h-[44px] flex-wrap items-center gap-x-3">
        Holds until
        <input
          type="date"
          className="field mono"
          min={today}
          value={validUntil}
          onChange={(event) => setValidUntil(event.target.value)}
        />
        <span className="text-[13px] text-second">thirty days are usual; from memory</span>
      </label>
      <label className="block pt-1">
        A line to them
        <textarea
          className="field mt-1 w-full"
          rows={2}
          maxLength={500}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      <p className="m-0 py-2 text-[15px]">
        <b className="mono">{moneyOf(withTax ? totals.grossMinor : totals.netMinor, currency)}</b>{' '}
        {withTax ? 'with tax' : 'before tax'}
        {totals.worthMinor > totals.netMinor &&
          `; ${moneyOf(totals.worthMinor - totals.netMinor, currency)} more is paid by contract or warranty`}
        .{totals.unpriced > 0 && ' The work has no price yet: say the rates first.'}
      </p>
      <p role="alert" className="m-0 pb-2 font-semibold text-seal-ink empty:hidden">
        {says}
      </p>
      <button
        type="button"
        className="act min-h-[52px] w-full"
        disabled={busy || totals.unpriced > 0}
        onClick={() => void save()}
      >
        Keep the quote
      </button>
    </Sheet>
  )
}

interface RowProps {
  one: Advised
  row: ChosenRow
  currency: string
  wrong: 'price' | 'minutes' | undefined
  onChange: (part: Partial<ChosenRow>) => void
}

function ChooseRow({ one, row, currency, wrong, onChange }: RowProps) {
  const { name, machine, pieces, isOpen, isUnderWarranty, part, due } = one
  return (
    <li className="border-t border-hair py-1">
      <label className="flex min-h-[44px] items-center gap-3">
        <input type="checkbox" checked={row.taken} onChange={(event) => onChange({ taken: event.target.checked })} />
        <span className="leading-tight">
          <b className="font-semibold">{upper(name)}</b>
          <span className="block text-[13.5px] text-second">
            {[
              machine,
              isOpen ? 'left open' : due ? `due about ${dayShort(due.p50)}` : '',
              isUnderWarranty ? 'under warranty' : '',
            ]
              .filter(Boolean)
              .join(', ')}
          </span>
        </span>
      </label>
      {row.taken && (
        <span className="flex flex-wrap items-center gap-x-4 gap-y-1 pb-1 pl-7 text-[14px]">
          <label className="inline-flex items-center gap-1.5">
            {part && pieces > 1 ? `${pieces} parts, each` : 'Part'}
            <NumberInput
              aria-label={`Price, ${name}`}
              aria-invalid={wrong === 'price'}
              className="field mono w-[92px] text-right"
              text={row.price}
              onText={(price) => onChange({ price })}
              reads={{ from: 0, to: 1e6 }}
            />
            <span className="text-second">{currency}</span>
          </label>
          <label className="inline-flex items-center gap-1.5">
            Work
            <NumberInput
              aria-label={`Minutes, ${name}`}
              aria-invalid={wrong === 'minutes'}
              className="field mono w-[70px] text-right"
              text={row.minutes}
              onText={(minutes) => onChange({ minutes })}
              reads={{ whole: true, from: 0, to: 6000, unit: 'min' }}
            />
            <span className="text-second">min</span>
          </label>
          {wrong && (
            <span className="font-semibold text-seal-ink">
              {wrong === 'price' ? 'needs a price' : 'needs its minutes'}
            </span>
          )}
        </span>
      )}
    </li>
  )
}
