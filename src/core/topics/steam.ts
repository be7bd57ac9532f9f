import { object } from 'yup'
import { finite } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { atmosphereBar, steamGaugeBar, steamTempC } from '../steam/saturation-line.ts'
import { InputFault, topic } from './topic.ts'

export const steam = topic({
  name: 'steam',
  about: 'Temperature in a boiler under steam from its gauge, or the gauge from the temperature.',
  schema: object({
    gaugeBar: finite().max(200),
    tempC: finite().min(0.01).max(370),
    altitudeM: finite().min(-430).max(6000).default(0),
  }).noUnknown(),
  together: { oneOf: [{ required: ['gaugeBar'] }, { required: ['tempC'] }] },
  example: { gaugeBar: 1.2, altitudeM: 0 },
  reckon({ gaugeBar, tempC, altitudeM }) {
    if ((gaugeBar === undefined) === (tempC === undefined)) {
      throw new InputFault('gaugeBar', gaugeBar, 'give gaugeBar or tempC, one of the two')
    }
    const air = atmosphereBar(altitudeM)
    // Below the triple point there is no water to boil.
    if (gaugeBar !== undefined && gaugeBar + air < 0.00612) {
      throw new InputFault('gaugeBar', gaugeBar, `leaves no pressure at ${altitudeM} m: the air there has ${air} bar`)
    }
    const { lines, add } = startWorking()
    add({
      what: 'Air pressure',
      value: air,
      unit: 'bar',
      formula: `standard atmosphere at ${altitudeM} m`,
      origin: 'reckoned',
      mark: 'P',
      reference: 'ISO 2533',
    })
    const bar = gaugeBar ?? steamGaugeBar(tempC!, altitudeM)
    const celsius = tempC ?? steamTempC(gaugeBar!, altitudeM)
    const reference = 'IAPWS R7-97(2012), region 4'
    if (gaugeBar !== undefined) {
      add({ what: 'Gauge', value: bar, unit: 'bar', origin: 'measured' })
      add({
        what: 'Boils at',
        value: celsius,
        unit: '°C',
        formula: 'saturation line at {1} + {2}',
        origin: 'reckoned',
        mark: 'P',
        reference,
      })
    } else {
      add({ what: 'Temperature', value: celsius, unit: '°C', origin: 'measured' })
      add({
        what: 'Gauge',
        value: bar,
        unit: 'bar',
        formula: 'saturation line at {2} − {1}',
        origin: 'reckoned',
        mark: 'P',
        reference,
      })
    }
    return { result: { gaugeBar: bar, tempC: celsius }, working: lines }
  },
})
