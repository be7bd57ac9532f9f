import { takenUpGPerL } from '../core/softener/learned-capacity.ts'
import { exchangerFacts } from '../core/standing/exchanger-standing.ts'
import { effective, type Histories, nearestSetting } from '../core/standing/histories.ts'
import { meterOverCounts, reckonSoftener, softenerFacts } from '../core/standing/reckon-softener.ts'
import { feedWater, waterFacts } from '../core/standing/water/feed-water.ts'
import { cartridgeTests, outletTests } from '../core/standing/water/outlet-tests.ts'
import { litresADay } from '../core/standing/water-budget.ts'
import { testsOf } from '../core/standing/water-known.ts'
import { saturation } from '../core/water/carbonate.ts'
import { brewC } from '../core/water/saturation-words.ts'
import { sodiumExchanged } from '../core/water/treatment.ts'
import { type Db, withFirm } from '../records/database.ts'
import { keptById } from '../records/kept.ts'
import { fedBy, reckonedBy } from '../records/subjects.ts'
import type { SoftenerPage } from '../views/softener-page.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'
import { treatmentOf } from './treatment-of.ts'

const shownTests = 20
const shownRenewals = 12

/** What comes out of it, reckoned from the raw water and its own tests. */
function outOf(histories: Histories): SoftenerPage['out'] {
  const facts = waterFacts(histories)
  if (!facts.known.raw && !facts.known.rawCarbonate) return null
  const { raw, fed, treatment } = feedWater(facts)
  const { hardnessMgL, alkalinityMgL, pH } = fed.likely
  return {
    hardnessMgL,
    alkalinityMgL,
    pH,
    rawPh: raw.likely.pH,
    siBrew: saturation(fed.likely, brewC).si ?? null,
    sodiumMgL: treatment.kind === 'exchanger' ? sodiumExchanged(raw.likely, hardnessMgL).sodiumMgL : 0,
  }
}

/** One softener with all it feeds; null when it is not this firm's. */
export async function softenerPage(db: Db, firmId: string, softenerId: string): Promise<SoftenerPage | null> {
  return withFirm(db, firmId, async (trx) => {
    const softener = await keptById(trx, 'softener', softenerId)
    if (!softener) return null
    const site = (await keptById(trx, 'site', softener.siteId))!
    const self = (await reckonedBy(trx, { id: softenerId, kind: 'softener' })).find(({ id }) => id === softenerId)!
    const fed = (await fedBy(trx, [softenerId])).filter(({ behind }) => behind === softenerId)
    const byId = await ledgersById(trx, firmId, [self, ...fed])
    const own = ledgersOf(firmId, self, byId)
    const fedLedgers = fed.map((machine) => ledgersOf(firmId, machine, byId))
    const machines = await Promise.all(fed.map(({ id }) => keptById(trx, 'machine', id)))
    const histories = effective(own)
    const facts = softenerFacts(own, fedLedgers)
    const exchanger = facts?.kind === 'exchanger' ? exchangerFacts(histories, facts.draw) : null
    const outletOf = () => {
      if (!facts) return []
      return facts.kind === 'cartridge'
        ? cartridgeTests(histories, facts.draw, nearestSetting(histories, 'cartridge')?.body.bypass ?? 0.3)
        : outletTests(histories, facts.draw)
    }
    const outlet = new Map(outletOf().map((test) => [test.on, test]))
    const meter = facts && meterOverCounts(facts)
    return {
      firmId,
      softener: { ...softener, ...treatmentOf(byId.get(softenerId) ?? []) },
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
      capacity: exchanger && {
        resinL: exchanger.set.body.resinL,
        usualGPerL: exchanger.usualGPerL,
        value: exchanger.capacity.value,
        below: exchanger.capacity.below,
        above: exchanger.capacity.above,
        tests: exchanger.capacity.tests,
        isSet: exchanger.set.body.capacityGPerL !== undefined,
      },
      gives: exchanger?.gives ?? null,
      out: outOf(histories),
      saltKg: exchanger ? (exchanger.saltGPerL * exchanger.set.body.resinL) / 1000 : null,
      renewals: (byId.get(softenerId) ?? [])
        .filter(({ kind }) => kind === 'regenerated' || kind === 'cartridge-changed' || kind === 'salt-added')
        .filter(({ id }) => histories.softener?.entries.some((entry) => entry.id === id))
        .sort((a, b) => (a.happenedOn < b.happenedOn ? 1 : -1))
        .slice(0, shownRenewals),
    }
  })
}
