import { expect } from 'chai'
import fc from 'fast-check'
import { codeOf, isCode } from '../../../src/core/papers/code.ts'

const symbols = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const code = fc.uuid({ version: 7 }).map(codeOf)

describe('a code with its check character', () => {
  it('is what it was made of, however it is typed', () => {
    fc.assert(
      fc.property(code, (made) => {
        expect(made).to.match(/^[0-9A-HJKMNP-TV-Z]{4}-[0-9A-HJKMNP-TV-Z]{3}$/)
        expect(isCode(made)).to.equal(true)
        expect(isCode(made.toLowerCase().replace('-', ' '))).to.equal(true)
        // An O is a nought and an I a one, whoever writes them.
        expect(isCode(made.replaceAll('0', 'o').replaceAll('1', 'l'))).to.equal(true)
      }),
    )
  })

  // ISO/IEC 7812-1, annex B: a single wrong digit is always found.
  it('finds every single wrong character', () => {
    fc.assert(
      fc.property(code, fc.nat({ max: 6 }), fc.nat({ max: 31 }), (made, at, other) => {
        const plain = made.replace('-', '')
        fc.pre(plain[at] !== symbols[other])
        expect(isCode(plain.slice(0, at) + symbols[other] + plain.slice(at + 1))).to.equal(false)
      }),
    )
  })

  it('finds two neighbours exchanged, but for the first and the last of the symbols', () => {
    fc.assert(
      fc.property(code, fc.nat({ max: 5 }), (made, at) => {
        const plain = made.replace('-', '')
        const [a, b] = [plain[at]!, plain[at + 1]!]
        fc.pre(a !== b && [a, b].sort().join('') !== '0Z')
        expect(isCode(plain.slice(0, at) + b + a + plain.slice(at + 2))).to.equal(false)
      }),
    )
  })

  it('is none of another length, or with what is no symbol of it', () => {
    for (const no of ['', '1234', '0000-00U0', '0000-00A80']) expect(isCode(no), no).to.equal(false)
  })
})
