import { useState } from 'react'
import {
  addStep,
  changeStep,
  moveStep,
  renamePart,
  type StepPlace,
  stepHeld,
  withoutStep,
} from '../../core/procedures/change-procedure.ts'
import type { Procedure } from '../../core/procedures/procedure.ts'
import { actNames, acts } from '../../core/procedures/procedure-words.ts'
import type { ActName } from '../../core/procedures/step.ts'
import { actWords } from './act-words.ts'
import { ChoiceField, TextField } from './Field.tsx'
import { StepFields } from './StepFields.tsx'

interface Props {
  procedure: Procedure
  place: StepPlace
  onPlace: (place: StepPlace) => void
  /** Words and figures in place. */
  onType: (procedure: Procedure) => void
  /** A step that can be taken back. */
  onChange: (procedure: Procedure) => void
}

/** The steps of a way part by part; the chosen one opens to be changed. */
export function StepList({ procedure, place, onPlace, onType, onChange }: Props) {
  const [act, setAct] = useState<ActName>('do')
  const way = procedure.ways[place.way]!
  return (
    <>
      {way.parts.map((part, p) => (
        <section key={part.id} aria-label={part.name} className="pt-2">
          <div className="max-w-[420px]">
            <TextField
              label={part.each ? 'Part, each group in turn' : 'Part'}
              value={part.name}
              onChange={(name) => onType(renamePart(procedure, { ...place, part: p }, name))}
            />
          </div>
          <ol className="m-0 list-none p-0 pt-2">
            {part.steps.map((step, i) => {
              const here = { ...place, part: p, step: i }
              const chosen = place.part === p && place.step === i
              const held = stepHeld(procedure, here)
              const up = moveStep(procedure, here, -1)
              const down = moveStep(procedure, here, 1)
              // What cannot stand here, as the machine stands, is not added.
              const longer = chosen ? addStep(procedure, here, act) : null
              const move = (next: Procedure | null, by: number) => {
                if (!next) return
                onChange(next)
                onPlace({ ...here, step: i + by })
              }
              return (
                <li
                  key={step.id}
                  className={`border-t border-hair ${chosen ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
                >
                  <button
                    type="button"
                    className="grid min-h-[48px] w-full grid-cols-[32px_1fr] items-baseline border-0 bg-transparent px-2 py-1.5 text-left"
                    aria-expanded={chosen}
                    onClick={() => onPlace(here)}
                  >
                    <span className="mono text-second">{i + 1}</span>
                    <span>
                      <b className="font-semibold">{step.say}</b> <span className="text-[14px]">{actWords(step)}</span>
                      {step.puts && <span className="text-[14px] text-brass-ink"> puts it in</span>}
                      {step.clears && <span className="text-[14px] text-brass-ink"> clears it</span>}
                    </span>
                  </button>
                  {chosen && (
                    <>
                      <StepFields
                        key={`${place.way} ${part.id} ${step.id}`}
                        step={step}
                        earlier={part.steps.slice(0, i + 1)}
                        onChange={(change) => onType(changeStep(procedure, here, change))}
                      />
                      <div className="flex flex-wrap items-end gap-3 pb-3 pl-8">
                        <button type="button" className="plain" disabled={!up} onClick={() => move(up, -1)}>
                          Up
                        </button>
                        <button type="button" className="plain" disabled={!down} onClick={() => move(down, 1)}>
                          Down
                        </button>
                        <button
                          type="button"
                          className="plain"
                          disabled={held !== null}
                          onClick={() => {
                            onChange(withoutStep(procedure, here))
                            onPlace({ ...here, step: Math.max(0, i - 1) })
                          }}
                        >
                          Leave it out
                        </button>
                        {held && <span className="self-center text-[13px] text-second">It stays: {held}.</span>}
                        <span className="ml-auto flex items-end gap-2 pr-2">
                          <ChoiceField
                            label="A step after it"
                            value={act}
                            choices={acts.map((id) => [id, actNames[id]] as const)}
                            onChange={setAct}
                          />
                          <button
                            type="button"
                            className="plain"
                            disabled={!longer}
                            onClick={() => {
                              if (longer) onChange(longer)
                              onPlace({ ...here, step: i + 1 })
                            }}
                          >
                            Add it
                          </button>
                        </span>
                      </div>
                    </>
                  )}
                </li>
              )
            })}
          </ol>
        </section>
      ))}
    </>
  )
}
