import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { siteMonths } from '../../../src/core/standing/site-months.ts'
import { asKept } from '../ledger/told.ts'

const start = toDay('2025-01-01')
const entry = (id: number, kind: Entry['kind'], day: number, body: object): Entry =>
  asKept({
    id: `01939000-0000-7000-8000-${String(id).padStart(12, '0')}`,
    subjectKind: 'machine',
    subjectId: 'm',
    kind,
    happenedAt: `${fromDay(day)}T10:00:00Z`,
    happenedOn: fromDay(day),
    body,
  })
const readings = Array.from({ length: 41 }, (_, i) =>
  entry(i + 1, 'reading', start + i * 14, { counter: 'shots', count: i * 1200 }),
)
const [one, other] = ['01939000-0000-7000-8000-0000000000a1', '01939000-0000-7000-8000-0000000000a2']

describe('what a site’s counters say of its months', () => {
  it('counts a machine from the day it came to the site', () => {
    const came = entry(99, 'moved', start + 400, { fromSiteId: other, toSiteId: one })
    expect(siteMonths([], [readings])!.days).to.equal(560)
    expect(siteMonths([], [[...readings, came]]), 'less than eleven months here').to.equal(null)
  })

  it('does not take another softener at the same site for another place', () => {
    const swapped = entry(99, 'moved', start + 400, { fromSiteId: one, toSiteId: one, toSoftenerId: other })
    expect(siteMonths([], [[...readings, swapped]])).to.deep.equal(siteMonths([], [readings]))
  })

  it('says nothing where nothing was read', () => {
    expect(siteMonths([], [[], []])).to.equal(null)
  })
})
