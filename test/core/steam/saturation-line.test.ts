import { expect } from 'chai'
import {
  atmosphereBar,
  boilingK,
  boilingMPa,
  steamGaugeBar,
  steamTempC,
} from '../../../src/core/steam/saturation-line.ts'

describe('the saturation line', () => {
  // IAPWS R7-97(2012), table 36: computer-program verification of the backward equation.
  for (const [pressureMPa, kelvin] of [
    [0.1, 372.755919],
    [1, 453.035632],
    [10, 584.149488],
  ] as const)
    it(`boils at ${kelvin} K under ${pressureMPa} MPa`, () => {
      expect(boilingK(pressureMPa)).to.be.closeTo(kelvin, 1e-6)
    })

  // IAPWS R7-97(2012), table 35: the same for the forward equation.
  for (const [kelvin, pressureMPa] of [
    [300, 0.00353658941],
    [500, 2.63889776],
    [600, 12.3443146],
  ] as const)
    it(`needs ${pressureMPa} MPa at ${kelvin} K`, () => {
      expect(boilingMPa(kelvin)).to.be.closeTo(pressureMPa, pressureMPa * 1e-8)
    })

  it('reads a boiler’s gauge as a technician knows it', () => {
    // Common practice, no source: 1 bar is 120 °C.
    expect(steamTempC(1, 0)).to.be.closeTo(120.4, 0.1)
    expect(steamTempC(1.2, 0)).to.be.closeTo(123.4, 0.1)
    expect(steamGaugeBar(steamTempC(1.1, 850), 850)).to.be.closeTo(1.1, 1e-6)
  })

  it('thins the air with height', () => {
    // ISO 2533: 1,013.25 hPa at sea level, 898.76 at 1,000 m, 795.01 at 2,000 m.
    expect(atmosphereBar(0)).to.equal(1.01325)
    expect(atmosphereBar(1000)).to.be.closeTo(0.89876, 0.0001)
    expect(atmosphereBar(2000)).to.be.closeTo(0.79501, 0.0001)
    expect(steamTempC(1, 2000)).to.be.lessThan(steamTempC(1, 0))
  })
})
