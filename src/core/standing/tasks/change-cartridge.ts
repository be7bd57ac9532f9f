import { hardnessSymbol } from '../../quantity/hardness.ts'
import { type Interval, scaled } from '../../quantity/interval.ts'
import { toDay } from '../../quantity/local-day.ts'
import { atChance } from '../../quantity/spread.ts'
import { type Add, startWorking } from '../../quantity/working.ts'
import { cartridgeLitres, cartridgeMonths, hardnessBehindCartridge } from '../../softener/cartridge.ts'
import { capacitySd, learnedCapacity } from '../../softener/learned-capacity.ts'
import { type Histories, nearestSetting, ofKind, ownPolicy } from '../histories.ts'
import { policyOf } from '../machine-facts.ts'
import { ageClock } from '../softener-age.ts'
import { type Draw, litresClock } from '../softener-draw.ts'
import type { Standing } from '../standing.ts'
import type { RunningClock } from '../task-clocks.ts'
import { finish } from '../task-standing.ts'
import { cartridgeTests } from '../water/outlet-tests.ts'
import { policyFigure, takeFigure } from '../water/set-figure.ts'
import { waterKnown } from '../water-known.ts'
import { daysOf, type SoftenerTask } from './raised-task.ts'

/**
 * What the cartridge in use holds by its print, and what its own tests made of that. One cartridge is one litre of
 * resin here: grams a cartridge.
 *
 * @returns null where nobody said how much it holds
 */
export function cartridgeCapacity(histories: Histories, draw: Draw) {
  const set = nearestSetting(histories, 'cartridge')
  if (!set) return null
  const done = ofKind(histories, 'softener', 'cartridge-changed').at(-1)
  const fittedG = done?.body.capacityG
  const capacityG = fittedG ?? set.body.capacityG
  return {
    fittedG,
    capacityG,
    learned: learnedCapacity(capacityG, 1, cartridgeTests(histories, draw, set.body.bypass)),
  }
}

/**
 * When a weak-acid cartridge must be changed: by the litres its grams give at this carbonate hardness, or
 * by the calendar, twelve months at most.
 *
 * @returns null where nobody said how much it holds
 */
function cartridgeStanding(histories: Histories, draw: Draw, asOf: string, showWorking: boolean): Standing | null {
  const set = nearestSetting(histories, 'cartridge')
  if (!set) return null
  const done = ofKind(histories, 'softener', 'cartridge-changed').at(-1)
  const since = (done ?? ofKind(histories, 'softener', 'commissioned')[0])!.happenedOn
  const asOfDay = toDay(asOf)
  const policy = policyOf(ownPolicy(histories, 'change-cartridge')).value
  const working = startWorking(showWorking)
  const { add } = working
  const running: RunningClock[] = []

  const { fittedG, capacityG, learned } = cartridgeCapacity(histories, draw)!
  const capacityLine = add(() => ({
    what: 'Capacity',
    value: capacityG,
    unit: 'g CaCO₃',
    origin: 'setting',
    source: fittedG ? 'of the cartridge fitted' : `set for this ${set.level}`,
  }))
  const spentTests = learned.tests.filter(({ spent }) => spent).length
  const ownLine =
    learned.tests.length === 0
      ? capacityLine
      : add(() => ({
          what: 'As its outlet showed',
          value: learned.value,
          spread: (learned.value * (learned.below + learned.above)) / 2,
          unit: 'g CaCO₃',
          formula: `{${capacityLine}}, log sd ${capacitySd}, given the tests`,
          origin: 'reckoned',
          source: `${learned.tests.length} ${learned.tests.length === 1 ? 'test' : 'tests'} of carbonate hardness, ${spentTests === 0 ? 'none' : spentTests} found it spent`,
        }))
  const bypassLine = add(() => ({ what: 'Bypass', value: set.body.bypass, origin: 'setting' }))
  const carbonate = carbonateIn(histories, add)
  if (carbonate) {
    const hardness = waterKnown(histories).raw?.value
    const litresOf = (mgL: number, grams = learned.value) =>
      cartridgeLitres(grams, hardnessBehindCartridge(mgL, hardness, set.body.bypass).removedMgL)
    const likely = litresOf(carbonate.value)
    // A figure printed on a cartridge is taken as it stands until its own tests speak.
    const grams = (chance: number) => (learned.tests.length === 0 ? learned.value : atChance(learned, chance))
    if (likely !== null) {
      // Harder water spends it sooner: the bounds cross over.
      const gives: Interval = {
        low: litresOf(carbonate.high, grams(0.1)) ?? likely,
        value: likely,
        high: litresOf(carbonate.low, grams(0.9)) ?? likely,
      }
      const givesLine = add(() => ({
        what: 'Gives',
        value: likely,
        spread: (gives.high - gives.low) / 2,
        unit: 'L',
        formula: `{${ownLine}} × 1,000 ÷ ((1 − {${bypassLine}}) × {${carbonate.line}})`,
        origin: 'reckoned',
      }))
      const how = done ? 'changed' : 'taken on'
      running.push(litresClock({ draw, start: toDay(since), since, how, asOf, asOfDay, gives, givesLine }, add))
    }
  }
  const cap = policyFigure(
    histories,
    'cartridge-months',
    cartridgeMonths[policy],
    'whatever the litres, common practice',
  )
  running.push(ageClock(since, asOfDay, cap, 'At the latest after', add))
  const head = {
    key: 'change-cartridge',
    task: 'change-cartridge',
    name: 'Change cartridge',
    action: 'change' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 15,
  }
  return finish(head, running, working, asOf)
}

/** Carbonate hardness of the raw water, tested or as the usual share of the total; null for an unknown water. */
function carbonateIn(histories: Histories, add: Add): (Interval & { line: number }) | null {
  const { raw, rawCarbonate } = waterKnown(histories)
  const what = 'Carbonate hardness in'
  const unit = hardnessSymbol.mgL
  if (rawCarbonate) {
    const { said, on, value } = rawCarbonate
    return { ...rawCarbonate, line: add(() => ({ what, value, unit, origin: 'measured', source: `${said}, ${on}` })) }
  }
  if (!raw) return null
  const share = takeFigure(histories, 'carbonate-share')
  const usual = scaled(raw, share.value)
  const source = `${share.value} of the total (${raw.said})`
  return {
    ...usual,
    line: add(() => ({
      ...share.line(what),
      value: usual.value,
      unit,
      source: `${source}, ${share.level === 'catalogue' ? 'from memory' : `set for this ${share.level}`}`,
    })),
  }
}

export const changeCartridge: SoftenerTask = {
  id: 'change-cartridge',
  searchNames: ['change cartridge'],
  about: 'softener',
  written: () => ({ kind: 'cartridge-changed', body: {} }),
  rail: { name: 'Change cartridge', doneOn: (histories) => daysOf(ofKind(histories, 'softener', 'cartridge-changed')) },
  renewal: {
    name: 'Cartridge changed',
    amount: { label: 'The new one holds', unit: 'g CaCO₃', field: 'capacityG', usual: 'capacityG' },
    of: ({ kind }) => kind === 'cartridge',
  },
  standing: ({ kind, histories, draw, asOf }, showWorking) =>
    kind === 'cartridge' ? cartridgeStanding(histories, draw, asOf, showWorking) : null,
}
