import { expect } from 'chai'
import { doseMeasures } from '../../../src/core/standing/dose-measures.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { setting } from './a-history.ts'

const exchanger = (more: object = {}) =>
  setting('softener', '2026-01-05', { setting: 'exchanger', resinL: 8, bypass: 0, ...more })
const salt = (...entries: ReturnType<typeof setting>[]) => doseMeasures(effective({ softener: entries })).salt

describe('what doses are measured with', () => {
  it('salt by the softener’s own litres: a kilogram into eight, common practice', () => {
    const dose = salt(exchanger())!
    expect(dose).to.deep.equal({ resinL: 8, gPerL: 125, isOwn: false })
    expect((dose.resinL * dose.gPerL) / 1000).to.equal(1)
  })

  it('salt as somebody set it for this softener goes before the figure from memory', () => {
    expect(salt(exchanger({ saltGPerL: 150 }))).to.deep.equal({ resinL: 8, gPerL: 150, isOwn: true })
    const figure = setting('softener', '2026-01-06', { setting: 'figure', figure: 'hand-salt', value: 140 })
    expect(salt(exchanger(), figure)).to.deep.equal({ resinL: 8, gPerL: 140, isOwn: true })
  })

  it('no salt is named where no softener is known', () => {
    expect(salt()).to.equal(undefined)
  })
})
