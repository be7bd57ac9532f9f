import type { Kind } from '../../core/kinds/kind.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { apartSlots, type Draft } from './draft.ts'

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  kind: Kind
  before: Map<string, number>
  issues: Map<string, string>
}

/** What the machine counts apart, where its menu shows it: groups, drinks, rinses. */
export function CountedApart({ draft, onChange, kind, before, issues }: Props) {
  return (
    <fieldset className="m-0 flex flex-wrap gap-x-4 gap-y-2 border-0 p-0 pt-1">
      <legend className="sr-only">It counts apart</legend>
      {apartSlots(kind).map(({ slot, name }) => (
        <label key={slot} className="flex flex-col gap-0.5 text-[14px]">
          <span className="slim">{`${name[0]!.toUpperCase()}${name.slice(1)}`}</span>
          <NumberInput
            className="field mono w-[96px] text-right"
            autoComplete="off"
            text={draft.apart[slot] ?? ''}
            aria-label={`${name}, counted apart`}
            aria-invalid={issues.has(`apart ${slot}`)}
            onText={(text) => onChange({ apart: { ...draft.apart, [slot]: text } })}
            reads={{ whole: true }}
          />
          {issues.has(`apart ${slot}`) ? (
            <b className="max-w-[150px] text-[13px] text-seal-ink">{issues.get(`apart ${slot}`)}</b>
          ) : (
            before.has(slot) && <span className="text-[13px] text-second">last {figure(before.get(slot)!)}</span>
          )}
        </label>
      ))}
    </fieldset>
  )
}
