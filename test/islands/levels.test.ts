import { expect } from 'chai'
import { machineLevels, softenerLevels, waterLevels } from '../../src/islands/setting/levels.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'

const site = { id: 's', name: 'Bakery', customer: { id: 'c', name: 'Thistle & Rye' } }
const names = (levels: { level: string; id: string }[]) => levels.map(({ level, id }) => `${level} ${id}`)

describe('where a figure may be set', () => {
  it('is nearest first: the machine, its site, its customer, the firm', () => {
    const bundle = { firmId: 'f', machine: { id: 'm', name: 'Left bar' }, site } as unknown as MachineBundle
    expect(names(machineLevels(bundle))).to.deep.equal(['machine m', 'site s', 'customer c', 'firm f'])
    expect(machineLevels(bundle)[0]!.words).to.equal('this machine, Left bar')
  })

  it('is the softener itself, its site, the firm', () => {
    expect(names(softenerLevels({ id: 'w', name: 'Back room' }, site, 'f'))).to.deep.equal([
      'softener w',
      'site s',
      'firm f',
    ])
  })

  it('is the firm alone for a water of nobody’s', () => {
    expect(names(waterLevels(null, 'f'))).to.deep.equal(['firm f'])
    expect(names(waterLevels(site, 'f'))).to.deep.equal(['site s', 'firm f'])
  })
})
