import { useState } from 'react'
import { type ClaimStep, claimSteps, claimWords } from '../../core/ledger/kinds/claimed.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { decimalOf, minorOf } from '../../core/money/minor.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { dayLong, dayShort } from '../../ui/format.ts'
import { moneyOf } from '../../ui/minor-words.ts'
import { Act, Part } from '../../ui/Part.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import type { ClaimRow } from '../../views/claims.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  claims: ClaimRow[]
  today: LocalDay
}

/** What was done under warranty, and what came of claiming it; the old part is kept until they ask for it or pay. */
export function ClaimsPart({ claims, today }: Props) {
  const [telling, setTelling] = useState<ClaimRow | null>(null)
  if (claims.length === 0) return null
  return (
    <Part title="Warranty claims">
      <p className="m-0 pb-1 text-[14px] text-second">
        Of visits that were closed with something under warranty. Keep the old part, labelled, until whoever stands by
        it asks for it or pays.
      </p>
      <ul className="m-0 list-none p-0">
        {claims.map((claim) => (
          <li
            key={claim.key}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 border-t border-hair py-1.5"
          >
            <span className="min-w-0">
              <a className="font-semibold text-ink" href={`/visits/${claim.visitId}/papers`}>
                {claim.name}
              </a>
              <span className="block text-[13.5px] text-second">
                {[claim.machine, claim.serial, claim.site, dayShort(claim.on)].filter(Boolean).join(' · ')}
              </span>
              <span className={`block text-[13.5px] ${claim.last ? 'text-second' : 'font-semibold text-brass-ink'}`}>
                {claim.last
                  ? [
                      upper(claimWords[claim.last.body.step]),
                      claim.last.body.creditMinor === undefined
                        ? ''
                        : moneyOf(claim.last.body.creditMinor, claim.currency),
                      claim.last.body.by,
                      claim.last.body.reference,
                      dayLong(claim.last.happenedOn),
                    ]
                      .filter(Boolean)
                      .join(', ')
                  : 'Not claimed yet'}
              </span>
            </span>
            <span className="text-right">
              <span className="mono block">
                {claim.worthMinor === null ? 'no price' : moneyOf(claim.worthMinor, claim.currency)}
              </span>
              <Act onClick={() => setTelling(claim)}>What came of it</Act>
            </span>
          </li>
        ))}
      </ul>
      {telling && <ClaimSheet claim={telling} today={today} onClose={() => setTelling(null)} />}
    </Part>
  )
}

function ClaimSheet({ claim, today, onClose }: { claim: ClaimRow; today: LocalDay; onClose: () => void }) {
  const { last, currency } = claim
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={`Warranty: ${claim.name}`}
      about={`Of ${[claim.machine, claim.serial, claim.site].filter(Boolean).join(', ')}, ${dayLong(claim.on)}.`}
    >
      <SheetForm
        fields={[
          {
            id: 'step',
            label: 'How far it is',
            kind: 'choice',
            options: claimSteps.map((step): [string, string] => [step, upper(claimWords[step])]),
            paths: ['body.step'],
          },
          { id: 'by', label: 'Who stands by it', half: true, paths: ['body.by'] },
          { id: 'reference', label: 'Their number for it', half: true, paths: ['body.reference'] },
          {
            id: 'credit',
            label: 'They paid, before tax',
            kind: 'number',
            unit: currency,
            reads: { from: 0, to: 1e6 },
            half: true,
            paths: ['body.creditMinor'],
          },
          { id: 'on', label: 'Day', kind: 'day', half: true },
          { id: 'note', label: 'Note', kind: 'text', rows: 2, paths: ['body.note'] },
        ]}
        values={{
          step: last?.body.step ?? 'kept',
          by: last?.body.by ?? claim.warrantyBy,
          reference: last?.body.reference ?? '',
          credit: last?.body.creditMinor === undefined ? '' : decimalOf(last.body.creditMinor, currency),
          on: today,
          note: '',
        }}
        save="Keep it"
        onCancel={onClose}
        onSave={async (values) => {
          const [by, reference, note] = ['by', 'reference', 'note'].map((id) => typedText(values, id))
          const creditMinor = minorOf(typedText(values, 'credit'), currency)
          const told = await writeFrom([
            makeEntry(
              'site',
              claim.siteId,
              'claimed',
              {
                visit: claim.visitId,
                line: claim.line,
                name: claim.name,
                step: values.step as ClaimStep,
                ...(by && { by }),
                ...(reference && { reference }),
                ...(creditMinor !== null && values.step === 'credited' && { creditMinor, currency }),
                ...(note && { note }),
              },
              typedText(values, 'on') || today,
            ),
          ])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
