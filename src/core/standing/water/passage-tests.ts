import { mgLPer } from '../../quantity/hardness.ts'
import { exactly, type Interval, scaled } from '../../quantity/interval.ts'
import { type LocalDay, toDay } from '../../quantity/local-day.ts'
import { behindBlend, passageOf, penReading } from '../../softener/membrane.ts'
import { type Histories, type Level, ofKind } from '../histories.ts'
import { testsOf } from '../water-known.ts'
import { takeFigure } from './set-figure.ts'
import { treatmentBefore } from './treatment-before.ts'

/** What a membrane let through on a day. */
export interface PassageTest {
  on: LocalDay
  passage: Interval
  /** µS/cm */
  feedUsCm: number
  behindUsCm: number
  /** Measured behind the membrane itself, or told from the blend. */
  fromBlend: boolean
  /** The feed was measured too; else it goes by its hardness. */
  feedMeasured: boolean
}

/** Every measured passage of a site's membrane, in order. */
export function passageTests(histories: Histories): PassageTest[] {
  const treatment = treatmentBefore(histories)
  if (treatment.kind !== 'membrane') return []
  return ofKind(histories, 'softener', 'water-figures').flatMap((sample): PassageTest[] => {
    const { point, conductivityUsCm } = sample.body
    // What is dosed conducts as well: behind it the blend tells nothing.
    if (conductivityUsCm === undefined || point === 'raw' || (point === 'softened' && treatment.dosed)) return []
    const feed = feedOn(histories, sample.happenedOn)
    if (!feed) return []
    const read = penReading(conductivityUsCm)
    const behind = point === 'permeate' ? read : behindBlend(read, feed.usCm, treatment.rawShare)
    const passage = passageOf(behind, feed.usCm)
    if (!passage) return []
    return [
      {
        on: sample.happenedOn,
        passage,
        feedUsCm: feed.usCm.value,
        behindUsCm: behind.value,
        fromBlend: point !== 'permeate',
        feedMeasured: feed.measured,
      },
    ]
  })
}

/** Conductivity of the raw water on a day: by pen where it was measured, else as goes with its hardness. */
function feedOn(histories: Histories, on: LocalDay): { usCm: Interval; measured: boolean } | null {
  for (const level of ['softener', 'site', 'supply'] satisfies Level[]) {
    const read = ofKind(histories, level, 'water-figures').filter(
      (sample) => sample.body.point === 'raw' && sample.body.conductivityUsCm !== undefined,
    )
    const nearest = read.findLast((sample) => sample.happenedOn <= on) ?? read[0]
    if (nearest) return { usCm: penReading(nearest.body.conductivityUsCm!), measured: true }
  }
  for (const level of ['site', 'supply'] satisfies Level[]) {
    const tests = testsOf(histories, level, 'raw', 'total')
    const nearest = tests.findLast((test) => toDay(test.on) <= toDay(on)) ?? tests[0]
    if (nearest) {
      const perDh = takeFigure(histories, 'us-cm-per-dh')
      return { usCm: scaled(exactly(nearest.value / mgLPer.dH), perDh.value), measured: false }
    }
  }
  return null
}
