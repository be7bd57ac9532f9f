import { usualSaltGPerL } from '../core/softener/exchanger.ts'
import { effective, type Histories, nearestSetting } from '../core/standing/histories.ts'
import { machineFacts } from '../core/standing/machine-facts.ts'
import { waterFacts } from '../core/standing/water/feed-water.ts'
import { machineChalk } from '../core/standing/water/machine-chalk.ts'
import { takeFigure } from '../core/standing/water/set-figure.ts'
import { treatmentBefore } from '../core/standing/water/treatment-before.ts'
import {
  type PlannedTreatment,
  type Prices,
  together,
  type WaterMachine,
  type YearFigures,
  type YearOfWater,
  yearOfWater,
} from '../core/standing/water/year-of-water.ts'
import { litresADay } from '../core/standing/water-budget.ts'
import { goodOutlet } from '../core/standing/water-known.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { machineRows } from '../records/find.ts'
import { keptById } from '../records/kept.ts'
import { reckonedByIds } from '../records/subjects.ts'
import type { YearPage } from '../views/year-page.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

const mostMachines = 100
const daysInYear = 365.25
/** Litres down the drain for a litre made, where nobody said: an office unit, from memory. */
const usualReject = 1

interface SiteWater {
  page: Omit<YearPage, 'year' | 'now'>
  /** Machines by the softener they stand behind; null without one. */
  groups: { treatment: PlannedTreatment; words: string; leakageMgL: number; machines: WaterMachine[] }[]
  figures: YearFigures
  prices: Prices
}

/** A site's year of water as it is; null when the site is not this firm's. */
export async function yearPage(db: Db, firmId: string, siteId: string): Promise<YearPage | null> {
  const water = await lookIn(db, firmId, (trx) => siteWater(trx, firmId, siteId))
  if (!water) return null
  const { page, groups, figures, prices } = water
  // What its softener lets through when it works, as its own tests found it: what a machine is fed after a regeneration.
  const years = groups.map(({ machines, treatment, leakageMgL }) =>
    yearOfWater(machines, machines[0]!.chalk.water.raw.likely, treatment, { ...figures, leakageMgL }, prices),
  )
  const words = groups.map(({ words, machines }) => `${machines.length} ${words}`)
  return {
    ...page,
    now: words.join(', ') || 'no machine draws water here',
    year: years.length > 0 ? together(years) : null,
  }
}

/** The same with every machine behind one treatment that is only thought of. */
export async function yearWith(
  db: Db,
  firmId: string,
  siteId: string,
  treatment: PlannedTreatment,
): Promise<YearOfWater | null> {
  const water = await lookIn(db, firmId, (trx) => siteWater(trx, firmId, siteId))
  const machines = water?.groups.flatMap((group) => group.machines) ?? []
  if (!water || machines.length === 0) return null
  return yearOfWater(machines, machines[0]!.chalk.water.raw.likely, treatment, water.figures, water.prices)
}

async function siteWater(trx: Trx, firmId: string, siteId: string): Promise<SiteWater | null> {
  const site = await keptById(trx, 'site', siteId)
  if (!site) return null
  const rows = await machineRows(trx, { siteId }, null, mostMachines)
  const subjects = await reckonedByIds(
    trx,
    rows.map(({ id }) => ({ id, kind: 'machine' as const })),
  )
  const byId = await ledgersById(trx, firmId, subjects)
  const groups = new Map<string, SiteWater['groups'][number]>()
  const machines: YearPage['machines'] = []
  let histories: Histories = effective({ firm: byId.get(firmId) ?? [], site: byId.get(siteId) ?? [] })
  // In the order of their names, so that the same site reads the same each time.
  for (const row of rows) {
    const subject = subjects.find(({ id }) => id === row.id)!
    const own = effective(ledgersOf(firmId, subject, byId))
    const facts = machineFacts(own, false)
    const chalk = facts && facts.stage.stage === 'working' ? machineChalk(facts) : null
    if (!facts || !chalk) continue
    histories = { ...own, machine: undefined, softener: undefined } as Histories
    const key = subject.softenerId ?? ''
    const group = groups.get(key) ?? {
      ...treatmentNow(own),
      leakageMgL: (goodOutlet(own) ?? takeFigure(own, 'softener-leakage')).value,
      machines: [],
    }
    groups.set(key, group)
    group.machines.push({ facts, chalk })
    machines.push({
      id: subject.id,
      name: row.name,
      kind: facts.kind.name,
      litresAYear: litresADay(facts.budget, facts.use) * facts.opening.shareOpen * daysInYear,
      behind: subject.softenerId ? group.words : null,
    })
  }
  const prices = pricesOf(histories)
  return {
    page: { firmId, site: { id: site.id, name: site.name, area: site.area }, machines, prices },
    groups: [...groups.values()],
    figures: {
      leakageMgL: takeFigure(histories, 'softener-leakage').value,
      reserve: takeFigure(histories, 'softener-reserve').value,
      citricExcess: takeFigure(histories, 'citric-excess').value,
    },
    prices,
  }
}

/** How a machine's water is treated now. */
function treatmentNow(histories: Histories): { treatment: PlannedTreatment; words: string } {
  const before = treatmentBefore(histories)
  const raw = { treatment: { kind: 'none' } as const, words: 'on raw water' }
  switch (before.kind) {
    case 'none':
      return raw
    case 'carbon':
      return { ...raw, words: 'behind carbon' }
    case 'cartridge': {
      const set = nearestSetting(histories, 'cartridge')?.body
      if (!set) return raw
      const { capacityG, bypass } = set
      return { treatment: { kind: 'cartridge', capacityG, bypass }, words: 'behind the cartridge' }
    }
    case 'membrane': {
      const { passing } = waterFacts(histories)
      return {
        treatment: {
          ...before,
          rejectLPerL: nearestSetting(histories, 'membrane')?.body.rejectLPerL ?? usualReject,
          passing: { share: passing!.share.value, pH: passing!.pH.value },
        },
        words: 'behind the membrane',
      }
    }
    case 'exchanger':
      return exchangerNow(histories) ?? raw
  }
}

function exchangerNow(histories: Histories): { treatment: PlannedTreatment; words: string } | null {
  const set = nearestSetting(histories, 'exchanger')?.body
  if (!set) return null
  if (set.regenerates === 'itself')
    return {
      treatment: { kind: 'itself', resinL: set.resinL, saltGPerL: set.saltGPerL ?? usualSaltGPerL },
      words: 'behind the softener that regenerates itself',
    }
  return {
    treatment: {
      kind: 'hand',
      resinL: set.resinL,
      capacityGPerL: set.capacityGPerL ?? takeFigure(histories, 'hand-capacity').value,
      saltGPerL: set.saltGPerL ?? takeFigure(histories, 'hand-salt').value,
      hygieneDays: takeFigure(histories, 'regenerate-days').value,
    },
    words: 'behind the softener',
  }
}

function pricesOf(histories: Histories): Prices {
  const { v: _, setting: __, ...prices } = nearestSetting(histories, 'prices')?.body ?? { v: 1, setting: 'prices' }
  return prices
}
