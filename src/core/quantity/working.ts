/** How far a figure can be trusted and where it came from. */
export type Origin =
  | 'measured' // read or tested on a day
  | 'setting' // set for this machine, site, customer or firm
  | 'default' // the catalogue's figure, editable
  | 'reckoned' // follows from the lines it names

/** P a published source, T common practice without a source, M from memory. */
export type Mark = 'P' | 'T' | 'M'

/** One numbered line of a working. `formula` names other lines as {1}, {2} … (counted from 1). */
export interface Line {
  what: string
  value: number | string
  unit?: string
  /** What the value may be off by: plus or minus, in the same unit. */
  spread?: number
  formula?: string
  origin: Origin
  /** Said after the name: "read 18 Nov", "default, from memory". */
  source?: string
  mark?: Mark
  /** The published source, spelled out. */
  reference?: string
  /** What a person may change to move this line. */
  adjust?: { setting: string; position?: string; clock?: string; value: number }
}

export interface Working {
  lines: Line[]
  /** One closing sentence: which line governs. */
  why?: string
}

/**
 * Collects lines and hands out their numbers, so that formulas can name them.
 *
 * A line given as a function is made only when somebody will read it: a store of fifty thousand machines'
 * dates keeps no workings, they are made anew from the same history when a date is opened.
 *
 * @param wanted - false where nobody will read the lines: none are kept
 */
export function startWorking(wanted = true) {
  const lines: Line[] = []
  return {
    lines,
    /** Adds a line and returns its number, from 1; 0 where no lines are wanted. */
    add(line: Line | (() => Line)): number {
      return wanted ? lines.push(typeof line === 'function' ? line() : line) : 0
    },
  }
}

export type Add = ReturnType<typeof startWorking>['add']
