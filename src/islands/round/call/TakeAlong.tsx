import type { LikelyPart } from '../../../core/faults/likely-parts.ts'
import type { Kind } from '../../../core/kinds/kind.ts'

interface Props {
  kind: Kind
  parts: LikelyPart[]
  /** How much of what it can be is cured with these, or without any. */
  covers: number
}

/** What the van needs for what it most likely is. */
export function TakeAlong({ kind, parts, covers }: Props) {
  const nameOf = (part: string) => kind.parts.find(({ id }) => id === part)?.name ?? part
  return (
    <section aria-label="Take along" className="px-4 pt-2 pb-1">
      <h2 className="head m-0">
        Take along{' '}
        <span className="text-[14px] font-normal text-second">
          {parts.length > 0
            ? `cures ${Math.round(100 * covers)} in 100 of what it can be`
            : 'no part is likely enough to be carried for it'}
        </span>
      </h2>
      <ul className="m-0 list-none p-0">
        {parts.map(({ part, chance, because }) => (
          <li key={part} className="flex items-baseline gap-3 border-t border-hair py-1 text-[14px]">
            <span className="min-w-0 flex-1">
              {nameOf(part)} <span className="text-[13px] text-second">{because}</span>
            </span>
            <span className="mono">{Math.round(100 * chance)} in 100</span>
          </li>
        ))}
      </ul>
      {parts.length > 0 && (
        <p className="m-0 border-t border-hair pt-1 text-[13px] text-second">
          It stands on the day’s load list once the visit is put in. What the van has is not counted here.
        </p>
      )}
    </section>
  )
}
