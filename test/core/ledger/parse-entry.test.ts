import { expect } from 'chai'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'
import { canonical, sameEntry } from '../../../src/core/ledger/same-body.ts'

const id = '01939000-0000-7000-8000-000000000001'
const good = {
  id,
  subjectKind: 'machine',
  subjectId: id.replace(/1$/, '2'),
  kind: 'reading',
  happenedAt: '2026-11-26T08:00:00Z',
  happenedOn: '2026-11-26',
  body: { v: 1, counter: 'shots', count: 5 },
}
const issues = (input: unknown) => {
  const parsed = parseEntry(input)
  return parsed.ok ? [] : parsed.issues.map(({ path, message }) => `${path} ${message}`)
}
const water = (body: Record<string, unknown>) => ({
  ...good,
  subjectKind: 'site',
  kind: 'water-test',
  body: { v: 1, point: 'raw', quantity: 'total', unit: 'dH', ...body },
})

describe('parsing an entry at the door', () => {
  it('takes a good one', () => expect(issues(good)).to.deep.equal([]))

  it('names each field that is wrong', () => {
    expect(issues({ ...good, body: { v: 1, counter: 'shots', count: '5' } })).to.deep.equal([
      'body.count must be a number',
    ])
    expect(issues({ ...good, body: { v: 1, counter: 'shots', count: 5, extra: 1 } })).to.deep.equal([
      'body.extra is not a field here',
    ])
    expect(issues({ ...good, happenedOn: '2026-02-30' })).to.deep.equal(['happenedOn is not a date (YYYY-MM-DD)'])
    expect(issues({ ...good, id: 'x', kind: 'nonsense' })).to.have.length(2)
    expect(issues({ ...good, subjectKind: 'supply' })).to.deep.equal([
      'subjectKind cannot have an entry of kind reading',
    ])
    for (const nothing of [null, 7, [], 'text', undefined])
      expect(issues(nothing)).to.deep.equal([' must be an object'])
  })

  it('asks whether 400 °dH lost its decimal point, and refuses a half-filled test', () => {
    expect(issues(water({ method: 'figure', value: 400 }))[0]).to.match(/^body\.value .*decimal point/)
    expect(issues(water({ method: 'drops', drops: 112, perDrop: 1 }))).to.deep.equal([])
    expect(issues(water({ method: 'drops', drops: 300, perDrop: 1 }))[0]).to.match(/^body\.drops/)
    expect(issues(water({ method: 'drops', drops: 5 }))).to.deep.equal(['body.perDrop is needed for drops'])
    expect(issues(water({ method: 'strip', low: 14, high: 7 }))).to.deep.equal([
      'body.high must not be below the low end of the zone',
    ])
  })

  it('checks each setting by its own shape', () => {
    const setting = (body: Record<string, unknown>) => issues({ ...good, kind: 'setting', body: { v: 1, ...body } })
    expect(setting({ setting: 'policy', policy: 'usual' })).to.deep.equal([])
    expect(setting({ setting: 'policy', policy: 'lazy' })[0]).to.match(/^body\.policy must be one of/)
    expect(setting({ setting: 'unknown' })[0]).to.match(/^body\.setting must be one of/)
    expect(setting({ setting: 'constructor' })[0]).to.match(/^body\.setting must be one of/)
    expect(setting({ setting: 'closure', from: '2026-12-24', to: '2026-12-01' })[0]).to.match(/must not end before/)
  })

  it('wants to know what a withdrawal withdraws', () => {
    expect(issues({ ...good, kind: 'withdrawn', body: { v: 1 } })[0]).to.match(/^supersedes is missing/)
    expect(issues({ ...good, supersedes: id })[0]).to.match(/^supersedes must name another/)
  })

  it('knows a retry whatever the order of its keys', () => {
    expect(canonical({ b: 1, a: { d: [1, { f: 2, e: 3 }], c: undefined } })).to.equal(
      '{"a":{"d":[1,{"e":3,"f":2}]},"b":1}',
    )
    const entry = good as never as Parameters<typeof sameEntry>[0]
    expect(sameEntry(entry, { ...entry, happenedAt: '2026-11-26T08:00:00.000Z' })).to.equal(true)
    expect(sameEntry(entry, { ...entry, body: { v: 1, counter: 'shots', count: 6 } })).to.equal(false)
  })
})
