import { useState } from 'react'
import { numberIn } from '../../../core/typed/read-as.ts'
import { figure } from '../../../ui/format.ts'
import { NumberInput } from '../../../ui/NumberInput.tsx'
import { asReckoned, firmUnit } from '../../../ui/quantity.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { machineLevels } from '../../setting/levels.ts'
import { SettingSheet } from '../../setting/SettingSheet.tsx'
import type { MachineWater } from './water-of.ts'

interface Props {
  bundle: MachineBundle
  water: MachineWater
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Litres filled in while so many drinks were counted: a tank, a canister or a jug under the hose makes a meter. */
export function MeasureDrawSheet({ bundle, water, today, onClose, onSaved }: Props) {
  const { budget, kind } = water.facts
  const readsOf = { litres: { unit: firmUnit('L'), to: 999 }, times: { whole: true }, drinks: { whole: true } }
  const [typed, setTyped] = useState({ litres: '', times: '1', drinks: '' })
  const number = (name: keyof typeof typed) => numberIn(typed[name], readsOf[name]) ?? Number.NaN
  const litres = asReckoned(number('litres') * number('times'), 'L')
  const drinks = number('drinks')
  const isWhole = litres > 0 && drinks > 0
  const mlPerDrink = isWhole ? (litres * 1000) / drinks : null
  const body = () => {
    if (!isWhole || mlPerDrink === null) return 'Litres, fillings and drinks must be numbers above 0.'
    return {
      setting: 'budget' as const,
      mlPerDrink: Math.round(mlPerDrink * 10) / 10,
      // What was filled in holds the rinses of those days too: they are not counted twice.
      litresPerOpenDay: 0,
      filled: { litres, drinks },
    }
  }
  const fields = [
    ['litres', `Container, ${firmUnit('L')}`],
    ['times', 'Filled so many times'],
    ['drinks', `${kind.counter.unit} meanwhile`],
  ] as const
  return (
    <SettingSheet
      levels={machineLevels(bundle).slice(0, 1)}
      today={today}
      title="Measure what it draws"
      about="Read the counter, fill the tank or a canister some times, read it again. Over a few days is better than over an hour. A water meter’s readings go into a new entry instead: they count by themselves."
      body={body}
      onClose={onClose}
      onSaved={onSaved}
    >
      <div className="flex flex-wrap gap-4">
        {fields.map(([name, label]) => (
          <label key={name} className="flex flex-col gap-0.5">
            <span className="slim text-[14px]">{label}</span>
            <NumberInput
              className="field mono w-[120px] text-right"
              text={typed[name]}
              onText={(text) => setTyped({ ...typed, [name]: text })}
              reads={readsOf[name]}
            />
          </label>
        ))}
      </div>
      <p className="mt-2 mb-0" role="status">
        {mlPerDrink === null
          ? `Now ${figure(budget.mlPerDrink * budget.factor)} ml each.`
          : `${figure(mlPerDrink)} ml each, ${figure(Math.abs(mlPerDrink / (budget.mlPerDrink * budget.factor) - 1) * 100)} % ${mlPerDrink >= budget.mlPerDrink * budget.factor ? 'more' : 'less'} than reckoned until now.`}
      </p>
    </SettingSheet>
  )
}
