import { type HardnessUnit, mgLPer } from '../quantity/hardness.ts'
import type { BenchQuestion, HardnessTest, Sample, WhatIf } from './sample.ts'

/**
 * The water bench's question as an address carries it, so that it can be sent: `gh=19x1dH` is nineteen drops of
 * one °dH each, `gh=19x1dH*2` of a double sample, `gh=4-7dH` a strip's zone, `gh=339mgL` a figure; `kh` is
 * carbonate hardness, `out` after the softener, `ph`, `ec` (µS/cm), `t` (°C), `cl`, `si` (mg/L), `day` the litres a
 * day. `w` names the treatment tried, with its own figures.
 */
export function writeAddress({ sample, whatIf, litresPerDay }: BenchQuestion): string {
  const parts = new URLSearchParams()
  const put = (name: string, value: number | undefined) => value !== undefined && parts.set(name, String(value))
  for (const [name, field] of tests) if (sample[field]) parts.set(name, writeTest(sample[field]))
  for (const [name, field] of numbers) put(name, sample[field])
  put('day', litresPerDay)
  if (whatIf.kind !== 'none') {
    parts.set('w', whatIf.kind)
    for (const [name, field] of whatIfFigures[whatIf.kind])
      put(name, (whatIf as unknown as Record<string, number>)[field])
  }
  return parts.toString()
}

/** Reads such an address; what cannot be read is left out, as if it had not been measured. */
export function readAddress(address: string, usual: Pick<BenchQuestion, 'litresPerDay'>): BenchQuestion {
  const parts = new URLSearchParams(address)
  const sample: Sample = {}
  for (const [name, field] of tests) {
    const test = readTest(parts.get(name) ?? '')
    if (test) sample[field] = test
  }
  for (const [name, field, least, most] of numbers) {
    const value = numberIn(parts.get(name))
    if (value !== null && value >= least && value <= most) sample[field] = value
  }
  const day = numberIn(parts.get('day'))
  return {
    sample,
    whatIf: readWhatIf(parts),
    litresPerDay: day !== null && day >= 0 && day <= 100_000 ? day : usual.litresPerDay,
  }
}

const tests = [
  ['gh', 'total'],
  ['kh', 'carbonate'],
  ['out', 'after'],
] as const

const numbers = [
  ['ph', 'pH', 0, 14],
  ['ec', 'conductivityUsCm', 0, 20_000],
  ['t', 'tempC', 0, 100],
  ['cl', 'chlorideMgL', 0, 20_000],
  ['si', 'silicaMgL', 0, 500],
] as const

/** Each treatment's own figures: name in the address, field, usual, least, most. */
const whatIfFigures = {
  softener: [
    ['leak', 'outMgL', 18, 0, 2000],
    ['resin', 'resinL', 12, 0.1, 1000],
  ],
  cartridge: [
    ['bypass', 'bypass', 0.3, 0, 0.95],
    ['cap', 'capacityG', 500, 1, 100_000],
  ],
  blend: [['raw', 'rawShare', 0.25, 0, 1]],
  minerals: [
    ['ca', 'calciumMgL', 60, 0, 500],
    ['mg', 'magnesiumMgL', 20, 0, 500],
    ['hco', 'bicarbonateMgL', 55, 0, 500],
  ],
} as const

/** A treatment with its usual figures. */
export const usualWhatIf = (kind: WhatIf['kind']): WhatIf => readWhatIf(new URLSearchParams({ w: kind }))

function readWhatIf(parts: URLSearchParams): WhatIf {
  const kind = parts.get('w') ?? 'none'
  if (!Object.hasOwn(whatIfFigures, kind)) return { kind: 'none' }
  const figures = whatIfFigures[kind as keyof typeof whatIfFigures].map(([name, field, usual, least, most]) => {
    const value = numberIn(parts.get(name))
    return [field, value !== null && value >= least && value <= most ? value : usual]
  })
  return { kind, ...Object.fromEntries(figures) } as WhatIf
}

/** @example writeTest({ by: 'drops', drops: 19, perDrop: 1, unit: 'dH' }) // '19x1dH' */
function writeTest(test: HardnessTest): string {
  if (test.by === 'drops')
    return `${test.drops}x${test.perDrop}${test.unit}${test.sampleFactor && test.sampleFactor !== 1 ? `*${test.sampleFactor}` : ''}`
  return test.by === 'strip' ? `${test.low}-${test.high}${test.unit}` : `${test.value}${test.unit}`
}

const decimal = '(\\d{1,7}(?:\\.\\d{1,9})?)'
const unitNames = Object.keys(mgLPer).join('|')
const drops = new RegExp(`^(\\d{1,4})x${decimal}(${unitNames})(?:\\*${decimal})?$`)
const strip = new RegExp(`^${decimal}-${decimal}(${unitNames})$`)
const figure = new RegExp(`^${decimal}(${unitNames})$`)

function readTest(text: string): HardnessTest | null {
  const counted = drops.exec(text)
  if (counted) {
    const [count, perDrop, times] = [Number(counted[1]), Number(counted[2]), Number(counted[4] ?? 1)]
    if (count > 400 || !(perDrop > 0) || !(times > 0)) return null
    const unit = counted[3] as HardnessUnit
    return { by: 'drops', drops: count, perDrop, unit, ...(times !== 1 && { sampleFactor: times }) }
  }
  const zone = strip.exec(text)
  if (zone) {
    const [low, high] = [Number(zone[1]), Number(zone[2])]
    return low <= high ? { by: 'strip', low, high, unit: zone[3] as HardnessUnit } : null
  }
  const said = figure.exec(text)
  return said ? { by: 'figure', value: Number(said[1]), unit: said[2] as HardnessUnit } : null
}

function numberIn(text: string | null): number | null {
  if (text === null || !/^\d{1,7}(\.\d{1,9})?$/.test(text)) return null
  return Number(text)
}
