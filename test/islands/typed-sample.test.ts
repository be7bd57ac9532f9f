import { expect } from 'chai'
import type { Sample } from '../../src/core/sample/sample.ts'
import { readSample, readTest, typedSample, wrongIn } from '../../src/islands/water/typed-sample.ts'

const blank = typedSample({}, 'dH')
const total = (part: Partial<(typeof blank)['total']>) => ({ ...blank, total: { ...blank.total, ...part } })

describe('what is typed on the water bench', () => {
  it('is nothing at first, in the firm’s unit', () => {
    expect(readSample(blank)).to.deep.equal({})
    expect(blank.total).to.include({ by: 'drops', perDrop: '1', unit: 'dH' })
    expect(typedSample({}, 'gpg').carbonate.unit).to.equal('gpg')
    for (const name of Object.keys(blank) as (keyof typeof blank)[]) expect(wrongIn(name, blank), name).to.equal(null)
  })

  it('comes back from an address as it was typed', () => {
    const sample: Sample = {
      total: { by: 'drops', drops: 19, perDrop: 0.5, unit: 'fH', sampleFactor: 2 },
      carbonate: { by: 'strip', low: 4, high: 7, unit: 'dH' },
      after: { by: 'figure', value: 35.7, unit: 'mgL' },
      pH: 7.6,
      conductivityUsCm: 640,
      tempC: 14,
      chlorideMgL: 24,
      silicaMgL: 8,
    }
    expect(readSample(typedSample(sample, 'dH'))).to.deep.equal(sample)
  })

  it('takes a comma for a point', () => {
    expect(readSample({ ...blank, pH: '7,4', conductivityUsCm: ' 640 ' })).to.deep.equal({
      pH: 7.4,
      conductivityUsCm: 640,
    })
    expect(readSample(total({ by: 'figure', value: '19,5' })).total).to.include({ value: 19.5 })
  })

  for (const [name, part, why] of [
    ['half a drop', { drops: '4.5' }, 'whole drops, each worth something'],
    ['a drop worth nothing', { drops: '4', perDrop: '0' }, 'whole drops, each worth something'],
    ['a zone the wrong way round', { by: 'strip', low: '9', high: '7' }, 'from soft to hard'],
    ['half a zone', { by: 'strip', low: '9', high: '' }, 'from soft to hard'],
    ['words for a figure', { by: 'figure', value: 'hard' }, 'is not a number'],
  ] as const)
    it(`says what is wrong with ${name}, and leaves it out`, () => {
      const typed = total(part)
      expect(wrongIn('total', typed)).to.equal(why)
      expect(readTest(typed.total)).to.equal(null)
      expect(readSample(typed)).to.deep.equal({})
    })

  for (const [name, text, why] of [
    ['pH', '15', 'is at most 14'],
    ['pH', '-7', 'is not a number'],
    ['tempC', '140', 'boils'],
    ['conductivityUsCm', 'much', 'is not a number'],
  ] as const)
    it(`says what is wrong with a ${name} of ${text}`, () => {
      const typed = { ...blank, [name]: text }
      expect(wrongIn(name, typed)).to.equal(why)
      expect(readSample(typed)).to.deep.equal({})
    })
})
