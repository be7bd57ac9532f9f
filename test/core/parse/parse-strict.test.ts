import { expect } from 'chai'
import fc from 'fast-check'
import { array, object, string } from 'yup'
import { amount, closure, divisor, localDay, shareBelowOne, weekdays } from '../../../src/core/parse/fields.ts'
import { parseStrict } from '../../../src/core/parse/parse-strict.ts'

const schema = object({
  count: amount().integer().required(),
  share: shareBelowOne().default(0.15),
  each: divisor(),
  on: localDay(),
  open: weekdays(),
  closures: array(closure().required()),
  unit: string().oneOf(['L', 'ml']),
  inner: object({ deep: amount().required() }).noUnknown().default(undefined),
}).noUnknown()

const issues = (input: unknown) => {
  const parsed = parseStrict(schema, input)
  return parsed.ok ? [] : parsed.issues.map(({ path, message }) => `${path} ${message}`)
}

describe('strict parsing', () => {
  it('fills in defaults only after all is checked', () => {
    expect(parseStrict(schema, { count: 3 })).to.deep.include({ ok: true, value: { count: 3, share: 0.15 } })
  })

  it('coerces nothing', () => {
    for (const count of ['3', true, [3], { value: 3 }, null, Number.NaN])
      expect(issues({ count }), String(count)).to.have.length(1)
    expect(issues({ count: 3, unit: 7 })).to.have.length(1)
  })

  it('names unknown fields where they are, at any depth', () => {
    expect(issues({ count: 3, x: 1, y: 2 })).to.deep.equal(['x is not a field here', 'y is not a field here'])
    expect(issues({ count: 3, inner: { deep: 1, deeper: 2 } })).to.deep.equal(['inner.deeper is not a field here'])
    expect(issues({ count: 3, closures: [{ from: '2026-01-01', to: '2026-01-02', why: 'x' }] })).to.deep.equal([
      'closures[0].why is not a field here',
    ])
  })

  it('refuses names that every object inherits, as a field like any other', () => {
    expect(issues({ count: 3, toString: 1 })).to.deep.equal(['toString is not a field here'])
    expect(issues(JSON.parse('{"count": 3, "__proto__": {"polluted": true}}'))).to.deep.equal([
      '__proto__ is not a field here',
    ])
    expect(issues({ count: 3, inner: { deep: 1, constructor: 2 } })).to.deep.equal([
      'inner.constructor is not a field here',
    ])
  })

  it('refuses text no database keeps, at its field', () => {
    for (const text of ['a\u0000b', '\ud800', 'x\udc00']) {
      expect(issues({ count: 3, unit: text })[0]).to.equal('unit holds a character that cannot be kept')
    }
    expect(issues({ count: 3, unit: '😀' })[0]).to.match(/must be one of/)
  })

  it('tells a bound from a kind from an absence', () => {
    expect(issues({})).to.deep.equal(['count is missing'])
    expect(issues({ count: -1 })).to.deep.equal(['count must be at least 0'])
    expect(issues({ count: 1.5 })).to.deep.equal(['count must be a whole number'])
    expect(issues({ count: 1, share: 1 })).to.deep.equal(['share must be below 1'])
    expect(issues({ count: 1, each: 0 })).to.deep.equal(['each must be more than 0'])
    expect(issues({ count: 1, unit: 'gal' })).to.deep.equal(['unit must be one of L, ml'])
    expect(issues({ count: 1, open: [1, 9] })).to.deep.equal(['open[1] must be at most 7'])
  })

  it('gives each field one complaint, and all fields theirs', () => {
    const found = issues({ count: -1.5, share: 2, each: -1, on: 'x', zz: 0 })
    expect(found.map((issue) => issue.split(' ')[0]).sort()).to.deep.equal(['count', 'each', 'on', 'share', 'zz'])
  })

  it('never throws, whatever comes', () => {
    fc.assert(
      fc.property(fc.anything(), (input) => {
        expect(parseStrict(schema, input)).to.have.property('ok')
      }),
    )
  })
})
