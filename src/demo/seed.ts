import { customerOrigin } from '../core/customers/origins.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { jot } from '../core/ledger/jot.ts'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import type { Clock } from '../core/wear/limits.ts'
import { type Db, demoFirm, demoSignIn } from '../services/demo-firm.ts'
import { writeEntries } from '../services/write-entries.ts'
import { arranged, type Made, workWeekdays } from './arranged.ts'
import { historyDays, monthOf } from './calendar.ts'
import { billsOf, closings, type PlaceBehind } from './closings.ts'
import { dice } from './dice.ts'
import { housePapers, theirCare } from './house-papers.ts'
import { siteHistory } from './site-history.ts'
import { placeAt, yardAt, zoneWater } from './town.ts'
import { asEntries } from './visit.ts'
import { demoSites, makers } from './world.ts'

const timeZone = 'Europe/London'
const seed = 'harrowmere-1'

/**
 * Makes the firm of Quillgate & Daughter and its two years, through the same services a user's entries
 * pass. The same last day makes the same world.
 *
 * @param now - the history ends on this instant's day
 * @param progress - told how many sites are done of how many
 */
export async function seedDemo(
  db: Db,
  now: Date,
  progress?: (done: number, of: number) => void,
): Promise<{ entries: number }> {
  const d = dice(seed)
  const endDay = toDay(now.toISOString().slice(0, 10))
  const birth = (endDay - historyDays) * 86_400_000
  const id = () => d.uuid(birth)
  const firmId = id()
  const people = { ines: id(), odile: id() }
  const bags = { ines: { gaugeId: id(), reagentId: id() }, odile: { gaugeId: id(), reagentId: id() } }
  const testerId = id()
  const supplies = Object.fromEntries(Object.keys(zoneWater).map((area) => [area, id()])) as Record<
    keyof typeof zoneWater,
    string
  >

  const firm = demoFirm(db, { id: firmId, name: 'Quillgate & Daughter', timeZone })
  await firm.start()
  const yard = { startLatitude: yardAt.latitude, startLongitude: yardAt.longitude }
  await firm.adding(async (add) => {
    await add('technician', people.ines, { name: 'Ines Quillgate', initials: 'IQ', role: 'owner', ...yard })
    await add('technician', people.odile, {
      name: 'Odile Quillgate',
      initials: 'OQ',
      role: 'technician',
      ...yard,
      workWeekdays: workWeekdays.odile,
    })
    for (const [area, zone] of Object.entries(zoneWater))
      await add('supply', supplies[area as keyof typeof supplies], { name: zone.name, note: zone.note })
    await add('instrument', bags.ines.gaugeId, { name: 'Portafilter gauge', kind: 'gauge', serial: 'PG-16-041' })
    await add('instrument', bags.odile.gaugeId, { name: 'Small portafilter gauge', kind: 'gauge', serial: 'PG-16-077' })
    await add('instrument', bags.ines.reagentId, { name: 'Drop kit, total', kind: 'reagent', serial: 'batch 2618' })
    await add('instrument', bags.odile.reagentId, {
      name: 'Drop kit, second bag',
      kind: 'reagent',
      serial: 'batch 2441',
    })
    await add('instrument', testerId, { name: 'Electrical tester', kind: 'tester', serial: 'ET-3309' })
  })
  await firm.admit(people.ines, demoSignIn.email, demoSignIn.password)
  await firm.admit(people.odile, 'odile@quillgate.example', demoSignIn.password)

  let count =
    (await write(people.ines, calibrations())) +
    (await write(people.ines, analyses())) +
    (await write(people.ines, houseRules()))
  const places = new Map<string, Made>()
  const behind = new Map<string, PlaceBehind>()
  for (const [n, site] of demoSites.entries()) {
    const siteId = id()
    const customerId = id()
    const softenerId = site.softener ? id() : null
    const machineIds = site.machines.map(id)
    const models: string[] = []
    await firm.adding(async (add) => {
      await add('customer', customerId, {
        name: site.customer,
        phone: `0555 01${String(n).padStart(2, '0')}`,
        ...billsOf(site.name),
      })
      const { name, area, accessNote } = site
      await add('site', siteId, {
        customerId,
        supplyId: supplies[area],
        technicianId: people[site.technician],
        name,
        area,
        timeZone,
        accessNote,
        ...placeAt(site.fromYardKm),
      })
      if (softenerId) await add('softener', softenerId, { siteId, name: site.softener!.name })
      for (const [i, machine] of site.machines.entries()) {
        const known = makers[machine.kind]
        const make = i === 0 || d.chance(0.5) ? known[0]! : known.at(-1)!
        const serial = `${make.prefix}-${String(d.whole(100, 899) * 10 + i).padStart(4, '0')}`
        models.push(`${make.maker} ${make.model}`)
        await add('machine', machineIds[i]!, {
          siteId,
          ...(machine.softened && softenerId && { softenerId }),
          name: machine.name,
          maker: make.maker,
          model: make.model,
          serial,
          kind: machine.kind,
        })
      }
    })
    const softener = softenerId ? { id: softenerId, name: site.softener!.name } : null
    const { entries } = siteHistory(
      seed,
      site,
      { siteId, softenerId, machineIds, technicianId: people[site.technician], ...bags[site.technician] },
      endDay,
    )
    behind.set(site.name, {
      siteId,
      customerId,
      softener,
      machines: site.machines.map(({ name, kind }, i) => ({ id: machineIds[i]!, name, model: models[i]!, kind })),
      entries,
    })
    places.set(site.name, {
      siteId,
      machines: Object.fromEntries(site.machines.map(({ name }, i) => [name, machineIds[i]!])),
    })
    count += await write(people[site.technician], entries)
    progress?.(n + 1, demoSites.length)
  }
  count += await write(people.ines, arranged(d, places, people, endDay))
  const papers = housePapers(firmId, behind, endDay - 300)
  count += await write(people.ines, papers)
  count += await closeAndBill()
  const bakery = places.get('Thistle & Rye bakery')!.machines
  for (const machineId of Object.values(bakery)) await firm.givePage(people.ines, machineId, now)
  count += await write(people.ines, theirCare(bakery, endDay), customerOrigin)
  await firm.plan()
  return { entries: count }

  /** Last visits closed; all but the latest of those that are charged are invoiced. */
  async function closeAndBill(): Promise<number> {
    const { entries, closed } = closings(papers, behind)
    const made = await write(people.ines, entries)
    // Issued one after the other, the last of them now.
    const billed = closed.slice(0, -1)
    for (const [i, { visitId }] of billed.entries())
      await firm.bill(people.ines, { id: id(), visitId }, new Date(now.getTime() - (billed.length - 1 - i) * 60_000))
    return made
  }

  async function write(technicianId: string, entries: Entry[], origin?: string): Promise<number> {
    const answer = await writeEntries(
      db,
      { firmId, technicianId, role: technicianId === people.ines ? 'owner' : 'technician' },
      entries,
      {
        now,
        asOne: true,
        ...(origin && { origin }),
        recordedAt: (entry) =>
          new Date(Math.min(Date.parse(entry.happenedAt) + 20 * 60_000, now.getTime())).toISOString(),
      },
    )
    // One that is only held up by another says nothing.
    const failed = answer.verdicts.filter(({ verdict }) => verdict === 'refused' || verdict === 'conflict')
    if (failed.length > 0) throw new Error(`The demo world was refused: ${JSON.stringify(failed)}`)
    return entries.length
  }

  /** Stickers and opening days: the second bag's reagent ran out in summer. */
  function calibrations(): Entry[] {
    const sticker = (instrumentId: string, back: number, days: number) =>
      asEntries(d, [{ kind: 'calibrated', body: { v: 1, dueOn: fromDay(endDay - back + days) } }], {
        subjectKind: 'instrument',
        subjectId: instrumentId,
        happenedOn: fromDay(endDay - back),
        atMs: (endDay - back) * 86_400_000 + 40_000_000,
      })
    return [
      ...[bags.ines.gaugeId, bags.odile.gaugeId, testerId].flatMap((one, i) => [
        ...sticker(one, 660 + i * 20, 365),
        ...sticker(one, 290 + i * 20, 365),
      ]),
      ...sticker(bags.ines.reagentId, 120, 540),
      ...sticker(bags.odile.reagentId, 700, 540),
    ]
  }

  /** The firm fits larger tank filters and leaves the quick jobs to a planned visit. */
  function houseRules(): Entry[] {
    const life = (task: string, clock: Clock, value: number) => jot('setting', { setting: 'life', task, clock, value })
    const about = {
      subjectKind: 'firm' as const,
      subjectId: firmId,
      happenedOn: fromDay(endDay - historyDays),
      atMs: birth + 30_000_000,
    }
    const rules = [
      jot('setting', {
        setting: 'prices',
        ...{ saltPerKg: 0.6, acidPerKg: 9, cartridge: 95, waterPerM3: 4.2, labourPerMinute: 1.1 },
        detergentTub: 16,
        cleaningTablet: 0.6,
      }),
      life('tank-filter', 'litres', 240),
      life('descale', 'litres', 200),
      life('oil-removal', 'shots', 1200),
      life('brew-unit-grease', 'shots', 3000),
      life('needle-clean', 'shots', 1200),
      life('cleaning-programme', 'shots', 600),
      life('drain-hose-clean', 'months', 2),
    ]
    return asEntries(d, rules, about)
  }

  /** The waterworks' yearly figures, by quarter. */
  function analyses(): Entry[] {
    return Object.entries(zoneWater).flatMap(([area, zone]) =>
      [700, 610, 520, 430, 340, 250, 160, 70].flatMap((back) => {
        const day = endDay - back
        const totalDh = Math.round(zone.totalDh(monthOf(day)) * 10) / 10
        const about = {
          subjectKind: 'supply' as const,
          subjectId: supplies[area as keyof typeof supplies],
          happenedOn: fromDay(day),
          atMs: day * 86_400_000 + 43_200_000,
        }
        const test = (quantity: 'total' | 'carbonate', value: number) =>
          jot('water-test', { point: 'raw', quantity, method: 'figure', unit: 'dH', value })
        return asEntries(
          d,
          [
            test('total', totalDh),
            test('carbonate', Math.round(totalDh * zone.carbonateShare * 10) / 10),
            {
              kind: 'water-figures',
              body: {
                v: 1,
                point: 'raw',
                by: 'works',
                pH: zone.pH,
                testTempC: 12,
                conductivityUsCm: Math.round(totalDh * 33 + zone.restUsCm),
                chlorideMgL: zone.chlorideMgL,
                silicaMgL: zone.silicaMgL,
              },
            },
          ],
          about,
        )
      }),
    )
  }
}
