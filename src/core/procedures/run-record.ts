import type { Kind } from '../kinds/kind.ts'
import type { EntryKind } from '../ledger/entry-kinds.ts'
import type { Lane } from './lanes.ts'
import type { NotToDrink } from './not-to-drink.ts'
import type { Procedure, School } from './procedure.ts'
import { type RunState, stepNow } from './run.ts'

/** What is run: a procedure in one of its schools, as it stood when the run began. */
export interface Running {
  procedure: Procedure
  school: School
}

/** Something that is still in the machine, and where. */
export interface Inside {
  of: NotToDrink
  group: number | null
  procedure: string
}

/**
 * What went into the machine and was not cleared: nobody drinks from it. It goes by what was done, not by the step a
 * lane stands at: going back on the screen takes nothing out of a machine.
 */
export function insideNow(lanes: Lane[], state: RunState): Inside[] {
  return lanes.flatMap((lane): Inside[] => {
    const done = state.records
      .filter((record) => record.lane === lane.id && record.how === 'done')
      .flatMap((record) => lane.steps.find(({ id }) => id === record.step) ?? [])
    const put = done.findLastIndex(({ puts }) => puts !== undefined)
    const cleared = done.findLastIndex(({ clears }) => clears === true)
    return put > cleared ? [{ of: done[put]!.puts!, group: lane.group, procedure: lane.procedure }] : []
  })
}

interface Draft {
  kind: EntryKind
  /** About the softener ahead of it. */
  of?: 'softener'
  body: Record<string, unknown>
}

/**
 * What a run that ended leaves in the ledger: what was done task by task, what was skipped and why, what is still in
 * the machine.
 */
export function runEntries(running: Running[], lanes: Lane[], state: RunState, kind: Kind): Draft[] {
  if (!state.ended) throw new Error('runEntries: a run is on record when it has ended')
  const { ended } = state
  const through = (lane: Lane) => stepNow(lane, state) === null
  const drafts: Draft[] = running.flatMap(({ procedure, school }) => {
    const own = lanes.filter((lane) => lane.procedure === procedure.id)
    const ids = new Set(own.map(({ id }) => id))
    const run: Draft = {
      kind: 'run',
      body: {
        procedure: procedure.id,
        version: procedure.version,
        name: procedure.name,
        school: school.id,
        minutes: Math.round((ended.at - state.startedAt) / 6000) / 10,
        ended: ended.how,
        ...(ended.why && { why: ended.why }),
        steps: state.records
          .filter(({ lane }) => ids.has(lane))
          .map(({ lane, step, how, at, ...said }) => ({
            step,
            ...(groupOf(own, lane) !== null && { group: groupOf(own, lane) }),
            how,
            atS: Math.round((at - state.startedAt) / 1000),
            ...said,
          })),
      },
    }
    return [run, ...written(procedure, own.filter(through), own, kind), ...measured(own, state, kind)]
  })
  for (const { of, group } of insideNow(lanes, state))
    drafts.push({ kind: 'held', body: { why: of, ...(group !== null && { group }) } })
  return drafts
}

/** Entries that name no task: what they say is what was done. */
const bare = new Set<EntryKind>(['regenerated', 'cartridge-changed'])

const groupOf = (lanes: Lane[], id: string) => lanes.find((lane) => lane.id === id)?.group ?? null

/** Readings that the kind knows a good range of, as they were left; of one taken again the last. */
function measured(own: Lane[], state: RunState, kind: Kind): Draft[] {
  const known = new Set(kind.measures.map(({ id }) => id))
  return own.flatMap((lane) =>
    lane.steps.flatMap((step): Draft[] => {
      if (step.act !== 'measure' || !step.measure || !known.has(step.measure)) return []
      const value = state.records.findLast(
        (record) => record.lane === lane.id && record.step === step.id && record.how === 'done',
      )?.value
      if (value === undefined) return []
      const group = lane.group !== null && kind.groups > 1 ? { group: lane.group } : {}
      return [{ kind: 'measured', body: { measure: step.measure, state: 'left', value, ...group } }]
    }),
  )
}

/** Tasks that are done: at each group that is through, or once when all is. */
function written(procedure: Procedure, through: Lane[], own: Lane[], kind: Kind): Draft[] {
  return procedure.writes.flatMap(({ entry, task, taskOf, each, of }): Draft[] => {
    const named = taskOf?.[kind.basedOn ?? kind.id] ?? task
    const duty = kind.duties.find(({ id }) => id === named)
    if (each === 'group' && (!duty || duty.each === 'group') && kind.groups > 1)
      return through.flatMap(({ group }) => (group === null ? [] : [{ kind: entry, body: { task: named, group } }]))
    const parts = own.filter(({ group }) => (each === 'group' ? group !== null : true))
    return parts.every((lane) => through.includes(lane))
      ? [{ kind: entry, body: bare.has(entry) ? {} : { task: named }, ...(of && { of }) }]
      : []
  })
}
