import { object } from 'yup'
import { amount, divisor, shareBelowOne } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { cartridgeLitres, hardnessBehindCartridge } from '../softener/cartridge.ts'
import { topic } from './topic.ts'

export const cartridge = topic({
  name: 'cartridge',
  about: 'Litres and days of a weak-acid (decarbonising) cartridge with bypass, and the water it makes.',
  schema: object({
    capacityG: divisor().required(),
    rawAlkalinityMgL: amount().required(),
    rawHardnessMgL: amount(),
    bypass: shareBelowOne().required(),
    litresPerDay: divisor().required(),
  }).noUnknown(),
  example: { capacityG: 500, rawAlkalinityMgL: 268, rawHardnessMgL: 339, bypass: 0.3, litresPerDay: 46 },
  reckon({ capacityG, rawAlkalinityMgL, rawHardnessMgL, bypass, litresPerDay }) {
    const water = hardnessBehindCartridge(rawAlkalinityMgL, rawHardnessMgL, bypass)
    const litres = cartridgeLitres(capacityG, water.removedMgL)
    const warnings: string[] = []
    if (rawHardnessMgL === undefined)
      warnings.push('rawHardnessMgL: not given, so alkalinity alone sets what is removed')
    if (bypass < 0.2) warnings.push('bypass: below 0.2 the water left behind attacks brass (from memory)')
    const { lines, add } = startWorking()
    add({ what: 'Capacity', value: capacityG, unit: 'g CaCO₃', origin: 'setting' })
    add({ what: 'Carbonate hardness in', value: rawAlkalinityMgL, unit: 'mg/L', origin: 'measured' })
    add({
      what: 'Total hardness in',
      value: rawHardnessMgL ?? 'not measured',
      unit: rawHardnessMgL === undefined ? undefined : 'mg/L',
      origin: 'measured',
    })
    add({ what: 'Bypass', value: bypass, origin: 'setting' })
    add({
      what: 'Taken out',
      value: water.removedMgL,
      unit: 'mg/L',
      formula: rawHardnessMgL === undefined ? '(1 − {4}) × {2}' : '(1 − {4}) × the smaller of {2} and {3}',
      origin: 'reckoned',
    })
    const { outAlkalinityMgL, outHardnessMgL } = water
    const result: Record<string, number> = {
      outAlkalinityMgL,
      ...(outHardnessMgL !== undefined && { outHardnessMgL }),
    }
    add({
      what: 'Carbonate hardness out',
      value: outAlkalinityMgL,
      unit: 'mg/L',
      formula: '{2} − {5}',
      origin: 'reckoned',
    })
    if (litres === null) {
      warnings.push('rawAlkalinityMgL: this water holds nothing the resin takes out, so it is never spent by litres')
    } else {
      const from = add({
        what: 'Lasts',
        value: litres,
        unit: 'L',
        formula: '{1} × 1,000 ÷ {5}',
        origin: 'reckoned',
      })
      const draw = add({ what: 'Draw', value: litresPerDay, unit: 'L/day', origin: 'measured' })
      result.litres = litres
      result.days = litres / litresPerDay
      add({
        what: 'Lasts',
        value: result.days,
        unit: 'days',
        formula: `{${from}} ÷ {${draw}}`,
        origin: 'reckoned',
      })
    }
    return { result, working: lines, ...(warnings.length > 0 && { warnings }) }
  },
})
