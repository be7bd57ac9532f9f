import type { ReactNode } from 'react'
import type { Drive, ThingSymbol } from '../../core/strip-down/thing.ts'

const line = {
  fill: 'none',
  stroke: 'currentColor',
  strokeWidth: 2,
  strokeLinejoin: 'round',
  strokeLinecap: 'round',
} as const
const thick = { ...line, strokeWidth: 3.5 } as const

/** Things as they lie on the mat, each in a square of 120 about its middle. */
export const thingDrawings: Record<ThingSymbol, ReactNode> = {
  guard: (
    <g {...line}>
      <circle r={48} />
      <circle r={36} />
      <path d="M-27 -22H27M-33 -11H33M-35 0H-12M12 0H35M-33 11H33M-27 22H27" />
      <circle r={9} strokeWidth={3.5} />
    </g>
  ),
  hopper: (
    <g {...line}>
      <path d="M-52 -44H52L36 26H-36Z" />
      <path d="M-44 -30q22 -10 44 0t44 0" />
      <path d="M-38 26H38V38H-38Z" />
      <path {...thick} d="M-40 48q20 -10 40 0t40 0" />
    </g>
  ),
  case: (
    <g {...line}>
      <path d="M-54 28V-8q0 -14 14 -14H40q14 0 14 14V28H36V14H14V28H-14V14H-36V28Z" />
      <path d="M-28 -22V-34H28V-22" />
    </g>
  ),
  plate: (
    <g {...line}>
      <circle r={38} />
      <circle r={14} />
      <path d="M0 -38V-16" strokeWidth={4} />
      {Array.from({ length: 10 }, (_, i) => (
        <path key={i} d="M-6 -38V-48H6V-38" transform={`rotate(${i * 36})`} />
      ))}
    </g>
  ),
  rubber: (
    <g {...line}>
      <path d="M-24 26V0q0 -10 12 -10H-8V-26q0 -8 8 -8t8 8V-10H12q12 0 12 10V26Z" />
    </g>
  ),
  grinder: (
    <g {...line}>
      <rect x={-40} y={-38} width={80} height={72} rx={3} />
      <circle r={28} />
      <circle r={11} />
      <path d="M-40 22H-52V40M40 22H52V40M-58 40H-46V50H-58ZM46 40H58V50H46Z" />
    </g>
  ),
  spring: (
    <g {...line}>
      <path d="M-20 -40H20L-20 -27H20L-20 -14H20L-20 -1H20L-20 12H20L-20 25H20L-20 38H20" />
    </g>
  ),
  chute: (
    <g {...line}>
      <path d="M-24 -34H26L20 -14H6L-4 34H-22L-12 -14H-28Z" />
    </g>
  ),
  panel: (
    <g {...line}>
      <rect x={-42} y={-46} width={84} height={92} rx={4} />
      <path d="M-34 -38h6M28 -38h6M-34 38h6M28 38h6" />
      <path d="M-18 -10H18M-18 0H18M-18 10H18" />
    </g>
  ),
  gasket: (
    <g {...line}>
      <ellipse rx={46} ry={26} strokeWidth={7} />
    </g>
  ),
  screen: (
    <g {...line}>
      <ellipse rx={46} ry={28} />
      {[-16, -5, 6, 17].flatMap((y, row) =>
        [-28, -14, 0, 14, 28].map((x) => <circle key={`${row} ${x}`} cx={x} cy={y - 1} r={1.6} fill="currentColor" />),
      )}
    </g>
  ),
  tip: (
    <g {...line}>
      <path d="M-10 -44V-20H-18V14L-8 34H8L18 14V-20H10V-44" />
      <circle cx={-6} cy={24} r={2} />
      <circle cx={6} cy={24} r={2} />
      <path d="M-18 -8H18" />
    </g>
  ),
  tube: (
    <g {...line}>
      <path d="M-48 30q0 -60 48 -60t48 60" strokeWidth={9} opacity={0.35} />
      <path d="M-48 30q0 -60 48 -60t48 60" />
      <ellipse cx={-48} cy={36} rx={10} ry={5} strokeWidth={4} />
      <ellipse cx={-48} cy={47} rx={10} ry={5} strokeWidth={4} />
    </g>
  ),
  piston: (
    <g {...line}>
      <path d="M-34 -20H34V16H-34Z" />
      <path d="M-34 -8H34" strokeWidth={5} />
      <path d="M-10 -20V-44H10V-20M-22 16V26H22V16" />
    </g>
  ),
  nut: (
    <g {...line}>
      <path d="M0 -38L33 -19V19L0 38L-33 19V-19Z" />
      <circle r={17} />
    </g>
  ),
  screws: (
    <g {...line}>
      <path d="M-36 -40H-4L-8 -26H-32ZM-27 -26V30L-20 40L-13 30V-26M-27 -10L-13 -16M-27 4L-13 -2M-27 18L-13 12" />
      <path d="M4 -28H36L32 -14H8ZM13 -14V36L20 46L27 36V-14M13 2L27 -4M13 16L27 10M13 30L27 24" />
    </g>
  ),
  unit: (
    <g {...line}>
      <path d="M-34 -46H26V46H-34Z" />
      <path d="M-34 -22H26M-34 14H26" />
      <circle cx={-4} cy={-4} r={12} />
      <path d="M26 -34H42V-10H26M26 24H38V40H26" />
    </g>
  ),
  pump: (
    <g {...line}>
      <path d="M-26 -16H20V16H-26Z" />
      <path d="M-44 -6H-26V6H-44ZM20 -5H44V5H20Z" />
      <path d="M-14 -16V16M-4 -16V16M6 -16V16" />
    </g>
  ),
  boiler: (
    <g {...line}>
      <path d="M-34 -34q0 -12 34 -12t34 12V32q0 12 -34 12t-34 -12Z" />
      <path d="M-34 -34q0 10 34 10t34 -10M-16 -48V-58M16 -48V-58" />
    </g>
  ),
  tray: (
    <g {...line}>
      <path d="M-46 -40H46L38 40H-38Z" />
      <path d="M-43 -14H43" />
    </g>
  ),
  clip: (
    <g {...thick}>
      <path d="M26 -30A40 40 0 1 0 26 30" />
      <circle cx={28} cy={-28} r={6} strokeWidth={2} />
      <circle cx={28} cy={28} r={6} strokeWidth={2} />
    </g>
  ),
  spindle: (
    <g {...line}>
      <path d="M-10 -52H10V52H-10Z" />
      {Array.from({ length: 8 }, (_, i) => (
        <path key={i} d={`M-16 ${-44 + i * 12}L16 ${-38 + i * 12}`} strokeWidth={3.5} />
      ))}
    </g>
  ),
  guide: (
    <g {...line}>
      <path d="M-7 -52H7V52H-7ZM-7 -40H7M-7 40H7" />
      <circle cy={-46} r={2} />
    </g>
  ),
  valve: (
    <g {...line}>
      <path d="M-44 -14H-16L0 -4L16 -14H44V14H16L0 4L-16 14H-44ZM0 -4V-40M-16 -40H16" />
      <circle cy={0} r={5} strokeWidth={3.5} />
    </g>
  ),
  probe: (
    <g {...line}>
      <path d="M-14 -46H14V-30H-14ZM-20 -30H20V-20H-20ZM-4 -20H4V50L0 54L-4 50Z" />
    </g>
  ),
  needle: (
    <g {...line}>
      <circle r={40} />
      <path d="M-6 12L0 -30L6 12Z" strokeWidth={3} />
      <circle cx={-22} cy={16} r={3} />
      <circle cx={22} cy={16} r={3} />
    </g>
  ),
  element: (
    <g {...line}>
      <path d="M-48 -20V-44M-36 -20V-44M-54 -20H-30V-8H-54ZM-48 -8V34Q-48 46 -36 46T-24 34V-10Q-24 -22 -12 -22T0 -10V34Q0 46 12 46T24 34V-20Q24 -34 36 -34T48 -20V40" />
    </g>
  ),
  coil: (
    <g {...line}>
      <rect x={-34} y={-34} width={68} height={60} rx={3} />
      <circle r={12} cy={-4} />
      <path d="M-14 26V46M14 26V46M-34 -16H34M-34 8H34" />
    </g>
  ),
  plug: (
    <g {...line}>
      <path d="M-30 -18H30V22H-30ZM-18 22V44M-6 22V44M6 22V44M18 22V44M-16 -18V-30H16V-18" />
    </g>
  ),
  portafilter: (
    <g {...line}>
      <path d="M-52 -28H12V-16H-52ZM-58 -25V-19M18 -25V-19M-46 -16H6V2Q6 12 -4 12H-36Q-46 12 -46 2Z" />
      <path d="M-32 12V28Q-32 38 -42 38M-8 12V28Q-8 38 2 38" />
      <path {...thick} d="M12 -14L52 -4Q60 0 54 6L6 0" />
    </g>
  ),
  part: (
    <g {...line}>
      <path d="M-36 -30H36V30H-36Z" strokeDasharray="6 5" />
      <path d="M-14 0H14M0 -14V14" />
    </g>
  ),
}

