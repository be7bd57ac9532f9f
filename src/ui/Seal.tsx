/** A seal in one of five conditions: as new, flattened, crazed, cracked, a piece gone. */
export function Seal({ grade, size = 40 }: { grade: number; size?: number }) {
  const ring = { fill: 'none', stroke: 'currentColor', strokeWidth: 8 }
  return (
    <svg width={size} height={size} viewBox="0 0 44 44" aria-hidden="true">
      {grade === 0 && (
        <g>
          <circle cx={22} cy={22} r={15} {...ring} />
          <path d="M13 13a12.5 12.5 0 0 1 9-4" stroke="var(--enamel)" strokeWidth={1.5} fill="none" />
        </g>
      )}
      {grade === 1 && <rect x={5} y={9} width={34} height={26} rx={9} {...ring} />}
      {grade === 2 && (
        <g>
          <circle cx={22} cy={22} r={15} {...ring} />
          <circle
            cx={22}
            cy={22}
            r={18.5}
            fill="none"
            stroke="var(--enamel)"
            strokeWidth={1.6}
            strokeDasharray="2.5 3.5"
          />
          <circle cx={22} cy={22} r={12} fill="none" stroke="var(--enamel)" strokeWidth={1.6} strokeDasharray="2 3" />
        </g>
      )}
      {grade === 3 && (
        <g>
          <circle cx={22} cy={22} r={15} {...ring} />
          <path
            d="M22 2l-2 6 3 3-2 3M39 28l-6-1-2-3-3 1M8 36l4-4 0-4 3-1"
            stroke="var(--enamel)"
            strokeWidth={2}
            fill="none"
          />
        </g>
      )}
      {grade === 4 && (
        <g>
          <path d="M14 9.300A15 15 0 1 0 36.500 18" {...ring} />
          <path d="M27 8l6 3" stroke="currentColor" strokeWidth={7} />
          <path d="M8 33l5-4" stroke="var(--enamel)" strokeWidth={2} />
        </g>
      )}
    </svg>
  )
}

/** Four bars that rise with the grade, beside the words. */
export function GradeBars({ grade }: { grade: number }) {
  return (
    <svg width={27} height={12} viewBox="0 0 27 12" aria-hidden="true" className="inline-block">
      {[1, 2, 3, 4].map((n) => (
        <rect
          key={n}
          x={(n - 1) * 7 + 0.5}
          y={11.5 - n * 2.6}
          width={5}
          height={n * 2.6}
          fill={n <= grade ? 'var(--ink)' : 'none'}
          stroke="var(--ink)"
          strokeWidth={1}
        />
      ))}
    </svg>
  )
}
