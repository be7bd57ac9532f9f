/** What turns a fastener, as it is seen end on. */
export const drives = ['by hand', 'cross-head', 'slot', 'torx', 'hex', 'wrench', 'Y', 'lever', 'pick', 'clip'] as const
export type Drive = (typeof drives)[number]

export interface Fastener {
  drive: Drive
  /** As it is written on the tool. @example 'T10' '2.5 mm' */
  size?: string
  /** Screws, nuts or clips of it; none where the hand alone does it. */
  count: number
  /** What tells them from the others: colour, length. */
  kind?: string
  /** How tight it goes back. */
  tight?: string
}

/** How a thing is drawn on the mat; what has no drawing of its own is `part`, and a photo stands in. */
export type ThingSymbol =
  | 'guard'
  | 'hopper'
  | 'case'
  | 'plate'
  | 'rubber'
  | 'grinder'
  | 'spring'
  | 'chute'
  | 'panel'
  | 'gasket'
  | 'screen'
  | 'tip'
  | 'tube'
  | 'piston'
  | 'nut'
  | 'screws'
  | 'unit'
  | 'pump'
  | 'boiler'
  | 'tray'
  | 'clip'
  | 'spindle'
  | 'guide'
  | 'valve'
  | 'probe'
  | 'needle'
  | 'element'
  | 'coil'
  | 'plug'
  | 'portafilter'
  | 'part'

/** One thing that comes off a machine. */
export interface Thing {
  name: string
  /** Where it sits. */
  where: string
  /** Which way round. */
  way?: string
  /** The mark it goes back against, its own or one that was made. @example 'white line to the notch' */
  mark?: string
  symbol: ThingSymbol
  /** The parts that it is, or that sit on it, by their names on one kind or another: a new one is on record. */
  parts?: string[]
  fasteners: Fastener[]
  /** What goes wrong with it when it goes back. */
  trap?: string
  /** What to do or to look at before it comes off. */
  before?: string
  /** What to do when it goes back in. */
  back?: string
}

/** Screws of one sort in the cup. */
export interface InCup {
  words: string
  count: number
}

/** A fastener in words. @example fastenerWords({ drive: 'torx', size: 'T10', count: 3, kind: 'silver' }) // 'silver T10' */
export function fastenerWords({ drive, size, kind }: Fastener): string {
  const tool =
    drive === 'torx' || drive === 'hex' || drive === 'wrench'
      ? (size ?? drive)
      : [drive, size].filter(Boolean).join(' ')
  return [kind, drive === 'hex' && size ? `${size} hex` : drive === 'wrench' && size ? `${size} nut` : tool]
    .filter(Boolean)
    .join(' ')
}

/** Which way round a thing goes and against which mark; empty where neither is known. */
export const lieWords = ({ way, mark }: Pick<Thing, 'way' | 'mark'>): string =>
  [way, mark && `mark: ${mark}`].filter(Boolean).join('; ')
