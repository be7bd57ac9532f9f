import { useState } from 'react'
import type { Kept } from '../../../core/firm/records.ts'
import type { Kind } from '../../../core/kinds/kind.ts'
import { agreedUpTo } from '../../../ui/money.ts'
import { Sheet } from '../../../ui/Sheet.tsx'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { keep } from '../../keep.ts'
import { type FieldSpec, typedNumber, typedText } from '../../records/form-values.ts'
import { RecordChoice } from '../../records/RecordChoice.tsx'
import { texts, typed } from '../../records/record-fields.ts'
import { SheetForm } from '../../records/SheetForm.tsx'
import { PartNumbers } from './PartNumbers.tsx'
import { VesselPart } from './VesselPart.tsx'
import { WarrantyPart } from './WarrantyPart.tsx'

interface Props {
  bundle: MachineBundle
  kind: Kind
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

type Numbered = 'plateVolts' | 'platePhases' | 'plateWatts' | 'plateBar' | 'builtYear'

const plate: (FieldSpec & { id: Numbered })[] = [
  { id: 'plateVolts', label: 'Voltage', kind: 'number', unit: 'V', half: true, head: 'On its plate' },
  { id: 'platePhases', label: 'Phases', kind: 'number', reads: { whole: true, from: 1, to: 3 }, half: true },
  { id: 'plateWatts', label: 'Power', kind: 'number', unit: 'W', half: true },
  { id: 'plateBar', label: 'Pressure vessel, at most', kind: 'number', unit: 'bar', half: true },
  { id: 'builtYear', label: 'Built in', kind: 'number', reads: { whole: true, from: 1900, to: 2200 }, half: true },
]

const fields: FieldSpec[] = [
  { id: 'usedBy', label: 'Used by', hint: 'who to ask at the counter, department' },
  ...plate,
  { id: 'warrantyUntil', label: 'Until', kind: 'day', half: true, head: 'Warranty of the machine' },
  { id: 'warrantyBy', label: 'Given by', hint: 'maker, dealer', half: true },
]

/** What goes with a machine besides its work: whose it is, who pays, plate, warranties, vessel, the maker's numbers. */
export function PapersSheet({ bundle, kind, today, onClose, onSaved }: Props) {
  const { machine, site, papers } = bundle
  const [owner, setOwner] = useState<Choice>({ id: machine.ownerId, name: papers.owner?.name ?? site.customer.name })
  const [payer, setPayer] = useState<Choice>({ id: machine.payerId, name: papers.payer.name })
  const save = async (values: Parameters<typeof typedText>[0]) => {
    const { id: _, version: __, ...before } = machine
    const record: Partial<Kept<'machine'>> = { ...before, ...texts(values, ['usedBy', 'warrantyBy']) }
    for (const { id } of plate) {
      const value = typedNumber(values, id)
      if (value === undefined) delete record[id]
      else record[id] = value
    }
    const until = typedText(values, 'warrantyUntil')
    if (until) record.warrantyUntil = until
    else delete record.warrantyUntil
    for (const [field, { id }] of [
      ['ownerId', owner],
      ['payerId', payer],
    ] as const)
      if (id === undefined) delete record[field]
      else record[field] = id
    const told = await keep('machine', machine.id, machine.version, record)
    if (!told.ok) return told
    await onSaved()
    onClose()
    return told
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Papers of ${machine.name}`}
      about={`${[machine.maker, machine.model, machine.revision].filter(Boolean).join(' ') || 'Maker and model not said'}${machine.serial ? `, serial ${machine.serial}` : ''}.`}
      wide
    >
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
        <section aria-label="Whose it is">
          <h3 className="head m-0">Whose it is</h3>
          <Whose label="Owned by" here={site.customer} chosen={owner} onChoose={setOwner} />
          <Whose label="Paid by" here={site.customer} chosen={payer} onChoose={setPayer} />
          {(payer.id ?? site.customer.id) === papers.payer.id && <AgreedBy papers={papers} />}
          <div className="pt-3">
            <SheetForm
              fields={fields}
              values={typed(machine, { usedBy: '', warrantyUntil: '', warrantyBy: '', ...emptyPlate })}
              save="Save"
              onCancel={onClose}
              onSave={save}
            />
          </div>
        </section>
        <div className="flex flex-col gap-4">
          <WarrantyPart bundle={bundle} kind={kind} today={today} onSaved={onSaved} />
          <VesselPart bundle={bundle} today={today} onSaved={onSaved} />
          <PartNumbers bundle={bundle} kind={kind} today={today} onSaved={onSaved} />
        </div>
      </div>
    </Sheet>
  )
}

const emptyPlate = Object.fromEntries(plate.map(({ id }) => [id, '']))

/** No id: the customer at whose site it stands. */
interface Choice {
  id: string | undefined
  name: string
}

interface WhoseProps {
  label: string
  here: { id: string; name: string }
  chosen: Choice
  onChoose: (choice: Choice) => void
}

function Whose({ label, here, chosen, onChoose }: WhoseProps) {
  const [asks, setAsks] = useState(false)
  return (
    <div className="border-t border-hair py-1">
      <p className="m-0 flex min-h-[44px] flex-wrap items-center gap-x-3">
        <span className="slim w-[84px] text-[14px] text-second">{label}</span>
        <b className="min-w-0 flex-1">
          {chosen.name}
          {chosen.id === undefined && <span className="font-normal text-second">, whose site it is</span>}
        </b>
        <button
          type="button"
          className="word min-h-[44px]"
          aria-expanded={asks}
          aria-label={`${asks ? 'Leave it' : 'Somebody else'}, ${label.toLowerCase()}`}
          onClick={() => setAsks(!asks)}
        >
          {asks ? 'Leave it' : 'Somebody else'}
        </button>
      </p>
      {asks && (
        <RecordChoice
          kind="customer"
          label={label}
          chosen={chosen.id ?? here.id}
          here={{ id: here.id, words: 'whose site it is' }}
          onChoose={(id, name) => {
            onChoose({ id: id === here.id ? undefined : id, name })
            setAsks(false)
          }}
        />
      )}
    </div>
  )
}

/** Who says yes, and up to what, is the payer's: it is written once, with the customer. */
function AgreedBy({ papers }: { papers: MachineBundle['papers'] }) {
  const { id, mayAgree, orderNumber } = papers.payer
  return (
    <p className="m-0 border-t border-hair pt-2 text-[14px]">
      {mayAgree ? (
        <>
          <b>{mayAgree}</b> may say yes{agreedUpTo(papers.payer)}.
        </>
      ) : (
        'Nobody is named who may say yes to work.'
      )}{' '}
      {orderNumber && (
        <>
          Their order number: <span className="mono">{orderNumber}</span>.{' '}
        </>
      )}
      <a className="word" href={`/customers/${id}`}>
        Change with the customer
      </a>
    </p>
  )
}