/** A drive as it is seen end on. */
export function DriveMark({ drive }: { drive: Drive }) {
  return (
    <svg width={24} height={24} viewBox="-12 -12 24 24" aria-hidden="true" className="shrink-0">
      {drive === 'lever' ? (
        <path
          d="M-10 8L6 -4Q9 -7 10 -3M-3 10l3 -6l3 6Z"
          fill="none"
          stroke="var(--deep)"
          strokeWidth={2}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      ) : drive === 'pick' ? (
        <path
          d="M-10 10L-2 2M-2 2L7 -7Q10 -10 7 -2"
          fill="none"
          stroke="var(--deep)"
          strokeWidth={2}
          strokeLinecap="round"
        />
      ) : drive === 'by hand' ? (
        <path
          d="M-6 9V-1M-6 -1V-7M-2 -2V-10M2 -2V-10M6 -1V-7M-6 -1q-3 -3 -4 0l2 6q2 4 6 4h4q4 0 4 -5V-4"
          fill="none"
          stroke="var(--deep)"
          strokeWidth={1.6}
          strokeLinecap="round"
        />
      ) : drive === 'wrench' ? (
        <path d="M0 -10L9 -5V5L0 10L-9 5V-5Z" fill="none" stroke="var(--deep)" strokeWidth={2} />
      ) : drive === 'clip' ? (
        <path d="M5 -8a9 9 0 1 0 0 16" fill="none" stroke="var(--deep)" strokeWidth={3} strokeLinecap="round" />
      ) : (
        <>
          <circle r={10} fill="none" stroke="var(--deep)" strokeWidth={1.6} />
          {drive === 'cross-head' && <path d="M-7 0H7M0 -7V7" stroke="var(--deep)" strokeWidth={2.6} />}
          {drive === 'slot' && <path d="M-7 0H7" stroke="var(--deep)" strokeWidth={2.6} />}
          {drive === 'Y' && <path d="M0 0V-7M0 0L6 4M0 0L-6 4" stroke="var(--deep)" strokeWidth={2.6} />}
          {drive === 'hex' && <path d="M0 -6L5.200 -3V3L0 6L-5.200 3V-3Z" fill="var(--deep)" />}
          {drive === 'torx' && (
            <path
              d="M0 -6l1.700 3h3.500l-1.700 3l1.700 3h-3.500l-1.700 3l-1.700 -3h-3.500l1.700 -3l-1.700 -3h3.500Z"
              fill="var(--deep)"
            />
          )}
        </>
      )}
    </svg>
  )
}
