import { instances, kindById } from '../core/kinds/index.ts'
import type { Entry } from '../core/ledger/entry.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import { fromDay, weekday } from '../core/quantity/local-day.ts'
import type { Ledgers } from '../core/standing/histories.ts'
import { reckonMachine } from '../core/standing/reckon-machine.ts'
import { type OpenDays, openDays } from '../core/usage/open-days.ts'
import { asUsual } from './as-usual.ts'
import { closuresOf, historyDays, monthOf } from './calendar.ts'
import { confirmedRepairs } from './confirmed-repairs.ts'
import { type CounterLife, counterLife, mistyped } from './counter-life.ts'
import { type Dice, dice } from './dice.ts'
import { asEntries, conditionAt, type Jotting, workOn } from './visit.ts'
import { type DemoMachine, type DemoSite, zoneWater } from './world.ts'

/** Two years of one site, as its technician would have written them down. */
export interface SiteHistory {
  entries: Entry[]
}

export interface SiteIds {
  siteId: string
  softenerId: string | null
  machineIds: string[]
  technicianId: string
  /** What this technician measures and counts drops with. */
  gaugeId: string
  reagentId: string
}

interface MachineLife {
  machine: DemoMachine
  id: string
  counter: CounterLife
  firstDay: number
  ledger: Entry[]
  /** Corrections made by two people of one another's reading: kept apart until all is written. */
  rivals: Entry[]
  /** Readings taken so far. */
  readings: number
}

type Write = (
  ledger: Entry[],
  subjectKind: SubjectKind,
  subjectId: string,
  day: number,
  jottings: Jotting[],
  visitId?: string,
) => void

