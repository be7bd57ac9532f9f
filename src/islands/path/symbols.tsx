import type { ReactNode } from 'react'
import type { StationSymbol } from '../../core/kinds/kind.ts'

const line = { stroke: 'var(--deep)', strokeWidth: 1.5, fill: 'var(--enamel)' } as const
const bare = { stroke: 'var(--deep)', strokeWidth: 1.5, fill: 'none' } as const
const steam = { stroke: 'var(--steam)', strokeWidth: 1.5, fill: 'var(--enamel)' } as const

/** Two facing triangles: the body of every valve. */
const bow = <path d="M-15 -9L0 0L-15 9ZM15 -9L0 0L15 9Z" {...line} />
const coil = (
  <g>
    <path d="M0 0V-14" {...bare} />
    <rect x={-9} y={-32} width={18} height={16} {...line} />
    <path d="M-9 -16L9 -32" {...bare} />
  </g>
)
const box = (inside: ReactNode) => (
  <g>
    <rect x={-13} y={-13} width={26} height={26} rx={2} {...line} />
    {inside}
  </g>
)

/** Station symbols, drawn about their middle on the line. A kind picks from these by name. */
export const symbols: Record<StationSymbol, ReactNode> = {
  mains: (
    <g>
      <path d="M-2 -32V32" {...bare} strokeWidth={2} />
      <path
        d="M-12 -26l10 -8M-12 -14l10 -8M-12 -2l10 -8M-12 10l10 -8M-12 22l10 -8M-12 34l10 -8"
        stroke="var(--second)"
        strokeWidth={1}
      />
      <rect x={-2} y={-8} width={9} height={16} {...line} />
    </g>
  ),
  softener: (
    <g>
      <rect x={-8} y={-50} width={16} height={8} rx={2} {...line} />
      <path d="M-20 -30a20 12 0 0 1 40 0V30a20 10 0 0 1 -40 0Z" {...line} />
      <path d="M-20 -16H20V30a20 10 0 0 1 -40 0Z" fill="var(--tint)" stroke="none" />
      <path d="M-20 10H20V30a20 10 0 0 1 -40 0Z" fill="var(--chalk)" stroke="none" />
      <path
        d="M-14 18h2m6 0h2m6 0h2m6 0h2M-10 25h2m6 0h2m6 0h2M-14 32h2m6 0h2m6 0h2m6 0h2"
        stroke="var(--deep)"
        strokeWidth={1.5}
      />
      <path d="M-20 -30a20 12 0 0 1 40 0V30a20 10 0 0 1 -40 0ZM-20 -16H20" {...bare} />
    </g>
  ),
  tank: (
    <g>
      <path d="M-42 -16H42V30a3 3 0 0 1 -3 3H-39a3 3 0 0 1 -3 -3Z" fill="var(--tint)" />
      <path d="M-46 -36H46M-42 -36V30a3 3 0 0 0 3 3H39a3 3 0 0 0 3 -3V-36M-42 -16H42" {...bare} />
      <path d="M-30 -12h14M-26 -8h6" stroke="var(--deep)" strokeWidth={1} />
      <rect x={12} y={-6} width={20} height={30} {...line} />
      <path d="M17 0v18M22 0v18M27 0v18" stroke="var(--deep)" strokeDasharray="2 2" />
    </g>
  ),
  valve: (
    <g>
      {bow}
      {coil}
    </g>
  ),
  strainer: (
    <g>
      <path d="M-14 -8H14V8H4L-6 18L-13 11L-4 8H-14Z" {...line} />
      <path d="M-9 -8V8M-4 -8V8M1 -8V8" stroke="var(--deep)" strokeWidth={1} strokeDasharray="2 2" />
    </g>
  ),
  pump: (
    <g>
      <path d="M-12 16L-18 32H18L12 16Z" {...line} />
      <circle r={21} {...line} />
      <path d="M-9 -13L14 0L-9 13Z" fill="var(--deep)" />
    </g>
  ),
  'flow-meter': (
    <g>
      <rect x={-6} y={-27} width={12} height={12} {...line} />
      <circle r={17} {...line} />
      <path d="M0 0V-11M0 0L9.500 5.500M0 0L-9.500 5.500" {...bare} />
      <circle r={2.5} fill="var(--deep)" />
    </g>
  ),
  jet: (
    <g>
      <path d="M-11 -12H11V12H-11Z" {...line} />
      <path d="M-11 -12L0 -3L11 -12M-11 12L0 3L11 12" fill="var(--tint)" stroke="var(--deep)" strokeWidth={1.5} />
    </g>
  ),
  boiler: (
    <g>
      <rect x={-76} y={-60} width={152} height={121} rx={16} {...line} />
      <path d="M-75 -24H75V46a15 15 0 0 1 -15 15H-60a15 15 0 0 1 -15 -15Z" fill="var(--tint)" />
      <path d="M-75 -24H75M-34 -20h14M-30 -16h6" stroke="var(--deep)" strokeWidth={1} />
      <rect x={-58} y={-11} width={116} height={22} rx={4} {...line} />
      <path d="M-76 0H-58M58 0H76" stroke="var(--deep)" strokeWidth={9} />
      <path d="M-76 0H76" stroke="var(--tint)" strokeWidth={6} />
      <path d="M88 43H-28a5 5 0 0 1 0 -11H54q7 0 8 -6" {...bare} />
      <rect x={-76} y={-60} width={152} height={121} rx={16} {...bare} />
      <text y={-40} textAnchor="middle" fontSize={13} className="slim" fill="var(--steam-text)">
        steam
      </text>
    </g>
  ),
  'full-boiler': (
    <g>
      <rect x={-28} y={-24} width={56} height={48} rx={9} {...line} />
      <rect x={-27} y={-23} width={54} height={46} rx={8} fill="var(--tint)" />
      <path d="M30 13H-14a3 3 0 0 1 0 -7H18" {...bare} strokeWidth={1.2} />
      <rect x={-28} y={-24} width={56} height={48} rx={9} {...bare} />
    </g>
  ),
  chute: <path d="M-14 -9H2a8 8 0 0 1 8 8V14H-2V3H-14Z" {...line} />,
  'small-boiler': (
    <g>
      <rect x={-28} y={-24} width={56} height={48} rx={9} {...line} />
      <path d="M-27 -6H27V14a9 9 0 0 1 -9 9H-18a9 9 0 0 1 -9 -9Z" fill="var(--tint)" />
      <path d="M-27 -6H27M-12 -2h8" stroke="var(--deep)" strokeWidth={1} />
      <path d="M30 14H-14a3 3 0 0 1 0 -7H18" {...bare} strokeWidth={1.2} />
      <rect x={-28} y={-24} width={56} height={48} rx={9} {...bare} />
    </g>
  ),
  thermoblock: (
    <g>
      <rect x={-44} y={-36} width={88} height={66} rx={3} {...line} />
      <path
        d="M-44 0H-34V-16a6 6 0 0 1 12 0V10a6 6 0 0 0 12 0V-16a6 6 0 0 1 12 0V10a6 6 0 0 0 12 0V-16a6 6 0 0 1 12 0V0H44"
        {...bare}
        strokeWidth={8}
      />
      <path
        d="M-44 0H-34V-16a6 6 0 0 1 12 0V10a6 6 0 0 0 12 0V-16a6 6 0 0 1 12 0V10a6 6 0 0 0 12 0V-16a6 6 0 0 1 12 0V0H44"
        fill="none"
        stroke="var(--tint)"
        strokeWidth={5}
      />
      <path d="M-38 24H38" stroke="var(--copper)" strokeWidth={1.5} strokeDasharray="5 4" />
    </g>
  ),
  'three-way': (
    <g>
      <path d="M0 0L-9 16H9Z" {...line} />
      {bow}
      {coil}
    </g>
  ),
  group: (
    <g>
      <path d="M-12 -34H6V-26H12V26H6V34H-12V10H-20V-10H-12Z" {...line} />
      <rect x={8} y={-34} width={9} height={13} fill="var(--deep)" />
      <rect x={8} y={21} width={9} height={13} fill="var(--deep)" />
    </g>
  ),
  screen: (
    <g>
      <rect x={-4} y={-32} width={8} height={64} {...line} />
      <path d="M0 -28V28" stroke="var(--deep)" strokeWidth={3} strokeDasharray="3 3" />
    </g>
  ),
  basket: (
    <g>
      <path d="M-12 -28H10a8 8 0 0 1 8 8V20a8 8 0 0 1 -8 8H-12Z" fill="var(--coffee)" />
      <path d="M-20 -36H-18V-30H12a8 8 0 0 1 8 8V22a8 8 0 0 1 -8 8H-18V36H-20" {...bare} />
    </g>
  ),
  nozzle: (
    <g>
      <path d="M-40 -8H-18V-16H30V-24H40V24H30V16H-18V8H-40Z" {...line} />
      <circle cx={0} cy={-12} r={4} fill="var(--deep)" />
      <circle cx={14} cy={-12} r={4} fill="var(--deep)" />
      <circle cx={0} cy={12} r={4} fill="var(--deep)" />
      <circle cx={14} cy={12} r={4} fill="var(--deep)" />
      <path d="M-40 0H40" stroke="var(--tint)" strokeWidth={6} />
    </g>
  ),
  'brew-unit': (
    <g>
      <path d="M-56 -36V36M56 -36V36M-56 -30H56M-56 30H56" {...bare} />
      <rect x={-42} y={-30} width={30} height={60} {...line} />
      <rect x={-12} y={-30} width={42} height={60} fill="var(--coffee)" />
      <path d="M34 -30V30" stroke="var(--deep)" strokeWidth={2} strokeDasharray="3 3" />
      <circle cx={-27} cy={-30} r={4} fill="var(--deep)" />
      <circle cx={-27} cy={30} r={4} fill="var(--deep)" />
    </g>
  ),
  'pod-head': (
    <g>
      <path d="M-44 -34H-20V34H-44ZM24 -34H44V34H24Z" {...line} />
      <path d="M-20 -22L16 -17V17L-20 22Z" fill="var(--coffee)" stroke="var(--deep)" strokeWidth={1.5} />
      <path d="M-28 -8L-8 0L-28 8" {...bare} />
      <path d="M-20 -34H24M-20 34H24" {...bare} strokeDasharray="4 3" />
    </g>
  ),
  cup: (
    <g>
      <path d="M-20 -16H18L14 14a4 4 0 0 1 -4 3H-12a4 4 0 0 1 -4 -3Z" {...line} />
      <path d="M-18 -3H16L14 14a4 4 0 0 1 -4 3H-12a4 4 0 0 1 -4 -3Z" fill="var(--coffee)" />
      <path d="M17 -11a8 8 0 0 1 -2 17" {...bare} />
    </g>
  ),
  tray: <path d="M-46 -2H46M-40 -2V9H40V-2M-34 3H34" {...bare} />,
  tap: (
    <g>
      <path d="M-9 -6H9M0 -6V0M-6 0H6L4 12H-4Z" {...line} />
    </g>
  ),
  wand: <path d="M-12 0q12 0 15 11l3 10m-7 0h13l-2 9h-8Z" {...steam} />,
  relief: (
    <g>
      {bow}
      <path d="M0 0V-8l-6 -3l12 -4l-12 -4l6 -3" {...bare} />
    </g>
  ),
  breather: (
    <g>
      <path d="M0 0V-8M-6 -8H6L4 -22H-4Z" {...steam} />
      <circle r={4} {...steam} />
    </g>
  ),
  'hand-valve': (
    <g>
      <path d="M-13 -9L0 0L-13 9ZM13 -9L0 0L13 9Z" {...steam} />
      <path d="M0 0V-15M-9 -15H9" {...steam} />
    </g>
  ),
  joint: <circle r={6} {...line} />,
  hopper: <path d="M-16 -16H16L6 4V12H-6V4Z" {...line} />,
  burrs: (
    <g>
      <path d="M-15 -13H15L7 -1H-7ZM-15 13H15L7 3H-7Z" {...line} />
      <path d="M-9 -13l3 10M0 -13V-2M9 -13l-3 10" stroke="var(--deep)" strokeWidth={1} />
    </g>
  ),
  switch: box(<path d="M-9 4H-4L6 -6M5 4H9" {...bare} />),
  sensor: box(<path d="M0 -9V4M-4 4a4 4 0 1 0 8 0" {...bare} />),
  element: box(<path d="M-9 0h3l2 -6l3 12l3 -12l2 6h5" {...bare} />),
  relay: box(<path d="M-8 -5H8V5H-8ZM-3 5L3 -5" {...bare} />),
  motor: box(
    <g>
      <circle r={8} {...bare} />
      <path d="M-3.500 4V-3.500L0 1L3.500 -3.500V4" {...bare} strokeWidth={1.2} />
    </g>,
  ),
  keys: box(<path d="M-8 -8h5v5h-5ZM3 -8h5v5h-5ZM-8 3h5v5h-5ZM3 3h5v5h-5Z" {...bare} strokeWidth={1.2} />),
  board: box(<path d="M-7 -7H7V7H-7ZM-7 -3h-4M-7 3h-4M7 -3h4M7 3h4M-3 -7v-4M3 -7v-4" {...bare} strokeWidth={1.2} />),
  gauge: box(
    <g>
      <circle r={8.5} {...bare} />
      <path d="M0 0L4 -5" {...bare} />
    </g>,
  ),
}
