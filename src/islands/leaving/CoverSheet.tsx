import type { Cover } from '../../core/close-out/cover.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { decimalOf, minorOf } from '../../core/money/minor.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  siteId: string
  customerId: string
  currency: string
  now: Cover | null
  taxTold: Setting<'tax-told'> | null
  /** Of the machines there: whose parts a contract may leave out. */
  kinds: Kind[]
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

/** What a contract pays for at this place, and how prices are told to its customer. */
export function CoverSheet({ siteId, customerId, currency, now, taxTold, kinds, today, onClose, onSaved }: Props) {
  const withTax = taxTold?.withTax ?? false
  const parts = new Map(kinds.flatMap((kind) => kind.parts.map(({ id, name }): [string, string] => [id, name])))
  const partsPaid =
    now === null || now.partsUpToMinor === null ? 'none' : now.partsUpToMinor === undefined ? 'all' : 'up-to'
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="What the contract pays"
      about="At this place. What it does not pay is charged; what the law asks for is seldom in it: leave those parts out."
    >
      <SheetForm
        fields={[
          {
            id: 'has',
            label: 'There is a contract that pays',
            kind: 'tick',
          },
          { id: 'name', label: 'Its name or number', half: true, paths: ['body.name'] },
          {
            id: 'until',
            label: 'Its last day',
            kind: 'day',
            half: true,
            hint: 'empty: until it is ended',
            paths: ['body.until'],
          },
          { id: 'labour', label: 'Work at the machines', kind: 'tick', half: true },
          { id: 'travel', label: 'The road and the call', kind: 'tick', half: true },
          { id: 'used', label: 'What is used up: salt, descaler', kind: 'tick', half: true },
          {
            id: 'parts',
            label: 'Parts',
            kind: 'choice',
            half: true,
            options: [
              ['all', 'all, whatever they cost'],
              ['up-to', 'up to a price each'],
              ['none', 'none'],
            ],
          },
          {
            id: 'upTo',
            label: 'Up to, each',
            kind: 'number',
            unit: currency,
            reads: { from: 0, to: 1e6 },
            half: true,
            paths: ['body.partsUpToMinor'],
          },
          { id: 'notParts', label: 'Parts it does not pay for', kind: 'several', options: [...parts] },
          { id: 'withTax', label: 'Prices are told with tax in them, as to a household', kind: 'tick' },
        ]}
        values={{
          has: now !== null,
          name: now?.name ?? '',
          until: now?.until ?? '',
          labour: now?.labour ?? true,
          travel: now?.travel ?? true,
          used: now?.used ?? true,
          parts: now === null ? 'all' : partsPaid,
          upTo: now?.partsUpToMinor ? decimalOf(now.partsUpToMinor, currency) : '',
          notParts: [...(now?.notParts ?? [])],
          withTax,
        }}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const name = typedText(values, 'name')
          const until = typedText(values, 'until')
          const upTo = minorOf(typedText(values, 'upTo'), currency)
          if (values.has && values.parts === 'up-to' && upTo === null)
            return { ok: false, issues: [{ path: 'body.partsUpToMinor', code: 'typed', message: 'must be said' }] }
          const notParts = Array.isArray(values.notParts) ? values.notParts : []
          const told = await writeFrom([
            makeEntry(
              'site',
              siteId,
              'setting',
              values.has
                ? {
                    setting: 'covers',
                    ...(name && { name }),
                    ...(until && { until }),
                    ...(values.parts === 'none' && { partsUpToMinor: null }),
                    ...(values.parts === 'up-to' && upTo !== null && { partsUpToMinor: upTo }),
                    ...(notParts.length > 0 && { notParts }),
                    labour: Boolean(values.labour),
                    travel: Boolean(values.travel),
                    used: Boolean(values.used),
                  }
                : { setting: 'covers' },
              today,
            ),
            ...(Boolean(values.withTax) === withTax
              ? []
              : [
                  makeEntry(
                    'customer',
                    customerId,
                    'setting',
                    { ...taxTold, setting: 'tax-told', withTax: Boolean(values.withTax) },
                    today,
                  ),
                ]),
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
