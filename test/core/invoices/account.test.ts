import { expect } from 'chai'
import fc from 'fast-check'
import { isValidIBAN } from 'ibantools'
import { ibanOf, isIban } from '../../../src/core/invoices/account.ts'
import { addressLines, countryName, isCountry, isVatNumber } from '../../../src/core/invoices/party.ts'

/** Examples of the IBAN registry (ISO 13616), which the library holds too. */
const examples = [
  'GB29 NWBK 6016 1331 9268 19',
  'DE89 3704 0044 0532 0130 00',
  'NL91 ABNA 0417 1643 00',
  'NO93 8601 1117 947',
  'MT84 MALT 0110 0001 2345 MTLC AST0 01S',
  'FR14 2004 1010 0505 0001 3M02 606',
]

describe('an account number', () => {
  it('is one by its check digits, as a library of its own says', () => {
    for (const example of examples) {
      expect(isIban(example), example).to.equal(true)
      expect(isIban(example.toLowerCase()), example).to.equal(true)
      expect(isValidIBAN(ibanOf(example)), example).to.equal(true)
    }
  })

  it('with one wrong character, or two neighbours exchanged, is none', () => {
    const anyExample = fc.constantFrom(...examples.map(ibanOf))
    fc.assert(
      fc.property(anyExample, fc.nat(40), fc.constantFrom(...'0123456789'), (iban, at, digit) => {
        const i = 2 + (at % (iban.length - 2))
        const other = iban.slice(0, i) + digit + iban.slice(i + 1)
        fc.pre(other !== iban && /\d/.test(iban[i]!))
        expect(isIban(other), other).to.equal(false)
      }),
    )
    fc.assert(
      fc.property(anyExample, fc.nat(40), (iban, at) => {
        const i = 4 + (at % (iban.length - 5))
        const other = iban.slice(0, i) + iban[i + 1] + iban[i] + iban.slice(i + 2)
        fc.pre(other !== iban)
        expect(isIban(other), other).to.equal(false)
      }),
    )
  })

  it('is none where it is something else', () => {
    for (const other of ['', 'GB29', '12345678', 'GB29 NWBK 6016 1331 9268 1!', 'hello'])
      expect(isIban(other), other).to.equal(false)
  })
})

describe('whoever stands on an invoice', () => {
  it('has a VAT number only where a country begins it', () => {
    for (const number of ['DE123456789', 'NL 1234.56.789.B01', 'EL123456789', 'GB123456789'])
      expect(isVatNumber(number), number).to.equal(true)
    for (const number of ['12/345/678', '123456789', 'QX123456789', 'de123456789', 'DE'])
      expect(isVatNumber(number), number).to.equal(false)
  })

  it('lives in a country that there is', () => {
    expect(isCountry('NL')).to.equal(true)
    for (const code of ['QX', 'nl', 'NLD', '']) expect(isCountry(code), code).to.equal(false)
    expect(countryName('NL')).to.equal('Netherlands')
    expect(addressLines({ name: 'A bar', town: 'Quillgate', country: 'IE' })).to.deep.equal([
      'A bar',
      'Quillgate',
      'Ireland',
    ])
  })
})
