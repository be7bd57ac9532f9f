import { slugOf } from '../../core/parse/slug-of.ts'
import type { DoseAmount } from '../../core/procedures/dose.ts'
import { hazardNames, substanceNames } from '../../core/procedures/procedure-words.ts'
import type { Answer, Step } from '../../core/procedures/step.ts'
import { ChoiceField, LongField, NumberField, TextField } from './Field.tsx'

interface Props {
  step: Step
  /** Steps of the same part up to this one. */
  earlier: Step[]
  onChange: (change: Record<string, unknown>) => void
}

const entriesOf = <T extends string>(names: Record<T, string>) => Object.entries(names) as [T, string][]

/** What one step says and asks, field by field. */
export function StepFields({ step, earlier, onChange }: Props) {
  const words = (field: 'how' | 'normal' | 'wrong', label: string) => (
    <LongField
      label={label}
      rows={2}
      value={step[field] ?? ''}
      onChange={(text) => onChange({ [field]: text === '' ? undefined : text })}
    />
  )
  return (
    <div className="flex flex-col gap-2 pb-3 pl-8">
      <TextField label="What the hands do" wide value={step.say} onChange={(say) => onChange({ say })} />
      {words('how', 'How')}
      <OfAct step={step} earlier={earlier} onChange={onChange} />
      <div className="grid gap-2 md:grid-cols-2">
        {words('normal', 'What is right')}
        {words('wrong', 'What to do when it is not')}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <NumberField
          label="Hands"
          unit="s"
          value={step.handsS}
          onChange={(handsS) => onChange({ handsS: handsS ?? 0 })}
        />
        <ChoiceField
          label="Caution about"
          value={step.caution?.hazard ?? ''}
          choices={[['', 'nothing'], ...entriesOf(hazardNames)]}
          onChange={(hazard) =>
            onChange({ caution: hazard === '' ? undefined : { say: 'Say the one line.', ...step.caution, hazard } })
          }
        />
        <label className="flex min-h-[44px] items-center gap-2 text-[14px]">
          <input
            type="checkbox"
            className="h-5 w-5"
            checked={step.gate === true}
            disabled={step.puts !== undefined || step.clears === true}
            onChange={(event) => onChange({ gate: event.target.checked || undefined })}
          />
          cannot be skipped
          {step.puts ? ': it puts something in' : step.clears ? ': it clears what is in' : ''}
        </label>
      </div>
      {step.caution && (
        <div className="grid gap-2 border-l-4 border-brass pl-3 md:grid-cols-2">
          <TextField
            label="The line that must be read"
            value={step.caution.say}
            onChange={(say) => onChange({ caution: { ...step.caution, say } })}
          />
          <TextField
            label="What to do about it"
            value={step.caution.how ?? ''}
            onChange={(how) => onChange({ caution: without({ ...step.caution, how }, how === '' ? 'how' : null) })}
          />
        </div>
      )}
    </div>
  )
}

/** The fields that only this act has. */
function OfAct({ step, earlier, onChange }: Props) {
  const number = (field: string, label: string, unit: string) => (
    <NumberField
      label={label}
      unit={unit}
      value={(step as unknown as Record<string, number>)[field]}
      onChange={(value) => onChange({ [field]: value })}
    />
  )
  const text = (field: string, label: string) => (
    <TextField
      label={label}
      value={String((step as unknown as Record<string, unknown>)[field] ?? '')}
      onChange={(value) => onChange({ [field]: value })}
    />
  )
  switch (step.act) {
    case 'dose':
      return <DoseFields dose={step.dose} into={step.into} onChange={onChange} />
    case 'cadence':
      return (
        <div className="flex flex-wrap gap-3">
          {number('onS', 'On', 's')}
          {number('offS', 'Off', 's')}
          {number('times', 'Strokes', '×')}
          {number('firstOffS', 'Off after the first', 's')}
          {text('onHow', 'While on')}
          {text('offHow', 'While off')}
        </div>
      )
    case 'soak':
      return (
        <div className="flex flex-wrap gap-3">
          {text('what', 'What it does meanwhile')}
          {number('seconds', 'By itself', 's')}
          {number('mostS', 'At most', 's')}
        </div>
      )
    case 'wait':
      return (
        <div className="flex flex-wrap gap-3">
          {text('until', 'Until this is seen')}
          {number('aboutS', 'About', 's')}
        </div>
      )
    case 'measure':
      return (
        <div className="flex flex-wrap gap-3">
          {text('ask', 'What is read')}
          {text('unit', 'Unit')}
          {number('from', 'Good from', step.unit)}
          {number('to', 'Good to', step.unit)}
        </div>
      )
    case 'check':
      return <AnswerFields ask={step.ask} answers={step.answers} earlier={earlier} onChange={onChange} />
    case 'hold':
      return (
        <div className="flex flex-wrap gap-3">
          <TextField
            label="Keys, with commas between"
            value={step.keys.join(', ')}
            onChange={(keys) =>
              onChange({
                keys: keys
                  .split(',')
                  .map((key) => key.trimStart())
                  .filter((key) => key !== ''),
              })
            }
          />
          {number('seconds', 'Held', 's')}
        </div>
      )
    case 'press':
      return (
        <div className="flex flex-wrap gap-3">
          {text('key', 'Key')}
          {number('times', 'Pressed', '×')}
          {number('withinS', 'Within', 's')}
        </div>
      )
    case 'window':
      return (
        <div className="flex flex-wrap gap-3">
          {number('withinS', 'Closes after', 's')}
          <ChoiceField
            label="Missed: again from"
            value={step.from}
            choices={earlier.map(({ id, say }) => [id, say] as const)}
            onChange={(from) => onChange({ from })}
          />
        </div>
      )
    case 'photo':
      return <div className="flex">{text('of', 'Of what')}</div>
    case 'season':
      return <div className="flex">{number('drinks', 'Drinks thrown away', '×')}</div>
    case 'do':
      return null
  }
}

