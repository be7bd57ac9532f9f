import { effective } from '../../../core/standing/histories.ts'
import { type MachineFacts, machineFacts } from '../../../core/standing/machine-facts.ts'
import { type WaterStretch, waterAlong } from '../../../core/standing/water/along-path.ts'
import { type BoilerConcentrate, boilerConcentrate } from '../../../core/standing/water/boiler-concentrate.ts'
import { type MachineChalk, machineChalk } from '../../../core/standing/water/machine-chalk.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'

/** Everything the water lens shows of a machine. */
export interface MachineWater {
  facts: MachineFacts
  chalk: MachineChalk
  kept: BoilerConcentrate | null
  stretches: WaterStretch[]
}

/** A machine's water, reckoned from its ledgers; null before it is taken on, or where it heats none. */
export function waterOf(bundle: MachineBundle): MachineWater | null {
  const known = reckoned.get(bundle)
  if (known !== undefined) return known
  const facts = machineFacts(effective(bundle.ledgers))
  const chalk = facts && machineChalk(facts)
  const kept = chalk && boilerConcentrate(facts, chalk)
  const water = chalk && {
    facts,
    chalk,
    kept,
    stretches: waterAlong(facts.kind, chalk, kept, bundle.softener !== null),
  }
  reckoned.set(bundle, water)
  return water
}

/** The drawing and what hangs below it ask for the same. */
const reckoned = new WeakMap<MachineBundle, MachineWater | null>()
