import { number, object } from 'yup'
import { amount, divisor, finite } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { afterFlush, flushEveryDays, steadyFactor } from '../water/concentrate.ts'
import { topic } from './topic.ts'

export const concentrate = topic({
  name: 'concentrate',
  about: 'How many times the feed a steam boiler concentrates, and how often a flush keeps it under a limit.',
  schema: object({
    volumeL: divisor().required(),
    steamLPerDay: amount().required(),
    hotWaterLPerDay: amount().required(),
    limitFactor: finite()
      .test('above_one', 'must be above 1', (value) => value === undefined || value > 1)
      .required(),
    flushFraction: finite()
      .test('share', 'must be above 0 and at most 1', (value) => value === undefined || (value > 0 && value <= 1))
      .required(),
    refills: number().integer().min(1).max(100).default(1),
  }).noUnknown(),
  example: { volumeL: 3.9, steamLPerDay: 3, hotWaterLPerDay: 0.5, limitFactor: 4, flushFraction: 0.7, refills: 1 },
  reckon({ limitFactor, flushFraction, refills, ...boiler }) {
    const { lines, add } = startWorking()
    add({ what: 'Water in the boiler', value: boiler.volumeL, unit: 'L', origin: 'setting' })
    add({ what: 'Steam', value: boiler.steamLPerDay, unit: 'L/day', origin: 'measured' })
    add({ what: 'Drawn hot', value: boiler.hotWaterLPerDay, unit: 'L/day', origin: 'measured' })
    add({ what: 'Most it may be', value: limitFactor, unit: 'times the feed', origin: 'setting' })
    const steady = steadyFactor(boiler)
    add({
      what: 'Settles at',
      value: steady ?? 'no limit',
      ...(steady !== null && { unit: 'times the feed' }),
      formula: steady === null ? 'nothing drawn hot: it grows without limit' : '({2} + {3}) ÷ {3}',
      origin: 'reckoned',
    })
    const fresh = afterFlush(limitFactor, flushFraction, refills)
    add({
      what: 'Just after a flush',
      value: fresh,
      unit: 'times the feed',
      formula: `{4} × (1 − ${flushFraction})^${refills} + 1 − (1 − ${flushFraction})^${refills}`,
      origin: 'reckoned',
    })
    const every = flushEveryDays(boiler, limitFactor, flushFraction, refills)
    add({
      what: 'Flush every',
      value: every ?? 'never needed',
      ...(every !== null && { unit: 'days' }),
      formula: 'from {6} to {4}, as V dC/dt = (S + D)·C(feed) − D·C',
      origin: 'reckoned',
    })
    return {
      result: {
        ...(steady !== null && { steadyFactor: steady }),
        ...(every !== null && { flushEveryDays: every }),
      },
      working: lines,
    }
  },
})