const hour = 3_600_000

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
    for (const life of lives) {
      if (day <= life.firstDay) continue
      const around: Ledgers = {
        machine: life.ledger,
        site: siteLedger,
        ...(life.machine.softened && { softener: softenerLedger }),
      }
      const standings = reckonMachine(around)?.standings ?? []
      const jottings = [
        ...readingAt(d, life, day),
        ...tales(d, life, n, visits.length),
        ...workOn(d, life.machine.kind, standings, day, site.visitWeeks * 8, ids.gaugeId),
      ]
      write(life.ledger, 'machine', life.id, day, jottings, visitId)
      putRight(d, life, day, endDay)
    }
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
  for (const duty of kind.duties) {
    for (let n = 1; n <= instances(kind, duty.each); n += 1) {
      if (duty.variant && duty.variant !== kind.parts.find((part) => part.id === duty.part)?.variants?.[0]) continue
      if (!d.chance(0.85)) continue
      const months = duty.limits.months?.usual ?? 24
      const day = life.firstDay - Math.round(months * 30.4 * d.next() * 0.95)
      const group = duty.each && instances(kind, duty.each) > 1 ? { group: n } : {}
      const body =
        duty.doneBy === 'fitted'
          ? { v: 1, part: duty.part, ...group }
          : { v: 1, task: duty.id, ...(duty.doneBy !== 'serviced' && group) }
      write(life.ledger, 'machine', life.id, day, [{ kind: duty.doneBy, body }])
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

function rawTests(d: Dice, site: DemoSite, ids: SiteIds, day: number): Jotting[] {
  const zone = zoneWater[site.area]
  const total = zone.totalDh(monthOf(day))
  const drops = (dh: number) => Math.max(1, Math.ceil(dh * Math.exp(d.normal(0, 0.03))))
  const test = (quantity: string, dh: number): Jotting => ({
    kind: 'water-test',
    body: {
      v: 1,
      point: 'raw',
      quantity,
      method: 'drops',
      unit: 'dH',
      drops: drops(dh),
      perDrop: 1,
      instrument: ids.reagentId,
    },
  })
  const pen = { conductivityUsCm: Math.round(total * 33 + zone.restUsCm), testTempC: 13 }
  return [
    test('total', total),
    test('carbonate', total * zone.carbonateShare),
    { kind: 'water-figures', body: { v: 1, point: 'raw', by: 'pen', ...pen } },
  ]
}

/** Who came, how long, on whose account. */
const header = (d: Dice, ids: SiteIds, site: DemoSite): Jotting => ({
  kind: 'visit',
  body: {
    v: 1,
    technicianIds: [ids.technicianId],
    terms: site.machines.length > 1 ? 'contract' : 'chargeable',
    minutes: 20 + site.machines.length * d.whole(12, 25),
  },
})

/** The treatment as it was taken on. */
function takenOn({ resinL, saltTankKg, cartridgeG, membrane, carbon }: NonNullable<DemoSite['softener']>): Jotting[] {
  const setting = (body: Record<string, unknown>): Jotting => ({ kind: 'setting', body: { v: 1, ...body } })
  const kind = resinL ? 'exchanger' : cartridgeG ? 'cartridge' : membrane ? 'membrane' : 'carbon'
  return [
    { kind: 'commissioned', body: { v: 1, kind, kindVersion: 1, partsNew: true } },
    ...(resinL
      ? [setting({ setting: 'exchanger', resinL, ...(saltTankKg && { regenerates: 'itself', saltTankKg }) })]
      : []),
    ...(cartridgeG ? [setting({ setting: 'cartridge', capacityG: cartridgeG, bypass: 0.3 })] : []),
    ...(membrane ? [setting({ setting: 'membrane', rawShare: membrane.rawShare, rejectLPerL: 1.5 })] : []),
    ...(carbon ? [setting({ setting: 'prefilter', fitted: true, litres: 12_000 })] : []),
  ]
}

/** What happens between planned visits: a repair that comes back, a machine put away, something left open. */
function oddDays(
  d: Dice,
  life: MachineLife,
  ids: SiteIds,
  site: DemoSite,
  siteLedger: Entry[],
  write: Write,
  endDay: number,
): void {
  const { tale } = life.machine
  if (tale === 'winterised') {
    const note = 'Drained for the season: back with the first sailing in March.'
    write(life.ledger, 'machine', life.id, endDay - 20, [{ kind: 'stage', body: { v: 1, stage: 'winterised', note } }])
  }
  if (tale === 'retired') {
    const body = { v: 1, stage: 'retired', note: 'Gave way to the one by the window.' }
    write(life.ledger, 'machine', life.id, endDay - 40, [{ kind: 'stage', body }])
  }
  if (tale !== 'came-back') return
  const call = (back: number, terms: string, jottings: Jotting[]) => {
    const day = endDay - back
    const visitId = d.uuid(day * 24 * hour)
    const { body } = header(d, ids, site)
    write(siteLedger, 'site', ids.siteId, day, [{ kind: 'visit', body: { ...body, terms, minutes: 55 } }], visitId)
    write(life.ledger, 'machine', life.id, day, jottings, visitId)
  }
  const said = (kind: 'fault-reported' | 'repaired' | 'remark', body: Record<string, unknown>): Jotting => ({
    kind,
    body: { v: 1, ...body },
  })
  call(47, 'chargeable', [
    said('fault-reported', { text: 'It grinds and then nothing comes.' }),
    said('repaired', { text: 'Brew unit washed and greased, drive nut reset.', cause: 'Unit ran dry of grease.' }),
  ])
  call(30, 'goodwill', [
    said('fault-reported', { text: 'Same again: grinds, then stops half way.' }),
    { kind: 'removed', body: { v: 1, part: 'piston-ring', condition: 3 } },
    { kind: 'fitted', body: { v: 1, part: 'piston-ring' } },
    said('repaired', {
      text: 'New piston ring; the old one bound in the cylinder.',
      cause: 'Ring swollen.',
      part: 'piston-ring',
    }),
    said('remark', { text: 'Tray rail is cracked: bring one next time.' }),
  ])
}

/**
 * What was tested behind the treatment at a visit, each kind by what tells it.
 * @param way - how far through the two years, 0 to 1
 */
function outletTests(d: Dice, site: DemoSite, way: number, n: number, of: number): Jotting[] {
  const { membrane, carbon } = site.softener!
  if (!membrane && !carbon) return [outletTest(d, site, n, of)]
  const figures = (point: string, body: Record<string, unknown>): Jotting => ({
    kind: 'water-figures',
    body: { v: 1, point, by: 'pen', ...body },
  })
  const jottings: Jotting[] = []
  if (membrane) {
    const feed = zoneWater[site.area].totalDh(1) * 33 + zoneWater[site.area].restUsCm
    const [whenNew, now] = membrane.passage
    const passage = (whenNew + (now - whenNew) * way) * Math.exp(d.normal(0, 0.05))
    jottings.push(figures('permeate', { conductivityUsCm: Math.round(feed * passage) }))
  }
  if (carbon && n % 3 === 0)
    jottings.push(figures('softened', { freeChlorineMgL: 0.01, totalChlorineMgL: d.chance(0.5) ? 0.02 : 0.04 }))
  return jottings
}

/** After the softener one or two drops; where it was spent early, six in one March. */
function outletTest(d: Dice, site: DemoSite, n: number, of: number): Jotting {
  if (site.softener?.cartridgeG) {
    return {
      kind: 'water-test',
      // A cartridge is told by carbonate hardness: a third of it goes round by the bypass.
      body: { v: 1, point: 'softened', quantity: 'carbonate', method: 'drops', unit: 'dH', drops: 4, perDrop: 1 },
    }
  }
  const spent = site.softener?.spentEarly && n === Math.round(of * 0.62)
  return {
    kind: 'water-test',
    body: {
      v: 1,
      point: 'softened',
      quantity: 'total',
      method: 'drops',
      unit: 'dH',
      drops: spent ? 6 : d.whole(1, 2),
      perDrop: 1,
    },
  }
}

function tales(d: Dice, life: MachineLife, n: number, of: number): Jotting[] {
  const { tale } = life.machine
  if (tale === 'perished-seal' && n === Math.round(of * 0.7)) {
    return [
      {
        kind: 'fault-reported',
        body: { v: 1, text: 'Coffee short in the cup, clear water in the tray, worse each week.' },
      },
      {
        kind: 'removed',
        body: { v: 1, part: 'nozzle-seals', condition: 4, note: 'First seal perished after half a year.' },
      },
      { kind: 'fitted', body: { v: 1, part: 'nozzle-seals', note: 'New pair, greased.' } },
      {
        kind: 'repaired',
        body: { v: 1, text: 'Full cup again; rinse runs to the cup.', part: 'nozzle-seals' },
      },
    ]
  }
  if (tale === 'prompts-often') return [{ kind: 'prompt-seen', body: { v: 1, task: 'descale' } }]
  if (tale === 'board-swap' && n === Math.round(of * 0.65))
    return [{ kind: 'note', body: { v: 1, text: 'Board swapped after a surge; counter starts at nought.' } }]
  if (tale === 'rival-corrections' && n === 2)
    return [{ kind: 'inspected', body: { v: 1, part: 'piston-ring', condition: conditionAt(d, 0.5) } }]
  if (d.chance(0.05)) return [{ kind: 'note', body: { v: 1, text: d.pick(smallTalk) } }]
  return []
}

const smallTalk = [
  'Tray full again: showed them how to empty it.',
  'Beans changed to a darker roast last week.',
  'Left a spare gasket in the drawer under the machine.',
  'Switched off over the weekend from now on.',
  'New hand on the early shift: showed the purge.',
  'Dry under the machine after ten minutes.',
]

/** A wrong count found out a day later, and put right by a correction; once by two people at a time. */
function putRight(d: Dice, life: MachineLife, day: number, endDay: number): void {
  const reading = life.ledger.findLast((entry) => entry.kind === 'reading' && entry.happenedOn === fromDay(day))
  if (!reading || day + 1 > endDay) return
  const truth = life.counter.at(day)
  const correction = (count: number, secondsLater: number): Entry => ({
    ...reading,
    id: d.uuid((day + 1) * 24 * hour + 9 * hour + secondsLater * 1000),
    body: { v: 1, counter: 'shots', count },
    supersedes: reading.id,
  })
  const { tale } = life.machine
  if (tale === 'typo-corrected' && reading.body.count !== truth) life.ledger.push(correction(truth, 0))
  if (tale === 'rival-corrections' && life.readings === 8)
    life.rivals.push(correction(truth, 0), correction(truth + 3, 1))
}

/** The customer's staff regenerate every fortnight or so, and forget now and then. */
function staffRegenerates(
  resinL: number,
  softenerId: string,
  write: Write,
  ledger: Entry[],
  d: Dice,
  startDay: number,
  endDay: number,
): void {
  for (let day = startDay + 5; day < endDay; day += d.whole(10, 14)) {
    if (d.chance(0.06)) continue
    write(ledger, 'softener', softenerId, day, [{ kind: 'regenerated', body: { v: 1, saltKg: resinL / 8 } }])
  }
}
