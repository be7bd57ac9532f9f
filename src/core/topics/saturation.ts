import { array, number, object } from 'yup'
import { amount, finite } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { boundWithoutCarbonicAcid, holdsCarbon, saturation as saturationAt } from '../water/carbonate.ts'
import { ionicStrengthOf } from '../water/equilibria.ts'
import { topic } from './topic.ts'

const pHField = () => number().min(0).max(14)

export const saturation = topic({
  name: 'saturation',
  about: 'How far a water holds more chalk than it can, and how much would fall out, at each temperature.',
  schema: object({
    hardnessMgL: amount().required(),
    alkalinityMgL: amount().required(),
    pH: pHField().required(),
    testTempC: finite().min(0).max(100).required(),
    conductivityUsCm: amount().required(),
    calciumShare: amount().max(1).default(0.8),
    atTempsC: array(finite().min(0).max(200).required()).required(),
  }).noUnknown(),
  example: {
    hardnessMgL: 339,
    alkalinityMgL: 268,
    pH: 7.4,
    testTempC: 12,
    conductivityUsCm: 650,
    calciumShare: 0.8,
    atTempsC: [12, 93, 120],
  },
  reckon({ atTempsC, ...water }) {
    const { lines, add } = startWorking()
    const warnings: string[] = []
    add({ what: 'Total hardness', value: water.hardnessMgL, unit: 'mg/L', origin: 'measured' })
    add({ what: 'Carbonate hardness', value: water.alkalinityMgL, unit: 'mg/L', origin: 'measured' })
    add({ what: 'pH as tested', value: water.pH, origin: 'measured', source: `at ${water.testTempC} °C` })
    add({
      what: 'Calcium share of hardness',
      value: water.calciumShare,
      origin: 'default',
      source: 'from memory where calcium is not measured',
      mark: 'M',
    })
    add({
      what: 'Ionic strength',
      value: ionicStrengthOf(water.conductivityUsCm),
      unit: 'mol/L',
      formula: `1.6·10⁻⁵ × ${water.conductivityUsCm} µS/cm`,
      origin: 'reckoned',
      mark: 'P',
      reference: 'Standard Methods 2330',
    })
    if (!holdsCarbon(water)) {
      warnings.push(
        `alkalinityMgL: ${water.alkalinityMgL} with pH ${water.pH} leaves no carbonate: nothing can fall out`,
      )
    }
    const at = atTempsC.map((tempC) => saturationAt(water, tempC))
    for (const { tempC, si, ccppMgL, extrapolated } of at) {
      if (si === undefined) continue
      const beyond = extrapolated ? ', extrapolated above 90 °C' : ''
      const line = add({
        what: `Saturation index at ${tempC} °C`,
        value: si,
        formula: `log(a(Ca) · a(CO₃) ÷ K), heated closed${beyond}`,
        origin: 'reckoned',
        mark: 'P',
        reference: 'Plummer & Busenberg 1982; Davies 1962',
      })
      add({
        what: `Chalk that must leave at ${tempC} °C`,
        value: ccppMgL,
        unit: 'mg/L',
        formula: si > 0 ? `until {${line}} is 0` : `none, {${line}} is not above 0`,
        origin: 'reckoned',
      })
    }
    const steamBoundMgL = boundWithoutCarbonicAcid(water)
    add({
      what: 'Bound in a steam boiler',
      value: steamBoundMgL,
      unit: 'mg/L',
      formula: 'the lesser of {1} × {4} and {2}: the carbonic acid goes with the steam',
      origin: 'reckoned',
    })
    return { result: { at, steamBoundMgL }, working: lines, ...(warnings.length > 0 && { warnings }) }
  },
})
