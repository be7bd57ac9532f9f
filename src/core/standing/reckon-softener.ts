import { bodyOf, isKind } from '../ledger/upcast.ts'
import { toDay } from '../quantity/local-day.ts'
import { cartridgeStanding, outletTestStanding } from './cartridge-standing.ts'
import { counterLine } from './counter-line.ts'
import { exchangerStanding } from './exchanger-standing.ts'
import { effective, entriesAt, type Ledgers, latestDay, nearestSetting, siteOpening } from './histories.ts'
import { machineFacts } from './machine-facts.ts'
import { fedDraw, meteredDraw } from './softener-draw.ts'
import { type Reckoning, reckoningVersion } from './standing.ts'
import { waterKnown } from './water-known.ts'

/** Litres an open day a meter is expected to show before its first readings. From memory. */
const usualMeterLitres = 30

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
  const { openDays, shareOpen } = siteOpening(histories)
  const metered = own.some((entry) => isKind('reading')(entry) && bodyOf(entry).counter === 'litres')
  const draw = metered
    ? meteredDraw(
        counterLine(own, 'litres', openDays, usualMeterLitres, toDay(asOf), toDay(taken.happenedOn)),
        shareOpen,
      )
    : fedDraw(machines, shareOpen)
  const main = bodyOf(taken).kind === 'cartridge' ? cartridgeStanding : exchangerStanding
  const standings = nearestSetting(histories, 'retired')
    ? []
    : [main(histories, draw, asOf), outletTestStanding(histories, asOf)]
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
