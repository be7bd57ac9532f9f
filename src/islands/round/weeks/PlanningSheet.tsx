import type { Setting } from '../../../core/ledger/setting-kinds.ts'
import { type PlanningFigureId, planningFigures } from '../../../core/trade/planning-figures.ts'
import { Sheet } from '../../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import type { FieldSpec, Values } from '../../records/form-values.ts'
import { typedNumber } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'

interface Props {
  firmId: string
  own: Setting<'planning'> | null
  today: string
  /** The price of a minute of work is known: costs can be shown as money. */
  hasPrice: boolean
  onClose(): void
  onSaved(): void
}

const ids = Object.keys(planningFigures) as PlanningFigureId[]
const heads: Partial<Record<PlanningFigureId, string>> = {
  lateStands: 'What being late counts as',
  stop: 'A visit',
  detour: 'Roads',
  carryChance: 'What to take along',
}

/** What visits are planned by: each figure as it is from memory until the firm has its own. */
export function PlanningSheet({ firmId, own, today, hasPrice, onClose, onSaved }: Props) {
  const fields: FieldSpec[] = [
    {
      id: 'costsIn',
      label: 'Costs of a day are shown in',
      kind: 'choice',
      options: [
        ['minutes', 'minutes of our time'],
        ['money', hasPrice ? 'money' : 'money: set the price of a minute first, in the Water bench'],
      ],
    },
    ...ids.map((id): FieldSpec => {
      const { name, value, unit, least, most } = planningFigures[id]
      return {
        id,
        label: name,
        kind: 'number',
        unit,
        half: true,
        reads: { from: least, to: most },
        hint: `empty: ${value}, from memory`,
        paths: [`body.${id}`],
        ...(heads[id] && { head: heads[id] }),
      }
    }),
  ]
  const save = async (values: Values) => {
    const set = Object.fromEntries(
      ids.flatMap((id) => {
        const value = typedNumber(values, id)
        return value === undefined ? [] : [[id, value] as const]
      }),
    )
    const costsIn = values.costsIn === 'money' ? ('money' as const) : ('minutes' as const)
    const told = await writeFrom([
      makeEntry('firm', firmId, 'setting', { setting: 'planning', costsIn, ...set }, today),
    ])
    if (told.ok) onSaved()
    return told
  }
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="What visits are planned by"
      about="Everything is weighed in minutes of your time. None of it is a law: set what holds for you, and the plan is made anew."
    >
      <SheetForm
        fields={fields}
        values={{
          costsIn: own?.costsIn ?? 'minutes',
          ...Object.fromEntries(ids.map((id) => [id, own?.[id] === undefined ? '' : String(own[id])])),
        }}
        save="Plan by these"
        onCancel={onClose}
        onSave={save}
      />
    </Sheet>
  )
}
