import { useState } from 'react'
import { effective, ownPolicy } from '../../core/standing/histories.ts'
import { type Policy, policies, policyName, policyReason } from '../../core/wear/limits.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { machineLevels } from '../setting/levels.ts'
import { SettingSheet } from '../setting/SettingSheet.tsx'

interface Props {
  bundle: MachineBundle
  today: string
  /** Of one part or task; of all where absent. */
  task?: { id: string; name: string }
  onSaved: () => Promise<void>
}

/** How early is acted here, and the choice of another with its reasons. */
export function PolicyLine({ bundle, today, task, onSaved }: Props) {
  const [open, setOpen] = useState(false)
  const found = ownPolicy(effective(bundle.ledgers), task?.id ?? null)
  const policy = found?.body.policy ?? 'usual'
  const [choice, setChoice] = useState<Policy>(policy)
  return (
    <span className="text-[13px] text-second">
      <button type="button" className="word min-h-[44px] text-[13px] lg:min-h-[24px]" onClick={() => setOpen(true)}>
        How early: {policyName[policy]}
      </button>
      {found ? `, set for ${found.body.task ? 'this part, ' : ''}this ${found.level}` : task ? ', as of all' : ''}
      {open && (
        <SettingSheet
          levels={machineLevels(bundle)}
          today={today}
          title={task ? `When to act: ${task.name}` : 'When to act'}
          about="Practitioners disagree, each with reason. The usual one is the default: it is what most go by, and a maker's figure replaces it wherever one is entered."
          body={() => ({ v: 1, setting: 'policy', policy: choice, ...(task && { task: task.id }) })}
          onClose={() => setOpen(false)}
          onSaved={onSaved}
        >
          <fieldset className="m-0 border-0 p-0">
            <legend className="sr-only">How early</legend>
            {policies.map((name) => (
              <label key={name} className="flex min-h-[52px] items-start gap-2 border-t border-hair py-2">
                <input
                  type="radio"
                  name="policy"
                  className="mt-1"
                  checked={choice === name}
                  onChange={() => setChoice(name)}
                />
                <span>
                  <b>{policyName[name]}</b>
                  <span className="block text-[14px] text-second">{policyReason[name]}</span>
                </span>
              </label>
            ))}
          </fieldset>
        </SettingSheet>
      )}
    </span>
  )
}
