import { expect } from 'chai'
import { topics } from '../../../src/core/topics/index.ts'

function asked(name: string, input: unknown) {
  return topics.find((topic) => topic.name === name)!.ask(input)
}
// biome-ignore lint/suspicious/noExplicitAny: results are looked at field by field
function result(name: string, input: unknown): any {
  const answer = asked(name, input)
  if (!answer.ok) throw new Error(JSON.stringify(answer.issues))
  return answer.answer.result
}
const blamed = (name: string, input: unknown): string[] => {
  const answer = asked(name, input)
  return answer.ok ? [] : answer.issues.map(({ path }) => path)
}

const hard = { hardnessMgL: 339, alkalinityMgL: 268, pH: 7.4, testTempC: 12, conductivityUsCm: 650 }

describe('topics of the water', () => {
  it('saturation: index and potential at each temperature asked for, and what is carried on beyond the measured', () => {
    const { at, steamBoundMgL } = result('saturation', { ...hard, atTempsC: [12, 93, 120] })
    // The project's own independent calculation of the same equations.
    expect(at.map(({ si }: { si: number }) => Number(si.toFixed(2)))).to.deep.equal([0.29, 1.24, 1.69])
    expect(at[1].ccppMgL).to.be.closeTo(118, 2.4)
    expect(at[2].ccppMgL).to.be.closeTo(156, 3.1)
    expect(at.map(({ extrapolated }: { extrapolated: boolean }) => extrapolated)).to.deep.equal([false, true, true])
    expect(steamBoundMgL).to.equal(268)
    expect(result('saturation', { ...hard, calciumShare: 0.5, atTempsC: [] })).to.deep.equal({
      at: [],
      steamBoundMgL: 169.5,
    })
  })

  it('saturation: leaves out what does not exist, and says why', () => {
    const soft = asked('saturation', { ...hard, alkalinityMgL: 0, pH: 9, atTempsC: [93] })
    expect(soft.ok && soft.answer.warnings).to.have.length(1)
    expect(soft.ok && (soft.answer.result.at as object[])[0]).to.not.have.property('si')
    expect(soft.ok && (soft.answer.result.at as object[])[0]).to.include({ ccppMgL: 0 })
  })

  it('saturation: blames the field that cannot be', () => {
    expect(blamed('saturation', { ...hard, pH: 15, atTempsC: [12] })).to.deep.equal(['pH'])
    expect(blamed('saturation', { ...hard, hardnessMgL: -1, atTempsC: [12] })).to.deep.equal(['hardnessMgL'])
    expect(blamed('saturation', { ...hard, calciumShare: 1.2, atTempsC: [12] })).to.deep.equal(['calciumShare'])
    expect(blamed('saturation', { ...hard, atTempsC: [12, 'hot'] })).to.deep.equal(['atTempsC[1]'])
    expect(blamed('saturation', hard)).to.deep.equal(['atTempsC'])
  })

  it('langelier: the printed example, cold and hot', () => {
    const water = { pH: 7.5, tdsMgL: 320, calciumMgL: 150, alkalinityMgL: 34 }
    expect(result('langelier', { ...water, tempC: 25 }).lsi).to.be.closeTo(-0.7, 0.05)
    expect(result('langelier', { ...water, tempC: 82 }).lsi).to.be.closeTo(0.3, 0.05)
    expect(blamed('langelier', { ...water, tempC: 25, calciumMgL: 0 })).to.deep.equal(['calciumMgL'])
  })

  it('steam: either way round, at any height', () => {
    expect(result('steam', { gaugeBar: 1 }).tempC).to.be.closeTo(120.4, 0.1)
    expect(result('steam', { tempC: 123.4 }).gaugeBar).to.be.closeTo(1.2, 0.01)
    const high = result('steam', { gaugeBar: 1.1, altitudeM: 1500 })
    expect(result('steam', { tempC: high.tempC, altitudeM: 1500 }).gaugeBar).to.be.closeTo(1.1, 1e-9)
    expect(blamed('steam', {})).to.deep.equal(['gaugeBar'])
    expect(blamed('steam', { gaugeBar: 1, tempC: 120 })).to.deep.equal(['gaugeBar'])
    expect(blamed('steam', { gaugeBar: -1.02 })).to.deep.equal(['gaugeBar'])
  })

  it('scale: what a vessel needs said, and nothing of the other', () => {
    const steam = {
      vessel: 'steam',
      steamLPerDay: 3,
      hotWaterLPerDay: 1,
      boundMgL: 268,
      wettedAreaCm2: 2600,
      days: 100,
    }
    const brew = { vessel: 'brew', litresPerDay: 10, ccppMgL: 118, wettedAreaCm2: 250, days: 30 }
    expect(result('scale', steam).precipitatedGPerDay).to.be.closeTo(1.042, 1e-9)
    expect(result('scale', steam).stuckGPerDay).to.be.closeTo(0.6252, 1e-9)
    // 1.18 g a day, three tenths of it for thirty days, on 250 cm² at 0.0217 g per cm² and tenth of a millimetre.
    expect(result('scale', brew).thicknessMm).to.be.closeTo((1.18 * 0.3 * 30) / (250 * 0.2168), 0.001)
    expect(result('scale', { ...brew, days: 0 }).thicknessMm).to.equal(0)
    expect(blamed('scale', { ...steam, boundMgL: undefined })).to.deep.equal(['boundMgL'])
    expect(blamed('scale', { ...brew, boundMgL: 268 })).to.deep.equal(['boundMgL'])
    expect(blamed('scale', { ...brew, residualMgL: 30 })).to.deep.equal(['residualMgL'])
    expect(blamed('scale', { ...brew, wettedAreaCm2: 0 })).to.deep.equal(['wettedAreaCm2'])
  })

  it('descale: acid at the least, and its gas', () => {
    const { acidG, co2G, co2L } = result('descale', { scaleG: 25, acid: 'citric' })
    expect([acidG, co2G, co2L].map((one) => Number(one.toFixed(1)))).to.deep.equal([32, 11, 6])
    expect(result('descale', { scaleG: 0, acid: 'acetic' })).to.deep.equal({ acidG: 0, co2G: 0, co2L: 0 })
    expect(blamed('descale', { scaleG: 25, acid: 'vinegar' })).to.deep.equal(['acid'])
  })

  it('concentrate: what it settles at, and how often a flush keeps it under', () => {
    const boiler = { volumeL: 4, steamLPerDay: 3, hotWaterLPerDay: 1, limitFactor: 3, flushFraction: 0.7 }
    expect(result('concentrate', boiler).steadyFactor).to.equal(4)
    expect(result('concentrate', boiler).flushEveryDays).to.be.closeTo(4 * Math.log((4 - 1.6) / (4 - 3)), 1e-9)
    // Drawing more hot water does the flush's work.
    expect(result('concentrate', { ...boiler, hotWaterLPerDay: 2 })).to.deep.equal({ steadyFactor: 2.5 })
    const closed = result('concentrate', { ...boiler, hotWaterLPerDay: 0 })
    expect(closed).not.to.have.property('steadyFactor')
    expect(closed.flushEveryDays).to.be.closeTo((4 * (3 - 1.6)) / 3, 1e-9)
    expect(blamed('concentrate', { ...boiler, limitFactor: 1 })).to.deep.equal(['limitFactor'])
    expect(blamed('concentrate', { ...boiler, flushFraction: 0 })).to.deep.equal(['flushFraction'])
  })
})
