import { useState } from 'react'
import { counted, dayShort } from '../../../ui/format.ts'
import type { WeeksTask, WeeksValley } from '../../../views/weeks-ahead.ts'
import { SoakAndCold } from '../SoakAndCold.tsx'
import { waitsWords } from '../waits-words.ts'
import { costWords } from './cost-words.ts'
import type { ChoiceEffect, VisitChoice } from './visit-choice.ts'

const mostShown = 8
const mostLeft = 5

interface Props {
  valley: WeeksValley
  choice: VisitChoice
  today: string
  /** A task is to wait for something; absent where that is not said here. */
  onWaits?(task: WeeksTask): void
}

/** The tasks of a visit: ticked is done then. What is left out or taken with it says what that changes. */
export function TaskChoice({ valley, choice, today, onWaits }: Props) {
  const [all, setAll] = useState(false)
  const inOrder = [...valley.tasks].sort((a, b) => a.due.localeCompare(b.due))
  const left = [...valley.left].sort((a, b) => a.due.localeCompare(b.due))
  const hidden = Math.max(0, inOrder.length - mostShown) + Math.max(0, left.length - mostLeft)
  const rows = (tasks: WeeksTask[]) =>
    tasks.map((task) => (
      <TaskLine
        key={`${task.subjectId} ${task.key}`}
        task={task}
        on={valley.on}
        choice={choice}
        today={today}
        {...(onWaits && task.subjectKind !== 'site' && { onWaits: () => onWaits(task) })}
      />
    ))
  return (
    <>
      <h3 className="m-0 mt-3 grid grid-cols-[1fr_52px_44px] border-b pr-8 border-hair text-[14px] font-semibold">
        {counted(choice.tasks.length, 'task')}, {choice.minutes} min
        <span className="text-right text-[13px] font-normal text-second">due</span>
        <span className="text-right text-[13px] font-normal text-second">unused</span>
      </h3>
      <ul className="m-0 list-none p-0 text-[13px]">{rows(all ? inOrder : inOrder.slice(0, mostShown))}</ul>
      {left.length > 0 && (
        <>
          <h3 className="m-0 mt-2 border-b border-hair text-[14px] font-semibold">Left for another visit</h3>
          <ul className="m-0 list-none p-0 text-[13px]">{rows(all ? left : left.slice(0, mostLeft))}</ul>
        </>
      )}
      {hidden > 0 && (
        <button
          type="button"
          className="min-h-[44px] text-[13px] underline md:min-h-[32px]"
          aria-expanded={all}
          onClick={() => setAll(!all)}
        >
          {all ? 'Fewer' : `And ${hidden} more, in the order they fall due`}
        </button>
      )}
      <p className="m-0 mt-1">
        <SoakAndCold tasks={choice.tasks} />
      </p>
      <p role="status" className="m-0 text-[14px]">
        {effectWords(choice.effect, valley.perMinute)}
      </p>
    </>
  )
}

interface LineProps {
  task: WeeksTask
  on: string
  choice: VisitChoice
  today: string
  onWaits?(): void
}

function TaskLine({ task, on, choice, today, onWaits }: LineProps) {
  const { name, machineName, due, unused, besides, elsewhere, waits } = task
  return (
    <li className="flex items-center border-b border-hair">
      <label className="grid min-h-[44px] min-w-0 flex-1 grid-cols-[20px_1fr_52px_44px] items-center gap-x-1.5 py-0.5 leading-tight md:min-h-[30px]">
        <input type="checkbox" className="h-4 w-4" checked={choice.has(task)} onChange={() => choice.toggle(task)} />
        <span className="narrow min-w-0">
          {besides && <b title="Not in what was arranged: the plan’s own">+ </b>}
          {name} <span className="text-second">{machineName}</span>
          {waits && <b className="text-brass-ink"> {waitsWords(waits, today, dayShort)}</b>}
          {elsewhere && !choice.has(task) && <span className="text-second">, then {dayShort(elsewhere.on)}</span>}
        </span>
        <span className="mono text-right">{dayShort(due)}</span>
        <span className={`mono text-right ${due < on ? 'text-brass-ink' : ''}`}>
          {due < on ? 'late' : `${Math.round(unused * 100)} %`}
        </span>
      </label>
      {onWaits && (
        <button
          type="button"
          aria-label={`${name}, ${machineName}: it waits for something`}
          title="It waits for a part, a price, a yes"
          className="min-h-[44px] min-w-[32px] text-second max-md:min-w-[44px] md:min-h-[30px]"
          onClick={onWaits}
        >
          …
        </button>
      )}
    </li>
  )
}

/** What a choice changes, in words; nothing where it changes nothing. */
export function effectWords(
  { left, taken, fromMin, toMin, costMin, nowhere }: ChoiceEffect,
  perMinute: number | null = null,
): string {
  if (left.length + taken.length === 0) return ''
  const cost = Math.round(costMin)
  const much = costWords(Math.abs(costMin), perMinute)
  const overAll =
    left.length + taken.length === nowhere.length
      ? ''
      : cost > 0
        ? ` It costs ${much} more over all.`
        : cost < 0
          ? ` It saves ${much} over all.`
          : ' Over all it costs the same.'
  const lost = nowhere.length > 0 ? ` No other visit has ${nowhere.map(({ name }) => name).join(', ')}.` : ''
  return `The visit takes ${Math.round(toMin)} min instead of ${Math.round(fromMin)}.${overAll}${lost}`
}
