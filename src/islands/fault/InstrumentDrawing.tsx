import type { ReactNode } from 'react'
import type { Test } from '../../core/faults/fault.ts'

export type InstrumentName =
  | 'gauge'
  | 'scale'
  | 'watch'
  | 'thermometer'
  | 'multimeter'
  | 'pen'
  | 'eye'
  | 'ear'
  | 'word'
  | 'hand'

const byUnit: Record<string, InstrumentName> = {
  bar: 'gauge',
  '°C': 'thermometer',
  ml: 'scale',
  g: 'scale',
  s: 'watch',
  Ω: 'multimeter',
  kΩ: 'multimeter',
  'µS/cm': 'pen',
  // Of the tap’s conductivity.
  '%': 'pen',
  K: 'thermometer',
}

/** With what a test is done, as it is drawn. */
export function instrumentOf({ reads, tools, by }: Pick<Test, 'tools' | 'reads' | 'by'>): InstrumentName {
  const bare = by ?? 'eye'
  if (reads) return byUnit[reads.unit] ?? bare
  return tools.some((tool) => tool.includes('multimeter')) ? 'multimeter' : bare
}

interface Props {
  instrument: InstrumentName
  /** What it shows, as it stands on a display. */
  shows?: string
  /** How far over its range a needle stands, 0 to 1; none where nothing was read. */
  needle?: number | null
  /** The good part of the range, 0 to 1. */
  good?: { from: number; to: number }
  size?: number
}

const line = { fill: 'none', stroke: 'var(--deep)', strokeWidth: 2 }
const body = { fill: 'var(--enamel)', stroke: 'var(--deep)', strokeWidth: 2 }

/** An instrument as it lies in the hand, showing what was read. */
export function InstrumentDrawing({ instrument, shows, needle = null, good, size = 96 }: Props) {
  return (
    <svg viewBox="0 0 120 96" width={size} height={(size * 96) / 120} aria-hidden="true" className="shrink-0">
      {drawings[instrument]({ shows: shows ?? '–', needle, good })}
    </svg>
  )
}

interface Shown {
  shows: string
  needle: number | null
  good: Props['good']
}

/** A point on a dial that turns from half past seven to half past four. */
const onDial = (cx: number, cy: number, r: number, share: number): [number, number] => {
  const angle = ((-225 + 270 * Math.min(1, Math.max(0, share))) * Math.PI) / 180
  return [cx + r * Math.cos(angle), cy + r * Math.sin(angle)]
}

function arc(cx: number, cy: number, r: number, from: number, to: number): string {
  const [x1, y1] = onDial(cx, cy, r, from)
  const [x2, y2] = onDial(cx, cy, r, to)
  return `M${x1.toFixed(1)} ${y1.toFixed(1)}A${r} ${r} 0 ${(to - from) * 270 > 180 ? 1 : 0} 1 ${x2.toFixed(1)} ${y2.toFixed(1)}`
}

function Dial({ cx, cy, r, needle, good }: { cx: number; cy: number; r: number } & Omit<Shown, 'shows'>) {
  const [x, y] = onDial(cx, cy, r - 9, needle ?? 0)
  return (
    <>
      <circle cx={cx} cy={cy} r={r} {...body} />
      <path d={arc(cx, cy, r - 6, 0, 1)} fill="none" stroke="var(--hair)" strokeWidth={4} />
      {good && <path d={arc(cx, cy, r - 6, good.from, good.to)} fill="none" stroke="var(--water)" strokeWidth={4} />}
      <path d={`M${cx} ${cy}L${x.toFixed(1)} ${y.toFixed(1)}`} stroke="var(--copper)" strokeWidth={2.5} />
      <circle cx={cx} cy={cy} r={3} fill="var(--ink)" />
    </>
  )
}

const Display = ({ x, y, width, text }: { x: number; y: number; width: number; text: string }) => (
  <>
    <rect x={x} y={y} width={width} height={18} fill="var(--tint)" stroke="var(--deep)" />
    <text
      x={x + width - 4}
      y={y + 13.5}
      textAnchor="end"
      className="mono"
      fontSize={12}
      fontWeight={600}
      fill="var(--ink)"
    >
      {text}
    </text>
  </>
)

