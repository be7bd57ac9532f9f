import { expect } from 'chai'
import { electricalLimits, electricallyOut, testOutLooks } from '../../../src/core/faults/test-out.ts'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'

const looks = (id: string) => testOutLooks(kindById(id)!).map((look) => look.id)

describe('what is looked at before a machine goes back (common practice, no source)', () => {
  it('every outlet a machine has, and no other', () => {
    expect(looks('c2')).to.include.members(['brew', 'vent', 'hot-water', 'steam', 'fill', 'drain', 'dry'])
    expect(looks('c2')).to.not.include.members(['capsule', 'grinder', 'milk', 'spouts'])
    expect(looks('sr')).to.include.members(['spouts', 'grinder', 'dry'])
    expect(looks('pk')).to.include('capsule').and.not.include('vent')
    expect(looks('gr')).to.deep.equal(['complaint', 'grinder', 'electrical'])
    const dn = withOptions(kindById('dn')!, new Map())
    expect(testOutLooks(dn).map(({ id }) => id)).to.not.include('vent')
  })

  it('of every kind first the complaint, last electrical safety, nothing twice', () => {
    for (const kind of kinds) {
      const ids = looks(kind.id)
      expect(ids[0]).to.equal('complaint')
      expect(ids.at(-1)).to.equal('electrical')
      expect(new Set(ids).size, kind.id).to.equal(ids.length)
    }
  })

  it('says what may hurt where hot water, steam or pressure is tried', () => {
    for (const kind of kinds)
      for (const { id, caution } of testOutLooks(kind))
        if (['brew', 'vent', 'hot-water', 'steam'].includes(id)) expect(caution, `${kind.id} ${id}`).to.be.a('string')
  })
})

describe('electrical safety', () => {
  const sr = electricalLimits(kindById('sr')!)

  it('0.3 Ω to the case, 3.5 mA in the earth lead, 0.5 mA to the touch (common practice, no source)', () => {
    expect(sr.find(({ id }) => id === 'earthOhm')).to.include({ most: 0.3, unit: 'Ω' })
    expect(sr.find(({ id }) => id === 'protectiveMA')).to.include({ most: 3.5, unit: 'mA' })
    expect(sr.find(({ id }) => id === 'touchMA')).to.include({ most: 0.5 })
  })

  it('1 MΩ in service (from memory), and so it is marked', () => {
    expect(sr.find(({ id }) => id === 'insulationMOhm')).to.include({ least: 1, mark: 'M' })
  })

  it('a milliampere for each kilowatt where the heaters are larger than 3.5 kW', () => {
    const heaterW = (id: string) => kindById(id)!.vessels.reduce((sum, vessel) => sum + (vessel.heaterW ?? 0), 0)
    for (const { id } of kinds) {
      const most = electricalLimits(kindById(id)!).find((one) => one.id === 'protectiveMA')!.most!
      expect(most, id).to.equal(Math.max(3.5, heaterW(id) / 1000))
    }
  })

  it('tells what is out, at the limit not', () => {
    const out = (measured: Parameters<typeof electricallyOut>[1]) => electricallyOut(sr, measured).map(({ id }) => id)
    expect(out({ earthOhm: 0.3, insulationMOhm: 1, protectiveMA: 3.5, touchMA: 0.5 })).to.deep.equal([])
    expect(out({ earthOhm: 0.31 })).to.deep.equal(['earthOhm'])
    expect(out({ insulationMOhm: 0.9, touchMA: 2 })).to.deep.equal(['insulationMOhm', 'touchMA'])
    expect(out({})).to.deep.equal([])
  })
})
