import { kaplanMeier, type SurvivalStep } from './kaplan-meier.ts'
import type { Lifetime } from './lifetime.ts'
import { ageAt, catalogueFailures, fitWeibull, ofCatalogue, pseudoFailures, type Weibull } from './weibull.ts'

/** What a firm's own parts say of how long they last, beside what the catalogue says. */
export interface LearnedLife {
  failures: number
  /** Changed while good, or still in. */
  censored: number
  steps: SurvivalStep[]
  catalogue: Weibull & { usualLife: number }
  /** Of the firm's own lives alone; null with the reason where they do not give one. */
  own: Weibull | null
  ownReason?: string
  /** Own lives and the catalogue's pseudo-failures together. */
  together: Weibull
  /** How much of it is the firm's own: its failures over all. */
  ownShare: number
  /** The age by which a fifth has failed, as a catalogue's usual life is read: likely, and eight times in ten. */
  usualLife: { low: number; value: number; high: number }
}

const usualFailed = 0.2
const eightInTen = 1.2816

/**
 * The firm's own lives with the catalogue as so many failures that it has not seen: with few of its own the
 * catalogue speaks, with many they do.
 *
 * @param usualLife - of the catalogue, in the unit of the lives
 */
export function learnedLife(lives: Lifetime[], usualLife: number, shape: number): LearnedLife {
  const catalogue = ofCatalogue(usualLife, shape)
  const failures = lives.filter(({ failed }) => failed).length
  const alone = lives.length > 0 ? fitWeibull(lives) : { fit: null, reason: 'nothing of yours is on record yet' }
  const { fit } = fitWeibull([...lives, ...pseudoFailures(catalogue)])
  const together = fit ?? { ...catalogue, sd: { logShape: 0.4, logScale: 0.2, correlation: 0 } }
  const value = ageAt(together, usualFailed)
  // The delta method on ln t = ln scale + ln(−ln 0.8) ÷ shape.
  const c = Math.log(-Math.log(1 - usualFailed)) / together.shape
  const { logShape, logScale, correlation } = together.sd
  const sd = Math.sqrt(Math.max(0, (c * logShape) ** 2 + logScale ** 2 - 2 * c * correlation * logShape * logScale))
  return {
    failures,
    censored: lives.length - failures,
    steps: kaplanMeier(lives),
    catalogue: { ...catalogue, usualLife },
    own: alone.fit && { shape: alone.fit.shape, scale: alone.fit.scale },
    ...(!alone.fit && { ownReason: alone.reason }),
    together: { shape: together.shape, scale: together.scale },
    ownShare: failures / (failures + catalogueFailures),
    usualLife: { low: value * Math.exp(-eightInTen * sd), value, high: value * Math.exp(eightInTen * sd) },
  }
}
