import type { Kind } from '../kinds/kind.ts'
import type { EntryKind, Unnumbered } from '../ledger/entry-kinds.ts'
import { type HeldReason, heldReasonIds, notToDrink } from './held-reasons.ts'
import type { Chosen, Lane } from './lane.ts'
import { writtenBy } from './procedure.ts'
import { type FittedPart, type RunState, type StepRecord, soakKey, stepNow } from './run-state.ts'
import type { Step } from './step.ts'

/** Something that is still in the machine or still open on it, and where. */
export interface Inside {
  of: HeldReason
  group: number | null
  procedure: string
}

/**
 * What went into the machine, or was opened on it, and was not cleared: nobody uses it. It goes by what was done, not
 * by the step a lane stands at: going back on the screen takes nothing out of a machine.
 */
export function insideNow(lanes: Lane[], state: RunState): Inside[] {
  const inside = new Map<string, Inside>()
  for (const record of state.records) {
    const lane = record.how === 'done' ? lanes.find(({ id }) => id === record.lane) : undefined
    const step = lane?.steps.find(({ id }) => id === record.step)
    if (!lane || !step) continue
    const keyOf = (of: HeldReason) => `${lane.procedure} ${lane.group} ${of}`
    const { group, procedure } = lane
    if (step.puts) inside.set(keyOf(step.puts), { of: step.puts, group, procedure })
    const answer = step.act === 'check' ? step.answers.find(({ id }) => id === record.answer) : undefined
    if (!step.clears || answer?.keeps) continue
    for (const reason of heldReasonIds)
      if (step.clears === reason || (step.clears === true && notToDrink(reason))) inside.delete(keyOf(reason))
  }
  return [...inside.values()]
}

type Draft = Unnumbered & {
  /** About the softener ahead of it. */
  of?: 'softener'
}

/**
 * What a run that ended leaves in the ledger: what was done task by task, what was skipped and why, what is still in
 * the machine.
 *
 * @param raised - tasks that no kind lists and the reckoning raises by itself: they are dated too
 */
export function runEntries(
  running: Chosen[],
  lanes: Lane[],
  state: RunState,
  kind: Kind,
  raised: readonly string[],
): Draft[] {
  if (!state.ended) throw new Error('runEntries: a run is on record when it has ended')
  const { ended } = state
  const through = (lane: Lane) => stepNow(lane, state) === null
  const drafts: Draft[] = running.flatMap(({ procedure, way }) => {
    const own = lanes.filter((lane) => lane.procedure === procedure.id)
    const ids = new Set(own.map(({ id }) => id))
    const run: Draft = {
      kind: 'run',
      body: {
        procedure: procedure.id,
        version: procedure.version,
        name: procedure.name,
        way: way.id,
        minutes: Math.round(minutesOf(own, state) * 10) / 10,
        ended: ended.how,
        ...(ended.why && { why: ended.why }),
        steps: state.records
          .filter(({ lane }) => ids.has(lane))
          .map(({ lane, step, how, at, fitted: _, ...said }) => {
            const group = groupOf(own, lane)
            const atS = Math.round((at - state.startedAt) / 1000)
            return { step, ...(group !== null && { group }), how, atS, ...said }
          }),
      },
    }
    return [
      run,
      ...written(writtenBy(procedure, way), own, through, state, [...raised, ...kind.tasks.map(({ id }) => id)], kind),
      ...fittings(own, state),
      ...measured(own, state, kind),
    ]
  })
  for (const { of, group } of insideNow(lanes, state))
    drafts.push({ kind: 'held', body: { why: of, ...(group !== null && { group }) } })
  return drafts
}

/** Entries that name no task: what they say is what was done. */
const bare = new Set<EntryKind>([
  'regenerated',
  'cartridge-changed',
  'salt-added',
  'prefilter-changed',
  'membrane-changed',
])

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

/** Minutes of a procedure: the hands' at its lanes, and what it did by itself while they were elsewhere. */
function minutesOf(own: Lane[], state: RunState): number {
  const hands = own.reduce((sum, { id }) => sum + (state.spent[id] ?? 0), 0)
  const itself = own.flatMap(({ id, steps }) =>
    steps.flatMap((step) => {
      if (step.act !== 'soak' && !(step.act === 'wait' && !step.watched)) return []
      const times = state.soaks[soakKey(id, step.id)]
      if (!times) return []
      const seen = state.records.find(
        (record) => record.lane === id && record.step === step.id && record.at >= times.from,
      )
      return [Math.max(0, (seen?.at ?? Math.min(times.until, state.ended!.at)) - times.from)]
    }),
  )
  return (hands + itself.reduce((sum, ms) => sum + ms, 0)) / 60_000
}

