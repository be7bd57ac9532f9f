import { kinds } from '../core/kinds/index.ts'
import type { Task } from '../core/kinds/kind.ts'
import { learnedLife } from '../core/lifetimes/learned-life.ts'
import { effective, type Histories, nearestSetting } from '../core/standing/histories.ts'
import { type MachineFacts, machineFacts } from '../core/standing/machine-facts.ts'
import { lifeClock, type PartLives, partLives } from '../core/standing/part-lives.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { kindCounts } from '../records/kind-counts.ts'
import { reckonedByIds } from '../records/subjects.ts'
import type { MachineRow } from '../views/machine-page.ts'
import type { PartRow, PartsPage } from '../views/part-page.ts'
import { veryOwnKindsIn } from './own-kinds.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

/** Machines of a kind read for one page: more would say the same, later. */
const mostMachines = 600

interface OneMachine {
  row: MachineRow
  facts: MachineFacts
}

/** What a firm's own parts of one kind say of how long they last; one of them with all its lives. */
export async function partsPage(
  db: Db,
  firmId: string,
  kindId: string | null,
  taskId: string | null,
  variant: string | null,
): Promise<PartsPage> {
  return lookIn(db, firmId, async (trx) => {
    const counted = await kindCounts(trx)
    const all = [...kinds, ...(await veryOwnKindsIn(trx))]
    const here = all
      .map(({ id, name }) => ({ id, name, machines: counted.get(id) ?? 0 }))
      .filter(({ machines }) => machines > 0)
    const most = [...here].sort((a, b) => b.machines - a.machines)[0]
    const kind = all.find(({ id }) => id === (kindId ?? most?.id))
    if (!kind) return { firmId, kinds: here, kind: null, rows: [], chosen: null }
    const machines = await machinesOf(trx, firmId, kind.id)
    const firm = effective({ firm: (await ledgersById(trx, firmId, [])).get(firmId) ?? [] })
    const tasks = kind.tasks.filter((task) => task.action === 'replace' && lifeClock(task))
    const told = tasks.map((task) => ({ task, told: together(machines.map(({ facts }) => partLives(facts, task))) }))
    const rows = told.map(({ task, told: { lives } }) =>
      rowOf(task, lives, kind.counter.unit, (clock) => adoptedLife(firm, kind.id, task.id, clock)),
    )
    const at = told.findIndex(({ task }) => task.id === taskId && (task.variant ?? null) === variant)
    const chosen = told[at]
    return {
      firmId,
      kinds: here,
      kind: { id: kind.id, name: kind.name, machines: counted.get(kind.id) ?? 0, read: machines.length },
      rows,
      chosen: chosen
        ? {
            row: rows[at]!,
            learned: learnedOf(chosen.task, chosen.told.lives),
            lives: machines.flatMap(({ row, facts }) =>
              partLives(facts, chosen.task).lives.map((life) => ({
                ...life,
                machine: { id: row.id, name: row.name, site: row.siteName },
              })),
            ),
            unknownAge: chosen.told.unknownAge,
            fittedWrongly: chosen.told.fittedWrongly,
            minutes: chosen.task.minutes,
            labourPerMinute: nearestSetting(firm, 'prices')?.body.labourPerMinute ?? null,
          }
        : null,
    }
  })
}

/** The life the firm set for a part, with the entry that set it. */
function adoptedLife(firm: Histories, kindId: string, taskId: string, clock: string): PartRow['adopted'] {
  const entry = firm.firm?.settings
    .get('life')
    ?.findLast(
      ({ body }) =>
        body.setting === 'life' && body.task === taskId && body.clock === clock && (body.kind ?? kindId) === kindId,
    )
  return entry?.body.setting === 'life' ? { value: entry.body.value, entryId: entry.id } : null
}

async function machinesOf(trx: Trx, firmId: string, kind: string): Promise<OneMachine[]> {
  const rows = await machineRows(trx, { kind, stage: 'any' }, null, mostMachines)
  const subjects = await reckonedByIds(
    trx,
    rows.map(({ id }) => ({ id, kind: 'machine' as const })),
  )
  const byId = await ledgersById(trx, firmId, subjects)
  return rows.flatMap((row): OneMachine[] => {
    const subject = subjects.find(({ id }) => id === row.id)
    const facts = subject && machineFacts(effective(ledgersOf(firmId, subject, byId)), false)
    return facts ? [{ row, facts }] : []
  })
}

const together = (all: PartLives[]): PartLives => ({
  lives: all.flatMap(({ lives }) => lives),
  unknownAge: all.reduce((sum, { unknownAge }) => sum + unknownAge, 0),
  fittedWrongly: all.reduce((sum, { fittedWrongly }) => sum + fittedWrongly, 0),
})

const learnedOf = (task: Task, lives: PartLives['lives']) =>
  learnedLife(lives, task.limits[lifeClock(task)!]!.usual, task.beta ?? 2)

function rowOf(
  task: Task,
  lives: PartLives['lives'],
  drinks: string,
  adopted: (clock: PartRow['clock']) => PartRow['adopted'],
): PartRow {
  const clock = lifeClock(task)!
  const learned = learnedOf(task, lives)
  return {
    taskId: task.id,
    ...(task.variant && { variant: task.variant }),
    name: task.variant ? `${task.name}, ${task.variant.replaceAll('-', ' ')}` : task.name,
    clock,
    unit: { shots: drinks, litres: 'L', months: 'months' }[clock],
    failures: learned.failures,
    censored: learned.censored,
    catalogueLife: learned.catalogue.usualLife,
    learnedLife: learned.usualLife.value,
    adopted: adopted(clock),
  }
}
