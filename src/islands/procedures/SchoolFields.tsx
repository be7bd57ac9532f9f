import { kindById } from '../../core/kinds/index.ts'
import { usualAtForKind, usualForKind, withSchool } from '../../core/procedures/change-procedure.ts'
import type { Item, Procedure, Way } from '../../core/procedures/procedure.ts'
import { LongField, NumberField, TextField } from './Field.tsx'

interface Props {
  procedure: Procedure
  at: number
  onChange: (procedure: Procedure) => void
}

/** What a school says of itself: name, reason, the kinds it is usual for, its figures, what is to be at hand. */
export function SchoolFields({ procedure, at, onChange }: Props) {
  const school = procedure.schools[at]!
  const set = (change: Partial<Way>) => onChange(withSchool(procedure, at, change))
  return (
    <div className="flex flex-col gap-2 pb-2">
      <TextField label="Called by what it does" wide value={school.name} onChange={(name) => set({ name })} />
      <LongField label="Its reason" rows={2} value={school.reason} onChange={(reason) => set({ reason })} />
      <details>
        <summary className="flex min-h-[44px] cursor-pointer items-center font-semibold text-copper">
          Usual for which kinds, its figures beside other schools’, what is to be at hand
        </summary>
        <fieldset className="m-0 border-0 p-0">
          <legend className="slim p-0 text-[13px]">Usual for</legend>
          <div className="flex flex-wrap gap-x-4">
            {procedure.kinds.map((kind) => (
              <label key={kind} className="flex min-h-[44px] items-center gap-2 text-[14px]">
                <input
                  type="checkbox"
                  className="h-5 w-5"
                  checked={school.usualFor.includes(kind)}
                  onChange={(event) => onChange(usualForKind(procedure, at, kind, event.target.checked))}
                />
                {kindById(kind)?.name ?? kind}
              </label>
            ))}
          </div>
        </fieldset>
        <fieldset className="m-0 border-0 p-0 pb-2">
          <legend className="slim p-0 text-[13px]">Usual instead, for these kinds, where so much is made</legend>
          <div className="flex flex-wrap gap-x-4">
            {procedure.kinds.map((kind) => (
              <label key={kind} className="flex min-h-[44px] items-center gap-2 text-[14px]">
                <input
                  type="checkbox"
                  className="h-5 w-5"
                  aria-label={`By use, ${kindById(kind)?.name ?? kind}`}
                  checked={school.usualAt?.kinds.includes(kind) ?? false}
                  onChange={(event) => onChange(usualAtForKind(procedure, at, kind, event.target.checked))}
                />
                {kindById(kind)?.name ?? kind}
              </label>
            ))}
          </div>
          {school.usualAt && (
            <div className="flex flex-wrap gap-3">
              <NumberField
                label="From"
                unit="drinks a day"
                value={school.usualAt.fromDrinks}
                onChange={(fromDrinks) => set({ usualAt: { ...school.usualAt!, fromDrinks } })}
              />
              <NumberField
                label="Below"
                unit="drinks a day"
                value={school.usualAt.belowDrinks}
                onChange={(belowDrinks) => set({ usualAt: { ...school.usualAt!, belowDrinks } })}
              />
            </div>
          )}
        </fieldset>
        <div className="grid gap-2 md:grid-cols-3">
          {school.figures.map((figure, i) => (
            <TextField
              key={figure.name}
              label={figure.name}
              value={figure.words}
              onChange={(words) =>
                set({
                  figures: school.figures.map((one, n) => (n === i ? { ...one, words, mark: 'M' as const } : one)),
                })
              }
            />
          ))}
        </div>
        <div className="grid gap-2 pt-2 md:grid-cols-2">
          <LongField
            label="Tools, one a line"
            rows={4}
            value={asLines(school.tools)}
            onChange={(text) => set({ tools: fromLines(text, school.tools) })}
          />
          <LongField
            label="Materials, one a line"
            rows={4}
            value={asLines(school.materials)}
            onChange={(text) => set({ materials: fromLines(text, school.materials) })}
          />
        </div>
      </details>
    </div>
  )
}

const asLines = (items: Item[]): string => items.map(({ name }) => name).join('\n')

/** Lines as items; what was known of a name stays with it. */
const fromLines = (text: string, before: Item[]): Item[] =>
  text === '' ? [] : text.split('\n').map((name) => before.find((one) => one.name === name) ?? { name })
