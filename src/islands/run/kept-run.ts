import type { Entry } from '../../core/ledger/entry.ts'
import type { Chosen, Lane } from '../../core/procedures/lane.ts'
import type { Inside } from '../../core/procedures/run-record.ts'
import type { RunState } from '../../core/procedures/run-state.ts'

/** A run as it is kept on this device: whole, so that it goes on after anything. */
export interface KeptRun {
  running: Chosen[]
  lanes: Lane[]
  state: RunState
  /** Ids of what it will write: saved twice it is one write. */
  ids: string[]
  /** What was said at once to be in the machine, and by which entry. */
  held: { inside: Inside; entry: Entry }[]
}

// A run kept by an earlier version stands in another shape: it is not taken up, and not thrown away either.
const keyOf = (machineId: string) => `evenshot-run-2-${machineId}`
const seenKey = (machineId: string) => `evenshot-run-seen-${machineId}`

export function readRun(machineId: string): { run: KeptRun; seenAt: number } | null {
  try {
    const text = localStorage.getItem(keyOf(machineId))
    return text ? { run: JSON.parse(text), seenAt: Number(localStorage.getItem(seenKey(machineId))) } : null
  } catch (error) {
    console.info('What was kept of a run cannot be read', error)
    return null
  }
}

/** @returns whether it is kept: a full or forbidden store costs the run its second life, not its first */
export function keepRun(machineId: string, run: KeptRun, seenAt: number): boolean {
  try {
    localStorage.setItem(keyOf(machineId), JSON.stringify(run))
    localStorage.setItem(seenKey(machineId), String(seenAt))
    return true
  } catch (error) {
    console.info('The run is not kept on this device', error)
    return false
  }
}

/** Somebody watches: until here strokes went on. */
export function sawRun(machineId: string, at: number): void {
  try {
    localStorage.setItem(seenKey(machineId), String(at))
  } catch {
    // Said once already, where the run itself could not be kept.
  }
}

export function dropRun(machineId: string): void {
  localStorage.removeItem(keyOf(machineId))
  localStorage.removeItem(seenKey(machineId))
}
