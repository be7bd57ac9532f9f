import type { Entry } from '../core/ledger/entry.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import type { WaterFigureName } from '../core/ledger/water-figure-names.ts'
import { monthOf } from './calendar.ts'
import type { Dice } from './dice.ts'
import type { SiteIds, Write } from './site-life.ts'
import { zoneWater } from './town.ts'
import type { DemoSite } from './world.ts'

export function rawTests(d: Dice, site: DemoSite, ids: SiteIds, day: number): Jotting[] {
  const zone = zoneWater[site.area]
  const total = zone.totalDh(monthOf(day))
  const drops = (dh: number) => Math.max(1, Math.ceil(dh * Math.exp(d.normal(0, 0.03))))
  const test = (quantity: 'total' | 'carbonate', dh: number): Jotting => ({
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

/** The treatment as it was taken on. */
export function takenOn({
  resinL,
  saltTankKg,
  cartridgeG,
  membrane,
  carbon,
}: NonNullable<DemoSite['softener']>): Jotting[] {
  const kind = resinL ? 'exchanger' : cartridgeG ? 'cartridge' : membrane ? 'membrane' : 'carbon'
  return [
    { kind: 'commissioned', body: { v: 1, kind, kindVersion: 1, partsNew: true } },
    ...(resinL
      ? [jot('setting', { setting: 'exchanger', resinL, ...(saltTankKg && { regenerates: 'itself', saltTankKg }) })]
      : []),
    ...(cartridgeG ? [jot('setting', { setting: 'cartridge', capacityG: cartridgeG, bypass: 0.3 })] : []),
    ...(membrane ? [jot('setting', { setting: 'membrane', rawShare: membrane.rawShare, rejectLPerL: 1.5 })] : []),
    ...(carbon ? [jot('setting', { setting: 'prefilter', fitted: true, litres: 12_000 })] : []),
  ]
}

/**
 * What was tested behind the treatment at a visit, each kind by what tells it.
 * @param way - how far through the two years, 0 to 1
 */
export function outletTests(d: Dice, site: DemoSite, way: number, n: number, of: number): Jotting[] {
  const { membrane, carbon } = site.softener!
  if (!membrane && !carbon) return [outletTest(d, site, n, of)]
  const figures = (point: 'permeate' | 'softened', found: Partial<Record<WaterFigureName, number>>): Jotting =>
    jot('water-figures', { point, by: 'pen', ...found })
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

/** The customer's staff regenerate every fortnight or so, and forget now and then. */
export function staffRegenerates(
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
