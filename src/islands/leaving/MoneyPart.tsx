import { useState } from 'react'
import { type ChargeLine, comesTo, payerWords } from '../../core/close-out/charge-line.ts'
import { chargeUnitWords, type Payer, payers } from '../../core/close-out/charge-terms.ts'
import type { Cover } from '../../core/close-out/cover.ts'
import { decimalOf, minorOf } from '../../core/money/minor.ts'
import { dayLong, figure } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'
import { Act, Part } from '../../ui/Part.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import type { KeptLeaving } from './kept-leaving.ts'
import type { Leaving } from './leaving.ts'

interface Props {
  leaving: Leaving
  currency: string
  /** Null where it is closed: then it is only read. */
  onChange: ((part: Pick<KeptLeaving, 'changed'> | Pick<KeptLeaving, 'added'>) => void) | null
  kept: KeptLeaving
  onOpen: (sheet: 'rates' | 'cover') => void
  /** A part’s price is kept for the firm, from now on. @returns why it was refused, if it was */
  onPartPrice: (line: ChargeLine, priceMinor: number) => Promise<string | null>
}

/** What was used and how long it took, at which price, and who pays for each: the contract, the customer, nobody. */
export function MoneyPart({ leaving, currency, onChange, kept, onOpen, onPartPrice }: Props) {
  const { lines, totals, rates, cover, withTax } = leaving
  const [changing, setChanging] = useState<ChargeLine | 'new' | null>(null)
  const sum = (minor: number) => moneyOf(minor, currency)
  const sums = payers.filter((payer) => payer !== 'customer' && totals.byPayer[payer] > 0)
  return (
    <Part
      title="Used here, and who pays"
      action={
        onChange && (
          <span className="flex gap-4">
            <Act onClick={() => onOpen('rates')}>Rates</Act>
            <Act onClick={() => onOpen('cover')}>Contract</Act>
            <Act onClick={() => setChanging('new')}>Add a line</Act>
          </span>
        )
      }
    >
      {lines.length === 0 ? (
        <p className="m-0 py-1 text-[14px] text-second">Nothing was fitted and no time was counted.</p>
      ) : (
        <table className="w-full border-collapse text-[14.5px]">
          <thead>
            <tr className="slim text-[13px] text-second">
              <th className="py-1 text-left font-semibold">before tax, by our price book</th>
              <th className="py-1 pl-2 text-right font-semibold max-sm:hidden">how much</th>
              <th className="py-1 pl-2 text-right font-semibold">not charged</th>
              <th className="py-1 pl-2 text-right font-semibold">charged</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <LineOf key={line.id} line={line} sum={sum} onChange={onChange && (() => setChanging(line))} />
            ))}
          </tbody>
          <tfoot>
            <tr className="border-t-2 border-deep font-semibold">
              <td className="py-1.5">Together, before tax</td>
              <td className="max-sm:hidden" />
              <td className="mono py-1.5 pl-2 text-right">{sum(totals.worthMinor - totals.netMinor)}</td>
              <td className="mono py-1.5 pl-2 text-right">{sum(totals.netMinor)}</td>
            </tr>
            {totals.netMinor > 0 && (
              <tr className="text-[13.5px] text-second">
                <td className="pb-1">
                  {rates.taxBp > 0
                    ? `${rates.taxName ?? 'Tax'} ${figure(rates.taxBp / 100)} %: ${sum(totals.taxMinor)}`
                    : 'No tax is set'}
                  {withTax && ', told with tax in it'}
                </td>
                <td className="max-sm:hidden" />
                <td className="pb-1 text-right">with tax</td>
                <td className="mono pb-1 pl-2 text-right">{sum(totals.grossMinor)}</td>
              </tr>
            )}
          </tfoot>
        </table>
      )}
      <p className="m-0 pt-1 text-[13.5px] text-second">
        {cover
          ? coverWords(cover, sum)
          : 'No contract says what it pays: all of it is charged, unless the visit is under warranty or goodwill.'}{' '}
        {sums.map((payer) => `${bears[payer]} ${sum(totals.byPayer[payer])}.`).join(' ')}
      </p>
      {totals.unpriced > 0 && (
        <p className="m-0 pt-1 text-[13.5px] font-semibold text-brass-ink">
          {totals.unpriced === 1 ? 'One line has' : `${totals.unpriced} lines have`} no price: nothing is charged for{' '}
          {totals.unpriced === 1 ? 'it' : 'them'} before somebody says one.
        </p>
      )}
      {changing && onChange && (
        <ChangeLine
          line={changing === 'new' ? null : changing}
          currency={currency}
          onClose={() => setChanging(null)}
          onSave={async (said) => {
            if (said.forAll && changing !== 'new' && said.priceMinor !== null) {
              const refused = await onPartPrice(changing, said.priceMinor)
              if (refused) return refused
            }
            // The price is the firm’s from now on: nothing about this line is by hand.
            const isOnlyPrice = said.forAll && !said.why && changing !== 'new' && said.pays === changing.pays
            if (isOnlyPrice) {
              setChanging(null)
              return null
            }
            if (changing === 'new' || changing.of === 'other')
              onChange({ added: withAdded(kept, changing === 'new' ? null : changing.id, said) })
            else
              onChange({
                changed: {
                  ...kept.changed,
                  [changing.id]: {
                    pays: said.pays,
                    ...(said.priceMinor !== null && { priceMinor: said.priceMinor }),
                    why: said.why,
                  },
                },
              })
            setChanging(null)
            return null
          }}
          onForget={
            changing !== 'new' && (changing.changed || changing.of === 'other')
              ? () => {
                  if (changing.of === 'other') onChange({ added: kept.added.filter(({ id }) => id !== changing.id) })
                  else {
                    const { [changing.id]: _, ...rest } = kept.changed
                    onChange({ changed: rest })
                  }
                  setChanging(null)
                }
              : null
          }
        />
      )}
    </Part>
  )
}

