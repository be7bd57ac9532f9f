import { kindById } from '../../core/kinds/index.ts'
import { usualAtForKind, usualForKind, withWay } from '../../core/procedures/change-procedure.ts'
import type { Item, Procedure, Way } from '../../core/procedures/procedure.ts'
import { LongField, NumberField, TextField } from './Field.tsx'

interface Props {
  procedure: Procedure
  at: number
  onChange: (procedure: Procedure) => void
}

/** What a way says of itself: name, reason, the kinds it is usual for, its figures, what is to be at hand. */
export function WayFields({ procedure, at, onChange }: Props) {
  const way = procedure.ways[at]!
  const set = (change: Partial<Way>) => onChange(withWay(procedure, at, change))
  return (
    <div className="flex flex-col gap-2 pb-2">
      <TextField label="Called by what it does" wide value={way.name} onChange={(name) => set({ name })} />
      <LongField label="Its reason" rows={2} value={way.reason} onChange={(reason) => set({ reason })} />
      <details>
        <summary className="flex min-h-[44px] cursor-pointer items-center font-semibold text-copper">
          Usual for which kinds, its figures beside other ways’, what is to be at hand
        </summary>
        <fieldset className="m-0 border-0 p-0">
          <legend className="slim p-0 text-[13px]">Usual for</legend>
          <div className="flex flex-wrap gap-x-4">
            {procedure.kinds.map((kind) => (
              <label key={kind} className="flex min-h-[44px] items-center gap-2 text-[14px]">
                <input
                  type="checkbox"
                  className="h-5 w-5"
                  checked={way.usualFor.includes(kind)}
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
                  checked={way.usualAt?.kinds.includes(kind) ?? false}
                  onChange={(event) => onChange(usualAtForKind(procedure, at, kind, event.target.checked))}
                />
                {kindById(kind)?.name ?? kind}
              </label>
            ))}
          </div>
          {way.usualAt && (
            <div className="flex flex-wrap gap-3">
              <NumberField
                label="From"
                unit="drinks a day"
                value={way.usualAt.fromDrinks}
                onChange={(fromDrinks) => set({ usualAt: { ...way.usualAt!, fromDrinks } })}
              />
              <NumberField
                label="Below"
                unit="drinks a day"
                value={way.usualAt.belowDrinks}
                onChange={(belowDrinks) => set({ usualAt: { ...way.usualAt!, belowDrinks } })}
              />
            </div>
          )}
        </fieldset>
        <div className="grid gap-2 md:grid-cols-3">
          {way.figures.map((figure, i) => (
            <TextField
              key={figure.name}
              label={figure.name}
              value={figure.words}
              onChange={(words) =>
                set({
                  figures: way.figures.map((one, n) => (n === i ? { ...one, words, mark: 'M' as const } : one)),
                })
              }
            />
          ))}
        </div>
        <div className="grid gap-2 pt-2 md:grid-cols-2">
          <LongField
            label="Tools, one a line"
            rows={4}
            value={asLines(way.tools)}
            onChange={(text) => set({ tools: fromLines(text, way.tools) })}
          />
          <LongField
            label="Materials, one a line"
            rows={4}
            value={asLines(way.materials)}
            onChange={(text) => set({ materials: fromLines(text, way.materials) })}
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
