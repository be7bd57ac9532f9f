import { useState } from 'react'
import { waterUses } from '../../../core/kinds/vessel.ts'
import { litresADay } from '../../../core/standing/water-budget.ts'
import { figure } from '../../../ui/format.ts'
import { later } from '../../../ui/later.tsx'
import { Act, Part } from '../../../ui/Part.tsx'
import { quantityWords } from '../../../ui/quantity.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import type { MachineWater } from './water-of.ts'

const MeasureDrawSheet = later(() => import('./MeasureDrawSheet.tsx').then((module) => module.MeasureDrawSheet))

interface Props {
  bundle: MachineBundle
  water: MachineWater
  today: string
  onSaved: () => Promise<void>
}

const useWords = { brew: 'brewed', steam: 'steamed away', 'hot-water': 'drawn hot', past: 'past the heat' } as const

/** Litres from counts: where they go, how that is known, and a way to measure it. */
export function DrawPart({ bundle, water, today, onSaved }: Props) {
  const [open, setOpen] = useState(false)
  const { budget, use, kind } = water.facts
  const parts = waterUses
    .map((of) => ({ of, litres: litresADay({ factor: budget.factor, ...budget.uses[of] }, use) }))
    .filter(({ litres }) => litres > 0.005)
  const from = {
    metered: `by its meter, ${budget.intervals} intervals: counts × ${figure(budget.factor)}`,
    factor: `by its softener’s meter: counts × ${figure(budget.factor)}`,
    set: budget.setSaid,
    counted: `its drinks as its own counters tell ${figure(budget.counted ?? 0)} of them apart; water of each from memory`,
    catalogue: 'by the usual drink of its kind, from memory',
  }[budget.from]
  return (
    <Part title="What it draws" action={<Act onClick={() => setOpen(true)}>Measure it</Act>}>
      <p className="m-0">
        <b className="mono">{quantityWords(litresADay(budget, use), 'L/open day')}</b>,{' '}
        {figure(budget.mlPerDrink * budget.factor)} ml for each of its {kind.counter.unit}, {from}.
      </p>
      <p className="m-0 text-[14px] text-second">
        {parts.map(({ of, litres }) => `${quantityWords(litres, 'L/open day')} ${useWords[of]}`).join(', ')}.
      </p>
      {open && (
        <MeasureDrawSheet
          bundle={bundle}
          water={water}
          today={today}
          onClose={() => setOpen(false)}
          onSaved={onSaved}
        />
      )}
    </Part>
  )
}
