import { expect } from 'chai'
import { promptsMeant } from '../../../src/core/faults/prompts-meant.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'

const kind = (id: string, ...options: [string, boolean][]) => withOptions(kindById(id)!, new Map(options))
const first = (id: string, said: string, ...options: [string, boolean][]) =>
  promptsMeant(kind(id, ...options), said)[0]?.id

describe('what a machine means by what it shows (as its kind says, from memory)', () => {
  it('is found by how people tell it', () => {
    expect(first('pk', 'the light flashes orange three times and then it is white')).to.equal('descale')
    expect(first('pk', 'the lamp blinks white really fast')).to.equal('descale-mode')
    expect(first('sr', 'it says descale all the time')).to.equal('descale')
    expect(first('sr', 'the display asks for the brew unit')).to.equal('unit')
    expect(first('c2', 'all the keys on all groups blink')).to.equal('all-keys-blink')
    expect(first('c2', 'the keys of one group are flashing')).to.equal('keys-blink')
    expect(first('pl', 'the orange descale light is on')).to.equal('descale')
  })

  it('is what it means on that revision', () => {
    expect(first('dg', 'the cleaning lamp is on steady', ['blinking-lamp', true])).to.equal('descale-new')
    expect(first('dg', 'the cleaning lamp is on steady', ['blinking-lamp', false])).to.equal('clean-old')
  })

  it('is nothing where nobody speaks of a lamp or a message', () => {
    for (const said of ['coffee is cold', 'water on the floor', 'it drips from the group', ''])
      expect(promptsMeant(kind('pk'), said), said).to.deep.equal([])
  })
})
