import { nothingKnown, type PriorEvidence } from '../faults/prior-factors.ts'
import type { Kind } from '../kinds/kind.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { spentAboveMgL } from '../softener/learned-capacity.ts'
import { type Histories, nearestCauses, ofKind } from './histories.ts'
import { lastReadings } from './last-readings.ts'
import type { Standing } from './standing.ts'
import { treatmentBefore } from './water/treatment-before.ts'
import { testsOf } from './water-known.ts'

/** Entries that say that hands were in a machine, at the station of the part they name. */
const openings = ['fitted', 'removed', 'repaired'] as const

/** What a machine's records say before anything is tried, as of a day. */
export function faultEvidence(kind: Kind, histories: Histories, standings: Standing[], today: LocalDay): PriorEvidence {
  const daysAgo = (day: LocalDay) => toDay(today) - toDay(day)
  const lifeUsed = usedBy(standings, ({ action }) => action === 'replace')
  const careUsed = usedBy(standings, ({ action, unseen }) => (action === 'clean' || action === 'grease') && !unseen)
  const stationOf = new Map(kind.parts.map(({ id, station }) => [id, station]))
  const opened = openings.flatMap((entryKind) =>
    ofKind(histories, 'machine', entryKind).flatMap(({ body, happenedOn }) => {
      const station = stationOf.get(String(body.part ?? ''))
      return station ? [{ station, daysAgo: daysAgo(happenedOn) }] : []
    }),
  )
  const fitted = Object.fromEntries(
    ofKind(histories, 'machine', 'fitted').flatMap(({ body, happenedOn }) =>
      body.part && daysAgo(happenedOn) >= 0 ? [[body.part, daysAgo(happenedOn)]] : [],
    ),
  )
  const descaled = ofKind(histories, 'machine', 'descaled').at(-1)
  const going = ofKind(histories, 'machine', 'stage')
  const again = going.at(-1)
  const stood = again?.body.stage === 'working' ? going.at(-2) : undefined
  const wintered = again?.body.stage === 'working' && stood?.body.stage === 'winterised'
  const changed = treatmentChanged(histories)
  const causes = nearestCauses(histories, kind.basedOn ?? kind.id)
  return {
    ...nothingKnown,
    treatmentChangedDaysAgo: changed === null ? null : daysAgo(changed),
    winteredDaysAgo: wintered ? daysAgo(again.happenedOn) : null,
    beansNoted: beansNoted(histories, daysAgo),
    confirmed: Object.fromEntries((causes?.body.counts ?? []).map(({ fault, n }) => [fault, n])),
    lifeUsed,
    careUsed,
    ...chalkBy(standings),
    spentOutlet: spentOutlet(histories, daysAgo),
    askedToDescaleDaysAgo: askedToDescale(histories, daysAgo, descaled?.happenedAt),
    readings: lastReadings(kind, histories, daysAgo),
    repaired: ofKind(histories, 'machine', 'repaired').flatMap(({ body, happenedOn }) =>
      body.fault && body.cured !== false && daysAgo(happenedOn) >= 0
        ? [{ fault: body.fault, daysAgo: daysAgo(happenedOn) }]
        : [],
    ),
    fitted,
    opened: opened.filter(({ daysAgo: age }) => age >= 0),
    hands: handsOn(kind, histories, daysAgo),
    descaledDaysAgo: descaled ? daysAgo(descaled.happenedOn) : null,
    // It stood until it was set going again, and that was lately.
    stoodDays:
      again && stood && daysAgo(again.happenedOn) <= 14 ? toDay(again.happenedOn) - toDay(stood.happenedOn) : null,
  }
}

/** By part, the furthest gone of it: of several one is complained of, and nobody knows which. */
function usedBy(standings: Standing[], counts: (standing: Standing) => boolean): Record<string, number> {
  const used: Record<string, number> = {}
  for (const standing of standings)
    if (standing.part && counts(standing))
      used[standing.part] = Math.max(used[standing.part] ?? 0, ...standing.uses.map((use) => use.used / use.limit))
  return used
}

/** Of the chalk allowed, by vessel and by the one that has most of it; null where no chalk is reckoned. */
function chalkBy(standings: Standing[]): Pick<PriorEvidence, 'chalkAt' | 'chalkUsed'> {
  const chalkAt: Record<string, number> = {}
  for (const { task, station, uses } of standings)
    if (task === 'descale')
      for (const { clock, used, limit } of uses)
        if (clock === 'thickness') chalkAt[station] = Math.max(chalkAt[station] ?? 0, used / limit)
  const shares = Object.values(chalkAt)
  return { chalkAt, chalkUsed: shares.length > 0 ? Math.max(...shares) : null }
}

