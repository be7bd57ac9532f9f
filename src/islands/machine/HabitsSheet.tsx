import { useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import type { Unversioned } from '../../core/ledger/versions.ts'
import { alongCount } from '../../core/standing/along-count.ts'
import { detergentRate } from '../../core/standing/detergent-rate.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { machineFacts } from '../../core/standing/machine-facts.ts'
import { type AlongClock, alongClocks, alongWords } from '../../core/wear/limits.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { type FieldSpec, typedNumber, type Values, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  bundle: MachineBundle
  kind: Kind
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

const shown = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(Number(value.toPrecision(4)))

/** How a machine is used besides its counter: hours it is hot, how often it is cleaned, what nobody counts. */
export function HabitsSheet({ bundle, kind, today, onClose, onSaved }: Props) {
  const histories = effective(bundle.ledgers)
  const facts = machineFacts(histories, false)
  const [ids] = useState(() => Array.from({ length: 2 + alongClocks.length }, newId))
  const clocks = alongClocks.filter((clock) => kind.tasks.some(({ limits }) => limits[clock]))
  const rate = facts && detergentRate(facts)
  const hot = nearestSetting(histories, 'hot-hours')?.body
  const counts = facts ? clocks.map((clock) => [clock, alongCount(facts, clock)] as const) : []
  const before: Values = {
    hotOpen: shown(hot?.perOpenDay),
    hotClosed: shown(hot?.perClosedDay),
    detergent: shown(rate?.every ?? rate?.daily),
    ...Object.fromEntries(
      counts.flatMap(([clock, count]) => [
        [`${clock} drink`, shown(count?.perDrink)],
        [`${clock} day`, shown(count?.perOpenDay)],
      ]),
    ),
  }
  const number = (id: string, label: string, unit: string, hint?: string): FieldSpec => ({
    id,
    label,
    unit,
    kind: 'number',
    half: true,
    ...(hint && { hint }),
  })
  const drink = kind.counter.unit.replace(/s$/, '')
  const fields: FieldSpec[] = [
    number('hotOpen', 'Hot on an open day', 'h', 'empty: months count'),
    number('hotClosed', 'Hot on a closed day', 'h'),
    ...(rate
      ? [
          rate.every === null
            ? { ...number('detergent', 'Cleaned with detergent', 'times an open day'), half: false }
            : { ...number('detergent', 'Cleaned with detergent every', kind.counter.unit), half: false },
        ]
      : []),
    ...clocks.flatMap((clock) => [
      number(`${clock} drink`, capital(alongWords[clock].name), `a ${drink}`),
      number(`${clock} day`, `${capital(alongWords[clock].name)}, besides`, 'an open day'),
    ]),
  ]
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="How it is used"
      about="What nobody counts goes along with drinks and open days. The figures are from memory until you say your own; rubber ages by hot hours where those are known."
    >
      <SheetForm
        fields={fields}
        values={before}
        save="Save"
        onCancel={onClose}
        onSave={async (typed) => {
          const bad = fields.find(({ id }) => {
            const value = typedNumber(typed, id)
            return value !== undefined && !(value >= 0)
          })
          if (bad) return wrongAt(bad.id, 'must be a number, 0 or more')
          const settings = settingsOf(typed, before, rate?.every === null, clocks)
          if (settings.length > 0) {
            const told = await writeFrom(
              settings.map((body, i) =>
                makeEntry('machine', bundle.machine.id, 'setting', body, today, { id: ids[i]! }),
              ),
            )
            if (!told.ok) return told
            await onSaved()
          }
          onClose()
          return { ok: true }
        }}
      />
    </Sheet>
  )
}

type HabitSetting = Unversioned<Setting<'hot-hours' | 'detergent' | 'along-count'>>

/** Settings of what was typed anew; what stayed is not written again. */
function settingsOf(typed: Values, before: Values, daily: boolean, clocks: AlongClock[]): HabitSetting[] {
  const moved = (...fields: string[]) => fields.some((id) => String(typed[id] ?? '').trim() !== before[id])
  const value = (id: string) => typedNumber(typed, id) ?? 0
  return [
    ...(moved('hotOpen', 'hotClosed') && String(typed.hotOpen ?? '').trim()
      ? [{ setting: 'hot-hours' as const, perOpenDay: value('hotOpen'), perClosedDay: value('hotClosed') }]
      : []),
    ...(moved('detergent') && typed.detergent !== undefined
      ? [
          daily || value('detergent') === 0
            ? { setting: 'detergent' as const, perOpenDay: value('detergent') }
            : { setting: 'detergent' as const, everyDrinks: value('detergent') },
        ]
      : []),
    ...clocks
      .filter((clock) => moved(`${clock} drink`, `${clock} day`))
      .map((clock) => ({
        setting: 'along-count' as const,
        clock,
        perDrink: value(`${clock} drink`),
        perOpenDay: value(`${clock} day`),
      })),
  ]
}

const capital = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}`
