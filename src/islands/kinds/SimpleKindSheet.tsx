import { useState } from 'react'
import { kinds as shipped } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { type SimpleTask, type SimpleWater, simpleKind, simpleWaters } from '../../core/kinds/simple-kind.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { Form } from '../records/Form.tsx'
import { type FieldSpec, typedNumber, typedText, type Values, wrongAt } from '../records/form-values.ts'
import { isLimit, limitOf } from './limit-text.ts'
import type { OwnKindsHere } from './own-kinds-here.ts'

interface Props {
  own: OwnKindsHere
  /** What it may be called: the word of a list that nobody knows here. */
  called?: string
  today: string
  onMade(kind: Kind): void
  onClose(): void
}

/** A task as it is being typed. */
interface TypedTask {
  id: string
  name: string
  action: SimpleTask['action']
  months: string
  counts: string
  minutes: string
}

const waterWords: Record<SimpleWater, string> = {
  plumbed: 'plumbed in',
  tank: 'a tank that is filled',
  none: 'no water',
}

const actionWords: Record<SimpleTask['action'], string> = {
  clean: 'cleaned',
  check: 'checked',
  service: 'serviced',
  replace: 'a part: replaced',
}

/** Names a row may have, to pick from. Common practice, no source: no interval is suggested with them. */
const usualNames = ['Cleaned inside', 'Descaled', 'Water filter', 'Seals', 'Temperature checked', 'Drain cleared']

const emptyTask = (): TypedTask => ({
  id: newId(),
  name: '',
  action: 'clean',
  months: '',
  counts: '',
  minutes: '20',
})

/** The test the law usually asks for: named, with the usual interval, and changed or taken out like any other. */
const electrical = (): TypedTask => ({
  ...emptyTask(),
  name: electricalName,
  action: 'check',
  months: '12',
  minutes: '15',
})
const electricalName = 'Electrical safety test'

const fields = (counted: boolean, plumbed: boolean): FieldSpec[] => [
  { id: 'name', label: 'Called', hint: 'filter brewer, hot-water urn, ice machine', paths: ['body.kind.name'] },
  { id: 'about', label: 'What it is', hint: 'in one sentence, if its name does not say' },
  ...(plumbed
    ? [
        {
          id: 'litres',
          label: 'Water on an open day',
          hint: 'if known: it counts at its softener',
          kind: 'number' as const,
          unit: 'L',
          half: true,
        },
      ]
    : []),
  ...(counted
    ? [
        { id: 'unit', label: 'It counts', hint: 'brews, litres, cycles', half: true },
        { id: 'perDay', label: 'About how many an open day', kind: 'number' as const, half: true },
      ]
    : []),
]

/** A kind of the firm's own in a minute: what it is called, its water, whether it counts, what comes round on it. */
export function SimpleKindSheet({ own, called = '', today, onMade, onClose }: Props) {
  const [entryId] = useState(newId)
  const [water, setWater] = useState<SimpleWater>('plumbed')
  const [counted, setCounted] = useState(false)
  const [tasks, setTasks] = useState<TypedTask[]>(() => [electrical(), emptyTask()])
  const change = (id: string, part: Partial<TypedTask>) =>
    setTasks((now) => now.map((task) => (task.id === id ? { ...task, ...part } : task)))
  const save = async (values: Values) => {
    const name = typedText(values, 'name')
    if (!name) return wrongAt('name', 'is missing')
    const unit = typedText(values, 'unit')
    const perOpenDay = typedNumber(values, 'perDay')
    if (counted && !unit) return wrongAt('unit', 'is missing: what does its counter count?')
    if (counted && !(perOpenDay && perOpenDay > 0))
      return wrongAt('perDay', 'is missing: until it was read twice, this figure stands in')
    const typed = tasks.filter((task) => task.name.trim() || task.months || task.counts)
    const unfinished = typed.find((task) => complaint(task, counted) !== '')
    if (unfinished) return wrongAt('', `Task “${unfinished.name}”: ${complaint(unfinished, counted)}`)
    const litresPerOpenDay = typedNumber(values, 'litres')
    const kind = simpleKind(
      {
        name,
        about: typedText(values, 'about'),
        water,
        counter: counted ? { unit, perOpenDay: perOpenDay! } : null,
        tasks: typed.map(taskOf),
        ...(litresPerOpenDay && { litresPerOpenDay }),
      },
      [...shipped, ...own.kinds].map(({ id }) => id),
    )
    const told = await writeFrom([makeEntry('firm', own.firmId, 'own-kind', { kind }, today, { id: entryId })])
    if (told.ok) onMade(kind)
    return told
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="A kind of our own"
      about="For what no kind here describes. It has no drawing of its inside and no book of faults: what comes round on it does, with the firm's own figures."
    >
      <div className="mb-3 flex flex-wrap gap-x-8 gap-y-1">
        <Choice name="Water" value={water} choices={waterWords} order={simpleWaters} onChoose={setWater} />
        <Choice
          name="Counter"
          value={counted ? 'yes' : 'no'}
          choices={{ no: 'none', yes: 'it counts' }}
          order={['no', 'yes']}
          onChoose={(value) => setCounted(value === 'yes')}
        />
      </div>
      <Form
        fields={fields(counted, water === 'plumbed')}
        values={{ name: called, about: '', litres: '', unit: '', perDay: '' }}
        save="Make this kind"
        onSave={save}
        onCancel={onClose}
      >
        <fieldset className="m-0 min-w-0 border-0 p-0">
          <legend className="slim p-0 text-[15px] font-semibold">What comes round on it</legend>
          <p className="m-0 text-[14px] text-second">
            With your own figures, or the maker's. How often its wiring must be tested, local rules say.
          </p>
          <datalist id="usual-tasks">
            {usualNames.map((name) => (
              <option key={name} value={name} />
            ))}
          </datalist>
          <ul className="m-0 list-none p-0">
            {tasks.map((task, i) => (
              <TaskRow
                key={task.id}
                task={task}
                place={i + 1}
                counted={counted}
                onChange={(part) => change(task.id, part)}
                onRemove={() => setTasks((now) => now.filter(({ id }) => id !== task.id))}
              />
            ))}
          </ul>
          <button type="button" className="word" onClick={() => setTasks((now) => [...now, emptyTask()])}>
            One more
          </button>
        </fieldset>
      </Form>
    </Sheet>
  )
}

