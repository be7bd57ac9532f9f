import { array, object } from 'yup'
import { amount, closure, divisor, localDay, weekdays } from '../parse/fields.ts'
import { fromDay, toDay } from '../quantity/local-day.ts'
import { startWorking } from '../quantity/working.ts'
import { type Bounds, bounds, horizonDays, passageDay } from '../usage/first-passage.ts'
import { judgeReadings } from '../usage/judge-readings.ts'
import { openDays } from '../usage/open-days.ts'
import { meanRate, rateFrom, rateQuantile, sdRate } from '../usage/rate.ts'
import { InputFault, topic } from './topic.ts'

const names = Object.keys(bounds) as (keyof Bounds<unknown>)[]

export const usage = topic({
  name: 'usage',
  about: 'How fast a counter runs per open day, and the day it passes a threshold.',
  schema: object({
    today: localDay().required(),
    readings: array(
      object({ date: localDay().required(), count: amount().required() }).noUnknown().required(),
    ).required(),
    openWeekdays: weekdays().required(),
    closures: array(closure().required()).required(),
    thresholdCount: amount().required(),
    rollover: divisor(),
    priorPerOpenDay: divisor().default(60),
  }).noUnknown(),
  example: {
    today: '2026-11-26',
    readings: [
      { date: '2026-09-02', count: 166_400 },
      { date: '2026-10-07', count: 172_700 },
      { date: '2026-11-18', count: 180_390 },
    ],
    openWeekdays: [1, 2, 3, 4, 5, 6],
    closures: [{ from: '2026-12-24', to: '2027-01-02' }],
    thresholdCount: 190_000,
  },
  reckon(input) {
    const today = toDay(input.today)
    const late = input.readings.findIndex((reading) => reading.date > input.today)
    if (late >= 0) {
      throw new InputFault(`readings[${late}].date`, input.readings[late]!.date, `is after today (${input.today})`)
    }
    const warnings: string[] = []
    const open = openDays(input)
    const readings = input.readings
      .map(({ date, count }, i) => ({ date, day: toDay(date), count, i }))
      .sort((a, b) => a.day - b.day || a.i - b.i)
    for (const { date, count, i } of readings) {
      if (input.rollover !== undefined && count > input.rollover) {
        warnings.push(`readings[${i}].count: ${count} on ${date} is above the rollover ${input.rollover}`)
      }
    }
    const { priorPerOpenDay, rollover } = input
    const judged = judgeReadings(readings, { open, priorPerOpenDay, rollover })
    const rises = judged.rises.map((rise) => ({ ...rise, ageDays: today - rise.toDay }))
    const rate = rateFrom(rises, priorPerOpenDay)
    const ratePerOpenDay = Object.fromEntries(names.map((name) => [name, rateQuantile(rate, bounds[name])]))
    const flags = judged.flags.map(({ index, kind }) => ({ date: readings[index]!.date, kind }))

    const { lines, add } = startWorking()
    add({
      what: 'Readings that count',
      value: judged.kept.length,
      origin: 'measured',
      source: `${flags.length} flagged`,
    })
    const counted = rises.reduce((total, rise) => total + rise.count, 0)
    const days = rises.reduce((total, rise) => total + rise.openDays, 0)
    add({ what: 'Counted between them', value: counted, origin: 'reckoned' })
    add({ what: 'Open days between them', value: days, unit: 'days', origin: 'reckoned' })
    add({ what: 'Prior mean', value: priorPerOpenDay, unit: '/open day', origin: 'default', mark: 'M' })
    add({ what: 'Days scatter, times a Poisson', value: rate.dispersion, origin: 'reckoned' })
    add({
      what: 'Use',
      value: meanRate(rate),
      spread: sdRate(rate),
      unit: '/open day',
      formula: '(1 + w × {2} ÷ {5}) ÷ (1 ÷ {4} + w × {3} ÷ {5}), each interval’s weight w halving every 60 days',
      origin: 'reckoned',
    })

    const last = judged.kept.at(-1)
    const due: Partial<Bounds<string>> = {}
    if (!last) {
      warnings.push('readings: none can be used, so no day can be given')
    } else {
      const toGo = input.thresholdCount - last.count
      add({ what: 'Count to go', value: toGo, formula: 'threshold − last reading', origin: 'reckoned' })
      for (const name of names) {
        const day =
          toGo <= 0 ? today : passageDay(rate, toGo, last.day, open, bounds[name], horizonDays + today - last.day)
        if (day !== null) due[name] = fromDay(Math.max(day, today))
      }
      if (due.p50)
        add({ what: 'Passed on', value: due.p50, formula: 'first passage of {7} at {6}', origin: 'reckoned' })
    }
    return {
      result: { ratePerOpenDay, ...(due.p10 && { due }), flags },
      working: lines,
      ...(warnings.length > 0 && { warnings }),
    }
  },
})
