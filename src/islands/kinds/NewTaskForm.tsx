import { useState } from 'react'
import type { NewTask } from '../../core/kinds/change-kind.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { type Clock, clocks, policies, policyName } from '../../core/wear/limits.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { clockUnit } from './clock-units.ts'
import { isLimit, limitOf } from './limit-text.ts'

interface Props {
  kind: Kind
  onAdd: (task: NewTask) => void
  onCancel: () => void
}

const actionWords: Record<NewTask['action'], string> = {
  replace: 'a part: replaced',
  clean: 'cleaned',
  grease: 'greased',
  check: 'checked',
  service: 'serviced',
}

/** A part or a task that a kind has not yet: where, what is done, after how much. */
export function NewTaskForm({ kind, onAdd, onCancel }: Props) {
  const [name, setName] = useState('')
  const [station, setStation] = useState(kind.stations[0]!.id)
  const [action, setAction] = useState<NewTask['action']>('replace')
  const [clock, setClock] = useState<Clock>('months')
  const [typed, setTyped] = useState(['', '', ''])
  const [minutes, setMinutes] = useState('10')
  const [tried, setTried] = useState(false)
  const limits = typed.map(limitOf) as NewTask['limits']
  const wrong = {
    name: name.trim() ? '' : 'is missing',
    limits: !typed.every(isLimit)
      ? 'need three numbers over 0'
      : limits[0] <= limits[1] && limits[1] <= limits[2]
        ? ''
        : 'must not fall from cautious to long life',
    minutes: isLimit(minutes) ? '' : 'is a number over 0',
  }
  const add = () => {
    setTried(true)
    if (Object.values(wrong).some(Boolean)) return
    onAdd({ name: name.trim(), station, action, clock, limits, minutes: limitOf(minutes) })
  }
  const said = (field: keyof typeof wrong) =>
    tried &&
    wrong[field] && (
      <span role="alert" className="text-[13px] font-semibold text-seal-ink">
        {wrong[field]}
      </span>
    )
  return (
    <fieldset className="m-0 mb-3 flex flex-wrap items-start gap-3 border border-solid border-hair p-3">
      <legend className="px-1 font-semibold">A part or task more</legend>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">Its name</span>
        <input className="field w-[220px]" value={name} onChange={(event) => setName(event.target.value)} />
        {said('name')}
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">At</span>
        <select className="field" value={station} onChange={(event) => setStation(event.target.value)}>
          {kind.stations.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">It is</span>
        <select
          className="field"
          value={action}
          onChange={(event) => setAction(event.target.value as NewTask['action'])}
        >
          {Object.entries(actionWords).map(([one, words]) => (
            <option key={one} value={one}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">Counted in</span>
        <select className="field" value={clock} onChange={(event) => setClock(event.target.value as Clock)}>
          {clocks.map((one) => (
            <option key={one} value={one}>
              {clockUnit(one, kind.counter.unit)}
            </option>
          ))}
        </select>
      </label>
      <div className="flex flex-col gap-0.5">
        <div className="flex gap-2">
          {policies.map((policy, i) => (
            <label key={policy} className="flex flex-col gap-0.5">
              <span className="slim text-[14px]">{policyName[policy]}</span>
              <NumberInput
                className="field mono w-[88px] text-right"
                text={typed[i]!}
                onText={(text) => setTyped((now) => now.map((one, n) => (n === i ? text : one)))}
              />
            </label>
          ))}
        </div>
        {said('limits')}
      </div>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">Work, min</span>
        <NumberInput className="field mono w-[72px] text-right" text={minutes} onText={(text) => setMinutes(text)} />
        {said('minutes')}
      </label>
      <div className="flex gap-3 self-end">
        <button type="button" className="act" onClick={add}>
          Add it
        </button>
        <button type="button" className="plain" onClick={onCancel}>
          Not now
        </button>
      </div>
    </fieldset>
  )
}
