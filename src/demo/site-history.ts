import { instances, kindById } from '../core/kinds/index.ts'
import type { Entry } from '../core/ledger/entry.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import { fromDay, weekday } from '../core/quantity/local-day.ts'
import type { Ledgers } from '../core/standing/histories.ts'
import { reckonMachine } from '../core/standing/reckon-machine.ts'
import { type OpenDays, openDays } from '../core/usage/open-days.ts'
import { asUsual } from './as-usual.ts'
import { closuresOf, historyDays } from './calendar.ts'
import { confirmedRepairs } from './confirmed-repairs.ts'
import { counterLife, mistyped } from './counter-life.ts'
import { type Dice, dice } from './dice.ts'
import { oddDays, putRight, tales } from './machine-tales.ts'
import { header, hour, type MachineLife, type SiteIds, type Write } from './site-life.ts'
import { outletTests, rawTests, staffRegenerates, takenOn } from './site-water.ts'
import { asEntries, workOn } from './visit.ts'
import { takesAsLong, workMinutes } from './visit-length.ts'
import type { DemoMachine, DemoSite } from './world.ts'

/** Two years of one site, as its technician would have written them down. */
export interface SiteHistory {
  entries: Entry[]
}

/** Lays down the history of one site up to and including `endDay`. */
export function siteHistory(seed: string, site: DemoSite, ids: SiteIds, endDay: number): SiteHistory {
  const d = dice(`${seed} ${site.name}`)
  const startDay = endDay - historyDays
  const closures = closuresOf(site, endDay)
  const open = openDays({ openWeekdays: site.openWeekdays, closures })
  const siteLedger: Entry[] = []
  const softenerLedger: Entry[] = []
  const write: Write = (ledger, subjectKind, subjectId, day, jottings, visitId) => {
    const atMs = day * 24 * hour + 9 * hour + d.whole(0, 300) * 60_000
    ledger.push(
      ...asEntries(d, jottings, {
        subjectKind,
        subjectId,
        happenedOn: fromDay(day),
        atMs,
        ...(visitId && { visitId }),
      }),
    )
  }

  write(siteLedger, 'site', ids.siteId, startDay, [
    { kind: 'setting', body: { v: 1, setting: 'opening', openWeekdays: site.openWeekdays } },
    ...closures.map(
      ({ name, from, to }): Jotting => ({
        kind: 'setting',
        body: { v: 1, setting: 'closure', name, from, to },
      }),
    ),
  ])
  if (ids.softenerId && site.softener) {
    write(softenerLedger, 'softener', ids.softenerId, startDay, takenOn(site.softener))
  }
  const lives = site.machines.map((machine, i) => startMachine(d, machine, ids.machineIds[i]!, open, startDay, endDay))
  for (const life of lives) {
    const jottings: Jotting[] = [
      {
        kind: 'commissioned',
        body: {
          v: 1,
          kind: life.machine.kind,
          kindVersion: kindById(life.machine.kind)!.version,
          partsNew: life.firstDay > startDay,
        },
      },
    ]
    if (life.machine.kind === 'sr')
      jottings.push({
        kind: 'setting',
        body: { v: 1, setting: 'descale-prompt', litres: site.area === 'Moorside' ? 320 : 230 },
      })
    write(life.ledger, 'machine', life.id, life.firstDay, jottings)
    if (life.firstDay === startDay) earlierWork(d, life, write)
  }

  const visits = visitDays(d, site, open, startDay, endDay)
  visits.forEach((day, n) => {
    const visitId = d.uuid(day * 24 * hour)
    write(siteLedger, 'site', ids.siteId, day, [header(d, ids, site)], visitId)
    if (n % 4 === 0) write(siteLedger, 'site', ids.siteId, day, rawTests(d, site, ids, day), visitId)
    if (ids.softenerId)
      write(
        softenerLedger,
        'softener',
        ids.softenerId,
        day,
        outletTests(d, site, (day - startDay) / historyDays, n, visits.length),
        visitId,
      )
    let worked = 0
    for (const life of lives) {
      if (day <= life.firstDay) continue
      const around: Ledgers = {
        machine: life.ledger,
        site: siteLedger,
        ...(life.machine.softened && { softener: softenerLedger }),
      }
      const standings = reckonMachine(around, { showWorking: false })?.standings ?? []
      const jottings = [
        ...readingAt(d, life, day),
        ...tales(d, life, n, visits.length),
        ...workOn(d, life.machine.kind, standings, day, site.visitWeeks * 8, ids.gaugeId),
      ]
      write(life.ledger, 'machine', life.id, day, jottings, visitId)
      worked += workMinutes(life.machine.kind, jottings)
      putRight(d, life, day, endDay)
    }
    if (worked > 0) takesAsLong(siteLedger, visitId, worked, site.machines.length)
  })
  for (const life of lives) {
    const own = dice(`${seed} repairs ${life.machine.name} ${site.name}`)
    for (const { visit, jottings } of confirmedRepairs(own, life.machine.kind, visits.length)) {
      const day = visits[visit]
      if (day === undefined || day <= life.firstDay || life.machine.tale) continue
      const visitId = siteLedger.find((entry) => entry.kind === 'visit' && entry.happenedOn === fromDay(day))?.visitId
      const about = { subjectKind: 'machine' as const, subjectId: life.id, happenedOn: fromDay(day) }
      const atMs = (day * 24 + 15) * hour
      life.ledger.push(...asEntries(own, jottings, { ...about, atMs, ...(visitId && { visitId }) }))
    }
  }
  for (const life of lives) oddDays(d, life, ids, site, siteLedger, write, endDay)
  if (ids.softenerId && site.softener?.saltTankKg) {
    for (let day = startDay; day < endDay; day += 84)
      write(softenerLedger, 'softener', ids.softenerId, day, [
        { kind: 'salt-added', body: { v: 1, kg: site.softener.saltTankKg } },
      ])
  } else if (ids.softenerId && site.softener?.resinL)
    staffRegenerates(site.softener.resinL, ids.softenerId, write, softenerLedger, d, startDay, endDay)
  if (ids.softenerId && site.softener?.cartridgeG) {
    for (const back of [410, 205])
      write(softenerLedger, 'softener', ids.softenerId, endDay - back, [{ kind: 'cartridge-changed', body: { v: 1 } }])
  }
  if (ids.softenerId && site.softener?.carbon) {
    for (let back = 700; back > 0; back -= 165)
      write(softenerLedger, 'softener', ids.softenerId, endDay - back, [{ kind: 'prefilter-changed', body: { v: 1 } }])
  }
  if (ids.softenerId && site.softener?.resinL) {
    const topUp: Jotting = { kind: 'serviced', body: { v: 1, task: 'resin-top-up' } }
    for (const back of [570, 205]) write(softenerLedger, 'softener', ids.softenerId, endDay - back, [topUp])
  }
  const all = [...siteLedger, ...softenerLedger, ...lives.flatMap((life) => [...life.ledger, ...life.rivals])]
  return { entries: all.filter((entry) => entry.happenedOn <= fromDay(endDay)) }
}

