import type { HardnessUnit } from '../quantity/hardness.ts'

/** One hardness as it was found: drops that turned the colour, a strip's zone, a printed figure. */
export type HardnessTest =
  | { by: 'drops'; drops: number; perDrop: number; unit: HardnessUnit; sampleFactor?: number }
  | { by: 'strip'; low: number; high: number; unit: HardnessUnit }
  | { by: 'figure'; value: number; unit: HardnessUnit }

/** A sample of water as it is in hand; whatever is absent was not measured. */
export interface Sample {
  total?: HardnessTest
  carbonate?: HardnessTest
  /** After the softener or cartridge. */
  after?: HardnessTest
  pH?: number
  conductivityUsCm?: number
  tempC?: number
  chlorideMgL?: number
  silicaMgL?: number
}

/** A treatment tried on a sample. */
export type WhatIf =
  | { kind: 'none' }
  | { kind: 'softener'; outMgL: number; resinL: number }
  | { kind: 'cartridge'; bypass: number; capacityG: number }
  | { kind: 'blend'; rawShare: number }
  | { kind: 'minerals'; calciumMgL: number; magnesiumMgL: number; bicarbonateMgL: number }

/** Everything the water bench is asked. */
export interface BenchQuestion {
  sample: Sample
  whatIf: WhatIf
  litresPerDay: number
}
