import { array, boolean, object } from 'yup'
import { kaplanMeier } from '../lifetimes/kaplan-meier.ts'
import { fitWeibull } from '../lifetimes/weibull.ts'
import { divisor } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { InputFault, topic } from './topic.ts'

export const lifetimes = topic({
  name: 'lifetimes',
  about: 'How long parts last: the share that lasts longer, and a Weibull curve, with those still going.',
  schema: object({
    times: array(divisor().required()).required().min(1).max(100_000),
    failed: array(boolean().required()).required().min(1).max(100_000),
  }).noUnknown(),
  example: { times: [6, 6, 6, 6, 7, 9, 10], failed: [true, true, true, false, true, false, true] },
  reckon({ times, failed }) {
    if (times.length !== failed.length)
      throw new InputFault('failed', failed.length, `must be as many as times (${times.length})`)
    const lives = times.map((time, i) => ({ time, failed: failed[i]! }))
    const { lines, add } = startWorking()
    const count = add({ what: 'Lives', value: lives.length, origin: 'measured' })
    const failures = add({ what: 'Failed', value: lives.filter((life) => life.failed).length, origin: 'measured' })
    const steps = kaplanMeier(lives)
    add({
      what: 'Last longer than the last failure',
      value: steps.at(-1)?.survival ?? 1,
      formula: `product over the failures of 1 − failed ÷ at risk, from {${count}}`,
      origin: 'reckoned',
      reference: 'Kaplan & Meier 1958, J. Am. Stat. Assoc. 53, 457',
    })
    const fitted = fitWeibull(lives)
    if (fitted.fit) {
      const { shape, scale, logLik } = fitted.fit
      const shapeLine = add({
        what: 'Shape',
        value: shape,
        formula: `where the likelihood of {${count}} lives, {${failures}} failed, is level`,
        origin: 'reckoned',
      })
      add({
        what: 'Scale',
        value: scale,
        formula: `(Σ tᵏ ÷ {${failures}})^(1/k), k = {${shapeLine}}`,
        origin: 'reckoned',
      })
      add({ what: 'Log-likelihood', value: logLik, origin: 'reckoned' })
    }
    return {
      result: {
        km: steps.map(({ t, survival }) => ({ t, survival })),
        ...(fitted.fit
          ? { weibull: { shape: fitted.fit.shape, scale: fitted.fit.scale, logLik: fitted.fit.logLik } }
          : { weibullReason: fitted.reason }),
      },
      working: lines,
    }
  },
})