/** Parts that went in new, each with what came out before it. */
function fittings(own: Lane[], state: RunState): Draft[] {
  return own.flatMap((lane) =>
    standing(lane, state).flatMap(({ fitted = [] }) =>
      fitted.flatMap((one): Draft[] =>
        fittingEntries({ ...(lane.group !== null && lane.machine.groups > 1 && { group: lane.group }), ...one }),
      ),
    ),
  )
}

/** A part changed: the old one out with its condition and why, the new one in. */
export function fittingEntries({ part, group, variant, size, condition, why }: FittedPart): Draft[] {
  const at = { part, ...(group !== undefined && { group }) }
  return [
    { kind: 'removed', body: { ...at, ...(condition !== undefined && { condition }), ...(why && { why }) } },
    { kind: 'fitted', body: { ...at, ...(variant && { variant }), ...(size && { size }) } },
  ]
}

/** What was said last of each step that was done and not taken back. */
function standing(lane: Lane, state: RunState): StepRecord[] {
  return lane.steps.flatMap((step: Step) => {
    const last = state.records.findLast((record) => record.lane === lane.id && record.step === step.id)
    return last && last.how !== 'taken back' && last.how !== 'skipped' ? [last] : []
  })
}

/** Tasks that are done: at each group that is through, or once when all is, and what makes them so was done. */
function written(
  writes: ReturnType<typeof writtenBy>,
  own: Lane[],
  through: (lane: Lane) => boolean,
  state: RunState,
  dated: string[],
  kind: Kind,
): Draft[] {
  const clocked = new Set(dated)
  return writes.flatMap(({ entry, task, taskOf, each, of, by = [], figure }): Draft[] => {
    const named = taskOf?.[kind.basedOn ?? kind.id] ?? task
    const here = kind.tasks.find(({ id }) => id === named)
    // What this kind has no clock for dates nothing: the run itself says that it was done.
    if (!bare.has(entry) && !clocked.has(named)) return []
    const has = (lane: Lane, step: string) => lane.steps.some(({ id }) => id.endsWith(`.${step}`))
    const did = (lane: Lane, step: string) => standing(lane, state).some((one) => one.step.endsWith(`.${step}`))
    // Lanes that make it so are through, each with that step done; what else is done there, a coffee thrown away,
    // does not undo it.
    const doneIn = (lanes: Lane[]) => {
      const making = by.some((step) => lanes.some((lane) => has(lane, step)))
        ? lanes.filter((lane) => by.some((step) => has(lane, step)))
        : lanes
      return making.every((lane) => through(lane) && by.every((step) => !has(lane, step) || did(lane, step)))
    }
    if (each === 'group' && (!here || here.each === 'group') && kind.groups > 1) {
      const groups = [...new Set(own.flatMap(({ group }) => (group === null ? [] : [group])))]
      return groups
        .filter((group) => doneIn(own.filter((lane) => lane.group === group)))
        .map((group) => ({ kind: entry, body: { task: named, group } }) as Draft)
    }
    const lanes = own.filter(({ group }) => (each === 'group' ? group !== null : true))
    // Of the whole machine it is done when it was done at every group.
    const groups = new Set(lanes.flatMap(({ group }) => (group === null ? [] : [group])))
    if (groups.size > 0 && groups.size < kind.groups) return []
    if (!doneIn(lanes) || !by.every((step) => lanes.some((lane) => has(lane, step)))) return []
    const value =
      figure &&
      lanes.flatMap((lane) => standing(lane, state)).find(({ step }) => step.endsWith(`.${figure.step}`))?.value
    if (figure && value === undefined) return []
    const body = { ...(!bare.has(entry) && { task: named }), ...(figure && { [figure.field]: value }) }
    // What a procedure writes was checked with it: its entry takes a task, or the figure it names, or neither.
    return [{ kind: entry, body, ...(of && { of }) } as Draft]
  })
}
