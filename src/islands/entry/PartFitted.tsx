import type { Part } from '../../core/kinds/kind.ts'
import { type RemovalReason, removalReasons, removalWords } from '../../core/ledger/removal.ts'
import type { PartDraft } from './draft.ts'

interface Props {
  name: string
  part: Part | undefined
  /** The material in it until now. */
  variantBefore: string | null
  draft: PartDraft
  onChange: (draft: PartDraft) => void
}

/** Of a part that was changed: why the old one came out, of what material and size the new one is. */
export function PartFitted({ name, part, variantBefore, draft, onChange }: Props) {
  const { variants, sizes } = part ?? {}
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 pb-1 lg:col-span-3">
      <Choice
        label="Came out"
        name={name}
        value={draft.why ?? ''}
        onChange={(why) => onChange(without(draft, { why }))}
      >
        <option value="">as its condition says</option>
        {removalReasons.map((reason: RemovalReason) => (
          <option key={reason} value={reason}>
            {removalWords[reason]}
          </option>
        ))}
      </Choice>
      {variants && (
        <Choice
          label="The new one is"
          name={name}
          value={draft.variant ?? variantBefore ?? variants[0]!}
          onChange={(variant) => onChange(without(draft, { variant }))}
        >
          {variants.map((variant) => (
            <option key={variant} value={variant}>
              {variant.replaceAll('-', ' ')}
            </option>
          ))}
        </Choice>
      )}
      {sizes && (
        <Choice
          label="Size"
          name={name}
          value={draft.size ?? ''}
          onChange={(size) => onChange(without(draft, { size }))}
        >
          <option value="">not noted</option>
          {[...new Set([...sizes, ...(draft.size ? [draft.size] : [])])].map((size) => (
            <option key={size} value={size}>
              {size}
            </option>
          ))}
        </Choice>
      )}
      <label className="flex min-h-[44px] items-center gap-2 text-[14px]">
        <span className="slim text-second">
          <span className="sr-only">{name}: </span>
          Under warranty until
        </span>
        <input
          type="date"
          className="field mono"
          value={draft.warrantyUntil ?? ''}
          onChange={(event) => onChange(without(draft, { warrantyUntil: event.target.value }))}
        />
      </label>
    </div>
  )
}

const ofTheNewOne = ['why', 'variant', 'size', 'warrantyUntil'] as const

/** A field left empty is not in the draft. */
function without(draft: PartDraft, change: Partial<Record<(typeof ofTheNewOne)[number], string>>): PartDraft {
  const next = { ...draft, ...change } as PartDraft
  for (const field of ofTheNewOne) if (!next[field]) delete next[field]
  return next
}

interface ChoiceProps {
  label: string
  name: string
  value: string
  onChange: (value: string) => void
  children: React.ReactNode
}

function Choice({ label, name, value, onChange, children }: ChoiceProps) {
  return (
    <label className="flex min-h-[44px] items-center gap-2 text-[14px]">
      <span className="slim text-second">
        <span className="sr-only">{name}: </span>
        {label}
      </span>
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        {children}
      </select>
    </label>
  )
}
