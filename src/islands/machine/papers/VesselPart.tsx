import { useMemo, useState } from 'react'
import type { CertificateOutcome } from '../../../core/ledger/kinds/certified.ts'
import { effective, ofKind } from '../../../core/standing/histories.ts'
import { dayLong, daysUntil } from '../../../ui/format.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { newId } from '../../new-id.ts'
import { typedText } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'

interface Props {
  bundle: MachineBundle
  today: string
  onSaved: () => Promise<void>
}

const outcomes: [CertificateOutcome, string][] = [
  ['passed', 'passed'],
  ['remarks', 'passed, with remarks'],
  ['refused', 'refused: not for use'],
]

const twoIds = () => [newId(), newId()] as const

/** The certificate of the pressure vessel, by its inspector; its day stands on the round. */
export function VesselPart({ bundle, today, onSaved }: Props) {
  const [adding, setAdding] = useState(false)
  const [ids, setIds] = useState(twoIds)
  const certificates = useMemo(() => ofKind(effective(bundle.ledgers), 'machine', 'certified'), [bundle])
  const last = certificates.at(-1)
  const late = last?.body.dueOn !== undefined && daysUntil(last.body.dueOn, today) < 0
  return (
    <section aria-label="Pressure vessel">
      <h3 className="head m-0">Pressure vessel</h3>
      <p className="m-0 flex flex-wrap items-center gap-x-3 border-t border-hair pt-1">
        <span className="min-w-0 flex-1">
          {last ? (
            <>
              {last.body.outcome === 'refused' ? <b className="text-seal-ink">Refused</b> : 'Passed'}{' '}
              {dayLong(last.happenedOn)} by {last.body.inspector}
              {last.body.number && `, certificate ${last.body.number}`}
              {last.body.dueOn && (
                <>
                  , next by <b className={late ? 'text-seal-ink' : ''}>{dayLong(last.body.dueOn)}</b>
                </>
              )}
              .
            </>
          ) : (
            'No certificate on record.'
          )}
        </span>
        <button type="button" className="word min-h-[44px]" aria-expanded={adding} onClick={() => setAdding(!adding)}>
          A new certificate
        </button>
      </p>
      {adding && (
        <SheetForm
          fields={[
            { id: 'on', label: 'Inspected on', kind: 'day', half: true, paths: ['happenedOn'] },
            { id: 'outcome', label: 'Outcome', kind: 'choice', half: true, options: outcomes },
            { id: 'inspector', label: 'Inspector', hint: 'name, body', half: true, paths: ['body.inspector'] },
            { id: 'number', label: 'Certificate', hint: 'its number', half: true, paths: ['body.number'] },
            { id: 'dueOn', label: 'Next test by', hint: 'as it says', kind: 'day', half: true, paths: ['body.dueOn'] },
            { id: 'note', label: 'Remarks', paths: ['body.note'] },
          ]}
          values={{ on: today, outcome: 'passed', inspector: '', number: '', dueOn: '', note: '' }}
          save="Keep it"
          onCancel={() => setAdding(false)}
          onSave={async (values) => {
            const on = typedText(values, 'on') || today
            const outcome = typedText(values, 'outcome') as CertificateOutcome
            const [number, dueOn, note] = [
              typedText(values, 'number'),
              typedText(values, 'dueOn'),
              typedText(values, 'note'),
            ]
            const body = {
              outcome,
              inspector: typedText(values, 'inspector'),
              ...(number && { number }),
              ...(dueOn && { dueOn }),
              ...(note && { note }),
            }
            const about = ['machine', bundle.machine.id] as const
            const told = await writeFrom([
              makeEntry(...about, 'certified', body, on, { id: ids[0] }),
              ...(outcome === 'refused' ? [makeEntry(...about, 'held', { why: 'vessel' }, on, { id: ids[1] })] : []),
            ])
            if (!told.ok) return told
            setIds(twoIds())
            await onSaved()
            setAdding(false)
            return told
          }}
        />
      )}
      <p className="m-0 pt-1 text-[13px] text-second">
        Which machines need one, how often and by whom is for local law. A service never stands for it.
      </p>
    </section>
  )
}
