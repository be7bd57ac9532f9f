import type { ReactNode } from 'react'
import type { Test } from '../../core/faults/fault.ts'

const line = {
  fill: 'none',
  stroke: 'var(--deep)',
  strokeWidth: 2,
  strokeLinejoin: 'round',
  strokeLinecap: 'round',
} as const
const bad = { ...line, stroke: 'var(--seal)' } as const
const chalk = { fill: 'var(--chalk)', stroke: 'var(--deep)', strokeWidth: 1 } as const
const coffee = { fill: 'var(--coffee)', stroke: 'none' } as const
const water = { fill: 'var(--tint)', stroke: 'var(--water)', strokeWidth: 1.5 } as const

const paper = <path {...line} d="M-24 -17H16L24 -9V17H-24ZM16 -17V-9H24" />
const ring = <ellipse {...water} cx="-2" cy="4" rx="13" ry="9" />
const paperFor = (mark: ReactNode) => (
  <>
    {paper}
    {mark}
  </>
)

const plug = (gap: number) => (
  <>
    <path {...line} d={`M-34 0H-16M-16 -10H-2V10H-16Z`} />
    <path
      {...line}
      d={`M${2 + gap} -5H${10 + gap}M${2 + gap} 5H${10 + gap}M${10 + gap} -10H24V10H${10 + gap}ZM24 0H34`}
    />
  </>
)

const terminals = (inner: ReactNode) => (
  <>
    <path {...line} d="M-30 18H30M-18 18V2M18 18V2" />
    <path {...line} d="M-25 2H-11V-12H-25ZM11 2H25V-12H11Z" />
    {inner}
  </>
)

const seal = (inner: ReactNode) => (
  <>
    <circle {...line} r="19" />
    <circle {...line} r="12" />
    {inner}
  </>
)

const hole = (inner: ReactNode) => (
  <>
    <circle {...line} r="18" />
    {inner}
  </>
)
const holes = [-8, 0, 8].flatMap((x) => [-8, 0, 8].map((y) => ({ x, y })))
const screen = (fill: string) =>
  hole(holes.map(({ x, y }) => <circle key={`${x} ${y}`} cx={x} cy={y} r="2.4" fill={fill} />))

const stream = (fall: ReactNode) => (
  <>
    <path {...line} d="M-30 -18H-4V-6M-30 -8H-14V-6M-14 -6H-4" />
    <path {...line} d="M-22 20L-20 8H4L2 20Z" transform="translate(0 1)" />
    {fall}
  </>
)

const seat = (plunger: ReactNode) => (
  <>
    <path {...line} d="M-28 8H-7V18M28 8H7V18" />
    {plunger}
  </>
)
const cone = <path {...line} d="M-12 -18H12V-6L5 6H-5L-12 -6Z" />

const burr = (inner: ReactNode, teeth = 'M0 -18V-10M16 -9L9 -5M16 9L9 5M0 18V10M-16 9L-9 5M-16 -9L-9 -5') => (
  <>
    <circle {...line} r="19" />
    <circle {...line} r="6" />
    <path {...line} d={teeth} />
    {inner}
  </>
)

const wheel = (inner: ReactNode) => (
  <>
    <circle {...line} r="19" />
    <path {...line} d="M0 0V-15M0 0L13 8M0 0L-13 8" />
    {inner}
  </>
)

const spring = 'M-26 0l4 -8l6 16l6 -16l6 16l4 -8'
const plunger = (inner: ReactNode, d = spring) => (
  <>
    <path {...line} d="M-30 -13H30V13H-30Z" />
    <path {...line} d={d} />
    <path {...line} d="M2 -8H22V8H2Z" />
    {inner}
  </>
)

const probe = (inner: ReactNode) => (
  <>
    <path {...line} d="M-10 -20H10V-10H-10ZM-2 -10H2V18H-2Z" />
    {inner}
  </>
)

const cup = (inner: ReactNode) => (
  <>
    <path {...line} d="M-26 -14H26L18 18H-18Z" />
    {inner}
  </>
)

const cross = <path {...bad} d="M12 -18L24 -6M24 -18L12 -6" />

