import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import type { SiteSoftener } from '../../views/site-page.ts'
import { keep } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { type FieldSpec, typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { newId } from '../send-entries.ts'

interface Props {
  softener: SiteSoftener
  today: string
  onSaved: () => void
  onCancel: () => void
}

/** What a softener or cartridge is called, how large it is, and whether it still works. */
export function SoftenerSheet({ softener, today, onSaved, onCancel }: Props) {
  const [ids] = useState(() => [newId(), newId()] as const)
  const isCartridge = softener.treatment === 'cartridge'
  const inUse = softener.stage !== 'retired'
  const sizes: FieldSpec[] = isCartridge
    ? [
        { id: 'size', label: 'Holds', kind: 'number', unit: 'g CaCO₃', half: true, paths: ['body.capacityG'] },
        { id: 'bypass', label: 'Bypass', kind: 'number', unit: '%', half: true, paths: ['body.bypass'] },
      ]
    : [
        { id: 'size', label: 'Resin', kind: 'number', unit: 'L', half: true, paths: ['body.resinL'] },
        {
          id: 'saltGPerL',
          label: 'Salt for a litre of resin',
          hint: 'empty: as usual',
          kind: 'number',
          unit: 'g',
          half: true,
          paths: ['body.saltGPerL'],
        },
        { id: 'itself', label: 'Regenerates itself', hint: 'asks for salt, not for a hand', kind: 'tick' },
        {
          id: 'saltTankKg',
          label: 'Brine tank holds',
          hint: 'where it regenerates itself',
          kind: 'number',
          unit: 'kg',
          half: true,
          paths: ['body.saltTankKg'],
        },
      ]
  const size = isCartridge ? softener.capacityG : softener.resinL
  const bypass = softener.bypass === undefined ? undefined : Math.round(softener.bypass * 1000) / 10
  return (
    <Sheet
      open
      onOpenChange={onCancel}
      title="Edit the softener"
      about="What is left until the next regeneration is reckoned with the size it has now."
    >
      <SheetForm
        fields={[
          { id: 'name', label: 'Called', half: true },
          ...sizes,
          { id: 'on', label: 'From', kind: 'day', half: true, paths: ['happenedOn'] },
          {
            id: 'retired',
            label: inUse ? 'Taken out of use' : 'Out of use',
            hint: 'nothing is asked for any more; the history stays',
            kind: 'tick',
          },
        ]}
        values={{
          name: softener.name,
          size: size === undefined ? '' : String(size),
          bypass: bypass === undefined ? '' : String(bypass),
          saltGPerL: softener.saltGPerL === undefined ? '' : String(softener.saltGPerL),
          saltTankKg: softener.saltTankKg === undefined ? '' : String(softener.saltTankKg),
          itself: softener.regeneratesItself === true,
          on: today,
          retired: !inUse,
        }}
        save="Save"
        onCancel={onCancel}
        onSave={async (typed) => {
          const amount = typedNumber(typed, 'size')
          const share = typedNumber(typed, 'bypass') ?? 0
          if (amount === undefined || !(amount > 0)) return wrongAt('size', 'must be a number above 0')
          if (!(share >= 0 && share < 100)) return wrongAt('bypass', 'must be from 0 to 99')
          const on = typedText(typed, 'on') || today
          const [saltGPerL, saltTankKg] = [typedNumber(typed, 'saltGPerL'), typedNumber(typed, 'saltTankKg')]
          if (saltGPerL !== undefined && !(saltGPerL > 0)) return wrongAt('saltGPerL', 'must be a number above 0')
          if (saltTankKg !== undefined && !(saltTankKg > 0)) return wrongAt('saltTankKg', 'must be a number above 0')
          const itself = typed.itself === true
          const resized =
            amount !== size ||
            (isCartridge
              ? share !== (bypass ?? 0)
              : saltGPerL !== softener.saltGPerL ||
                saltTankKg !== softener.saltTankKg ||
                itself !== (softener.regeneratesItself === true))
          const setting = isCartridge
            ? { setting: 'cartridge', capacityG: amount, bypass: share / 100 }
            : {
                setting: 'exchanger',
                resinL: amount,
                ...(softener.capacityGPerL && { capacityGPerL: softener.capacityGPerL }),
                ...(softener.reserve !== undefined && { reserve: softener.reserve }),
                ...(itself && { regenerates: 'itself' }),
                ...(saltGPerL && { saltGPerL }),
                ...(saltTankKg && { saltTankKg }),
              }
          const stage = { stage: typed.retired === true ? 'retired' : 'working' }
          const told = await keep('softener', softener.id, softener.version, {
            siteId: softener.siteId,
            name: typedText(typed, 'name'),
          })
          if (!told.ok) return told
          const entries = [
            ...(resized ? [makeEntry('softener', softener.id, 'setting', setting, on, { id: ids[0] })] : []),
            ...(typed.retired === inUse
              ? [makeEntry('softener', softener.id, 'stage', stage, on, { id: ids[1] })]
              : []),
          ]
          const written = entries.length > 0 ? await writeFrom(entries) : told
          if (written.ok) onSaved()
          return written
        }}
      />
    </Sheet>
  )
}
