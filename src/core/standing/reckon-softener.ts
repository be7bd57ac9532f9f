import { toDay } from '../quantity/local-day.ts'
import { type TreatmentKind, treatmentKind } from '../softener/treatment-kind.ts'
import { daysBehind } from './behind-softener.ts'
import { cartridgeStanding } from './cartridge-standing.ts'
import { type CounterLine, counterLine } from './counter-line.ts'
import { exchangerPartsStandings } from './exchanger-parts-standing.ts'
import { exchangerStanding } from './exchanger-standing.ts'
import { effective, type Histories, type Ledgers, latestDay, ofKind } from './histories.ts'
import { type MachineFacts, machineFacts } from './machine-facts.ts'
import { membraneStanding } from './membrane-standing.ts'
import { outletTestStanding } from './outlet-test-standing.ts'
import { prefilterStanding } from './prefilter-standing.ts'
import type { ReckonOptions } from './reckon-machine.ts'
import { siteOpening } from './site-opening.ts'
import { type Draw, fedDraw, meteredDraw } from './softener-draw.ts'
import { stageNow } from './stages.ts'
import { type Reckoning, reckoningVersion, type Standing } from './standing.ts'
import { waterKnown } from './water-known.ts'

/** Litres an open day a meter is expected to show before its first readings. From memory. */
const usualMeterLitres = 30

/** A softener with the machines it feeds. */
export interface SoftenerFacts {
  histories: Histories
  kind: TreatmentKind
  machines: (MachineFacts & { spans: ReturnType<typeof daysBehind> })[]
  asOf: string
  /** By its meter where it has one, else by what its machines' counts come to. */
  draw: Draw
  /** By the counts, whatever a meter says. */
  counted: Draw
  /** Readings of its own meter, litres. */
  meter: CounterLine | null
}

/** @returns null when nothing dates it yet */
export function softenerFacts(ledgers: Ledgers, fed: Ledgers[], showWorking = true): SoftenerFacts | null {
  const histories = effective(ledgers)
  const taken = ofKind(histories, 'softener', 'commissioned')[0]
  if (!taken) return null
  const machines = fed.flatMap((machine) => {
    const own = effective(machine)
    const facts = machineFacts(own, showWorking)
    return facts ? [{ ...facts, spans: daysBehind(own, taken.subjectId) }] : []
  })
  const days = [latestDay(histories), ...machines.map((facts) => facts.asOf)].filter((day) => day !== null)
  const asOf = days.sort().at(-1)!
  const { openDays, shareOpen } = siteOpening(histories)
  const readings = ofKind(histories, 'softener', 'reading')
  const metered = readings.some((entry) => entry.body.counter === 'litres')
  const meter = metered
    ? counterLine(readings, 'litres', openDays, usualMeterLitres, toDay(asOf), toDay(taken.happenedOn))
    : null
  const counted = fedDraw(machines, shareOpen)
  return {
    histories,
    kind: treatmentKind(taken.body.kind) ?? 'exchanger',
    machines,
    asOf,
    draw: meter ? meteredDraw(meter, shareOpen) : counted,
    counted,
    meter,
  }
}

/**
 * Reckons a softener or cartridge from its own history and the machines it feeds.
 * @param fed - ledgers of each machine behind it, now or since it was last regenerated
 * @returns null when nothing dates it yet
 */
export function reckonSoftener(
  ledgers: Ledgers,
  fed: Ledgers[],
  { showWorking = true }: ReckonOptions = {},
): Reckoning | null {
  const facts = softenerFacts(ledgers, fed, showWorking)
  if (!facts) return null
  const { histories, draw, asOf } = facts
  const { stage, since } = stageNow(histories, 'softener')
  const standings =
    stage === 'retired' || stage === 'winterised'
      ? []
      : [
          mainStanding(facts, showWorking),
          prefilterStanding(histories, draw, asOf, showWorking),
          outletTestStanding(histories, facts.kind, asOf, showWorking),
          ...(facts.kind === 'exchanger' ? exchangerPartsStandings(histories, draw, asOf, showWorking) : []),
        ]
  return {
    version: reckoningVersion,
    asOf,
    standings: standings.filter((standing) => standing !== null),
    stage,
    ...(since && { stageSince: since }),
    litresPerOpenDay: draw.perOpenDay,
    flags: [],
    rivals: [...(histories.softener?.rivals ?? [])].sort(),
    water: waterKnown(histories),
  }
}

/** When it must be renewed, each kind in its own way; carbon alone has only its own change. */
function mainStanding({ histories, kind, draw, asOf }: SoftenerFacts, showWorking: boolean): Standing | null {
  switch (kind) {
    case 'exchanger':
      return exchangerStanding(histories, draw, asOf, showWorking)
    case 'cartridge':
      return cartridgeStanding(histories, draw, asOf, showWorking)
    case 'membrane':
      return membraneStanding(histories, asOf, showWorking)
    case 'carbon':
      return null
  }
}

/**
 * What a meter shows over what the counts say, between its first and last reading: least squares through the
 * origin over its intervals.
 *
 * @returns null before it was read twice
 */
export function meterOverCounts({ meter, counted }: SoftenerFacts): { factor: number; intervals: number } | null {
  const pairs = (meter?.intervals ?? []).map(
    ({ fromDay, toDay, count }) => [count, counted.between(fromDay, toDay)] as const,
  )
  const square = pairs.reduce((sum, [, litres]) => sum + litres * litres, 0)
  if (square <= 0) return null
  return { factor: pairs.reduce((sum, [count, litres]) => sum + count * litres, 0) / square, intervals: pairs.length }
}