/** The last test behind an exchanger, where it let through more than one that works and was not renewed since. */
function spentOutlet(histories: Histories, daysAgo: (day: LocalDay) => number): PriorEvidence['spentOutlet'] {
  // A cartridge lets total hardness by, carbon all of it: only resin is judged by it.
  if (treatmentBefore(histories).kind !== 'exchanger') return null
  const last = testsOf(histories, 'softener', 'softened', 'total').at(-1)
  if (!last || last.value <= spentAboveMgL) return null
  // Tested and renewed on one day: tested first, for that is why.
  const renewed = Object.keys(handsOnTreatment).some((name) =>
    ofKind(histories, 'softener', name as keyof typeof handsOnTreatment).some(
      ({ happenedOn }) => happenedOn >= last.on,
    ),
  )
  return renewed ? null : { mgL: last.value, daysAgo: daysAgo(last.on) }
}

/** Days since it last asked to be descaled, where it was not since. */
function askedToDescale(
  histories: Histories,
  daysAgo: (day: LocalDay) => number,
  descaledAt: string | undefined,
): number | null {
  const asked = ofKind(histories, 'machine', 'prompt-seen')
    .filter(({ body, happenedAt }) => body.task === 'descale' && (descaledAt === undefined || happenedAt > descaledAt))
    .at(-1)
  return asked ? daysAgo(asked.happenedOn) : null
}

/** What was done with hands on it, as a reason is said; what was only asked, read or looked at is none. */
const handsWords = {
  fitted: 'a part fitted',
  removed: 'a part removed',
  repaired: 'repaired',
  'strip-down': 'stripped down',
  run: 'serviced',
  descaled: 'descaled',
  moved: 'moved',
} as const
/** The same of what treats its water. */
const handsOnTreatment = {
  regenerated: 'softener regenerated',
  'cartridge-changed': 'cartridge changed',
  'membrane-changed': 'membrane changed',
  'prefilter-changed': 'prefilter changed',
} as const
const treatmentStation = 'softener'

/** Whatever anybody worked on, the latest first. */
function handsOn(kind: Kind, histories: Histories, daysAgo: (day: LocalDay) => number): PriorEvidence['hands'] {
  const stationOf = new Map(kind.parts.map(({ id, station }) => [id, station]))
  const onMachine = Object.entries(handsWords).flatMap(([name, what]) =>
    ofKind(histories, 'machine', name as keyof typeof handsWords).map(({ body, happenedOn }) => ({
      what,
      station: 'part' in body && body.part ? (stationOf.get(String(body.part)) ?? null) : null,
      daysAgo: daysAgo(happenedOn),
    })),
  )
  const onTreatment = Object.entries(handsOnTreatment).flatMap(([name, what]) =>
    ofKind(histories, 'softener', name as keyof typeof handsOnTreatment).map(({ happenedOn }) => ({
      what,
      station: treatmentStation,
      daysAgo: daysAgo(happenedOn),
    })),
  )
  return [...onMachine, ...onTreatment].filter(({ daysAgo: age }) => age >= 0).sort((a, b) => a.daysAgo - b.daysAgo)
}

/** The day its water last came to be treated otherwise: another treatment, or one set otherwise than it was. */
function treatmentChanged(histories: Histories): LocalDay | null {
  const machine = ofKind(histories, 'machine', 'commissioned')[0]?.happenedOn
  const taken = ofKind(histories, 'softener', 'commissioned')[0]?.happenedOn
  const set = (['exchanger', 'cartridge', 'membrane', 'prefilter'] as const).flatMap((name) =>
    (histories.softener?.settings.get(name) ?? []).map(({ happenedOn }) => happenedOn),
  )
  // What was there when the machine came is no change, nor is what was set on the day it was taken on.
  const days = [...(taken ? [taken] : []), ...set.filter((day) => day !== taken)].filter(
    (day) => machine !== undefined && day > machine,
  )
  return days.sort().at(-1) ?? null
}

const beansWords = /\b(beans?|roast|barista|new hand|grinder set|grind)\b/i
const mostWords = 60

/** The latest note or remark that speaks of beans, roast or new hands. */
function beansNoted(histories: Histories, daysAgo: (day: LocalDay) => number): PriorEvidence['beansNoted'] {
  const said = (['machine', 'site'] as const)
    .flatMap((subject) =>
      (['note', 'remark'] as const).flatMap((kind) =>
        ofKind(histories, subject, kind).map(({ body, happenedOn }) => ({ text: String(body.text), happenedOn })),
      ),
    )
    .filter(({ text }) => beansWords.test(text))
    .sort((a, b) => a.happenedOn.localeCompare(b.happenedOn))
    .at(-1)
  if (!said) return null
  const words = said.text.length > mostWords ? `${said.text.slice(0, mostWords - 1).trimEnd()}…` : said.text
  return { words, daysAgo: daysAgo(said.happenedOn) }
}
