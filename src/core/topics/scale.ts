import { object, string } from 'yup'
import { amount, divisor, shareBelowOne } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { brewDeposit, steamDeposit, thicknessMm } from '../scale/deposit.ts'
import { InputFault, topic } from './topic.ts'

/** What each vessel needs said of it. */
const wanted = {
  steam: ['steamLPerDay', 'hotWaterLPerDay', 'boundMgL'],
  brew: ['litresPerDay', 'ccppMgL'],
} as const
/** Share that sticks where nobody knows better, from memory. */
const usualStickShare = { steam: 0.6, brew: 0.3 }

export const scale = topic({
  name: 'scale',
  about: 'How much scale a water lays down a day, and how thick it lies after some days.',
  schema: object({
    vessel: string().oneOf(['steam', 'brew']).required(),
    steamLPerDay: amount(),
    hotWaterLPerDay: amount(),
    boundMgL: amount(),
    residualMgL: amount(),
    litresPerDay: amount(),
    ccppMgL: amount(),
    stickShare: amount().max(1),
    wettedAreaCm2: divisor().required(),
    porosity: shareBelowOne().default(0.2),
    days: amount().required(),
  }).noUnknown(),
  together: {
    if: { properties: { vessel: { const: 'steam' } } },
    // biome-ignore lint/suspicious/noThenProperty: a keyword of JSON Schema
    then: { required: wanted.steam, properties: { litresPerDay: false, ccppMgL: false } },
    else: {
      required: wanted.brew,
      properties: { steamLPerDay: false, hotWaterLPerDay: false, boundMgL: false, residualMgL: false },
    },
  },
  example: {
    vessel: 'steam',
    steamLPerDay: 3,
    hotWaterLPerDay: 1,
    boundMgL: 268,
    wettedAreaCm2: 900,
    days: 180,
  },
  reckon(input) {
    const vessel = input.vessel as keyof typeof wanted
    const other = vessel === 'steam' ? 'brew' : 'steam'
    for (const name of wanted[vessel])
      if (input[name] === undefined) throw new InputFault(name, undefined, `is needed for a ${vessel} vessel`)
    for (const name of [...wanted[other], ...(vessel === 'brew' ? (['residualMgL'] as const) : [])])
      if (input[name] !== undefined) throw new InputFault(name, input[name], `says nothing of a ${vessel} vessel`)
    const { lines, add } = startWorking()
    const stickShare = input.stickShare ?? usualStickShare[vessel]
    const memory = { origin: 'default', source: 'from memory', mark: 'M' } as const
    const given = { origin: 'setting' } as const
    const residualMgL = input.residualMgL ?? 30
    const result =
      vessel === 'steam'
        ? steamDeposit(input.steamLPerDay!, input.hotWaterLPerDay!, input.boundMgL!, residualMgL, stickShare)
        : brewDeposit(input.litresPerDay!, input.ccppMgL!, stickShare)
    let fallsOut: string
    if (vessel === 'steam') {
      add({ what: 'Steam', value: input.steamLPerDay!, unit: 'L/day', ...given })
      add({ what: 'Drawn hot', value: input.hotWaterLPerDay!, unit: 'L/day', ...given })
      add({ what: 'Calcium carbonate bound', value: input.boundMgL!, unit: 'mg/L', ...given })
      const kept = input.residualMgL === undefined ? memory : given
      add({ what: 'Still dissolved in what is drawn', value: residualMgL, unit: 'mg/L', ...kept })
      fallsOut = '({1} + {2}) × {3} − {2} × {4}'
    } else {
      add({ what: 'Water', value: input.litresPerDay!, unit: 'L/day', ...given })
      add({ what: 'Chalk that must leave at the wall', value: input.ccppMgL!, unit: 'mg/L', ...given })
      fallsOut = '{1} × {2}'
    }
    const { precipitatedGPerDay, stuckGPerDay } = result
    const out = add({
      what: 'Falls out',
      value: precipitatedGPerDay,
      unit: 'g/day',
      formula: fallsOut,
      origin: 'reckoned',
    })
    const share = add({
      what: 'Share that sticks',
      value: stickShare,
      ...(input.stickShare === undefined ? memory : given),
    })
    const stuck = add({
      what: 'Sticks',
      value: stuckGPerDay,
      unit: 'g/day',
      formula: `{${out}} × {${share}}`,
      origin: 'reckoned',
    })
    const thick = thicknessMm(stuckGPerDay * input.days, input.porosity, input.wettedAreaCm2)
    add({
      what: `Thickness after ${input.days} days`,
      value: thick,
      unit: 'mm',
      formula: `{${stuck}} × ${input.days} ÷ (2.71 g/cm³ × (1 − ${input.porosity}) × ${input.wettedAreaCm2} cm²)`,
      origin: 'reckoned',
    })
    return { result: { precipitatedGPerDay, stuckGPerDay, thicknessMm: thick }, working: lines }
  },
})
