import type { Body, JottingOf } from '../ledger/entry-kinds.ts'
import { jot } from '../ledger/jot.ts'
import type { Unversioned } from '../ledger/versions.ts'
import type { HardnessTest, Sample } from './sample.ts'

/** A test of a sample, before it is an entry about somebody's water. */
export interface SampleBody {
  /** Of the water as it comes in, or after the softener. */
  about: 'raw' | 'softened'
  jotting: JottingOf<'water-test' | 'water-figures'>
}

/** What a sample is written down as: one body a hardness, one for all that a pen showed. */
export function sampleBodies(sample: Sample): SampleBody[] {
  const bodies: SampleBody[] = []
  const test = (about: 'raw' | 'softened', quantity: 'total' | 'carbonate', of: HardnessTest | undefined) => {
    if (of) bodies.push({ about, jotting: jot('water-test', { point: about, quantity, ...foundBy(of) }) })
  }
  test('raw', 'total', sample.total)
  test('raw', 'carbonate', sample.carbonate)
  const { pH, conductivityUsCm, tempC, chlorideMgL, silicaMgL } = sample
  const pen = {
    ...(pH !== undefined && { pH }),
    ...(tempC !== undefined && { testTempC: tempC }),
    ...(conductivityUsCm !== undefined && { conductivityUsCm }),
    ...(chlorideMgL !== undefined && { chlorideMgL }),
    ...(silicaMgL !== undefined && { silicaMgL }),
  }
  if (Object.keys(pen).length > 0)
    bodies.push({ about: 'raw', jotting: jot('water-figures', { point: 'raw', by: 'pen', ...pen }) })
  test('softened', 'total', sample.after)
  return bodies
}

function foundBy(test: HardnessTest): Omit<Unversioned<Body<'water-test'>>, 'point' | 'quantity'> {
  const { unit } = test
  if (test.by === 'strip') return { method: 'strip', unit, low: test.low, high: test.high }
  if (test.by === 'figure') return { method: 'figure', unit, value: test.value }
  const { drops, perDrop, sampleFactor } = test
  return { method: 'drops', unit, drops, perDrop, ...(sampleFactor && { sampleFactor }) }
}
