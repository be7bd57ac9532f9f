import { useState } from 'react'
import { kinds as shipped } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import { later } from '../../ui/later.tsx'
import { preferences } from '../../ui/preferences.ts'
import { keep, type Told } from '../keep.ts'
import { useOwnKinds } from '../kinds/own-kinds-here.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { Form } from '../records/Form.tsx'
import { countReads, type FieldSpec, typedNumber, typedText, type Values, wrongAt } from '../records/form-values.ts'
import { behindField } from '../records/record-fields.ts'

interface Props {
  site: { id: string; name: string }
  softeners: { id: string; name: string }[]
  today: string
  /** Whether the first count and, at a new place, the water are asked for here too. */
  asksWater?: boolean
  onSaved: (machineId: string) => void
  onCancel?: () => void
}

const optionWords = ({ name, about }: Kind) => (about ? `${name}: ${about.split(/[,.]/)[0]}` : name)
/** What is chosen to make a kind in place. */
const another = 'another'

const SimpleKindSheet = later(() => import('../kinds/SimpleKindSheet.tsx').then((module) => module.SimpleKindSheet))

/** Takes a machine on: what it is, since when, and the first count, written in one piece. */
export function MachineForm({ site, softeners, today, asksWater = false, onSaved, onCancel }: Props) {
  // Ids are made with the form: saved twice is saved once.
  const [ids] = useState(() => Array.from({ length: 7 }, newId))
  const [kind, setKind] = useState(shipped[0]!.id)
  const [making, setMaking] = useState(false)
  const { own, add } = useOwnKinds()
  const kinds = [...shipped, ...(own?.kinds ?? [])]
  const chosen = kinds.find(({ id }) => id === kind)!
  const unit = preferences().hardnessUnit
  const hasGroups = chosen.tasks.some(({ each }) => each === 'group')
  const fields: FieldSpec[] = [
    { id: 'name', label: 'Called', hint: 'left bar, second floor', half: true },
    { id: 'maker', label: 'Maker', half: true },
    { id: 'model', label: 'Model', half: true },
    { id: 'revision', label: 'Revision', hint: 'with or without valve, lamp', half: true },
    { id: 'serial', label: 'Serial number', half: true },
    ...(hasGroups
      ? [
          {
            id: 'groups',
            label: 'Groups',
            kind: 'choice' as const,
            half: true,
            options: ['1', '2', '3', '4'].map((n): [string, string] => [n, n]),
            paths: ['body.count'],
          },
        ]
      : []),
    ...behindField(softeners),
    { id: 'takenOn', label: 'Taken on', kind: 'day', half: true, paths: ['happenedOn', 'body.on'] },
    ...(chosen.uncounted
      ? []
      : [
          {
            id: 'count',
            label: 'Counter now',
            hint: 'empty if it has none',
            kind: 'number' as const,
            reads: { ...countReads, unit: chosen.counter.unit },
            half: true,
            paths: ['body.count'],
          },
        ]),
    ...(asksWater
      ? [
          {
            id: 'hardness',
            label: 'Hardness of the water',
            hint: 'by strip or drops, if known',
            kind: 'number' as const,
            unit: hardnessSymbol[unit],
            half: true,
            paths: ['body.value'],
          },
        ]
      : []),
    { id: 'partsNew', label: 'New: its parts are as old as it is', kind: 'tick' },
  ]
  const values: Values = {
    name: '',
    maker: '',
    model: '',
    revision: '',
    serial: '',
    groups: '2',
    softenerId: '',
    takenOn: today,
    count: '',
    hardness: '',
    partsNew: false,
  }

  const save = async (typed: Values): Promise<Told<object>> => {
    const count = typedNumber(typed, 'count')
    const hardness = typedNumber(typed, 'hardness')
    const takenOn = typedText(typed, 'takenOn') || today
    if (takenOn > today) return wrongAt('takenOn', 'is in the future')
    const id = ids[0]!
    const softenerId = typedText(typed, 'softenerId')
    const { version: kindVersion } = chosen
    const about = (slot: number) => ({ id: ids[slot]! })
    const entries = [
      makeEntry(
        'machine',
        id,
        'commissioned',
        { kind, kindVersion, partsNew: typed.partsNew === true },
        takenOn,
        about(1),
      ),
      // Of a machine in the middle of its life nobody knows the ages: nothing is overdue before somebody looked.
      ...(typed.partsNew === true
        ? []
        : [makeEntry('machine', id, 'taken-over', { parts: 'unknown' }, today, about(5))]),
      ...(hasGroups && typed.groups !== '2'
        ? [makeEntry('machine', id, 'setting', { setting: 'groups', count: Number(typed.groups) }, takenOn, about(2))]
        : []),
      ...(count === undefined
        ? []
        : [makeEntry('machine', id, 'reading', { counter: 'shots', count }, today, about(3))]),
      ...(hardness === undefined
        ? []
        : [
            makeEntry(
              'site',
              site.id,
              'water-test',
              { point: 'raw', quantity: 'total', method: 'figure', unit, value: hardness },
              today,
              about(4),
            ),
          ]),
    ]
    const record = {
      siteId: site.id,
      ...(softenerId && { softenerId }),
      name: typedText(typed, 'name'),
      maker: typedText(typed, 'maker'),
      model: typedText(typed, 'model'),
      revision: typedText(typed, 'revision'),
      serial: typedText(typed, 'serial'),
      kind,
    }
    const told = await keep('machine', id, 0, record, entries)
    if (told.ok) onSaved(id)
    return told
  }
  return (
    <div className="flex flex-col gap-3">
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">Kind of machine</span>
        <select
          className="field"
          value={kind}
          onChange={(event) => (event.target.value === another ? setMaking(true) : setKind(event.target.value))}
        >
          {kinds.map((one) => (
            <option key={one.id} value={one.id}>
              {optionWords(one)}
            </option>
          ))}
          {own && <option value={another}>none of these: a kind of our own …</option>}
        </select>
      </label>
      {making && own && (
        <SimpleKindSheet
          own={own}
          today={today}
          onMade={(made) => {
            add(made)
            setKind(made.id)
            setMaking(false)
          }}
          onClose={() => setMaking(false)}
        />
      )}
      <Form
        key={kind}
        fields={fields}
        values={values}
        save={`Take it on at ${site.name}`}
        onSave={save}
        {...(onCancel && { onCancel })}
      />
    </div>
  )
}