interface RowProps {
  task: TypedTask
  place: number
  counted: boolean
  onChange(part: Partial<TypedTask>): void
  onRemove(): void
}

function TaskRow({ task, place, counted, onChange, onRemove }: RowProps) {
  const about = task.name || `task ${place}`
  const number = (field: 'months' | 'counts' | 'minutes', words: string) => (
    <label className="flex flex-col gap-0.5">
      <span className="slim text-[13px] text-second">{words}</span>
      <NumberInput
        className="field mono w-[88px] text-right"
        aria-label={`${about}: ${words}`}
        text={task[field]}
        onText={(text) => onChange({ [field]: text })}
      />
    </label>
  )
  return (
    <li className="flex flex-wrap items-end gap-x-3 gap-y-1 border-t border-hair py-2">
      <label className="flex min-w-[180px] flex-1 flex-col gap-0.5">
        <span className="slim text-[13px] text-second">Task</span>
        <input
          className="field"
          list="usual-tasks"
          aria-label={`Task ${place}`}
          value={task.name}
          onChange={(event) => onChange({ name: event.target.value })}
        />
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[13px] text-second">It is</span>
        <select
          className="field"
          aria-label={`${about}: it is`}
          value={task.action}
          onChange={(event) => onChange({ action: event.target.value as SimpleTask['action'] })}
        >
          {Object.entries(actionWords).map(([action, words]) => (
            <option key={action} value={action}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {number('months', 'Every, months')}
      {counted && number('counts', 'or every, counted')}
      {number('minutes', 'Work, min')}
      <button type="button" className="plain" aria-label={`Leave out ${about}`} onClick={onRemove}>
        Leave out
      </button>
    </li>
  )
}

interface ChoiceProps<T extends string> {
  name: string
  value: T
  choices: Record<T, string>
  order: readonly T[]
  onChoose(value: T): void
}

function Choice<T extends string>({ name, value, choices, order, onChoose }: ChoiceProps<T>) {
  return (
    <fieldset className="m-0 flex flex-wrap items-center gap-x-4 border-0 p-0">
      <legend className="slim p-0 text-[14px]">{name}</legend>
      {order.map((one) => (
        <label key={one} className="flex min-h-[44px] items-center gap-2">
          <input type="radio" name={name} checked={value === one} onChange={() => onChoose(one)} />
          {choices[one]}
        </label>
      ))}
    </fieldset>
  )
}

/** What is wrong with a row, in words; empty where nothing is. */
function complaint({ name, months, counts, minutes }: TypedTask, counted: boolean): string {
  if (!name.trim()) return 'its name is missing'
  const given = [months, ...(counted ? [counts] : [])].filter(Boolean)
  if (given.length === 0) return 'how often is missing'
  if (!given.every(isLimit)) return 'how often is a number over 0'
  return isLimit(minutes) ? '' : 'the minutes of work are a number over 0'
}

function taskOf({ name, action, months, counts, minutes }: TypedTask): SimpleTask {
  const isElectrical = name.trim() === electricalName
  return {
    name: name.trim(),
    action,
    minutes: limitOf(minutes),
    ...(months && { months: limitOf(months) }),
    ...(counts && { counts: limitOf(counts) }),
    ...(isElectrical && { id: 'electrical-test', caution: 'mains' as const }),
  }
}
