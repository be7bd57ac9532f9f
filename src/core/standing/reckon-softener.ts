import { bodyOf, isKind } from '../ledger/upcast.ts'
import { hardnessSymbol, mgLPer } from '../quantity/hardness.ts'
import { addMonths, fromDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import { startWorking } from '../quantity/working.ts'
import { cartridgeLitres, cartridgeMonths, decarbonised } from '../softener/cartridge.ts'
import { exchangerLitres, handCapacityGPerL, hygieneDays, usualReserve } from '../softener/exchanger.ts'
import { schoolName } from '../wear/limits.ts'
import { type CounterLine, counterLine } from './counter-line.ts'
import type { RunningClock } from './duty-clocks.ts'
import { finish } from './duty-standing.ts'
import {
  effective,
  entriesAt,
  type Histories,
  type Ledgers,
  latestDay,
  nearestSetting,
  siteOpening,
} from './histories.ts'
import { machineFacts, schoolOf } from './machine-facts.ts'
import { type Reckoning, reckoningVersion, type Standing } from './standing.ts'
import { dayOfLitres, litresADay, litresBetween, type WaterBudget } from './water-budget.ts'
import { usualCarbonateShare, waterKnown } from './water-known.ts'

/** What a softener's litres are counted by: its own meter, or the machines it feeds. */
interface Draw {
  said: string
  measured: boolean
  perOpenDay: number
  /** Share of calendar days that are open. */
  shareOpen: number
  between(from: number, to: number): number
  dayAfter(since: number, litres: number, chance: number): number | null
}

/** A hand-regenerated softener leaves about this much until it is tested. mg/L CaCO3, from memory: 1 °dH. */
const usualLeakageMgL = { low: 0.5 * mgLPer.dH, value: mgLPer.dH, high: 1.5 * mgLPer.dH }

/**
 * Reckons a softener or cartridge from its own history and the machines it feeds.
 * @param fed - ledgers of each machine behind it
 * @returns null when nothing dates it yet
 */
export function reckonSoftener(ledgers: Ledgers, fed: Ledgers[]): Reckoning | null {
  const histories = effective(ledgers)
  const own = entriesAt(histories, 'softener')
  const taken = own.find(isKind('commissioned'))
  if (!taken) return null
  const machines = fed.map((machine) => machineFacts(effective(machine))).filter((facts) => facts !== null)
  const days = [latestDay(histories), ...machines.map((facts) => facts.asOf)].filter((day) => day !== null)
  const asOf = days.sort().at(-1)!
  const asOfDay = toDay(asOf)
  const opening = siteOpening(histories)
  const metered = own.some((entry) => isKind('reading')(entry) && bodyOf(entry).counter === 'litres')
  const draw = metered
    ? meteredDraw(counterLine(own, 'litres', opening.openDays, 30, asOfDay, toDay(taken.happenedOn)), opening.shareOpen)
    : fedDraw(machines, opening.shareOpen)
  const isCartridge = bodyOf(taken).kind === 'cartridge'
  const retired = nearestSetting(histories, 'retired')
  const standings = retired
    ? []
    : [isCartridge ? cartridge(histories, draw, asOf) : exchanger(histories, draw, asOf), outletTest(histories, asOf)]
  return {
    version: reckoningVersion,
    asOf,
    standings: standings.filter((standing) => standing !== null),
    litresPerOpenDay: draw.perOpenDay,
    flags: [],
    rivals: [...(histories.softener?.rivals ?? [])].sort(),
    water: waterKnown(histories),
  }
}

function meteredDraw(meter: CounterLine, shareOpen: number): Draw {
  const perOpenDay = meter.rate.shape / meter.rate.rate
  return {
    said: `its meter, ${meter.readings} readings`,
    measured: true,
    perOpenDay,
    shareOpen,
    between: (from, to) => meter.totalAt(to) - meter.totalAt(from),
    dayAfter: meter.dayAfter,
  }
}

/** Several machines draw together: days are found by their sum, at the busiest machine's own spread. */
function fedDraw(machines: { budget: WaterBudget; use: CounterLine }[], shareOpen: number): Draw {
  const perOpenDay = machines.reduce((sum, { budget, use }) => sum + litresADay(budget, use), 0)
  const main = [...machines].sort((a, b) => litresADay(b.budget, b.use) - litresADay(a.budget, a.use))[0]
  return {
    said: `${machines.length === 1 ? 'the machine' : `${machines.length} machines`} behind it, from counts`,
    measured: false,
    perOpenDay,
    shareOpen,
    between: (from, to) => machines.reduce((sum, { budget, use }) => sum + litresBetween(budget, use, from, to), 0),
    dayAfter(since, litres, chance) {
      if (!main || perOpenDay <= 0) return null
      const share = litresADay(main.budget, main.use) / perOpenDay
      return dayOfLitres(main.budget, main.use, since, litres * share, chance)
    },
  }
}

function exchanger(histories: Histories, draw: Draw, asOf: string): Standing | null {
  const own = entriesAt(histories, 'softener')
  const done = own.filter(isKind('regenerated')).at(-1)
  const set = nearestSetting(histories, 'exchanger')
  if (!set) return null
  const since = (done ?? own.find(isKind('commissioned')))!.happenedOn
  const start = toDay(since)
  const asOfDay = toDay(asOf)
  const school = schoolOf(nearestSetting(histories, 'school'))
  const water = waterKnown(histories)
  const working = startWorking()
  const { add } = working
  const running: RunningClock[] = []

  const resin = add({
    what: 'Resin',
    value: set.body.resinL,
    unit: 'L',
    origin: 'setting',
    source: `set for this ${set.level}`,
  })
  const cap = set.body.capacityGPerL
    ? { low: set.body.capacityGPerL, value: set.body.capacityGPerL, high: set.body.capacityGPerL }
    : { low: handCapacityGPerL.cautious, value: handCapacityGPerL.usual, high: handCapacityGPerL.longLife }
  const capacity = add({
    what: 'Working capacity',
    value: cap.value,
    ...(cap.high > cap.low && { spread: (cap.high - cap.low) / 2 }),
    unit: 'g CaCO₃/L',
    origin: set.body.capacityGPerL ? 'setting' : 'default',
    source: set.body.capacityGPerL ? undefined : 'hand-regenerated, from memory',
    mark: set.body.capacityGPerL ? undefined : 'M',
  })
  const reserveShare = set.body.reserve ?? usualReserve
  const reserve = add({
    what: 'Reserve',
    value: reserveShare,
    origin: set.body.reserve === undefined ? 'default' : 'setting',
    source: set.body.reserve === undefined ? 'from memory' : undefined,
    mark: set.body.reserve === undefined ? 'M' : undefined,
  })
  const raw = water.raw
  const out = water.softened ?? usualLeakageMgL
  if (raw) {
    const inLine = add({
      what: 'Hardness in',
      value: raw.value,
      unit: hardnessSymbol.mgL,
      origin: 'measured',
      source: `${raw.said}, ${raw.on}`,
    })
    const outLine = add(
      water.softened
        ? {
            what: 'Hardness out',
            value: out.value,
            unit: hardnessSymbol.mgL,
            origin: 'measured',
            source: `${water.softened.said}, ${water.softened.on}`,
          }
        : {
            what: 'Hardness out',
            value: out.value,
            unit: hardnessSymbol.mgL,
            origin: 'default',
            source: 'not tested yet: 1 °dH, from memory',
            mark: 'M',
          },
    )
    if (out.value < raw.value) {
      const litres = exchangerLitres(set.body.resinL, cap.value, reserveShare, raw.value, out.value)
      // A test that reads low lets the resin last longer: the bounds cross over.
      const fewest = exchangerLitres(
        set.body.resinL,
        cap.low,
        reserveShare,
        raw.high,
        Math.min(out.low, raw.high * 0.99),
      )
      const most = exchangerLitres(
        set.body.resinL,
        cap.high,
        reserveShare,
        raw.low || raw.value,
        Math.min(out.high, (raw.low || raw.value) * 0.9),
      )
      const gives = add({
        what: 'Gives',
        value: litres,
        spread: (most - fewest) / 2,
        unit: 'L',
        formula: `{${resin}} × {${capacity}} × 1,000 × (1 − {${reserve}}) ÷ ({${inLine}} − {${outLine}})`,
        origin: 'reckoned',
      })
      const drawn = draw.between(start, asOfDay)
      const perDay = add({
        what: 'Draw',
        value: draw.perOpenDay,
        unit: 'L/open day',
        origin: draw.measured ? 'measured' : 'reckoned',
        source: draw.said,
      })
      const drawnLine = add({
        what: `Drawn to ${asOf}`,
        value: drawn,
        unit: 'L',
        formula: `since ${since}`,
        origin: 'reckoned',
        source: done ? 'regenerated' : 'taken on',
      })
      running.push({
        use: {
          clock: 'litres',
          used: drawn,
          limit: litres,
          unit: 'L',
          perDay: draw.perOpenDay * draw.shareOpen,
        },
        passage: {
          name: 'litres',
          dayAt: (chance) => draw.dayAfter(start, between(fewest, litres, most, chance), chance),
        },
        leftLine: add({
          what: 'Left by litres',
          value: Math.round((litres - drawn) / draw.perOpenDay),
          unit: 'open days',
          formula: `({${gives}} − {${drawnLine}}) ÷ {${perDay}}`,
          origin: 'reckoned',
        }),
      })
    }
  } else {
    add({
      what: 'Hardness in',
      value: 'not tested',
      origin: 'measured',
      source: 'a drop count of the raw water gives the litres',
    })
  }
  const hygiene = hygieneDays[school.value]
  const cap2 = add({
    what: 'Hygiene, at the latest after',
    value: hygiene,
    unit: 'days',
    origin: 'default',
    source: `${schoolName[school.value]} school, from memory`,
    mark: 'M',
  })
  running.push({
    use: { clock: 'hygiene', used: asOfDay - start, limit: hygiene, unit: 'days', perDay: 1 },
    passage: { name: 'hygiene', dayAt: () => start + hygiene },
    leftLine: add({
      what: 'Over by hygiene',
      value: fromDay(start + hygiene),
      formula: `${since} + {${cap2}}`,
      origin: 'reckoned',
    }),
  })
  const head = {
    key: 'regenerate',
    duty: 'regenerate',
    name: 'Regenerate softener',
    action: 'regenerate' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 25,
  }
  return finish(head, running, working, asOfDay)
}

function cartridge(histories: Histories, draw: Draw, asOf: string): Standing | null {
  const own = entriesAt(histories, 'softener')
  const done = own.filter(isKind('cartridge-changed')).at(-1)
  const set = nearestSetting(histories, 'cartridge')
  if (!set) return null
  const since = (done ?? own.find(isKind('commissioned')))!.happenedOn
  const start = toDay(since)
  const asOfDay = toDay(asOf)
  const school = schoolOf(nearestSetting(histories, 'school'))
  const water = waterKnown(histories)
  const working = startWorking()
  const { add } = working
  const running: RunningClock[] = []
  const capacityG = (done && bodyOf(done).capacityG) ?? set.body.capacityG
  const capacity = add({
    what: 'Capacity',
    value: capacityG,
    unit: 'g CaCO₃',
    origin: 'setting',
    source: done && bodyOf(done).capacityG ? 'of the cartridge fitted' : `set for this ${set.level}`,
  })
  const bypass = add({ what: 'Bypass', value: set.body.bypass, origin: 'setting' })
  const assumed = !water.rawCarbonate && water.raw
  const alkalinity =
    water.rawCarbonate ??
    (water.raw && {
      ...water.raw,
      low: water.raw.low * usualCarbonateShare,
      value: water.raw.value * usualCarbonateShare,
    })
  if (alkalinity) {
    const inLine = add({
      what: 'Carbonate hardness in',
      value: alkalinity.value,
      unit: hardnessSymbol.mgL,
      origin: assumed ? 'default' : 'measured',
      source: assumed
        ? `${usualCarbonateShare} of the total (${alkalinity.said}), from memory`
        : `${alkalinity.said}, ${alkalinity.on}`,
      mark: assumed ? 'M' : undefined,
    })
    const litresAt = (mgL: number) =>
      cartridgeLitres(capacityG, decarbonised(mgL, water.raw?.value, set.body.bypass).removedMgL)
    const litres = litresAt(alkalinity.value)
    if (litres !== null) {
      const fewest = litresAt(alkalinity.high) ?? litres
      const most = litresAt(alkalinity.low) ?? litres
      const gives = add({
        what: 'Gives',
        value: litres,
        spread: (most - fewest) / 2,
        unit: 'L',
        formula: `{${capacity}} × 1,000 ÷ ((1 − {${bypass}}) × {${inLine}})`,
        origin: 'reckoned',
      })
      const drawn = draw.between(start, asOfDay)
      const perDay = add({
        what: 'Draw',
        value: draw.perOpenDay,
        unit: 'L/open day',
        origin: draw.measured ? 'measured' : 'reckoned',
        source: draw.said,
      })
      const drawnLine = add({
        what: `Drawn to ${asOf}`,
        value: drawn,
        unit: 'L',
        formula: `since ${since}`,
        origin: 'reckoned',
      })
      running.push({
        use: {
          clock: 'litres',
          used: drawn,
          limit: litres,
          unit: 'L',
          perDay: draw.perOpenDay * draw.shareOpen,
        },
        passage: {
          name: 'litres',
          dayAt: (chance) => draw.dayAfter(start, between(fewest, litres, most, chance), chance),
        },
        leftLine: add({
          what: 'Left by litres',
          value: Math.round((litres - drawn) / draw.perOpenDay),
          unit: 'open days',
          formula: `({${gives}} − {${drawnLine}}) ÷ {${perDay}}`,
          origin: 'reckoned',
        }),
      })
    }
  }
  const months = cartridgeMonths[school.value]
  const end = addMonths(start, months)
  const cap = add({
    what: 'At the latest after',
    value: months,
    unit: 'months',
    origin: 'default',
    source: 'whatever the litres, common practice',
    mark: 'T',
  })
  running.push({
    use: {
      clock: 'months',
      used: monthsBetween(start, asOfDay),
      limit: months,
      unit: 'months',
      perDay: 1 / 30.4375,
    },
    passage: { name: 'months', dayAt: () => end },
    leftLine: add({
      what: 'Over by age',
      value: fromDay(end),
      formula: `${since} + {${cap}}`,
      origin: 'reckoned',
    }),
  })
  const head = {
    key: 'change-cartridge',
    duty: 'change-cartridge',
    name: 'Change cartridge',
    action: 'change' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 15,
  }
  return finish(head, running, working, asOfDay)
}

/** Softened water is tested at every visit, monthly at least: a spent softener tells nobody. */
function outletTest(histories: Histories, asOf: string): Standing | null {
  const own = entriesAt(histories, 'softener')
  const tested = own.filter(isKind('water-test')).at(-1)
  const since = (tested ?? own.find(isKind('commissioned')))!.happenedOn
  const start = toDay(since)
  const school = schoolOf(nearestSetting(histories, 'school'))
  const months = { cautious: 0.25, usual: 1, longLife: 3 }[school.value]
  const working = startWorking()
  const interval = working.add({
    what: 'Test every',
    value: months,
    unit: 'months',
    origin: 'default',
    source: `${schoolName[school.value]} school, from memory`,
    mark: 'M',
  })
  const end = addMonths(start, months)
  const leftLine = working.add({
    what: 'Over',
    value: fromDay(end),
    formula: `${since} + {${interval}}`,
    origin: 'reckoned',
  })
  const running: RunningClock[] = [
    {
      use: {
        clock: 'months',
        used: monthsBetween(start, toDay(asOf)),
        limit: months,
        unit: 'months',
        perDay: 1 / 30.4375,
      },
      passage: { name: 'months', dayAt: () => end },
      leftLine,
    },
  ]
  const head = {
    key: 'outlet-test',
    duty: 'outlet-test',
    name: 'Test hardness after softener',
    action: 'check' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(tested),
    minutes: 5,
  }
  return finish(head, running, working, toDay(asOf))
}

/** Litres at a chance: straight between the bounds, which stand for one chance in ten each way. */
function between(fewest: number, likely: number, most: number, chance: number): number {
  return chance < 0.5
    ? fewest + ((likely - fewest) * (chance - 0.1)) / 0.4
    : likely + ((most - likely) * (chance - 0.5)) / 0.4
}
