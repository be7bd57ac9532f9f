import { useState } from 'react'
import { withoutTask, withTask } from '../../core/kinds/change-kind.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { type Clock, clocks, type Policy, policies, policyName } from '../../core/wear/limits.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { clockUnit } from './clock-units.ts'
import { isLimit, limitOf } from './limit-text.ts'
import { NewTaskForm } from './NewTaskForm.tsx'

interface Props {
  kind: Kind
  /** What was typed, by `place clock policy`: it stays as typed, a number or not. */
  typed: Record<string, string>
  onType: (key: string, text: string, kind: Kind | null) => void
  /** Parts or tasks come or go. */
  onChange: (kind: Kind) => void
}

/** Parts and tasks of a kind with their limits in place. */
export function LimitsTable({ kind, typed, onType, onChange }: Props) {
  const [find, setFind] = useState('')
  const [adding, setAdding] = useState(false)
  const setLimit = (i: number, clock: Clock, policy: Policy, text: string) => {
    const tasks = kind.tasks.map((task, n) =>
      n === i
        ? { ...task, limits: { ...task.limits, [clock]: { ...task.limits[clock]!, [policy]: limitOf(text) } } }
        : task,
    )
    onType(`${i} ${clock} ${policy}`, text, isLimit(text) ? { ...kind, tasks } : null)
  }
  const shown = kind.tasks
    .map((task, i) => ({ task, i }))
    .filter(({ task }) => task.name.toLowerCase().includes(find.trim().toLowerCase()))
  return (
    <>
      <div className="flex flex-wrap items-end gap-4 pb-2">
        <label className="flex flex-col gap-0.5">
          <span className="slim text-[14px]">Find a part or task</span>
          <input className="field w-[220px]" value={find} onChange={(event) => setFind(event.target.value)} />
        </label>
        {!adding && (
          <button type="button" className="plain" onClick={() => setAdding(true)}>
            Add a part or task
          </button>
        )}
      </div>
      {adding && (
        <NewTaskForm
          kind={kind}
          onCancel={() => setAdding(false)}
          onAdd={(task) => {
            setAdding(false)
            setFind(task.name)
            onChange(withTask(kind, task))
          }}
        />
      )}
      <div className="relative overflow-x-auto">
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="slim text-left text-[13px] text-second">
              <th className="py-1 font-semibold">Part or task</th>
              <th className="font-semibold">Clock</th>
              {policies.map((policy) => (
                <th key={policy} className="font-semibold">
                  {policyName[policy]}
                </th>
              ))}
              <th>
                <span className="sr-only">Leave out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ task, i }) =>
              clocks
                .filter((clock) => task.limits[clock])
                .map((clock, n) => (
                  <tr key={`${task.id} ${task.variant ?? ''} ${clock}`} className="border-t border-hair">
                    <td className="py-1 pr-3 font-semibold">
                      {n === 0 && `${task.name}${task.variant ? `, ${task.variant.replaceAll('-', ' ')}` : ''}`}
                      {n === 0 && task.action !== 'replace' && (
                        <span className="font-normal text-second">, {task.action}</span>
                      )}
                    </td>
                    <td className="pr-3 text-second">{clockUnit(clock, kind.counter.unit)}</td>
                    {policies.map((policy) => {
                      const text = typed[`${i} ${clock} ${policy}`] ?? String(task.limits[clock]![policy])
                      return (
                        <td key={policy} className="py-0.5 pr-2">
                          <NumberInput
                            className="field mono h-[36px] w-[104px] text-right"
                            aria-label={`${task.name}, ${clock}, ${policyName[policy]}`}
                            aria-invalid={!isLimit(text)}
                            text={text}
                            onText={(text) => setLimit(i, clock, policy, text)}
                          />
                          {!isLimit(text) && (
                            <span role="alert" className="block text-[13px] font-semibold text-seal-ink">
                              a number over 0
                            </span>
                          )}
                        </td>
                      )
                    })}
                    <td>
                      {n === 0 && (
                        <button
                          type="button"
                          className="min-h-[44px] px-1 text-[13px] font-semibold text-copper"
                          aria-label={`Leave out ${task.name}`}
                          onClick={() => onChange(withoutTask(kind, i))}
                        >
                          leave out
                        </button>
                      )}
                    </td>
                  </tr>
                )),
            )}
          </tbody>
        </table>
      </div>
      {shown.length === 0 && <p className="text-second">No part or task is called that.</p>}
    </>
  )
}
