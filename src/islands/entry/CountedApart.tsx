import type { Kind } from '../../core/kinds/kind.ts'
import { figure } from '../../ui/format.ts'
import { apartSlots, type Draft } from './draft.ts'

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  kind: Kind
  before: Map<string, number>
  issues: Map<string, string>
}

/** What the machine counts apart, where its menu shows it: groups, drinks, rinses. Open where it was noted before. */
export function CountedApart({ draft, onChange, kind, before, issues }: Props) {
  const slots = apartSlots(kind)
  const noted = before.size > 0 || Object.values(draft.apart).some(Boolean)
  return (
    <details open={noted || undefined}>
      <summary className="flex min-h-[44px] cursor-pointer items-center gap-2 md:min-h-[32px]">
        <span className="font-semibold text-copper">It counts apart</span>
        <span className="text-[13px] text-second">{slots.map(({ name }) => name.toLowerCase()).join(', ')}</span>
      </summary>
      <div className="flex flex-wrap gap-x-5 gap-y-2 pt-1">
        {slots.map(({ slot, name }) => (
          <label key={slot} className="flex flex-col gap-0.5 text-[14px]">
            <span className="slim">{`${name[0]!.toUpperCase()}${name.slice(1)}`}</span>
            <input
              className="field mono w-[112px] text-right"
              inputMode="numeric"
              autoComplete="off"
              value={draft.apart[slot] ?? ''}
              aria-label={`${name}, counted apart`}
              aria-invalid={issues.has(`apart ${slot}`)}
              onChange={(event) => onChange({ apart: { ...draft.apart, [slot]: event.target.value } })}
            />
            {issues.has(`apart ${slot}`) ? (
              <b className="max-w-[150px] text-[13px] text-seal-ink">{issues.get(`apart ${slot}`)}</b>
            ) : (
              before.has(slot) && <span className="text-[13px] text-second">last {figure(before.get(slot)!)}</span>
            )}
          </label>
        ))}
      </div>
    </details>
  )
}
