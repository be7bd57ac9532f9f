import type { Entry } from '../ledger/entry.ts'
import { mgLPer } from '../quantity/hardness.ts'
import { type Add, startWorking, type Working } from '../quantity/working.ts'
import { boilerBound } from '../scale/boiler-bound.ts'
import { cartridgeLitres } from '../softener/cartridge.ts'
import { exchangerLitres } from '../softener/exchanger.ts'
import { type BlendRange, blendRange, coffeeTarget, permeateOf } from '../softener/ro-blend.ts'
import { effective, type Histories, type Ledgers } from '../standing/histories.ts'
import { feedWater, type WaterAt, type WaterFacts, waterFacts, waterLines } from '../standing/water/feed-water.ts'
import { takeFigure } from '../standing/water/set-figure.ts'
import { type Saturation, saturation, type TestedWater } from '../water/carbonate.ts'
import { brewC, indexWords, steamC } from '../water/saturation-words.ts'
import {
  blended,
  decarbonised,
  permeated,
  remineralised,
  sodiumExchanged,
  type TreatedWater,
} from '../water/treatment.ts'
import { type WaterWarning, waterWarnings } from '../water/warnings.ts'
import type { BenchQuestion, Sample, WhatIf } from './sample.ts'
import { sampleBodies } from './sample-entries.ts'

/** What one water does. */
export interface WaterDoes {
  water: TestedWater
  brew: Saturation
  steam: Saturation
  /** Most that falls out where carbonic acid escapes, mg/L. */
  boundMgL: number
  /** Chalk that sticks of a thousand litres, g: in a flow heater, in a steam boiler. */
  flowGPer1000L: number
  steamGPer1000L: number
}

/** A sample with everything that follows from it. */
export interface BenchAnswer {
  facts: WaterFacts
  raw: WaterAt
  tap: WaterDoes
  /** The treatment tried; null where none is. */
  treated: (WaterDoes & { sodiumMgL: number }) | null
  /** What a treatment gives before it is renewed. */
  gives: { litres: number; days: number } | null
  blend: BlendRange | null
  warnings: WaterWarning[]
  /** Drops against the pen: hardness the conductivity speaks for, °dH, and how far apart, as a share. */
  check: { dH: number; apart: number } | null
  working: Working
  assumed: boolean
}

/**
 * Reckons a sample exactly as a site's test is reckoned, and what a treatment would make of it.
 *
 * @param around - ledgers a figure of one's own may be set in: firm, site, supply
 */
export function reckonSample(question: BenchQuestion, today: string, around: Ledgers): BenchAnswer {
  const { sample, whatIf, litresPerDay } = question
  const histories = withSample(sample, today, around)
  const facts = waterFacts(histories)
  const feed = feedWater(facts)
  const { lines, add } = startWorking()
  const known = waterLines({ ...facts, treatment: { kind: 'none' } }, feed, add)
  const figures = {
    brew: takeFigure(histories, 'brew-stick'),
    steam: takeFigure(histories, 'steam-stick'),
    wall: takeFigure(histories, 'wall-over'),
  }
  const does = (water: TestedWater): WaterDoes => {
    const boundMgL = boilerBound(water).mgL
    const atWall = saturation(water, brewC + figures.wall.value)
    return {
      water,
      brew: saturation(water, brewC),
      steam: saturation(water, steamC),
      boundMgL,
      flowGPer1000L: atWall.ccppMgL * figures.brew.value,
      steamGPer1000L: boundMgL * figures.steam.value,
    }
  }
  const raw = feed.raw.likely
  const treatedWater = treat(raw, whatIf)
  const tap = does(raw)
  const treated = treatedWater && { ...does(treatedWater), sodiumMgL: treatedWater.sodiumMgL }
  const gives = givesOf(
    whatIf,
    raw,
    litresPerDay,
    takeFigure(histories, 'softener-reserve').value,
    takeFigure(histories, 'hand-capacity').value,
  )
  const answer = treated ?? tap
  const index = add(() => ({
    what: treated ? `Index at ${brewC} °C, treated` : `Index at ${brewC} °C`,
    value: indexWords(answer.brew.si),
    formula: `heated closed from {${known.hardness}}, {${known.carbonate}}, {${known.pH}}, {${known.conductivity}}, {${known.share}}`,
    origin: 'reckoned',
    source: 'extrapolated above 90 °C',
    reference: 'Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46, 1011; Davies 1962',
  }))
  const wall = add(() => figures.wall.line())
  const stick = add(() => figures.brew.line())
  add(() => ({
    what: 'Sticks in a flow heater',
    value: answer.flowGPer1000L,
    unit: 'g per 1,000 L',
    formula: `what must fall out at ${brewC} °C + {${wall}}, as {${index}}, × {${stick}}`,
    origin: 'reckoned',
  }))
  const bound = add(() => ({
    what: 'Can fall out in a steam boiler',
    value: answer.boundMgL,
    unit: 'mg/L CaCO₃',
    formula: `the smaller of calcium and carbonate, {${known.hardness}} × {${known.share}}, {${known.carbonate}}`,
    origin: 'reckoned',
    source: 'carbonic acid escapes; behind a softener magnesium joins above pH 10',
  }))
  const steamStick = add(() => figures.steam.line())
  add(() => ({
    what: 'Sticks in a steam boiler',
    value: answer.steamGPer1000L,
    unit: 'g per 1,000 L',
    formula: `{${bound}} × {${steamStick}}, all of it steamed away`,
    origin: 'reckoned',
  }))
  givesLines(whatIf, gives, litresPerDay, histories, known, add)
  const feedFigures = {
    conductivityUsCm: answer.water.conductivityUsCm,
    ...(sample.chlorideMgL !== undefined && { chlorideMgL: sample.chlorideMgL }),
    ...(sample.silicaMgL !== undefined && { silicaMgL: sample.silicaMgL }),
  }
  return {
    facts,
    raw: feed.raw,
    tap,
    treated,
    gives,
    blend:
      whatIf.kind === 'blend'
        ? blendRange(blendFigures(raw, sample), permeateOf(blendFigures(raw, sample)), coffeeTarget)
        : null,
    warnings: waterWarnings(feedFigures, 'stainless'),
    check: checkOf(sample, raw, takeFigure(histories, 'us-cm-per-dh').value),
    working: { lines, why: whyOf(facts) },
    assumed: feed.assumed,
  }
}

