import { useState } from 'react'
import { withPrompt } from '../../core/kinds/change-kind.ts'
import type { Kind, Lamp, Prompt } from '../../core/kinds/kind.ts'
import { lamps } from '../../core/kinds/kind-words.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { lampWords } from '../../ui/lamp-words.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'

const everyReads = { whole: true, from: 1 }

interface Props {
  kind: Kind
  /** A word or a choice in a row. */
  onType: (kind: Kind) => void
  onChange: (kind: Kind) => void
}

/** What machines of this kind show, and what it means: each in a row of its own. */
export function PromptsEditor({ kind, onType, onChange }: Props) {
  const set = (at: number, part: Partial<Prompt>) =>
    onType({
      ...kind,
      prompts: kind.prompts.map((prompt, i) => {
        if (i !== at) return prompt
        const next = { ...prompt, ...part }
        // What is empty is not said at all.
        for (const field of ['looks', 'asksFor', 'everyDrinks'] as const) if (!next[field]) delete next[field]
        return next
      }),
    })
  const [typed, setTyped] = useState<Record<string, string>>({})
  const tasks = [...new Map(kind.tasks.filter(({ action }) => action !== 'replace').map((task) => [task.id, task]))]
  return (
    <div className="flex flex-col gap-3">
      {kind.prompts.length === 0 && <p className="m-0 text-second">It shows nothing that asks for work.</p>}
      {kind.prompts.map((prompt, i) => {
        const label = (what: string) => `Prompt ${i + 1}, ${what}`
        return (
          <fieldset
            key={prompt.id}
            className="m-0 flex flex-wrap items-end gap-x-3 gap-y-1 border-0 border-t border-solid border-hair p-0 pt-1"
          >
            <legend className="sr-only">{`Prompt ${i + 1}`}</legend>
            <Text label="Where" name={label('where')} value={prompt.where} onChange={(where) => set(i, { where })} />
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[13px]">It</span>
              <select
                className="field"
                aria-label={label('it')}
                value={prompt.shows}
                onChange={(event) => set(i, { shows: event.target.value as Lamp })}
              >
                {lamps.map((lamp) => (
                  <option key={lamp} value={lamp}>
                    {lampWords[lamp]}
                  </option>
                ))}
              </select>
            </label>
            <Text
              label="As it looks"
              name={label('looks')}
              value={prompt.looks ?? ''}
              onChange={(looks) => set(i, { looks })}
            />
            <Text
              label="Means"
              name={label('means')}
              wide
              value={prompt.means}
              onChange={(means) => set(i, { means })}
            />
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[13px]">Asks for</span>
              <select
                className="field max-w-[220px]"
                aria-label={label('asks for')}
                value={prompt.asksFor ?? ''}
                onChange={(event) => set(i, { asksFor: event.target.value })}
              >
                <option value="">nothing that is dated</option>
                {kind.descale && <option value="descale">Descale</option>}
                {tasks
                  .filter(([id]) => id !== 'descale')
                  .map(([id, task]) => (
                    <option key={id} value={id}>
                      {task.part ? `${task.name}: ${task.action}` : task.name}
                    </option>
                  ))}
              </select>
            </label>
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[13px]">Says every, {kind.counter.unit}</span>
              <NumberInput
                className="field mono w-[96px] text-right"
                aria-label={label('says every')}
                text={typed[prompt.id] ?? String(prompt.everyDrinks ?? '')}
                onText={(text) => {
                  setTyped({ ...typed, [prompt.id]: text })
                  set(i, { everyDrinks: numberIn(text, everyReads) ?? 0 })
                }}
                reads={everyReads}
              />
            </label>
            <button
              type="button"
              className="min-h-[44px] px-1 text-[13px] font-semibold text-copper"
              aria-label={`Leave out prompt ${i + 1}`}
              onClick={() => onChange({ ...kind, prompts: kind.prompts.filter((_, at) => at !== i) })}
            >
              leave out
            </button>
          </fieldset>
        )
      })}
      <p className="m-0 border-t border-hair pt-2">
        <button
          type="button"
          className="plain"
          onClick={() => onChange(withPrompt(kind, { where: 'Display', shows: 'words', means: 'say what it means' }))}
        >
          Add a prompt
        </button>
      </p>
    </div>
  )
}

interface TextProps {
  label: string
  name: string
  value: string
  wide?: boolean
  onChange: (text: string) => void
}

function Text({ label, name, value, wide, onChange }: TextProps) {
  return (
    <label className={`flex flex-col gap-0.5 ${wide ? 'min-w-[240px] flex-1' : ''}`}>
      <span className="slim text-[13px]">{label}</span>
      <input
        className={`field ${wide ? 'w-full' : 'w-[150px]'}`}
        aria-label={name}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}