/** How it looks, by what is looked at (the last word of a test's name) and what is seen. */
const drawings: Record<string, Record<string, ReactNode>> = {
  plug: { fast: plug(-4), off: plug(8) },
  plugs: { fast: plug(-4), off: plug(8) },
  terminals: {
    bright: terminals(null),
    brown: terminals(<path d="M11 2H25V-12H11Z" fill="var(--coffee)" stroke="var(--deep)" strokeWidth="2" />),
  },
  paper: {
    dry: paper,
    cold: paperFor(ring),
    hot: paperFor(
      <>
        {ring}
        <path {...line} d="M-8 -4q3 -4 0 -8M2 -4q3 -4 0 -8" />
      </>,
    ),
    wet: paperFor(ring),
  },
  overnight: { dry: paper, wet: paperFor(ring) },
  inside: { dry: paper, wet: paperFor(ring) },
  refit: {
    right: <path {...line} d="M-30 -6H30M-30 6H30M-6 -14H6V14H-6Z" />,
    wrong: (
      <>
        <path {...line} d="M-30 -6H30M-30 6H30M-6 -14H6V14H-6Z" />
        <path {...bad} d="M-3 14q-8 6 -10 -2" />
      </>
    ),
    kinked: <path {...bad} d="M-30 -8H-6L2 14L10 -8H30M-30 4H-12L2 20L16 4H30" />,
  },
  seal: {
    soft: seal(null),
    hard: seal(<path {...bad} d="M-15 -3L-10 -1M10 10L14 13M-2 -18L0 -13M15 2L11 4" />),
    torn: seal(<path {...bad} strokeWidth={4} d="M13 -13L20 -20" />),
    dirty: seal(<circle {...coffee} cx="13" cy="9" r="4" />),
    wrong: seal(<circle {...bad} r="25" strokeDasharray="3 4" cy="0" />),
  },
  screen: { clean: screen('var(--deep)'), clogged: hole(<circle {...coffee} r="15" />) },
  wand: {
    clear: hole(<path {...line} d="M-7 -7h.1M7 -7h.1M-7 7h.1M7 7h.1" strokeWidth={6} />),
    blocked: hole(
      <>
        <path {...line} d="M-7 -7h.1M7 7h.1" strokeWidth={6} />
        <circle {...chalk} cx="7" cy="-7" r="4" />
        <circle {...chalk} cx="-7" cy="7" r="4" />
      </>,
    ),
  },
  jet: {
    open: hole(<circle r="5" fill="var(--deep)" />),
    clear: hole(<circle r="5" fill="var(--deep)" />),
    narrow: hole(
      <>
        <circle {...chalk} r="11" />
        <circle r="1.5" fill="var(--deep)" />
      </>,
    ),
    chalk: hole(<circle {...chalk} r="11" />),
    blocked: hole(<circle {...coffee} r="9" />),
  },
  hose: {
    stream: stream(<path {...water} d="M-12 -6H-6V8H-12Z" />),
    little: stream(<path {...water} d="M-9 -4q-4 6 0 8q4 -2 0 -8Z" />),
  },
  seat: {
    right: seat(<g transform="translate(0 2)">{cone}</g>),
    worn: seat(
      <>
        <g transform="translate(0 2)">{cone}</g>
        <path {...bad} d="M-11 6l3 4M11 6l-3 4" strokeWidth={4} />
      </>,
    ),
    stuck: seat(
      <>
        <g transform="translate(0 -6)">{cone}</g>
        <circle {...chalk} cx="14" cy="-2" r="5" />
      </>,
    ),
  },
  moved: {
    springs: plunger(<path {...line} d="M6 19H18M14 16l4 3l-4 3" />),
    stuck: plunger(cross),
    sticky: plunger(<circle {...chalk} cx="25" cy="0" r="4" />),
    dry: plunger(null, 'M-26 0H-4'),
  },
  burrs: {
    sharp: burr(null),
    blunt: burr(null, 'M0 -13V-10M11 -7L9 -5M11 7L9 5M0 13V10M-11 7L-9 5M-11 -7L-9 -5'),
    stone: burr(<circle {...chalk} cx="11" cy="3" r="5" />),
    off: burr(<path {...bad} d="M0 -24V-19M7 -23L5 -18" strokeWidth={3} />),
    cracked: burr(<path {...bad} d="M5 3L10 8L9 12L15 16" />),
  },
  wheel: {
    turns: wheel(<path {...line} d="M22 -8A23 23 0 0 1 22 8M25 3l-3 5l-5 -2" />),
    jammed: wheel(<circle {...chalk} cx="9" cy="-8" r="5" />),
    worn: wheel(<path {...bad} d="M0 0L13 8" strokeDasharray="2 4" strokeWidth={4} />),
  },
  probe: { clean: probe(null), chalked: probe(<path {...chalk} d="M-6 -2q6 -5 12 0V20q-6 4 -12 0Z" />) },
  chute: {
    through: <path {...line} d="M-14 -20L-8 20M14 -20L8 20M0 -14v.1M-2 -2v.1M2 10v.1" />,
    packed: (
      <>
        <path {...line} d="M-14 -20L-8 20M14 -20L8 20" />
        <path {...coffee} d="M-11 -4H11L8 19H-8Z" />
      </>
    ),
  },
  basket: {
    even: screen('var(--deep)'),
    worn: hole(
      holes.map(({ x, y }) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={x > y ? 4 : 2} fill={x > y ? 'var(--seal)' : 'var(--deep)'} />
      )),
    ),
  },
  puck: {
    firm: cup(<path {...coffee} d="M-21 2H21L18 17H-18Z" />),
    small: cup(<path {...coffee} d="M-19 11H19L18 17H-18Z" />),
    none: cup(null),
    wet: cup(
      <>
        <path {...coffee} d="M-21 4H21L18 17H-18Z" />
        <path {...water} d="M-23 -4H23L21 4H-21Z" />
      </>,
    ),
  },
}
/** The same looks under other names. */
const alike: Record<string, Record<string, ReactNode>> = {
  gasket: drawings.seal!,
  ring: { ...drawings.seal, whole: drawings.seal!.soft, worn: drawings.seal!.hard },
  nozzle: { ...drawings.seal, whole: drawings.seal!.soft, gone: drawings.seal!.torn },
  strainer: { clean: drawings.screen!.clean, blocked: drawings.screen!.clogged },
  below: drawings.overnight!,
  tip: drawings.wand!,
  leads: drawings.plugs!,
}

/**
 * How an answer of a test looks; null where it is read off an instrument, and where not every answer of it is drawn: one
 * left out would be taken for the odd one.
 */
export function lookDrawing({ id, reads, outcomes }: Pick<Test, 'id' | 'reads' | 'outcomes'>, outcome: string) {
  const look = id.split('-').at(-1)!
  const drawn = drawings[look] ?? alike[look]
  return reads || !drawn || !outcomes.every((one) => drawn[one.id]) ? null : drawn[outcome]!
}
