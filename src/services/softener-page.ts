import { takenUpGPerL } from '../core/softener/learned-capacity.ts'
import { exchangerFacts } from '../core/standing/exchanger-facts.ts'
import { effective, type Histories, nearestSetting, ofKind } from '../core/standing/histories.ts'
import { reckonSoftener } from '../core/standing/reckon-softener.ts'
import { meterOverCounts, softenerFacts } from '../core/standing/softener-facts.ts'
import { cartridgeCapacity } from '../core/standing/tasks/change-cartridge.ts'
import { passageTrend } from '../core/standing/tasks/change-membrane.ts'
import { softenerTasks, tasksToWrite } from '../core/standing/tasks/index.ts'
import { feedWater, waterFacts } from '../core/standing/water/feed-water.ts'
import { cartridgeTests, outletTests } from '../core/standing/water/outlet-tests.ts'
import { passageTests } from '../core/standing/water/passage-tests.ts'
import { takeFigure } from '../core/standing/water/set-figure.ts'
import { carbonBefore } from '../core/standing/water/treatment-before.ts'
import { litresADay } from '../core/standing/water-budget.ts'
import { testsOf } from '../core/standing/water-known.ts'
import { saturation } from '../core/water/carbonate.ts'
import { brewC } from '../core/water/saturation-words.ts'
import { sodiumExchanged } from '../core/water/treatment.ts'
import { type Db, lookIn } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import { fedBy, reckonedBy } from '../records/subjects.ts'
import type { ChlorineTest, SoftenerPage } from '../views/softener-page.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'
import { treatmentOf } from './treatment-of.ts'

const shownTests = 20
const shownRenewals = 12

/** What can be noted as done on it, by its treatment. */
function renewalsOf(
  histories: Histories,
  treatment: ReturnType<typeof treatmentOf>,
  saltKg: number | null,
): SoftenerPage['canRenew'] {
  const toWrite = new Map(tasksToWrite(histories).map((task) => [task.id, task]))
  const usual = { ...treatment, saltKg: saltKg ?? undefined }
  const here = {
    kind: treatment.treatment ?? 'exchanger',
    regeneratesItself: treatment.regeneratesItself ?? false,
    prefilter: Boolean(treatment.prefilter),
  }
  return softenerTasks.flatMap(({ id, renewal }) => {
    const written = toWrite.get(id)
    if (!renewal?.of(here) || !written) return []
    const { name, besides, amount } = renewal
    return [
      {
        name,
        written,
        ...(besides && { besides }),
        ...(amount && { amount: { ...amount, usual: amount.usual && usual[amount.usual] } }),
      },
    ]
  })
}

/** Kinds of entry that say it was renewed. */
const renews = new Set(softenerTasks.flatMap(({ renewal, written }) => (renewal && written ? [written({}).kind] : [])))

/** What comes out of it, reckoned from the raw water and its own tests. */
function outOf(histories: Histories): SoftenerPage['out'] {
  const facts = waterFacts(histories)
  if (!facts.known.raw && !facts.known.rawCarbonate) return null
  const { raw, fed, treatment } = feedWater(facts)
  const { hardnessMgL, alkalinityMgL, conductivityUsCm, pH } = fed.likely
  return {
    hardnessMgL,
    alkalinityMgL,
    conductivityUsCm,
    pH,
    rawPh: raw.likely.pH,
    siBrew: saturation(fed.likely, brewC).si ?? null,
    sodiumMgL: treatment.kind === 'exchanger' ? sodiumExchanged(raw.likely, hardnessMgL).sodiumMgL : 0,
  }
}

/** What its membrane let through, this one and those before. */
function passageOf(histories: Histories): SoftenerPage['passage'] {
  return {
    tests: passageTests(histories).slice(-shownTests).reverse(),
    limit: takeFigure(histories, 'membrane-passage').value,
    trend: passageTrend(histories),
  }
}

function chlorineOf(histories: Histories): SoftenerPage['chlorine'] {
  const found = (['site', 'softener'] as const).flatMap((level) => ofKind(histories, level, 'water-figures'))
  const tests = found.flatMap((sample): ChlorineTest[] => {
    const { point, freeChlorineMgL, totalChlorineMgL } = sample.body
    if (freeChlorineMgL === undefined && totalChlorineMgL === undefined) return []
    return [
      {
        on: sample.happenedOn,
        point: point === 'raw' ? 'raw' : 'behind',
        ...(freeChlorineMgL !== undefined && { freeMgL: freeChlorineMgL }),
        ...(totalChlorineMgL !== undefined && { totalMgL: totalChlorineMgL }),
      },
    ]
  })
  return {
    tests: tests.sort((a, b) => (a.on < b.on ? 1 : -1)).slice(0, shownTests),
    freeLimitMgL: takeFigure(histories, 'free-chlorine').value,
    totalLimitMgL: takeFigure(histories, 'total-chlorine').value,
  }
}

