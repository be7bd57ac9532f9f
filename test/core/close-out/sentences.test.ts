import { expect } from 'chai'
import fc from 'fast-check'
import { sentencesOf, type ToSign } from '../../../src/core/close-out/sentences.ts'
import { isDrawn, mostPoints } from '../../../src/core/close-out/signature.ts'
import { pathOf, strokesOf } from '../../../src/core/close-out/strokes.ts'

const visit: ToSign = {
  machines: 4,
  lines: 19,
  tested: ['Right bar'],
  isolated: [],
  open: [],
  charged: null,
  chargedFor: [],
  isRestPaid: 'contract',
  withTax: false,
}
const texts = (more: Partial<ToSign> = {}) =>
  sentencesOf({ ...visit, ...more }, (day) => `(${day})`).map(({ text }) => text)

describe('the sentences that are signed', () => {
  it('say what was done and seen, and what is charged', () => {
    expect(texts()).to.deep.equal([
      'I was shown what was done here today: 19 lines at 4 machines. I saw Right bar working after the repair.',
      'Nothing is charged for this visit: it is in the contract.',
    ])
    expect(texts({ charged: '€109.00', chargedFor: ['safety valve', 'burrs'] }).at(-1)).to.equal(
      '€109.00 before tax is charged for safety valve and burrs. All else is in the contract.',
    )
    expect(texts({ charged: '€129.71', withTax: true, isRestPaid: null }).at(-1)).to.equal(
      '€129.71 with tax is charged.',
    )
  })

  // Nobody signs a forecast: common practice, no source.
  it('say what was told and chosen, never what will come', () => {
    const open = [
      { machine: 'Right bar', name: 'control board, burnt or loose', until: '2026-12-17' },
      { machine: 'Bakehouse', name: 'vibratory pump', until: null },
    ]
    expect(texts({ open }).slice(1, 3)).to.deep.equal([
      'I was told of control board, burnt or loose at Right bar and chose to wait until (2026-12-17).',
      'I was told of vibratory pump at Bakehouse, and have not decided yet.',
    ])
    for (const text of texts({ open })) expect(text).not.to.match(/\bwill\b|may add|in 10|likely/)
  })

  it('say that nobody may use what is isolated', () => {
    expect(texts({ isolated: ['Left bar'] })[1]).to.match(/^Left bar is isolated and tagged\..*nobody may use it/)
  })

  it('say so where nothing was done', () => {
    expect(texts({ lines: 0 })[0]).to.contain('nothing was done')
  })
})

describe('a signature', () => {
  it('is more than a tap or the ball of a hand', () => {
    expect(isDrawn([])).to.equal(false)
    expect(isDrawn([[10, 10]])).to.equal(false)
    expect(isDrawn([[10, 10, 11, 10, 12, 11, 13, 11]])).to.equal(false)
    expect(isDrawn([[10, 10, 60, 30, 120, 12, 180, 40]])).to.equal(true)
  })

  it('is the same on any screen: whole units of a field, its points a hair apart left out', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 0.2, y: 0.1 },
      { x: 50, y: 20 },
    ]
    expect(strokesOf([{ points }], 500)).to.deep.equal([[0, 0, 100, 40]])
    expect(
      pathOf([
        [0, 0, 100, 40],
        [7, 7],
      ]),
    ).to.equal('M0 0L100 40M7 7l1 0')
  })

  it('is never longer than the ledger takes, whatever a child draws', () => {
    const point = fc.record({
      x: fc.double({ min: 0, max: 400, noNaN: true }),
      y: fc.double({ min: 0, max: 300, noNaN: true }),
    })
    fc.assert(
      fc.property(
        fc.array(fc.record({ points: fc.array(point, { minLength: 1, maxLength: 40 }) }), { maxLength: 160 }),
        (drawn) => {
          const strokes = strokesOf(drawn, 400)
          expect(strokes.length).to.be.at.most(120)
          for (const stroke of strokes) {
            expect(stroke.length % 2).to.equal(0)
            expect(stroke.length).to.be.within(2, mostPoints * 2)
            expect(stroke.every(Number.isInteger)).to.equal(true)
          }
        },
      ),
      { numRuns: 40 },
    )
  })
})
