import { hardnessSymbol, mgLPer } from '../../quantity/hardness.ts'
import { type Interval, scaled } from '../../quantity/interval.ts'
import type { Add, Line } from '../../quantity/working.ts'
import type { TestedWater } from '../../water/carbonate.ts'
import {
  blended,
  decarbonised,
  type Passing,
  permeated,
  remineralised,
  sodiumExchanged,
} from '../../water/treatment.ts'
import type { Feed } from '../../water/warnings.ts'
import { type Histories, ofKind } from '../histories.ts'
import type { WaterFigure, WaterKnown } from '../standing.ts'
import { type SampleFigure, sampleKnown, waterKnown } from '../water-known.ts'
import { type PassageTest, passageTests } from './passage-tests.ts'
import { type SetFigure, takeFigure } from './set-figure.ts'
import { carbonBefore, type Treatment, treatmentBefore } from './treatment-before.ts'

/** A water as likely, and as soft and as hard as the tests leave open. */
export interface WaterAt {
  likely: TestedWater
  soft: TestedWater
  hard: TestedWater
}

/** The water of a machine: as it arrives, and as it is fed. */
export interface FeedWater {
  raw: WaterAt
  fed: WaterAt
  treatment: Treatment
  /** Share of what only a membrane takes out, chloride and silica, that comes through. */
  ionShare: number
  /** Nobody tested anything: a middling water stands in. */
  assumed: boolean
}

/** Where nobody tested anything: a middling water. mg/L CaCO₃, from memory. */
const middlingMgL: Interval = { low: 8 * mgLPer.dH, value: 17 * mgLPer.dH, high: 26 * mgLPer.dH }

/** Everything about a site's water that does not change with its hardness tests. */
export interface WaterFacts {
  known: WaterKnown
  sample: ReturnType<typeof sampleKnown>
  /** Measured behind the treatment. */
  after: ReturnType<typeof sampleKnown>
  /** Carbon takes the chlorine out. */
  carbon: boolean
  treatment: Treatment
  calciumShare: SetFigure
  carbonateShare: SetFigure
  pH: SetFigure
  temp: SetFigure
  usCmPerDh: SetFigure
  leakage: SetFigure
  /** What the membrane lets through, as last measured or from memory; null without one. */
  passing: PassingFacts | null
}

interface PassingFacts {
  share: Interval
  pH: SetFigure
  /** The measurement, if it was measured. */
  test: PassageTest | null
  line(): Line
}

export function waterFacts(histories: Histories): WaterFacts {
  const take = (id: Parameters<typeof takeFigure>[1]) => takeFigure(histories, id)
  const treatment = treatmentBefore(histories)
  return {
    known: waterKnown(histories),
    sample: sampleKnown(histories, 'raw'),
    after: sampleKnown(histories, 'softened'),
    carbon: treatment.kind !== 'none' && carbonBefore(histories),
    treatment,
    passing: treatment.kind === 'membrane' ? passingFacts(histories) : null,
    calciumShare: take('calcium-share'),
    carbonateShare: take('carbonate-share'),
    pH: take('feed-ph'),
    temp: take('feed-temp'),
    usCmPerDh: take('us-cm-per-dh'),
    leakage: take('softener-leakage'),
  }
}