function startMachine(
  d: Dice,
  machine: DemoMachine,
  id: string,
  open: OpenDays,
  startDay: number,
  endDay: number,
): MachineLife {
  const isNew = machine.tale === 'new-last-spring' || d.chance(0.3)
  const firstDay = machine.tale === 'new-last-spring' ? endDay - 230 : isNew ? startDay + d.whole(40, 200) : startDay
  const startCount = isNew ? 0 : Math.round(machine.pace * d.whole(120, 700))
  const swapDay = machine.tale === 'board-swap' ? endDay - 260 : undefined
  const counter = counterLife(d, open, {
    pace: machine.pace,
    firstDay,
    endDay,
    startCount,
    ...(swapDay && { swapDay }),
  })
  return { machine, id, counter, firstDay, ledger: [], rivals: [], readings: 0 }
}

/** What the log of whoever looked after a machine before tells: most parts and tasks, each some way into its life. */
function earlierWork(d: Dice, life: MachineLife, write: Write): void {
  const kind = asUsual(life.machine.kind)
  for (const task of kind.tasks) {
    for (let n = 1; n <= instances(kind, task.each); n += 1) {
      if (task.variant && task.variant !== kind.parts.find((part) => part.id === task.part)?.variants?.[0]) continue
      if (!d.chance(0.85)) continue
      const months = task.limits.months?.usual ?? 24
      const day = life.firstDay - Math.round(months * 30.4 * d.next() * 0.95)
      const group = task.each && instances(kind, task.each) > 1 ? { group: n } : {}
      const done =
        task.doneBy === 'fitted'
          ? jot('fitted', { part: task.part!, ...group })
          : jot(task.doneBy, { task: task.id, ...(task.doneBy !== 'serviced' && group) })
      write(life.ledger, 'machine', life.id, day, [done])
    }
  }
}

/** Planned visits, moved to an open weekday, with the drift of a busy firm. */
function visitDays(d: Dice, site: DemoSite, open: OpenDays, startDay: number, endDay: number): number[] {
  const days: number[] = []
  let day = startDay + d.whole(2, 12)
  while (day <= endDay) {
    const skipped = site.tale === 'skipped-a-year' && day > endDay - 480 && day < endDay - 100
    const workday = [...Array(14).keys()]
      .map((i) => day + i)
      .find((candidate) => open.count(candidate, candidate + 1) === 1 && weekday(candidate) <= 5)
    if (!skipped && workday !== undefined && workday < endDay) days.push(workday)
    day += Math.round(site.visitWeeks * 7 * (0.85 + 0.35 * d.next()))
  }
  return days
}

function readingAt(d: Dice, life: MachineLife, day: number): Jotting[] {
  if (life.machine.tale === 'never-read' || d.chance(0.06)) return []
  life.readings += 1
  const truth = life.counter.at(day)
  const tale = life.machine.tale
  const wrong = ((tale === 'typo-corrected' || tale === 'typo-left') && life.readings === 5) || d.chance(0.012)
  const count = wrong ? mistyped(d, truth) : truth
  return [{ kind: 'reading', body: { v: 1, counter: 'shots', count, ...(!wrong && apartOf(life.machine, count)) } }]
}

/** What its menu shows besides the whole. */
function apartOf({ apart }: DemoMachine, count: number): Record<string, unknown> {
  if (!apart) return {}
  const rinses = Math.round(count * (apart.rinses ?? 0))
  const of = (share: number) => Math.round((count - rinses) * share)
  return {
    ...(apart.groups && { groups: apart.groups.map(of) }),
    ...(apart.drinks && {
      drinks: Object.entries(apart.drinks).map(([name, share]) => ({ name, count: of(share) })),
    }),
    ...(apart.rinses && { rinses }),
  }
}
