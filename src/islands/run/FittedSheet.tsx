import { useState } from 'react'
import type { Kind, Part } from '../../core/kinds/kind.ts'
import { type RemovalReason, removalReasons, removalWords } from '../../core/ledger/removal.ts'
import type { FittedPart } from '../../core/procedures/run-state.ts'
import { gradeWordsOf } from '../../core/wear/grade-words.ts'
import { Sheet } from '../../ui/Sheet.tsx'

interface Props {
  kind: Kind
  /** Parts that may be new; which of them this kind has is looked up here. */
  parts: string[]
  /** Where the hands are; asked where nobody knows. */
  place: number | null
  /** Any of them may be the old one again: each is asked. */
  some?: boolean
  onKeep: (fitted: FittedPart[]) => void
  onClose: () => void
}

/** Parts a step says are new that this kind of machine has. */
export const partsOf = (kind: Kind, ids: string[]): Part[] => kind.parts.filter(({ id }) => ids.includes(id))

const choice = 'min-h-[52px] border-2 px-3 text-[16px] font-semibold'

/** What went in and what came out: material, size and side asked once; the dates follow from it. */
export function FittedSheet({ kind, parts, place, some, onKeep, onClose }: Props) {
  const here = partsOf(kind, parts)
  const [fitted, setFitted] = useState<FittedPart[]>(() =>
    here.map((part) => ({
      part: part.id,
      ...(part.each && placesOf(kind, part) > 1 && place !== null && { group: place }),
      ...(part.variants && { variant: part.variants[0] }),
      condition: 3,
      why: 'worn' as const,
    })),
  )
  const change = (i: number, more: Partial<FittedPart>) =>
    setFitted((all) => all.map((one, at) => (at === i ? { ...one, ...more } : one)))
  const [named, setNamed] = useState<string[]>(some && here.length > 1 ? [] : here.map(({ id }) => id))
  const isNew = ({ part }: FittedPart) => named.includes(part)
  const unsaid = fitted.some((one, i) => isNew(one) && placesOf(kind, here[i]!) > 1 && one.group === undefined)
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="A new part went in"
      about="Written as taken out and fitted: its dates begin anew."
    >
      <div className="flex flex-col gap-5">
        {here.map((part, i) => (
          <section key={part.id} aria-label={part.name} className="border-t border-hair pt-2">
            <h3 className="m-0 text-[18px] font-[640]">{part.name}</h3>
            {some && here.length > 1 && (
              <Choices
                label="Is it new?"
                options={[
                  { id: 'new', words: 'A new one' },
                  { id: 'old', words: 'The same again' },
                ]}
                chosen={named.includes(part.id) ? 'new' : 'old'}
                onChoose={(id) =>
                  setNamed((all) => (id === 'new' ? [...all, part.id] : all.filter((one) => one !== part.id)))
                }
              />
            )}
            {named.includes(part.id) && placesOf(kind, part) > 1 && (
              <Choices
                label={part.each === 'side' ? 'Which side' : 'Which group'}
                options={Array.from({ length: placesOf(kind, part) }, (_, at) => ({
                  id: String(at + 1),
                  words: part.each === 'side' ? (at === 0 ? 'left' : 'right') : `group ${at + 1}`,
                }))}
                chosen={fitted[i]!.group === undefined ? null : String(fitted[i]!.group)}
                onChoose={(id) => change(i, { group: Number(id) })}
              />
            )}
            {named.includes(part.id) && part.variants && part.variants.length > 1 && (
              <Choices
                label="Material of the new one"
                options={part.variants.map((id) => ({ id, words: id.replaceAll('-', ' ') }))}
                chosen={fitted[i]!.variant ?? null}
                onChoose={(variant) => change(i, { variant })}
              />
            )}
            {named.includes(part.id) && part.sizes && (
              <Choices
                label="Size of the new one"
                options={part.sizes.map((id) => ({ id, words: id }))}
                chosen={fitted[i]!.size ?? null}
                onChoose={(size) => change(i, { size })}
              />
            )}
            {named.includes(part.id) && (
              <>
                <Choices
                  label="The old one"
                  options={gradeWordsOf(part.id).map((words, grade) => ({
                    id: String(grade),
                    words: `${grade} ${words}`,
                  }))}
                  chosen={String(fitted[i]!.condition)}
                  onChoose={(id) => change(i, { condition: Number(id) })}
                />
                <Choices
                  label="Why it came out"
                  options={removalReasons.map((id) => ({ id, words: removalWords[id] }))}
                  chosen={fitted[i]!.why ?? null}
                  onChoose={(id) => change(i, { why: id as RemovalReason })}
                />
              </>
            )}
          </section>
        ))}
        <button
          type="button"
          className="act min-h-[64px] text-[19px]"
          disabled={unsaid || named.length === 0}
          onClick={() => onKeep(fitted.filter(isNew))}
        >
          {unsaid || named.length === 0 ? 'Say which' : 'It is in'}
        </button>
      </div>
    </Sheet>
  )
}

const placesOf = (kind: Kind, { each }: Part): number =>
  each === 'group' ? kind.groups : each === 'side' ? kind.sides : 1

interface ChoicesProps {
  label: string
  options: { id: string; words: string }[]
  chosen: string | null
  onChoose: (id: string) => void
}

function Choices({ label, options, chosen, onChoose }: ChoicesProps) {
  return (
    <fieldset className="m-0 border-0 p-0 pt-2">
      <legend className="slim p-0 pb-1 text-[14px] text-second">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map(({ id, words }) => (
          <button
            key={id}
            type="button"
            aria-pressed={id === chosen}
            className={`${choice} ${id === chosen ? 'border-copper bg-copper-tint' : 'border-hair'}`}
            onClick={() => onChoose(id)}
          >
            {words}
          </button>
        ))}
      </div>
    </fieldset>
  )
}
