import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import type { SoftenerPage } from '../../views/softener-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { type FieldSpec, typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Measured extends FieldSpec {
  point: 'raw' | 'permeate' | 'softened'
  figure: 'conductivityUsCm' | 'freeChlorineMgL' | 'totalChlorineMgL'
}

const measured = (point: Measured['point'], figure: Measured['figure'], label: string, hint?: string): Measured => ({
  id: `${point} ${figure}`,
  point,
  figure,
  label,
  unit: figure === 'conductivityUsCm' ? 'µS/cm' : 'mg/L',
  kind: 'number',
  half: true,
  paths: [`body.${figure}`],
  ...(hint && { hint }),
})

/** Where each is measured, in the order of the water. */
const points: Measured[] = [
  measured('raw', 'conductivityUsCm', 'Before it'),
  measured('permeate', 'conductivityUsCm', 'Behind the membrane', 'before raw water is mixed in'),
  measured('softened', 'conductivityUsCm', 'As it leaves', 'where the membrane has no tap of its own'),
]
const chlorine: Measured[] = [
  measured('raw', 'freeChlorineMgL', 'Free chlorine before it'),
  measured('raw', 'totalChlorineMgL', 'Total chlorine before it'),
  measured('softened', 'freeChlorineMgL', 'Free chlorine behind it'),
  measured('softened', 'totalChlorineMgL', 'Total chlorine behind it'),
]

interface Props {
  page: SoftenerPage
  about: 'conductivity' | 'chlorine'
  today: string
  onClose: () => void
}

/** Notes what a pen or a paper showed before and behind a treatment. */
export function MeasuredSheet({ page, about, today, onClose }: Props) {
  const [ids] = useState(() => Array.from({ length: 3 }, newId))
  const fields = about === 'conductivity' ? points : chlorine
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={about === 'conductivity' ? 'Conductivity, at 25 °C' : 'Chlorine'}
      about={
        about === 'conductivity'
          ? 'A membrane is told by what it lets through of the feed.'
          : 'Test first thing: carbon that stood overnight shows what comes through.'
      }
    >
      <SheetForm
        fields={[{ id: 'on', label: 'Measured on', kind: 'day', paths: ['happenedOn'] }, ...fields]}
        values={{ on: today, ...Object.fromEntries(fields.map(({ id }) => [id, ''])) }}
        save="Note it"
        onCancel={onClose}
        onSave={async (typed) => {
          const found = fields.flatMap((field) => {
            const value = typedNumber(typed, field.id)
            return value === undefined ? [] : [{ ...field, value }]
          })
          const bad = found.find(({ value }) => !(value >= 0))
          if (bad) return wrongAt(bad.id, 'must be a number, 0 or more')
          if (found.length === 0) return wrongAt('', 'Nothing is measured yet: one figure is enough.')
          const on = typedText(typed, 'on') || today
          const told = await writeFrom(
            (['raw', 'permeate', 'softened'] as const).flatMap((point, i) => {
              const here = found.filter((one) => one.point === point)
              if (here.length === 0) return []
              const body = {
                point,
                by: 'pen' as const,
                ...Object.fromEntries(here.map(({ figure, value }) => [figure, value])),
              }
              // Raw water speaks for the whole site, not for what stands behind one treatment.
              return point === 'raw'
                ? [makeEntry('site', page.site.id, 'water-figures', body, on, { id: ids[i]! })]
                : [makeEntry('softener', page.softener.id, 'water-figures', body, on, { id: ids[i]! })]
            }),
          )
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
