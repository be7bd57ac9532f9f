import { look, repair } from '../build.ts'
import type { Test } from '../fault.ts'
import { byEye, live, type Mode } from './sort.ts'

interface Unfed {
  name?: string
  say?: string
  /** It has a plug that may be off. */
  plugged?: boolean
}

/** Something that is worked by a voltage, and gets none. */
export const unfed = (does: string, share: number, { name, say, plugged = true }: Unfed = {}): Mode => ({
  id: 'unfed',
  name: name ?? '{part} gets no voltage: plug, wire or output',
  does,
  share,
  shows: { feed: { none: 0.92 }, ...(plugged && { plug: { off: 0.6 } }) },
  traits: ['refit'],
  comes: ['sometimes'],
  beside: true,
  repair: repair(say ?? 'Plug and wire made good; else the board’s output', 25),
})

/** Whether it is fed, which only a live test says. */
export const feedLook = (say: string): Test =>
  look('feed', say, '', 4, { there: 'Full voltage', none: 'None' }, {}, live)

export const plugLook: Test = look(
  'plug',
  '{part}: plug and wires, pulled and looked at',
  '',
  3,
  { fast: 'Fast and bright', off: 'Off, loose or green' },
  {},
  byEye,
)

/** A terminal that carries heating current, loose and burnt. */
export const burntTerminal = (say: string, minutes: number): Mode => ({
  id: 'terminal',
  name: '{part}: terminal loose or burnt',
  does: 'cold',
  share: 0.35,
  shows: { terminals: { brown: 0.93 } },
  complaints: { burning: 4 },
  comes: ['sometimes'],
  beside: true,
  repair: repair(say, minutes),
})

export const terminalsLook: Test = look(
  'terminals',
  '{part}: its terminals and leads',
  '',
  3,
  { bright: 'Bright and tight', brown: 'Brown, loose or burnt' },
  {},
  byEye,
)
