import type { HardnessUnit } from '../../core/quantity/hardness.ts'
import type { HardnessTest, Sample } from '../../core/sample/sample.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { asReckoned, asTyped } from '../../ui/quantity.ts'

/** One hardness as it stands in its fields. */
export interface TypedTest {
  by: HardnessTest['by']
  drops: string
  perDrop: string
  factor: string
  low: string
  high: string
  value: string
  unit: HardnessUnit
}

/** The bench's fields, as typed. */
export interface TypedSample {
  total: TypedTest
  carbonate: TypedTest
  after: TypedTest
  pH: string
  conductivityUsCm: string
  tempC: string
  chlorideMgL: string
  silicaMgL: string
}
export type TestName = 'total' | 'carbonate' | 'after'
export type PenName = Exclude<keyof TypedSample, TestName>

export const number = (text: string): number | null => {
  const value = numberIn(text)
  return value !== null && value >= 0 ? value : null
}

const typedTest = (test: HardnessTest | undefined, unit: HardnessUnit): TypedTest => ({
  by: test?.by ?? 'drops',
  drops: test?.by === 'drops' ? String(test.drops) : '',
  perDrop: test?.by === 'drops' ? String(test.perDrop) : '1',
  factor: test?.by === 'drops' ? String(test.sampleFactor ?? 1) : '1',
  low: test?.by === 'strip' ? String(test.low) : '',
  high: test?.by === 'strip' ? String(test.high) : '',
  value: test?.by === 'figure' ? String(test.value) : '',
  unit: test?.unit ?? unit,
})

/** Fields from what an address carried. */
export const typedSample = (sample: Sample, unit: HardnessUnit): TypedSample => ({
  total: typedTest(sample.total, unit),
  carbonate: typedTest(sample.carbonate, unit),
  after: typedTest(sample.after, unit),
  pH: sample.pH === undefined ? '' : String(sample.pH),
  conductivityUsCm: sample.conductivityUsCm === undefined ? '' : String(sample.conductivityUsCm),
  tempC: sample.tempC === undefined ? '' : asTyped(sample.tempC, '°C'),
  chlorideMgL: sample.chlorideMgL === undefined ? '' : String(sample.chlorideMgL),
  silicaMgL: sample.silicaMgL === undefined ? '' : String(sample.silicaMgL),
})

/** A test that is typed whole; null while a field of it is empty or none. */
export function readTest(test: TypedTest): HardnessTest | null {
  const { unit } = test
  if (test.by === 'drops') {
    const [drops, perDrop, factor] = [number(test.drops), number(test.perDrop), number(test.factor)]
    if (drops === null || !Number.isInteger(drops) || !perDrop || !factor) return null
    return { by: 'drops', drops, perDrop, unit, ...(factor !== 1 && { sampleFactor: factor }) }
  }
  if (test.by === 'strip') {
    const [low, high] = [number(test.low), number(test.high)]
    return low === null || high === null || low > high ? null : { by: 'strip', low, high, unit }
  }
  const value = number(test.value)
  return value === null ? null : { by: 'figure', value, unit }
}

/** What is wrong with a field, in words; null where nothing is. */
export function wrongIn(name: keyof TypedSample, typed: TypedSample): string | null {
  if (name === 'total' || name === 'carbonate' || name === 'after') {
    const test = typed[name]
    const empty = test.by === 'drops' ? !test.drops : test.by === 'strip' ? !test.low && !test.high : !test.value
    if (empty || readTest(test)) return null
    return test.by === 'drops'
      ? 'whole drops, each worth something'
      : test.by === 'strip'
        ? 'from soft to hard'
        : 'is not a number'
  }
  const text = typed[name]
  if (!text.trim()) return null
  const value = number(text)
  if (value === null) return 'is not a number'
  if (name === 'pH' && value > 14) return 'is at most 14'
  return name === 'tempC' && asReckoned(value, '°C') > 100 ? 'boils' : null
}

/** The sample that the fields speak of. */
export function readSample(typed: TypedSample): Sample {
  const sample: Sample = {}
  for (const name of ['total', 'carbonate', 'after'] as const) {
    const test = readTest(typed[name])
    if (test) sample[name] = test
  }
  for (const name of ['pH', 'conductivityUsCm', 'tempC', 'chlorideMgL', 'silicaMgL'] as const) {
    const value = number(typed[name])
    if (value !== null && wrongIn(name, typed) === null)
      sample[name] = name === 'tempC' ? asReckoned(value, '°C') : value
  }
  return sample
}
