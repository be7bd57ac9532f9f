import type { Entry } from '../../core/ledger/entry.ts'
import type { Chosen, Lane } from '../../core/procedures/lane.ts'
import { procedureRespelt } from '../../core/procedures/procedure-respelt.ts'
import type { Inside } from '../../core/procedures/run-record.ts'
import type { RunState } from '../../core/procedures/run-state.ts'
import { type Found, shelf } from '../../device/shelf.ts'

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

const runs = shelf<KeptRun>({
  name: 'run',
  version: 2,
  schema: async () => (await import('./run-schema.ts')).runSchema,
  lift: {
    // Ways had another name.
    1: ({ running, ...run }: { running: { procedure: object; school: object }[] }) => ({
      ...run,
      running: running.map(({ procedure, school: way }) => ({ procedure: procedureRespelt(procedure), way })),
    }),
  },
  former: (machineId) => `evenshot-run-2-${machineId}`,
})
/** When somebody last watched: until then strokes went on. Apart, since it is written every second. */
const watched = shelf<{ at: number }>({
  name: 'run-watched',
  version: 2,
  schema: async () => (await import('./run-schema.ts')).watchedSchema,
  // A number by itself at first.
  lift: { 1: (at: number) => ({ at }) },
  former: (machineId) => `evenshot-run-seen-${machineId}`,
})

export async function readRun(machineId: string): Promise<Found<{ run: KeptRun; seenAt: number }>> {
  const [run, seen] = await Promise.all([runs.read(machineId, strange), watched.read(machineId)])
  return run.value
    ? { value: { run: run.value, seenAt: seen.value?.at ?? lastAt(run.value.state) }, aside: null }
    : { value: null, aside: run.aside }
}

/** @returns whether it is kept */
export async function keepRun(machineId: string, run: KeptRun, seenAt: number): Promise<boolean> {
  const [kept] = await Promise.all([runs.keep(machineId, run), watched.keep(machineId, { at: seenAt })])
  return kept
}

/** Somebody watches. */
export const sawRun = (machineId: string, at: number): Promise<boolean> => watched.keep(machineId, { at })

export async function dropRun(machineId: string): Promise<void> {
  await Promise.all([runs.drop(machineId), watched.drop(machineId)])
}

/** A run pins its procedures: all it needs of them is in it, or it means nothing. */
function strange({ lanes, state }: KeptRun): string | null {
  const away = lanes.find(({ id }) => state.at[id] === undefined)
  return away ? `nothing says where ${away.title} stood` : null
}

/** The last moment the run itself tells of. */
const lastAt = (state: RunState): number => Math.max(state.since, ...state.records.map(({ at }) => at))
