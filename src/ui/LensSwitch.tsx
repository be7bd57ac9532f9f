export interface Lens {
  id: string
  key: string
  name: string
}

interface Props {
  lenses: Lens[]
  chosen: string
  onChoose: (id: string) => void
  label: string
}

/** Numbered stops on a rule; a copper ring with a short handle sits on the chosen one. */
export function LensSwitch({ lenses, chosen, onChoose, label }: Props) {
  return (
    <div role="tablist" aria-label={label} className="flex items-center max-md:justify-between">
      {lenses.map((lens, i) => {
        const on = lens.id === chosen
        return (
          <span key={lens.id} className="flex items-center">
            {i > 0 && <span className="mx-1 h-px w-2 bg-hair max-md:hidden" aria-hidden="true" />}
            <button
              type="button"
              role="tab"
              aria-selected={on}
              onClick={() => onChoose(lens.id)}
              className="flex min-h-[44px] min-w-[44px] items-center gap-1.5 max-md:flex-col max-md:gap-0 max-md:text-[15px]"
            >
              <StopMark number={lens.key} on={on} />
              <span className={on ? 'font-semibold' : 'text-second'}>{lens.name}</span>
            </button>
          </span>
        )
      })}
    </div>
  )
}

/** A numbered stop; the lens with its handle lies on the chosen one. */
export function StopMark({ number, on }: { number: string; on: boolean }) {
  return (
    <svg width={32} height={32} viewBox="0 0 32 32" aria-hidden="true">
      {on ? (
        <g fill="none" stroke="var(--copper)" strokeWidth={2.5}>
          <circle cx={17} cy={15} r={11.5} />
          <path d="M8.500 23.500l-4.500 4.500" strokeWidth={3.5} />
        </g>
      ) : (
        <circle cx={17} cy={15} r={9} fill="none" stroke="var(--hair)" strokeWidth={1.5} />
      )}
      <text
        x={17}
        y={19.5}
        textAnchor="middle"
        fontSize={12.5}
        className="mono"
        fill={on ? 'var(--copper)' : 'var(--second)'}
      >
        {number}
      </text>
    </svg>
  )
}