function LineOf({
  line,
  sum,
  onChange,
}: {
  line: ChargeLine
  sum: (minor: number) => string
  onChange: (() => void) | null
}) {
  const total = comesTo(line)
  const said = total === null ? 'no price' : sum(total)
  const words = (
    <>
      <span className={onChange ? 'font-semibold' : ''}>{line.name}</span>
      {line.priceMinor !== null && line.per === 60 && (
        <span className="text-second">, {sum(line.priceMinor)} an hour</span>
      )}
      {(line.changed || (line.why && line.pays === 'customer')) && (
        <span className="block text-[12.5px] text-second">{line.changed ? `by hand: ${line.changed}` : line.why}</span>
      )}
    </>
  )
  const howMuch = `${figure(line.quantityMilli / 1000)} ${chargeUnitWords[line.unit]}`.trim()
  return (
    <tr className="border-t border-hair align-top">
      <td className="py-1 leading-tight">
        {onChange ? (
          <button type="button" className="min-h-[44px] text-left lg:min-h-[26px]" onClick={onChange}>
            {words}
          </button>
        ) : (
          words
        )}
      </td>
      <td className="mono py-1 pl-2 text-right whitespace-nowrap text-second max-sm:hidden">{howMuch}</td>
      <td className="mono py-1 pl-2 text-right">
        {line.pays !== 'customer' && (
          <>
            {said}
            {line.pays !== 'contract' && <span className="block text-[12px] text-second">{payerWords[line.pays]}</span>}
          </>
        )}
      </td>
      <td className="mono py-1 pl-2 text-right font-semibold">{line.pays === 'customer' && said}</td>
    </tr>
  )
}

interface SaidOfLine {
  name: string
  pays: Payer
  priceMinor: number | null
  why: string
  /** The part costs this from now on, wherever it is fitted. */
  forAll: boolean
}

