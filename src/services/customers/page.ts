import { theirJobs } from '../../core/customers/their-jobs.ts'
import { theirPath } from '../../core/customers/their-path.ts'
import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { heldNow } from '../../core/standing/held-now.ts'
import { type Histories, ofKind } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import type { Reckoning } from '../../core/standing/standing.ts'
import { expectedCount } from '../../core/usage/expected-count.ts'
import { appointmentsStanding } from '../../core/visits/appointments.ts'
import { arrangedSince } from '../../records/calendars.ts'
import { type Db, lookIn, type Trx } from '../../records/database.ts'
import { likelyDues } from '../../records/standings.ts'
import type { CustomerPage, KnownThere, TheirSoftener } from '../../views/customer-page.ts'
import { treatmentOf } from '../treatment-of.ts'
import type { There } from './there.ts'

/** The page of a machine as whoever stands there reads it. */
export async function customerPage(db: Db, there: There): Promise<CustomerPage> {
  const { care, histories, firm, today, actor } = there
  const { machine, ledgers } = care.bundle
  const reckoning = reckonMachine(ledgers, { showWorking: false })
  const softener = await lookIn(db, actor.firmId, (trx) => softenerOf(trx, there))
  const kind = kindThere(there)
  const held = heldNow(histories).map(({ body }) => body)
  return {
    machine: { id: machine.id, name: machine.name, model: [machine.maker, machine.model].filter(Boolean).join(' ') },
    firm,
    out: outOfUse(histories, reckoning),
    hasCounter: !reckoning?.uncounted,
    today,
    sheet: care.sheet,
    jobs: theirJobs(care.sheet, histories),
    softener,
    path: {
      softened: there.softenerId !== null,
      stations: kind ? theirPath(kind, { sheet: care.sheet, softener, held }) : [],
    },
    known: there.knows ? await knownThere(db, there, reckoning) : null,
  }
}

/** What the machine is, as its history says: whose path is drawn. */
export const kindThere = ({ histories, care }: There): Kind | null =>
  machineKind(histories) ?? kindById(care.bundle.machine.kind) ?? null

/** What is held, and of what of it: a milk side that is held stops no coffee. */
function outOfUse(histories: Histories, reckoning: Reckoning | null): string[] {
  const held = heldNow(histories).map(({ body: { only, group } }) =>
    only ? `Its ${only} is not for use` : group ? `Group ${group} is not for use` : 'Not for use',
  )
  return [...new Set([...(reckoning?.stage === 'working' ? [] : ['Not for use']), ...held])]
}

/** What is the customer's to do at the softener; null where it is not theirs, or there is none. */
async function softenerOf(trx: Trx, { softenerId, histories, care }: There): Promise<TheirSoftener | null> {
  const ledger = care.bundle.ledgers.softener
  if (!softenerId || !ledger) return null
  const treatment = treatmentOf(ledger)
  if (treatment.treatment !== 'exchanger' || treatment.stage !== 'working') return null
  const itself = treatment.regeneratesItself ?? false
  const done = ofKind(histories, 'softener', itself ? 'salt-added' : 'regenerated').at(-1)
  const dues = await likelyDues(trx, softenerId)
  const { resinL, saltGPerL } = treatment
  return {
    does: itself ? 'salt' : 'regenerate',
    lastOn: done?.happenedOn ?? null,
    dueOn: dues.get(itself ? 'salt' : 'regenerate') ?? null,
    saltKg: resinL && saltGPerL ? Math.round((resinL * saltGPerL) / 100) / 10 : null,
  }
}

/** What only those who know the word read: what the counter should show, and when we come. */
async function knownThere(
  db: Db,
  { histories, today, siteId, actor }: There,
  reckoning: Reckoning | null,
): Promise<KnownThere> {
  const { counter, use } = reckoning ?? {}
  const expected = counter && use && expectedCount(counter, use, siteOpening(histories).openDays, today)
  const entries = await lookIn(db, actor.firmId, (trx) => arrangedSince(trx, today, { siteIds: [siteId] }))
  const agreed = appointmentsStanding(entries)
    .filter(({ last }) => last.body.step === 'agreed' && last.body.on >= today)
    .sort((a, b) => a.last.body.on.localeCompare(b.last.body.on))[0]
  return {
    counter:
      counter && expected
        ? {
            unit: counter.unit,
            last: counter.count,
            on: counter.on,
            low: Math.round(expected.low),
            likely: Math.round(expected.value),
            high: Math.round(expected.high),
          }
        : null,
    visit: agreed ? { on: agreed.last.body.on, from: agreed.last.body.from ?? null } : null,
  }
}
