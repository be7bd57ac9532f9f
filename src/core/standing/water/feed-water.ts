import { bodyOf } from '../../ledger/upcast.ts'
import { hardnessSymbol, mgLPer } from '../../quantity/hardness.ts'
import { type Interval, scaled } from '../../quantity/interval.ts'
import type { Add, Line } from '../../quantity/working.ts'
import type { TestedWater } from '../../water/carbonate.ts'
import { decarbonised, sodiumExchanged } from '../../water/treatment.ts'
import { type Histories, nearestSetting, ofKind } from '../histories.ts'
import type { WaterFigure, WaterKnown } from '../standing.ts'
import { type SampleFigure, sampleKnown, waterKnown } from '../water-known.ts'
import { type SetFigure, takeFigure } from './set-figure.ts'

/** A water as likely, and as soft and as hard as the tests leave open. */
export interface WaterAt {
  likely: TestedWater
  soft: TestedWater
  hard: TestedWater
}

/** What stands between the supply and the machine. */
export type Treatment = { kind: 'none' } | { kind: 'exchanger' } | { kind: 'cartridge'; bypass: number }

/** The water of a machine: as it arrives, and as it is fed. */
export interface FeedWater {
  raw: WaterAt
  fed: WaterAt
  treatment: Treatment
  /** Nobody tested anything: a middling water stands in. */
  assumed: boolean
}

/** Where nobody tested anything: a middling water. mg/L CaCO₃, from memory. */
const middlingMgL: Interval = { low: 8 * mgLPer.dH, value: 17 * mgLPer.dH, high: 26 * mgLPer.dH }

/** Everything about a site's water that does not change with its hardness tests. */
export interface WaterFacts {
  known: WaterKnown
  sample: ReturnType<typeof sampleKnown>
  treatment: Treatment
  calciumShare: SetFigure
  carbonateShare: SetFigure
  pH: SetFigure
  temp: SetFigure
  usCmPerDh: SetFigure
  leakage: SetFigure
}

export function waterFacts(histories: Histories): WaterFacts {
  const take = (id: Parameters<typeof takeFigure>[1]) => takeFigure(histories, id)
  return {
    known: waterKnown(histories),
    sample: sampleKnown(histories, 'raw'),
    treatment: treatmentOf(histories),
    calciumShare: take('calcium-share'),
    carbonateShare: take('carbonate-share'),
    pH: take('feed-ph'),
    temp: take('feed-temp'),
    usCmPerDh: take('us-cm-per-dh'),
    leakage: take('softener-leakage'),
  }
}

/** What stands before a machine, by its softener's own entries. */
export function treatmentOf(histories: Histories): Treatment {
  const taken = ofKind(histories, 'softener', 'commissioned')[0]
  if (!taken) return { kind: 'none' }
  if (bodyOf(taken).kind !== 'cartridge') return { kind: 'exchanger' }
  return { kind: 'cartridge', bypass: nearestSetting(histories, 'cartridge')?.body.bypass ?? 0.3 }
}

/** Tests that count on a day; the latest unless another is given. */
export type Tests = Pick<WaterKnown, 'raw' | 'rawCarbonate' | 'softened' | 'softenedCarbonate'>

/** The machine's water from its facts and the tests that count. */
export function feedWater(facts: WaterFacts, tests: Tests = facts.known): FeedWater {
  const raw = rawWater(facts, tests)
  return {
    raw,
    fed: fedWater(facts, raw, tests),
    treatment: facts.treatment,
    assumed: !tests.raw && !tests.rawCarbonate,
  }
}

function rawWater({ sample, calciumShare, carbonateShare, pH, temp, usCmPerDh }: WaterFacts, tests: Tests): WaterAt {
  const fromCarbonate = tests.rawCarbonate && scaled(tests.rawCarbonate, 1 / carbonateShare.value)
  const hardness: Interval = tests.raw ?? fromCarbonate ?? middlingMgL
  const carbonate: Interval = tests.rawCarbonate ?? scaled(hardness, carbonateShare.value)
  const acid = sample.pH?.value ?? pH.value
  // A pen is read to 0.1; where nobody measured, the bounds are those from memory.
  const pHs = sample.pH
    ? [acid - 0.1, acid + 0.1]
    : [acid * Math.exp(-1.645 * pH.below), acid * Math.exp(1.645 * pH.above)]
  const made = (of: 'low' | 'value' | 'high', atPh: number): TestedWater => ({
    hardnessMgL: hardness[of],
    alkalinityMgL: carbonate[of],
    pH: atPh,
    testTempC: sample.testTempC?.value ?? temp.value,
    conductivityUsCm: sample.conductivityUsCm?.value ?? (hardness.value / mgLPer.dH) * usCmPerDh.value,
    calciumShare: sample.calciumMgL
      ? Math.min(1, sample.calciumMgL.value / Math.max(hardness.value, 1e-9))
      : calciumShare.value,
  })
  return { soft: made('low', pHs[0]!), likely: made('value', acid), hard: made('high', pHs[1]!) }
}