/** A line by hand: who pays, at what price, and why. */
function ChangeLine({
  line,
  currency,
  onClose,
  onSave,
  onForget,
}: {
  line: ChargeLine | null
  currency: string
  onClose: () => void
  onSave: (said: SaidOfLine) => Promise<string | null>
  onForget: (() => void) | null
}) {
  const isOther = line === null || line.of === 'other'
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={line?.name ?? 'Another line'}
      about="What is changed by hand says why: it stands beside it on the report."
    >
      <SheetForm
        fields={[
          ...(isOther ? [{ id: 'name', label: 'What for' } as const] : []),
          {
            id: 'price',
            label: line && line.per === 60 ? 'Price an hour' : 'Price each',
            kind: 'number' as const,
            unit: currency,
            hint: 'before tax',
            reads: { from: 0, to: 1e7 },
            half: true,
          },
          {
            id: 'pays',
            label: 'Who pays',
            kind: 'choice' as const,
            half: true,
            options: payers.map((payer): [string, string] => [payer, whoPays[payer]]),
          },
          { id: 'why', label: 'Why' },
          ...(line?.of === 'part'
            ? [{ id: 'forAll', label: 'This is our price of the part from now on', kind: 'tick' as const }]
            : []),
        ]}
        values={{
          name: line?.name ?? '',
          price: line && line.priceMinor !== null ? decimalOf(line.priceMinor, currency) : '',
          pays: line?.pays ?? 'customer',
          why: line?.changed ?? '',
          forAll: line?.of === 'part' && line.priceMinor === null,
        }}
        save={line ? 'Change it' : 'Add it'}
        onCancel={onClose}
        onSave={async (values) => {
          const name = typedText(values, 'name')
          const priceMinor = minorOf(typedText(values, 'price'), currency)
          const why = typedText(values, 'why')
          if (isOther && !name) return wrongAt('name', 'must be said')
          if (isOther && priceMinor === null) return wrongAt('price', 'must be said')
          const forAll = Boolean(values.forAll)
          if (!why && line !== null && !forAll) return wrongAt('why', 'must be said')
          const refused = await onSave({ name, pays: values.pays as Payer, priceMinor, why, forAll })
          return refused ? wrongAt('price', refused) : { ok: true }
        }}
      />
      {onForget && (
        <button type="button" className="plain mt-3 min-h-[44px]" onClick={onForget}>
          {line?.of === 'other' ? 'Leave this line out' : 'As it was reckoned'}
        </button>
      )}
    </Sheet>
  )
}

const bears: Record<Payer, string> = {
  customer: 'The customer pays',
  contract: 'The contract bears',
  warranty: 'A warranty bears',
  nobody: 'We bear',
}

const whoPays: Record<Payer, string> = {
  customer: 'the customer',
  contract: 'the contract',
  warranty: 'a warranty',
  nobody: 'we do: goodwill',
}

function withAdded(
  kept: KeptLeaving,
  id: string | null,
  { name, pays, priceMinor, why }: SaidOfLine,
): KeptLeaving['added'] {
  const one = {
    id: id ?? `other ${kept.added.length + 1} ${name.slice(0, 40)}`,
    name,
    pays,
    priceMinor: priceMinor ?? 0,
    why,
  }
  return id ? kept.added.map((before) => (before.id === id ? one : before)) : [...kept.added, one]
}

function coverWords(cover: Cover, sum: (minor: number) => string): string {
  const pays = [
    cover.labour ? 'work' : '',
    cover.travel ? 'the road' : '',
    cover.partsUpToMinor === null
      ? ''
      : cover.partsUpToMinor === undefined
        ? 'parts'
        : `parts to ${sum(cover.partsUpToMinor)} each`,
    cover.used ? 'what is used up' : '',
  ].filter(Boolean)
  const not =
    cover.notParts.length > 0 ? `; not ${cover.notParts.map((part) => part.replaceAll('-', ' ')).join(', ')}` : ''
  return `Contract${cover.name ? ` ${cover.name}` : ''}${cover.until ? `, until ${dayLong(cover.until)}` : ''}: pays ${pays.join(', ') || 'nothing'}${not}.`
}
