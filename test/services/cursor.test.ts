import { expect } from 'chai'
import { dayAt } from '../../src/core/quantity/site-time.ts'
import { isUuid, readCursor, writeCursor } from '../../src/services/cursor.ts'

const id = '01939000-0000-7000-8000-00000000abcd'

describe('a cursor', () => {
  it('comes back as it was given', () => {
    for (const parts of [
      ['2026-11-26', id, 'group-gasket@1'],
      ['', 'é — "quoted"', id],
    ])
      expect(
        readCursor(
          writeCursor(parts),
          parts.map(() => 'text'),
        ),
      ).to.deep.equal(parts)
    expect(readCursor(writeCursor(['2026-02-28', id]), ['date', 'uuid'])).to.deep.equal(['2026-02-28', id])
    expect(readCursor(writeCursor(['2026-11-26T07:34:00.000Z']), ['instant'])).to.have.length(1)
  })

  it('that is none starts the list over, whatever it holds', () => {
    const text = (parts: unknown) => Buffer.from(JSON.stringify(parts)).toString('base64url')
    for (const wrong of [
      undefined,
      '',
      'nonsense',
      '%%%',
      text(null),
      text({}),
      text(['2026-02-28']),
      text(['2026-02-30', id]),
      text(['2026-13-01', id]),
      text(['2026-02-28', 'no id']),
      text(['2026-02-28', id, 'more']),
      text(['2026-02-28', 5]),
      text(['2026-02-28', `${id}\u0000`]),
      text(["'; drop table entry; --", id]),
    ])
      expect(readCursor(wrong, ['date', 'uuid']), String(wrong)).to.equal(null)
    expect(readCursor(text(['2026-02-30T00:00:00Z']), ['instant'])).to.satisfy(
      (found: unknown) => found === null || Array.isArray(found),
    )
    expect(readCursor(text(['yesterday']), ['instant'])).to.equal(null)
  })

  it('knows an id when it sees one', () => {
    expect(isUuid(id)).to.equal(true)
    for (const wrong of ['', id.toUpperCase(), id.slice(1), `${id} `, id.replaceAll('-', '')])
      expect(isUuid(wrong), wrong).to.equal(false)
  })
})

describe('the local day', () => {
  it('is the zone’s own, on both sides of midnight', () => {
    const evening = new Date('2026-11-26T23:30:00Z')
    expect(dayAt('Europe/London', evening)).to.equal('2026-11-26')
    expect(dayAt('Europe/Berlin', evening)).to.equal('2026-11-27')
    expect(dayAt('Pacific/Kiritimati', evening)).to.equal('2026-11-27')
    expect(dayAt('America/Los_Angeles', new Date('2026-11-27T07:59:00Z'))).to.equal('2026-11-26')
    // The night the clocks go forward.
    expect(dayAt('Europe/London', new Date('2026-03-29T00:59:00Z'))).to.equal('2026-03-29')
    expect(() => dayAt('Nowhere/Land', evening)).to.throw(RangeError)
  })
})
