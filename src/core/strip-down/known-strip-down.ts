import type { Fastener, Thing, ThingSymbol } from './thing.ts'

/** A strip-down whose order and traps are known. */
export interface KnownStripDown {
  id: string
  name: string
  about: string
  kinds: string[]
  /** Where on the path it touches. */
  station: string
  /** It bares live parts: an electrical test follows, or the machine stays held. */
  opens?: true
  /** Before the first screw. */
  first: string[]
  tools: { name: string; why?: string }[]
  things: Thing[]
  /** Work while all is off: brush, look, measure, grease where and where never, references to count. */
  turning: string[]
  /** What it looks like when a part of it is broken. */
  broken?: string[]
  /** Checked once all is back. */
  after: string[]
}

export const dead = 'Off, plug out, cooled; wired in: isolator off and locked. Prove it dead before a hand goes in'
export const noPressure = 'Water shut or tank out; gauge at zero and steam tap open: nothing comes'

/** A thing that comes off; what turns it, and what is to be known of it. */
export const thing = (
  name: string,
  where: string,
  symbol: ThingSymbol,
  fasteners: Fastener[] = byHand,
  more: Partial<Thing> = {},
): Thing => ({ name, where, symbol, fasteners, ...more })

export const byHand: Fastener[] = [{ drive: 'by hand', count: 0 }]
export const hexes = (size: string, count: number, tight?: string): Fastener[] => [
  { drive: 'hex', size: `${size} mm`, count, ...(tight && { tight }) },
]
export const crosses = (count: number, kind?: string): Fastener[] => [
  { drive: 'cross-head', count, ...(kind && { kind }) },
]
export const nuts = (size: string, count = 1): Fastener[] => [{ drive: 'wrench', size: `${size} mm`, count }]
export const clips = (count = 1): Fastener[] => [{ drive: 'clip', count }]