/** One softener with all it feeds; null when it is not this firm's. */
export async function softenerPage(db: Db, firmId: string, softenerId: string): Promise<SoftenerPage | null> {
  return lookIn(db, firmId, async (trx) => {
    const softener = await keptById(trx, 'softener', softenerId)
    if (!softener) return null
    const site = (await keptById(trx, 'site', softener.siteId))!
    const self = (await reckonedBy(trx, [{ id: softenerId, kind: 'softener' }])).find(({ id }) => id === softenerId)!
    const fed = (await fedBy(trx, [softenerId])).filter(({ behind }) => behind === softenerId)
    const byId = await ledgersById(trx, firmId, [self, ...fed])
    const own = ledgersOf(firmId, self, byId)
    const fedLedgers = fed.map((machine) => ledgersOf(firmId, machine, byId))
    const machines = await Promise.all(fed.map(({ id }) => keptById(trx, 'machine', id)))
    const histories = effective(own)
    const facts = softenerFacts(own, fedLedgers)
    const exchanger = facts?.kind === 'exchanger' ? exchangerFacts(histories, facts.draw) : null
    const capacityOf = (): SoftenerPage['capacity'] => {
      if (exchanger) {
        const { set, usualGPerL, capacity } = exchanger
        return { resinL: set.body.resinL, usualGPerL, ...capacity, isSet: set.body.capacityGPerL !== undefined }
      }
      const held = facts?.kind === 'cartridge' ? cartridgeCapacity(histories, facts.draw) : null
      return held && { resinL: null, usualGPerL: held.capacityG, ...held.learned, isSet: false }
    }
    const outletOf = () => {
      if (facts?.kind === 'cartridge')
        return cartridgeTests(histories, facts.draw, nearestSetting(histories, 'cartridge')?.body.bypass ?? 0.3)
      return facts?.kind === 'exchanger' ? outletTests(histories, facts.draw) : []
    }
    const outlet = new Map(outletOf().map((test) => [test.on, test]))
    const meter = facts && meterOverCounts(facts)
    const treatment = treatmentOf(byId.get(softenerId) ?? [])
    const saltKg = exchanger ? (exchanger.saltGPerL * exchanger.set.body.resinL) / 1000 : null
    return {
      firmId,
      softener: { ...softener, ...treatment },
      site: { id: site.id, name: site.name, area: site.area, timeZone: site.timeZone },
      standings: reckonSoftener(own, fedLedgers)?.standings ?? [],
      draw: facts
        ? { perOpenDay: facts.draw.perOpenDay, said: facts.draw.said, measured: facts.draw.measured }
        : { perOpenDay: 0, said: 'nothing is known of it yet', measured: false },
      meter: meter && { ...meter, applied: nearestSetting(histories, 'budget-factor')?.body.factor ?? null },
      feeds: fed.flatMap(({ id }, i) => {
        const machine = machines[i]
        const one = facts?.machines.find(({ histories: at }) => at.machine?.entries[0]?.subjectId === id)
        if (!machine || machine.softenerId !== softenerId) return []
        return [
          { id, name: machine.name, kind: machine.kind, litresPerOpenDay: one ? litresADay(one.budget, one.use) : 0 },
        ]
      }),
      tests: testsOf(histories, 'softener', 'softened', facts?.kind === 'cartridge' ? 'carbonate' : 'total')
        .slice(-shownTests)
        .reverse()
        .map((test) => {
          const taken = outlet.get(test.on)
          return {
            on: test.on,
            said: test.said,
            low: test.low,
            high: test.high,
            litres: taken?.litres ?? null,
            takenUpGPerL: taken ? takenUpGPerL(taken, exchanger?.set.body.resinL ?? 1) : null,
            spent: taken?.spent ?? false,
          }
        }),
      capacity: capacityOf(),
      gives: exchanger?.gives ?? null,
      passage: facts?.kind === 'membrane' ? passageOf(histories) : null,
      chlorine: carbonBefore(histories) ? chlorineOf(histories) : null,
      out: outOf(histories),
      saltKg,
      renewals: (byId.get(softenerId) ?? [])
        .filter(({ kind }) => renews.has(kind))
        .filter(({ id }) => histories.softener?.entries.some((entry) => entry.id === id))
        .sort((a, b) => (a.happenedOn < b.happenedOn ? 1 : -1))
        .slice(0, shownRenewals),
      canRenew: renewalsOf(histories, treatment, saltKg),
    }
  })
}
