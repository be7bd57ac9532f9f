import { bodyOf } from '../ledger/upcast.ts'
import { toDay } from '../quantity/local-day.ts'
import { daysBehind } from './behind-softener.ts'
import { cartridgeStanding, outletTestStanding } from './cartridge-standing.ts'
import { counterLine } from './counter-line.ts'
import { exchangerStanding } from './exchanger-standing.ts'
import { effective, type Ledgers, latestDay, ofKind } from './histories.ts'
import { machineFacts } from './machine-facts.ts'
import type { ReckonOptions } from './reckon-machine.ts'
import { siteOpening } from './site-opening.ts'
import { fedDraw, meteredDraw } from './softener-draw.ts'
import { stageNow } from './stages.ts'
import { type Reckoning, reckoningVersion } from './standing.ts'
import { waterKnown } from './water-known.ts'

/** Litres an open day a meter is expected to show before its first readings. From memory. */
const usualMeterLitres = 30

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
  const metered = readings.some((entry) => bodyOf(entry).counter === 'litres')
  const draw = metered
    ? meteredDraw(
        counterLine(readings, 'litres', openDays, usualMeterLitres, toDay(asOf), toDay(taken.happenedOn)),
        shareOpen,
      )
    : fedDraw(machines, shareOpen)
  const { stage, since } = stageNow(histories, 'softener')
  const main = bodyOf(taken).kind === 'cartridge' ? cartridgeStanding : exchangerStanding
  const standings =
    stage === 'retired' || stage === 'winterised'
      ? []
      : [main(histories, draw, asOf, showWorking), outletTestStanding(histories, asOf, showWorking)]
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
