import { expect } from 'chai'
import { materialOf } from '../../../src/core/standing/fitted-material.ts'
import { entry, ledgers, standingOf, steadyReadings, takenOn } from './a-history.ts'

const materials = ['rubber', 'silicone', 'fibre-filled']

describe('the material a part is reckoned by', () => {
  it('is the one noted, however it is spelled', () => {
    expect(materialOf(materials, 'silicone')).to.deep.equal({ material: 'silicone', unknown: null })
    expect(materialOf(materials, ' Silicone ')).to.deep.equal({ material: 'silicone', unknown: null })
    expect(materialOf(materials, 'Fibre filled')).to.deep.equal({ material: 'fibre-filled', unknown: null })
  })

  it('is the usual one where nothing was noted', () => {
    expect(materialOf(materials, null)).to.deep.equal({ material: 'rubber', unknown: null })
    expect(materialOf([], null)).to.deep.equal({ material: undefined, unknown: null })
  })

  it('is the usual one, and said so, where the kind knows none of that name', () => {
    expect(materialOf(materials, 'blue one')).to.deep.equal({ material: 'rubber', unknown: 'blue one' })
  })

  const machine = [takenOn('c2', '2025-06-02'), ...steadyReadings('2025-06-02', '2026-06-01', 350)]
  const gasket = (variant: string) =>
    standingOf(
      ledgers([...machine, entry('fitted', '2026-02-10', { part: 'group-gasket', group: 1, variant })]),
      'group-gasket@1',
    )

  it('a gasket of an unknown material keeps its date, and its Working says by what it was reckoned', () => {
    const usual = gasket('rubber')
    const unknown = gasket('blue one')
    expect(unknown.due).to.deep.equal(usual.due)
    const line = unknown.working.lines.find(({ value }) => value === 'blue one')
    expect(line?.source).to.match(/reckoned as rubber, the usual one/)
    expect(usual.working.lines.some(({ what }) => /^Material/.test(what))).to.equal(false)
  })

  it('a longer-lived material is due later', () => {
    expect(gasket('Silicone').due!.p50 > gasket('rubber').due!.p50).to.equal(true)
  })
})
