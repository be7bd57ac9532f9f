import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import type { SiteSoftener } from '../../views/site-page.ts'
import { keep } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { ByMistake } from '../records/ByMistake.tsx'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { behindItField, putBehind, type StandsHere } from './behind-it.ts'
import { treatmentFields, treatmentValues, typedSettings } from './treatment-fields.ts'

interface Props {
  softener: SiteSoftener
  /** What stands at its site: any of it can be put behind it. */
  machines: StandsHere[]
  today: string
  onSaved: () => void
  onCancel: () => void
}

/** What a treatment is called, how large it is, and whether it still works. */
export function SoftenerSheet({ softener, machines, today, onSaved, onCancel }: Props) {
  const [ids] = useState(() => Array.from({ length: 3 }, newId))
  const kind = softener.treatment ?? 'exchanger'
  const inUse = softener.stage !== 'retired'
  const before = treatmentValues(softener)
  const behind = machines.filter(({ softenerId }) => softenerId === softener.id).map(({ id }) => id)
  const [moveIds] = useState(() => new Map(machines.map(({ id }) => [id, newId()])))
  return (
    <Sheet
      open
      onOpenChange={onCancel}
      title="Edit the treatment"
      about="What is left until it is due is reckoned with what it is now."
    >
      <SheetForm
        fields={[
          { id: 'name', label: 'Called', half: true },
          { id: 'on', label: 'From', kind: 'day', half: true, paths: ['happenedOn'] },
          ...treatmentFields(kind),
          ...behindItField(machines),
          {
            id: 'retired',
            label: inUse ? 'Taken out of use' : 'Out of use',
            hint: 'nothing is asked for any more; the history stays',
            kind: 'tick',
          },
        ]}
        values={{ ...before, name: softener.name, on: today, retired: !inUse, behind }}
        save="Save"
        onCancel={onCancel}
        onSave={async (typed) => {
          const asked = typedSettings(kind, typed, softener)
          if (!asked.ok) return asked
          const was = typedSettings(kind, before, softener)
          const kept = was.ok ? was.settings.map((setting) => JSON.stringify(setting)) : []
          const on = typedText(typed, 'on') || today
          const stage = { stage: typed.retired === true ? ('retired' as const) : ('working' as const) }
          const told = await keep('softener', softener.id, softener.version, {
            siteId: softener.siteId,
            name: typedText(typed, 'name'),
          })
          if (!told.ok) return told
          const [stageId, ...others] = ids as [string, ...string[]]
          const chosen = (typed.behind ?? []) as string[]
          const entries = [
            ...putBehind({ siteId: softener.siteId, softenerId: softener.id, machines, chosen, on, ids: moveIds }),
            ...asked.settings
              .filter((setting) => !kept.includes(JSON.stringify(setting)))
              .map((setting, i) => makeEntry('softener', softener.id, 'setting', setting, on, { id: others[i]! })),
            ...(typed.retired === inUse
              ? [makeEntry('softener', softener.id, 'stage', stage, on, { id: stageId })]
              : []),
          ]
          const written = entries.length > 0 ? await writeFrom(entries) : told
          if (written.ok) onSaved()
          return written
        }}
      />
      <ByMistake kind="softener" id={softener.id} name={softener.name} after={`/sites/${softener.siteId}`} />
    </Sheet>
  )
}
