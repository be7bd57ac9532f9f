import type { look } from '../build.ts'
import type { Comes, FaultTrait, Repair, Test } from '../fault.ts'

/**
 * One way in which a sort of part fails. From memory, as all shares of a book.
 *
 * In every text `{part}` stands for the part as its machine calls it.
 */
export interface Mode {
  id: string
  name: string
  /** What it does to the machine, as its sort puts it: everything but the looks at the part itself follows from that. */
  does: string
  /** Calls for it, against one for the fault of the book that does the same. */
  share: number
  repair: Repair
  /** What the sort's own looks show of it. */
  shows: Record<string, Record<string, number>>
  /** Complaints it is known by, beside those of what does the same; a kind has what it has of them. */
  complaints?: Record<string, number>
  /** It is known by these alone. */
  instead?: true
  traits?: FaultTrait[]
  /** How it comes and goes. */
  comes: Comes[]
  /** What is mended sits beside the part: its age does not speak for it, no new one goes in, its upkeep is not done. */
  beside?: true
}

/** How a sort of part fails, and how its failures are told apart with the hands on it. */
export interface Sort {
  modes: Mode[]
  /** Each is made for every part of the sort, at its station; what it sees follows from the modes. */
  looks: Test[]
}

type More = Parameters<typeof look>[6]

/** Dead, case open, with a meter: how most looks at a part are done. */
export const metered: More = { tools: ['multimeter'], needs: ['off', 'open'], hazard: 'mains' }
/** Dead, case open, by eye and hand. */
export const byEye: More = { tools: ['torch'], needs: ['off', 'open'], hazard: 'mains' }
/** Opened where water stands under pressure. */
export const opened: More = { tools: ['spanners'], needs: ['off', 'open', 'cold', 'no-pressure'], hazard: 'pressure' }
/** Open, live, running: for whoever is qualified. */
export const live: More = { tools: ['multimeter'], needs: ['open'], gate: 'live', hazard: 'live' }
