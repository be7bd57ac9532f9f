import { expect } from 'chai'
import fc from 'fast-check'
import { guessKind } from '../../../src/core/files/guess-kind.ts'
import { kinds as shipped } from '../../../src/core/kinds/index.ts'
import { calledToo } from '../../../src/core/trade/called-too.ts'

const kinds = shipped.map((kind) => ({ ...kind, calledToo: calledToo[kind.id] ?? [] }))

// Words as they stand in the lists of made-up firms. Common practice, no source.
describe('a list’s word for a machine', () => {
  const cases: [word: string, sure: string, among: string[], groups?: number][] = [
    ['grinder', 'sure', ['gr']],
    ['Kaffeemühle', 'sure', ['gr']],
    ['MOULIN À CAFÉ', 'sure', ['gr']],
    ['2-group', 'sure', ['c2'], 2],
    ['3 groupes', 'likely', ['c2'], 3],
    ['espresso, 2gr.', 'likely', ['c2'], 2],
    ['1-gruppig', 'likely', ['c2'], 1],
    ['zweigruppig', 'sure', ['c2'], 2],
    ['Siebträger', 'sure', ['c2']],
    ['commercial two-group', 'sure', ['c2'], 2],
    ['Vollautomat', 'which', ['sr', 'st', 'sp']],
    ['bean to cup', 'which', ['sr', 'st', 'sp']],
    ['pods', 'which', ['pk', 'pl']],
    ['Kapsel', 'which', ['pk', 'pl']],
    ['gr', 'sure', ['gr']],
    ['old grinder (spare)', 'likely', ['gr']],
    ['filter brewer', 'none', []],
    ['urn', 'none', []],
    ['Eiswürfelbereiter', 'none', []],
    ['soda', 'none', []],
    ['', 'none', []],
    ['?', 'none', []],
  ]
  for (const [word, sure, among, groups] of cases)
    it(`"${word}": ${sure}${among.length > 0 ? `, ${among.join(' or ')}` : ''}`, () => {
      const guess = guessKind(word, kinds)
      expect(guess.sure).to.equal(sure)
      expect(guess.kinds).to.have.members(among)
      expect(guess.groups).to.equal(groups)
    })

  it('is sure of every kind by its own name and short name', () => {
    for (const kind of kinds)
      for (const word of [kind.name, kind.id, kind.name.toUpperCase()])
        expect(guessKind(word, kinds), word).to.deep.include({ kinds: [kind.id], sure: 'sure' })
  })

  it('means a kind of the firm’s own as well', () => {
    const own = { ...kinds[0]!, id: 'filter-brewer', name: 'Filter brewer', calledToo: ['Filtermaschine'], tasks: [] }
    expect(guessKind('filtermaschine', [...kinds, own])).to.deep.equal({ kinds: ['filter-brewer'], sure: 'sure' })
  })

  it('names only kinds that are there, whatever the word', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), (word) => {
        const guess = guessKind(word, kinds)
        for (const id of guess.kinds) expect(kinds.map((kind) => kind.id)).to.include(id)
        expect(guess.kinds.length === 0).to.equal(guess.sure === 'none')
      }),
    )
  })
})