function fedWater(facts: WaterFacts, raw: WaterAt, tests: Tests): WaterAt {
  const { treatment, leakage } = facts
  if (treatment.kind === 'none') return raw
  if (treatment.kind === 'exchanger') {
    const out = tests.softened ?? range(leakage)
    return each(raw, (water, of) => sodiumExchanged(water, out[of]))
  }
  return each(raw, (water, of) => {
    const reckoned = decarbonised(water, treatment.bypass)
    return {
      ...reckoned,
      ...(tests.softened && { hardnessMgL: Math.min(water.hardnessMgL, tests.softened[of]) }),
      ...(tests.softenedCarbonate && { alkalinityMgL: Math.min(water.alkalinityMgL, tests.softenedCarbonate[of]) }),
    }
  })
}

const each = (at: WaterAt, treat: (water: TestedWater, of: 'low' | 'value' | 'high') => TestedWater): WaterAt => ({
  soft: treat(at.soft, 'low'),
  likely: treat(at.likely, 'value'),
  hard: treat(at.hard, 'high'),
})

/** The ends a figure was given with. */
const range = ({ value, below, above }: SetFigure): Interval => ({
  low: value * Math.exp(-1.645 * below),
  value,
  high: value * Math.exp(1.645 * above),
})

/** Lines of the present water, and the numbers of those a reckoning names. */
export function waterLines(facts: WaterFacts, water: FeedWater, add: Add) {
  const { known, sample, treatment } = facts
  const unit = hardnessSymbol.mgL
  const assumed: Line = {
    what: 'Total hardness',
    value: middlingMgL.value,
    unit,
    spread: (middlingMgL.high - middlingMgL.low) / 2,
    origin: 'default',
    source: 'no water test yet: a middling water, from memory',
    mark: 'M',
  }
  const hardness = add(() =>
    known.raw
      ? testLine('Total hardness', known.raw)
      : known.rawCarbonate
        ? { ...assumed, value: water.raw.likely.hardnessMgL, source: 'from carbonate hardness and the usual share' }
        : assumed,
  )
  const carbonate = add(() =>
    known.rawCarbonate
      ? testLine('Carbonate hardness', known.rawCarbonate)
      : {
          ...facts.carbonateShare.line(),
          what: 'Carbonate hardness',
          source: 'not tested: the usual share, from memory',
          value: water.raw.likely.alkalinityMgL,
          unit,
          formula: `{${hardness}} × ${facts.carbonateShare.value}`,
        },
  )
  const pH = add(() => (sample.pH ? sampleLine('pH', sample.pH) : facts.pH.line()))
  const conductivity = add(() =>
    sample.conductivityUsCm
      ? { ...sampleLine('Conductivity', sample.conductivityUsCm), unit: 'µS/cm' }
      : {
          ...facts.usCmPerDh.line(),
          what: 'Conductivity',
          source: 'not measured: as goes with hardness, from memory',
          value: water.raw.likely.conductivityUsCm,
          unit: 'µS/cm',
          formula: `{${hardness}} ÷ ${mgLPer.dH} × ${facts.usCmPerDh.value}`,
        },
  )
  const share = add(() =>
    sample.calciumMgL
      ? {
          what: 'Calcium share',
          value: water.raw.likely.calciumShare,
          origin: 'measured',
          source: sampleSaid(sample.calciumMgL),
        }
      : facts.calciumShare.line('Calcium share'),
  )
  let after = 0
  if (treatment.kind === 'exchanger')
    after = add(() =>
      known.softened ? testLine('After the softener', known.softened) : facts.leakage.line('After the softener'),
    )
  if (treatment.kind === 'cartridge') {
    after = add(() => ({
      what: 'After the cartridge, carbonate',
      value: water.fed.likely.alkalinityMgL,
      unit,
      ...(known.softenedCarbonate
        ? { origin: 'measured', source: figureSaid(known.softenedCarbonate) }
        : {
            origin: 'reckoned',
            formula: `{${carbonate}} − (1 − ${treatment.bypass}) × the smaller of {${hardness}} and {${carbonate}}`,
          }),
    }))
  }
  return { hardness, carbonate, pH, conductivity, share, after }
}

const figureSaid = (figure: WaterFigure) =>
  `${figure.said}, ${figure.level === 'supply' ? 'the works' : figure.level}, ${figure.on}`

const testLine = (what: string, figure: WaterFigure): Line => ({
  what,
  value: figure.value,
  ...(figure.high > figure.low && { spread: (figure.high - figure.low) / 2 }),
  unit: hardnessSymbol.mgL,
  origin: 'measured',
  source: figureSaid(figure),
})

const sampleSaid = ({ by, on }: SampleFigure) => `${by === 'works' ? 'the works' : 'measured'}, ${on}`
const sampleLine = (what: string, figure: SampleFigure): Line => ({
  what,
  value: figure.value,
  origin: 'measured',
  source: sampleSaid(figure),
})
