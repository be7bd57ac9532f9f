import { useState } from 'react'
import { type TreatmentKind, treatmentKinds } from '../../core/softener/treatment-kind.ts'
import { keep } from '../keep.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { Form } from '../records/Form.tsx'
import { typedText } from '../records/form-values.ts'
import { behindItField, putBehind, type StandsHere } from './behind-it.ts'
import { treatmentFields, treatmentValues, treatmentWords, typedSettings } from './treatment-fields.ts'

interface Props {
  siteId: string
  machines: StandsHere[]
  today: string
  onSaved: () => void
  onCancel: () => void
}

/** Adds a treatment of a site's water, and puts machines behind it. */
export function SoftenerForm({ siteId, machines, today, onSaved, onCancel }: Props) {
  const [ids] = useState(() => Array.from({ length: 4 }, newId))
  const [moveIds] = useState(() => new Map(machines.map(({ id }) => [id, newId()])))
  const [kind, setKind] = useState<TreatmentKind>('exchanger')
  return (
    <div className="flex flex-col gap-3">
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">Treatment</span>
        <select className="field" value={kind} onChange={(event) => setKind(event.target.value as TreatmentKind)}>
          {treatmentKinds.map((one) => (
            <option key={one} value={one}>
              {treatmentWords[one]}
            </option>
          ))}
        </select>
      </label>
      <Form
        key={kind}
        fields={[
          { id: 'name', label: 'Called', hint: 'under the counter, back room', half: true },
          {
            id: 'takenOn',
            label: kind === 'exchanger' ? 'Last regenerated or installed' : 'Fitted',
            kind: 'day',
            half: true,
            paths: ['happenedOn'],
          },
          ...treatmentFields(kind),
          ...behindItField(machines),
        ]}
        values={{ ...treatmentValues(), name: '', takenOn: today, behind: [] }}
        save="Add it"
        onCancel={onCancel}
        onSave={async (typed) => {
          const asked = typedSettings(kind, typed)
          if (!asked.ok) return asked
          const [id, first, ...others] = ids as [string, string, ...string[]]
          const on = typedText(typed, 'takenOn') || today
          const told = await keep('softener', id, 0, { siteId, name: typedText(typed, 'name') }, [
            makeEntry('softener', id, 'commissioned', { kind, kindVersion: 1, partsNew: true }, on, { id: first }),
            // What is not there when it is added needs no word.
            ...asked.settings
              .filter((setting) => setting.setting !== 'prefilter' || setting.fitted)
              .map((setting, i) => makeEntry('softener', id, 'setting', setting, on, { id: others[i]! })),
            ...putBehind({
              siteId,
              softenerId: id,
              machines,
              chosen: (typed.behind ?? []) as string[],
              // Behind it since today: where they stood before, and when it was last cared for, is something else.
              on: today,
              ids: moveIds,
            }),
          ])
          if (told.ok) onSaved()
          return told
        }}
      />
    </div>
  )
}
