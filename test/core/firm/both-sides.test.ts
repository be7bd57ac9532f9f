import { expect } from 'chai'
import fc from 'fast-check'
import { bothSides } from '../../../src/core/firm/both-sides.ts'

const value = fc.constantFrom('', 'left bar', 'right bar', undefined, { from: 1 })
const record = fc.record({ name: value, serial: value, note: value })

describe('a record changed on two sides', () => {
  it('keeps what each side changed alone, and asks where both did', () => {
    const was = { name: 'Bar', serial: '1', note: '' }
    expect(bothSides(was, { ...was, serial: '2' }, { ...was, name: 'Left bar' })).to.deep.equal({
      merged: { name: 'Left bar', serial: '2', note: '' },
      differs: [],
    })
    expect(bothSides(was, { ...was, name: 'Right bar' }, { ...was, name: 'Left bar' })).to.deep.equal({
      merged: { name: 'Left bar', serial: '1', note: '' },
      differs: ['name'],
    })
    expect(bothSides(was, { ...was, name: 'Left bar' }, { ...was, name: 'Left bar' }).differs).to.deep.equal([])
  })

  it('loses no change silently: every field is as one of the two left it, mine where I changed it', () => {
    fc.assert(
      fc.property(record, record, record, (base, theirs, mine) => {
        const { merged, differs } = bothSides(base, theirs, mine)
        for (const field of ['name', 'serial', 'note'] as const) {
          const [was, other, own] = [base, theirs, mine].map((side) => JSON.stringify(side[field]))
          const got = JSON.stringify(merged[field])
          expect(got).to.equal(own === was ? other : own)
          expect(differs.includes(field)).to.equal(own !== was && other !== was && own !== other)
        }
      }),
    )
  })

  it('is nothing new where only one side changed anything', () => {
    fc.assert(
      fc.property(record, record, (base, changed) => {
        const told = (fields: object) => JSON.parse(JSON.stringify(fields))
        expect(told(bothSides(base, changed, base).merged)).to.deep.equal(told(changed))
        expect(told(bothSides(base, base, changed).merged)).to.deep.equal(told(changed))
      }),
    )
  })
})
