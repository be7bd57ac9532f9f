import type { Kind, Task } from '../core/kinds/kind.ts'
import type { Entry } from '../core/ledger/entry.ts'
import type { Body, Jotting } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import { toDay } from '../core/quantity/local-day.ts'
import type { Standing } from '../core/standing/standing.ts'
import { asUsual } from './as-usual.ts'
import type { Dice } from './dice.ts'

/** How worn a part looks at a share of its life, with the scatter of eyes and rubber. */
export function conditionAt(dice: Dice, share: number): number {
  const seen = share * Math.exp(dice.normal(0, 0.25))
  return seen < 0.25 ? 0 : seen < 0.55 ? 1 : seen < 0.8 ? 2 : seen < 1.1 ? 3 : 4
}

const shareOf = (standing: Standing) => Math.max(0, ...standing.uses.map((use) => use.used / use.limit))

/** What a technician does at a machine where these standings are due: most of it, not always all. */
export function workOn(
  dice: Dice,
  kindId: string,
  standings: Standing[],
  visitDay: number,
  lookAheadDays: number,
  gaugeId: string,
): Jotting[] {
  const kind = asUsual(kindId)
  const jottings: Jotting[] = []
  const due = standings.filter((standing) => standing.due && toDay(standing.due.p50) <= visitDay + lookAheadDays)
  for (const standing of due) if (dice.chance(0.985)) jottings.push(...done(dice, kind, standing))
  const worn = standings.filter(
    (standing) => standing.part && standing.action === 'replace' && !due.includes(standing) && shareOf(standing) > 0.35,
  )
  for (const standing of worn) {
    if (!dice.chance(0.14)) continue
    jottings.push({
      kind: 'inspected',
      body: {
        v: 1,
        part: standing.part!,
        ...which(standing),
        condition: conditionAt(dice, shareOf(standing)),
      },
    })
  }
  return [...jottings, ...measured(dice, kind, gaugeId)]
}

function done(dice: Dice, kind: Kind, standing: Standing): Jotting[] {
  const task = kind.tasks.find((candidate): candidate is Task => candidate.id === standing.task)
  if (standing.task === 'descale')
    return [{ kind: 'descaled', body: { v: 1, task: 'descale', acid: 'citric', ...descale(dice, kind, standing) } }]
  if (!task) return []
  if (task.action !== 'replace')
    return [jot(task.doneBy, { task: task.id, ...(task.doneBy !== 'serviced' && which(standing)) })]
  const position = { part: standing.part!, ...which(standing) }
  const condition = conditionAt(dice, shareOf(standing))
  const why = condition === 4 ? 'failed' : condition === 3 && dice.chance(0.3) ? 'worn' : 'planned'
  return [
    { kind: 'removed', body: { v: 1, ...position, condition, why } },
    { kind: 'fitted', body: { v: 1, ...position, ...(task.variant && { variant: task.variant }) } },
  ]
}

/** Acid for the chalk that was reckoned; now and then the spent solution was tested, and had a little less in it. */
function descale(dice: Dice, kind: Kind, standing: Standing): Pick<Body<'descaled'>, 'grams' | 'spent'> {
  const mm = standing.uses.find(({ clock }) => clock === 'thickness')?.used ?? 0
  const chalkG = mm * 0.2168 * kind.vessels[0]!.wettedCm2
  const grams = Math.max(20, Math.round((chalkG * 2.6) / 10) * 10)
  if (!kind.descale || chalkG < 2 || !dice.chance(0.2)) return { grams }
  const litres = 1.5
  const found = (chalkG * 0.8 * Math.exp(dice.normal(0, 0.15)) * 1000) / litres
  return { grams, spent: { hardnessMgL: Math.round(found / 1784.8) * 1784.8, litres } }
}

const which = (standing: Standing) => (standing.index === undefined ? {} : { group: standing.index })

/** A good reading as found, and again as left: now and then one outside its bounds. Most often the first of the list. */
function measured(dice: Dice, kind: Kind, gaugeId: string): Jotting[] {
  if (!dice.chance(0.45)) return []
  const measure = dice.chance(0.6) ? kind.measures[0]! : dice.pick(kind.measures)
  const { from, to } = measure.good
  const round = (value: number) => Math.round(value * 10) / 10
  const found = round(dice.normal((from + to) / 2, (to - from) / 4))
  const left = round(Math.min(to, Math.max(from, dice.normal((from + to) / 2, (to - from) / 8))))
  const about = {
    v: 1 as const,
    measure: measure.id,
    ...(measure.unit === 'bar' && { instrument: gaugeId }),
    ...(measure.each === 'group' && kind.groups > 1 && { group: dice.whole(1, kind.groups) }),
  }
  return [
    { kind: 'measured', body: { ...about, state: 'found', value: found } },
    { kind: 'measured', body: { ...about, state: 'left', value: left } },
  ]
}

/** Gives jottings their ids and a minute each. */
export function asEntries(
  dice: Dice,
  jottings: Jotting[],
  about: Pick<Entry, 'subjectKind' | 'subjectId' | 'visitId' | 'happenedOn'> & { atMs: number },
): Entry[] {
  const { atMs, ...rest } = about
  return jottings.map((jotting, i) => ({
    ...rest,
    ...jotting,
    id: dice.uuid(atMs + i * 60_000),
    happenedAt: new Date(atMs + i * 60_000).toISOString(),
  }))
}
