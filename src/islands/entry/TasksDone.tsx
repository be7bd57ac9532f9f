import { useMemo, useState } from 'react'
import { type HardnessUnit, hardnessSymbol } from '../../core/quantity/hardness.ts'
import { acidNames, acids } from '../../core/scale/acid.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { firmUnit } from '../../ui/quantity.ts'
import { lasts, urgencyOf, urgencyText } from '../../ui/urgency.ts'
import { title } from '../standing-words.ts'
import type { Draft } from './draft.ts'

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  standings: Standing[]
  today: string
  issues: Map<string, string>
}

const shownFirst = 8

/** Tasks of this machine, soonest due first; the letter ticks. */
export function TasksDone({ draft, onChange, standings, today, issues }: Props) {
  const [all, setAll] = useState(false)
  const tasks = useMemo(
    () =>
      standings.filter(
        (standing) => standing.action !== 'replace' && standing.task !== 'outlet-test' && standing.task !== 'release',
      ),
    [standings],
  )
  const letters = useMemo(() => lettersFor(tasks.slice(0, shownFirst)), [tasks])
  const toggle = (key: string) =>
    onChange({
      tasks: draft.tasks.includes(key) ? draft.tasks.filter((one) => one !== key) : [...draft.tasks, key],
    })
  const visible = all ? tasks : tasks.filter((task, i) => i < shownFirst || draft.tasks.includes(task.key))
  const onKey = (event: React.KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const key = letters.get(event.key.toUpperCase())
    if (key) {
      event.preventDefault()
      toggle(key)
    }
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: letters reach the boxes inside; each box works by itself
    <div className="pt-1" onKeyDown={onKey}>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 xl:grid-cols-2">
        {visible.map((task) => {
          const letter = [...letters].find(([, key]) => key === task.key)?.[0]
          const urgency = urgencyOf(task.due, today)
          return (
            <label
              key={task.key}
              className="flex min-h-[34px] cursor-pointer items-center gap-2 border-t border-hair max-md:min-h-[52px]"
            >
              <input
                type="checkbox"
                className="h-[18px] w-[18px] accent-[var(--deep)]"
                checked={draft.tasks.includes(task.key)}
                onChange={() => toggle(task.key)}
                aria-keyshortcuts={letter}
              />
              <span className="mono w-4 text-[14px] font-semibold text-deep" aria-hidden="true">
                {letter}
              </span>
              <span className="narrow min-w-0 flex-1 truncate">{title(task)}</span>
              <span className={`mono text-[13px] whitespace-nowrap ${urgencyText[urgency]}`}>
                {lasts(task.due, today)}
              </span>
              <span className="mono w-[58px] text-right text-[13px] text-second max-md:hidden">{task.minutes} min</span>
            </label>
          )
        })}
      </div>
      {draft.tasks.includes('descale') && <Descaled draft={draft} onChange={onChange} issues={issues} />}
      {!all && tasks.length > visible.length && (
        <button
          type="button"
          className="min-h-[44px] text-[14px] font-semibold text-copper"
          onClick={() => setAll(true)}
        >
          {tasks.length - visible.length} more tasks
        </button>
      )}
    </div>
  )
}

/** What the descale took, and what the spent solution showed: it teaches the machine its own share that sticks. */
function Descaled({ draft, onChange, issues }: Pick<Props, 'draft' | 'onChange' | 'issues'>) {
  const field = (slot: 'acidGrams' | 'spentDrops' | 'spentLitres', label: string, unit: string) => (
    <label className="flex flex-col gap-0.5 text-[14px]">
      <span className="slim">{label}</span>
      <span className="flex items-center gap-1.5">
        <NumberInput
          className="field mono w-[84px] text-right"
          text={draft[slot]}
          aria-invalid={issues.has(slot)}
          onText={(text) => onChange({ [slot]: text })}
          // Letters tick tasks elsewhere; here they are typed.
          onKeyDown={(event) => event.stopPropagation()}
        />
        <span className="text-[13px] text-second">{unit}</span>
      </span>
      {issues.has(slot) && <b className="text-[13px] text-seal-ink">{issues.get(slot)}</b>}
    </label>
  )
  return (
    <fieldset className="m-0 mt-1 flex flex-wrap items-start gap-x-4 gap-y-1 border-0 border-t border-hair p-0 pt-1">
      <legend className="sr-only">The descale</legend>
      <label className="flex flex-col gap-0.5 text-[14px]">
        <span className="slim">Acid</span>
        <select
          className="field"
          value={draft.acid}
          onChange={(event) => onChange({ acid: event.target.value })}
          onKeyDown={(event) => event.stopPropagation()}
        >
          <option value="">not said</option>
          {acidNames.map((name) => (
            <option key={name} value={name}>
              {acids[name].name}
            </option>
          ))}
        </select>
      </label>
      {field('acidGrams', 'Poured', 'g')}
      {field(
        'spentDrops',
        'Spent solution 1 in 100',
        `drops of ${draft.perDrop} ${hardnessSymbol[draft.unit as HardnessUnit]}`,
      )}
      {field('spentLitres', 'Of', firmUnit('L'))}
    </fieldset>
  )
}

/** A letter for each task: of its own name where one is free. */
function lettersFor(tasks: Standing[]): Map<string, string> {
  const taken = new Map<string, string>()
  for (const task of tasks) {
    const letter = [...`${task.action}${task.name}abcdefghijklmnopqrstuvwxyz`.toUpperCase()].find(
      (candidate) => /[A-Z]/.test(candidate) && !taken.has(candidate),
    )
    if (letter) taken.set(letter, task.key)
  }
  return taken
}