const drawings: Record<InstrumentName, (shown: Shown) => ReactNode> = {
  gauge: ({ needle, good }) => (
    <>
      <path d="M50 62h10v10h-10z" {...body} />
      <path d="M30 72h50v16H30z" {...body} />
      <path d="M80 80h34" stroke="var(--deep)" strokeWidth={9} strokeLinecap="round" />
      <Dial cx={55} cy={36} r={30} needle={needle} good={good} />
    </>
  ),
  watch: ({ needle, good }) => (
    <>
      <path d="M54 8h12M60 8v8M82 20l6 -6" {...line} />
      <Dial cx={60} cy={52} r={36} needle={needle} good={good} />
    </>
  ),
  scale: ({ shows }) => (
    <>
      <path d="M40 12h40l-4 34H44z" {...body} />
      <path d="M79 18c14 -2 14 18 -2 18" {...line} />
      <path d="M22 50h76" {...line} />
      <path d="M28 54h64l6 34H22z" {...body} />
      <Display x={38} y={62} width={46} text={shows} />
    </>
  ),
  thermometer: ({ shows }) => (
    <>
      <rect x={34} y={8} width={60} height={46} rx={4} {...body} />
      <Display x={40} y={16} width={48} text={shows} />
      <path d="M64 54c0 20 -20 12 -20 28" {...line} />
      <path d="M10 82h34" stroke="var(--deep)" strokeWidth={5} strokeLinecap="round" />
    </>
  ),
  multimeter: ({ shows }) => (
    <>
      <rect x={26} y={6} width={58} height={78} rx={6} {...body} />
      <Display x={32} y={13} width={46} text={shows} />
      <circle cx={55} cy={54} r={13} {...line} />
      <path d="M55 54l8 -8" stroke="var(--copper)" strokeWidth={2.5} />
      <path d="M44 84c0 10 56 8 56 -10v-30" fill="none" stroke="var(--seal)" strokeWidth={2} />
      <path d="M66 84c0 6 46 6 46 -8v-32" {...line} />
      <path d="M100 44v-16M112 44v-16" stroke="var(--deep)" strokeWidth={5} />
    </>
  ),
  pen: ({ shows }) => (
    <>
      <path d="M36 6h48v56l-8 10H44l-8 -10z" {...body} />
      <Display x={40} y={14} width={40} text={shows} />
      <circle cx={60} cy={46} r={4} fill="var(--copper)" />
      <path d="M52 72v18M68 72v18" stroke="var(--deep)" strokeWidth={4} />
    </>
  ),
  eye: () => (
    <>
      <path d="M18 48c20 -30 64 -30 84 0c-20 30 -64 30 -84 0z" {...body} />
      <circle cx={60} cy={48} r={14} fill="var(--deep)" />
      <circle cx={65} cy={43} r={4} fill="var(--enamel)" />
    </>
  ),
  ear: () => (
    <>
      <path
        d="M44 78c-4 -12 -12 -18 -12 -34c0 -22 16 -34 32 -34s28 14 24 32c-3 12 -14 16 -14 28c0 12 -20 18 -26 8"
        {...body}
      />
      <path d="M46 42c0 -14 24 -18 28 -4c2 10 -12 10 -12 22" {...line} />
    </>
  ),
  word: () => (
    <>
      <path d="M14 14h92v48H58l-18 20v-20H14z" {...body} />
      <path d="M30 32h60M30 44h40" {...line} />
    </>
  ),
  hand: () => (
    <path
      d="M40 88c-10 -18 -22 -30 -22 -36c0 -6 8 -6 12 0l8 10V20c0 -8 10 -8 10 0v24V14c0 -8 10 -8 10 0v30V18c0 -8 10 -8 10 0v28V28c0 -8 10 -8 10 0v36c0 12 -4 18 -8 24z"
      {...body}
      strokeLinejoin="round"
    />
  ),
}