const measures = [
  ['grams', 'grams'],
  ['scoops', 'level scoops'],
  ['tablets', 'tablets'],
  ['gramsPerL', 'grams a litre of water'],
  ['oneTo', 'one part to so many of water'],
  ['words', 'as its label says'],
] as const

const unitOf = { scoops: 'scoops', tablets: 'tablets', gramsPerL: 'g/L', oneTo: 'parts of water' } as const

function DoseFields({
  dose,
  into,
  onChange,
}: {
  dose: DoseAmount
  into: string
  onChange: (change: Record<string, unknown>) => void
}) {
  const by = measures.map(([id]) => id).find((id) => id !== 'words' && dose[id] !== undefined) ?? 'words'
  const set = (next: Partial<DoseAmount>) => onChange({ dose: { of: dose.of, ...next } })
  return (
    <div className="flex flex-wrap gap-3">
      <ChoiceField
        label="Of"
        value={dose.of}
        choices={entriesOf(substanceNames)}
        onChange={(of) => onChange({ dose: { ...dose, of } })}
      />
      <ChoiceField
        label="Given in"
        value={by}
        choices={measures}
        onChange={(next) =>
          set(
            next === 'grams'
              ? { grams: { usual: 3 } }
              : next === 'words'
                ? { words: 'as its label says' }
                : { [next]: 1 },
          )
        }
      />
      {by === 'grams' && (
        <NumberField
          key="grams"
          label="Dose"
          unit="g"
          value={dose.grams!.usual}
          onChange={(usual) => set({ grams: { usual: usual ?? 0 } })}
        />
      )}
      {by !== 'grams' && by !== 'words' && (
        <NumberField
          key={by}
          label="Dose"
          unit={unitOf[by]}
          value={dose[by]}
          onChange={(many) => set({ [by]: many ?? 0 })}
        />
      )}
      {by === 'words' && <TextField label="In words" value={dose.words ?? ''} onChange={(words) => set({ words })} />}
      <TextField label="Into" value={into} onChange={(next) => onChange({ into: next })} />
    </div>
  )
}

const leads = [
  ['pass', 'goes on'],
  ['repeat', 'does it again'],
  ['stop', 'ends the run'],
] as const

interface AnswersProps {
  ask: string
  answers: Answer[]
  earlier: Step[]
  onChange: (change: Record<string, unknown>) => void
}

function AnswerFields({ ask, answers, earlier, onChange }: AnswersProps) {
  const set = (at: number, change: Partial<Answer>) =>
    onChange({ answers: answers.map((answer, i) => (i === at ? withLead({ ...answer, ...change }, earlier) : answer)) })
  return (
    <fieldset className="m-0 flex flex-col gap-2 border-0 p-0">
      <legend className="sr-only">The question</legend>
      <TextField label="The question" wide value={ask} onChange={(next) => onChange({ ask: next })} />
      {answers.map((answer, i) => (
        <div key={answer.id} className="flex flex-wrap items-end gap-2 border-l border-hair pl-3">
          <TextField label={`Answer ${i + 1}`} value={answer.words} onChange={(words) => set(i, { words })} />
          <ChoiceField
            label={`Answer ${i + 1} then`}
            value={answer.leads}
            choices={leads}
            onChange={(next) => set(i, { leads: next })}
          />
          {answer.leads === 'repeat' && (
            <ChoiceField
              label={`Answer ${i + 1}: again from`}
              value={answer.from ?? ''}
              choices={earlier.map(({ id, say }) => [id, say] as const)}
              onChange={(from) => set(i, { from })}
            />
          )}
          {answer.leads !== 'pass' && (
            <TextField
              label={`Answer ${i + 1}: why`}
              value={answer.because ?? ''}
              onChange={(because) => set(i, { because })}
            />
          )}
          {answers.length > 1 && (
            <button
              type="button"
              className="min-h-[44px] px-1 text-[13px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
              aria-label={`Leave out answer ${i + 1}`}
              onClick={() => onChange({ answers: answers.filter((_, at) => at !== i) })}
            >
              leave out
            </button>
          )}
        </div>
      ))}
      <button
        type="button"
        className="plain self-start"
        onClick={() =>
          onChange({
            answers: [
              ...answers,
              {
                id: slugOf(
                  'answer',
                  answers.map(({ id }) => id),
                ),
                words: 'Say it',
                leads: 'pass',
              },
            ],
          })
        }
      >
        Add an answer
      </button>
    </fieldset>
  )
}

/** An answer has what its lead wants, and no more. */
function withLead({ from, because, ...answer }: Answer, earlier: Step[]): Answer {
  if (answer.leads === 'pass') return answer
  const why = { because: because ?? 'Say why.' }
  return answer.leads === 'stop' ? { ...answer, ...why } : { ...answer, ...why, from: from ?? earlier[0]!.id }
}

function without<T extends object>(held: T, field: keyof T | null): T {
  if (field === null) return held
  const { [field]: _, ...rest } = held
  return rest as T
}