function passingFacts(histories: Histories): PassingFacts {
  const fitted = (
    ofKind(histories, 'softener', 'membrane-changed').at(-1) ?? ofKind(histories, 'softener', 'commissioned')[0]!
  ).happenedOn
  const test = passageTests(histories).findLast(({ on }) => on >= fitted) ?? null
  const usual = takeFigure(histories, 'permeate-share')
  return {
    share: test?.passage ?? range(usual),
    pH: takeFigure(histories, 'permeate-ph'),
    test,
    line: () =>
      test
        ? {
            what: 'Lets through',
            value: Math.round(test.passage.value * 1000) / 10,
            unit: '% of the feed',
            origin: 'measured',
            source: `conductivity, ${test.on}`,
          }
        : usual.line('Lets through'),
  }
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
    ionShare: ionShareOf(facts),
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
  const { treatment, leakage, passing } = facts
  if (treatment.kind === 'none' || treatment.kind === 'carbon') return raw
  if (treatment.kind === 'exchanger') {
    const out = tests.softened ?? range(leakage)
    return each(raw, (water, of) => sodiumExchanged(water, out[of]))
  }
  return each(raw, (water, of) => {
    const reckoned =
      treatment.kind === 'cartridge'
        ? decarbonised(water, treatment.bypass)
        : throughMembrane(water, treatment, { share: passing!.share[of], pH: passing!.pH.value })
    return {
      ...reckoned,
      ...(tests.softened && { hardnessMgL: Math.min(water.hardnessMgL, tests.softened[of]) }),
      ...(tests.softenedCarbonate && { alkalinityMgL: Math.min(water.alkalinityMgL, tests.softenedCarbonate[of]) }),
    }
  })
}

/** What leaves a membrane, with raw water mixed in and minerals dosed. */
function throughMembrane(raw: TestedWater, treatment: Treatment & { kind: 'membrane' }, passing: Passing): TestedWater {
  const made = permeated(raw, passing)
  const mixed = treatment.rawShare > 0 ? blended(raw, made, treatment.rawShare) : made
  return treatment.dosed ? remineralised(mixed, treatment.dosed) : mixed
}

const ionShareOf = ({ treatment, passing }: WaterFacts): number =>
  treatment.kind === 'membrane' ? treatment.rawShare + (1 - treatment.rawShare) * passing!.share.value : 1

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

/** What is known of the feed besides its hardness, as the machine gets it: measured behind its treatment, or passed on. */
export function fedFigures({ sample, after, carbon }: WaterFacts, { fed, ionShare }: FeedWater): Feed {
  const passed = (['chlorideMgL', 'silicaMgL'] as const).flatMap((name) => {
    const value = after[name]?.value ?? (sample[name] && sample[name].value * ionShare)
    return value === undefined ? [] : [[name, value]]
  })
  const others = (['freeChlorineMgL', 'totalChlorineMgL', 'ironMgL'] as const).flatMap((name) => {
    // What carbon lets through is only known behind it.
    const value = after[name]?.value ?? (carbon && name !== 'ironMgL' ? undefined : sample[name]?.value)
    return value === undefined ? [] : [[name, value]]
  })
  return { conductivityUsCm: fed.likely.conductivityUsCm, ...Object.fromEntries([...passed, ...others]) }
}

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
  if (treatment.kind === 'membrane') {
    const passes = add(() => facts.passing!.line())
    after = add(() => ({
      what: 'After the membrane, carbonate',
      value: water.fed.likely.alkalinityMgL,
      unit,
      ...(known.softenedCarbonate
        ? { origin: 'measured', source: figureSaid(known.softenedCarbonate) }
        : {
            origin: 'reckoned',
            formula: `{${carbonate}} × (${treatment.rawShare} + (1 − ${treatment.rawShare}) × {${passes}})${treatment.dosed ? ` + ${treatment.dosed.bicarbonateMgL} dosed` : ''}`,
          }),
    }))
  }
  return { hardness, carbonate, pH, conductivity, share, after }
}

const figureSaid = (figure: WaterFigure) =>
  figure.assumed
    ? `${figure.said}; regenerated ${figure.on}`
    : `${figure.said}, ${figure.level === 'supply' ? 'the works' : figure.level}, ${figure.on}`

const testLine = (what: string, figure: WaterFigure): Line => ({
  what,
  value: figure.value,
  ...(figure.high > figure.low && { spread: (figure.high - figure.low) / 2 }),
  unit: hardnessSymbol.mgL,
  origin: figure.assumed ? 'default' : 'measured',
  source: figureSaid(figure),
})

const sampleSaid = ({ by, on }: SampleFigure) => `${by === 'works' ? 'the works' : 'measured'}, ${on}`
const sampleLine = (what: string, figure: SampleFigure): Line => ({
  what,
  value: figure.value,
  origin: 'measured',
  source: sampleSaid(figure),
})
