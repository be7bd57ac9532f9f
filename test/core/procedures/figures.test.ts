import { expect } from 'chai'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { figuresOf } from './figures-of.ts'

const ways = procedures.flatMap((procedure) =>
  procedure.ways.map((way) => ({ name: `${procedure.id}, ${way.id}`, way, procedure })),
)

describe('the figures of a way', () => {
  it('are known of every way that has any, and of no other', () => {
    expect(Object.keys(figuresOf).sort()).to.deep.equal(
      ways.flatMap(({ name, way }) => (way.figures.length > 0 ? [name] : [])).sort(),
    )
  })

  for (const { name, way } of ways)
    it(`${name}: as they are said`, () => {
      expect(Object.fromEntries(way.figures.map((figure) => [figure.name, figure.words]))).to.deep.equal(
        figuresOf[name] ?? {},
      )
      for (const { name: figure, words, mark } of way.figures) {
        expect(words.trim(), figure).to.equal(words)
        expect(words, figure).to.not.match(/undefined|NaN|null/)
        expect(['T', 'M'], figure).to.include(mark)
      }
    })

  it('that are read off a step name one there is', () => {
    for (const { name, way } of ways)
      for (const { step } of way.figures)
        if (step)
          expect(
            way.parts.some(({ steps }) => steps.some(({ id }) => id === step)),
            `${name}: ${step}`,
          ).to.equal(true)
  })

  it('tell ways of one procedure apart: no two say all the same', () => {
    for (const { ways, id } of procedures) {
      const said = ways.map(({ figures, every, kinds }) =>
        JSON.stringify([figures.map(({ words }) => words), every?.words, kinds]),
      )
      expect(new Set(said).size, id).to.equal(said.length)
    }
  })
})
