import { useMemo, useState } from 'react'
import type { Kind } from '../../../core/kinds/kind.ts'
import { effective, nearestSetting } from '../../../core/standing/histories.ts'
import { holding, type Warranty } from '../../../core/visits/warranties.ts'
import { dayLong } from '../../../ui/format.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { newId } from '../../new-id.ts'
import { typedNumber, typedText } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'
import { machineLevels } from '../../setting/levels.ts'
import { warrantiesHere } from './warranties-here.ts'

interface Props {
  bundle: MachineBundle
  kind: Kind
  today: string
  onSaved: () => Promise<void>
}

/** What somebody still stands by: the machine, parts, our own work; and how long we stand by ours. */
export function WarrantyPart({ bundle, kind, today, onSaved }: Props) {
  const [changing, setChanging] = useState(false)
  const [id, setId] = useState(newId)
  const own = useMemo(() => nearestSetting(effective(bundle.ledgers), 'warranty'), [bundle])
  const standing = useMemo(() => holding(warrantiesHere(bundle, kind), today), [bundle, kind, today])
  const levels = machineLevels(bundle)
  return (
    <section aria-label="Under warranty">
      <h3 className="head m-0">Under warranty</h3>
      {standing.length === 0 && <p className="m-0 text-second">Nothing on record is.</p>}
      <ul className="m-0 list-none p-0">
        {standing.map((one) => (
          <li
            key={`${one.of} ${one.name} ${one.group ?? ''} ${one.until}`}
            className="flex flex-wrap gap-x-3 border-t border-hair py-1.5"
          >
            <span className="min-w-0 flex-1">{warrantyName(one)}</span>
            <span className="mono text-[14px]">until {dayLong(one.until)}</span>
          </li>
        ))}
      </ul>
      <p className="m-0 flex flex-wrap items-center gap-x-3 border-t border-hair pt-1 text-[14px]">
        <span className="min-w-0 flex-1">
          {own
            ? `We stand by parts for ${own.body.partsMonths} months, by work for ${own.body.workMonths}.`
            : 'How long the firm stands by its own parts and work is not said.'}
        </span>
        <button
          type="button"
          className="word min-h-[44px]"
          aria-expanded={changing}
          onClick={() => setChanging(!changing)}
        >
          {own ? 'Change it' : 'Say it'}
        </button>
      </p>
      {changing && (
        <SheetForm
          fields={[
            { id: 'partsMonths', label: 'Parts', kind: 'number', unit: 'months', reads: { whole: true }, half: true },
            { id: 'workMonths', label: 'Work', kind: 'number', unit: 'months', reads: { whole: true }, half: true },
            { id: 'level', label: 'For', kind: 'choice', options: levels.map(({ level, words }) => [level, words]) },
          ]}
          values={{
            partsMonths: String(own?.body.partsMonths ?? ''),
            workMonths: String(own?.body.workMonths ?? ''),
            level: own?.level && levels.some(({ level }) => level === own.level) ? own.level : 'machine',
          }}
          save="Keep it"
          onCancel={() => setChanging(false)}
          onSave={async (values) => {
            const { level, id: about } = levels.find((one) => one.level === typedText(values, 'level')) ?? levels[0]!
            const body = {
              setting: 'warranty' as const,
              partsMonths: typedNumber(values, 'partsMonths') ?? 0,
              workMonths: typedNumber(values, 'workMonths') ?? 0,
            }
            const told = await writeFrom([makeEntry(level, about, 'setting', body, today, { id })])
            if (!told.ok) return told
            setId(newId())
            await onSaved()
            setChanging(false)
            return told
          }}
        />
      )}
      <p className="m-0 pt-1 text-[13px] text-second">
        Wear parts, chalk and frost are mostly left out of a maker's warranty: read its terms before a claim.
      </p>
    </section>
  )
}

const warrantyName = ({ of, name, group, by }: Warranty): string => {
  const where = group === undefined ? '' : `, group ${group}`
  if (of === 'machine') return by ? `The machine, by ${by}` : 'The machine'
  return of === 'part' ? `${name}${where}, fitted` : `Our work: ${name}${where}`
}