/** The sample as a site's latest tests. */
function withSample(sample: Sample, today: string, { firm, site, supply }: Ledgers): Histories {
  const settings = (entries: Entry[] = []) => entries.filter(({ kind }) => kind === 'setting' || kind === 'withdrawn')
  const tests = sampleBodies(sample)
    .filter(({ about }) => about === 'raw')
    .map(
      ({ jotting }, i): Entry => ({
        id: `ffffffff-ffff-7fff-bfff-${String(i).padStart(12, '0')}`,
        subjectKind: 'site',
        subjectId: 'ffffffff-ffff-7fff-bfff-ffffffffffff',
        ...jotting,
        happenedAt: `${today}T12:00:00Z`,
        happenedOn: today,
      }),
    )
  // What the works print stands in for what was not measured in this sample.
  const printed = (supply ?? []).filter(({ kind }) => kind === 'water-figures')
  return effective({
    site: [...settings(site), ...tests],
    supply: [...settings(supply), ...printed],
    firm: settings(firm),
  })
}

function treat(raw: TestedWater, whatIf: WhatIf): TreatedWater | null {
  switch (whatIf.kind) {
    case 'none':
      return null
    case 'softener':
      return sodiumExchanged(raw, whatIf.outMgL)
    case 'cartridge':
      return decarbonised(raw, whatIf.bypass)
    case 'blend':
      return blended(raw, permeated(raw), whatIf.rawShare)
    case 'minerals':
      return remineralised(permeated(raw), whatIf)
  }
}

const blendFigures = (raw: TestedWater, { chlorideMgL }: Sample) => ({
  hardnessMgL: raw.hardnessMgL,
  alkalinityMgL: raw.alkalinityMgL,
  conductivityUsCm: raw.conductivityUsCm,
  ...(chlorideMgL !== undefined && { chlorideMgL }),
})

function givesOf(
  whatIf: WhatIf,
  raw: TestedWater,
  perDay: number,
  reserve: number,
  capacityGPerL: number,
): BenchAnswer['gives'] {
  const litres =
    whatIf.kind === 'softener' && whatIf.outMgL < raw.hardnessMgL
      ? exchangerLitres(whatIf.resinL, capacityGPerL, reserve, raw.hardnessMgL, whatIf.outMgL)
      : whatIf.kind === 'cartridge'
        ? cartridgeLitres(whatIf.capacityG, (1 - whatIf.bypass) * Math.min(raw.alkalinityMgL, raw.hardnessMgL))
        : null
  return litres === null ? null : { litres, days: perDay > 0 ? litres / perDay : Number.POSITIVE_INFINITY }
}

function givesLines(
  whatIf: WhatIf,
  gives: BenchAnswer['gives'],
  litresPerDay: number,
  histories: Histories,
  known: ReturnType<typeof waterLines>,
  add: Add,
): void {
  if (!gives) return
  let line = 0
  if (whatIf.kind === 'softener') {
    const capacity = add(() => takeFigure(histories, 'hand-capacity').line())
    const reserve = add(() => takeFigure(histories, 'softener-reserve').line())
    line = add(() => ({
      what: 'Litres between regenerations',
      value: gives.litres,
      unit: 'L',
      formula: `${whatIf.resinL} L × {${capacity}} × 1,000 × (1 − {${reserve}}) ÷ ({${known.hardness}} − ${figureOf(whatIf.outMgL)} mg/L)`,
      origin: 'reckoned',
    }))
  }
  if (whatIf.kind === 'cartridge') {
    line = add(() => ({
      what: 'Litres of the cartridge',
      value: gives.litres,
      unit: 'L',
      formula: `${whatIf.capacityG} g × 1,000 ÷ ((1 − ${whatIf.bypass}) × the smaller of {${known.hardness}} and {${known.carbonate}})`,
      origin: 'reckoned',
    }))
  }
  if (Number.isFinite(gives.days))
    add(() => ({
      what: 'Lasts',
      value: gives.days,
      unit: 'days',
      formula: `{${line}} ÷ ${figureOf(litresPerDay)} L a day`,
      origin: 'reckoned',
    }))
}

const figureOf = (value: number) => String(Math.round(value * 10) / 10)

function checkOf(sample: Sample, raw: TestedWater, usCmPerDh: number): BenchAnswer['check'] {
  if (sample.conductivityUsCm === undefined || !sample.total) return null
  const dH = sample.conductivityUsCm / usCmPerDh
  const drops = raw.hardnessMgL / mgLPer.dH
  return { dH, apart: drops > 0 ? dH / drops - 1 : 0 }
}

function whyOf({ known, sample }: WaterFacts): string {
  if (!known.raw && !known.rawCarbonate) return 'Nothing was measured: a middling water stands in. Count the drops.'
  if (!known.rawCarbonate) return 'Carbonate hardness decides what falls out: it is the next test to make.'
  if (!sample.pH) return 'pH was not measured: half a unit moves the index by as much.'
  return 'All of it was measured; the shares that stick are from memory.'
}
