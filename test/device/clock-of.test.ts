import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { offBy, setRight } from '../../src/device/clock-of.ts'

const hour = 3_600_000
const noon = Date.parse('2026-11-26T12:00:00.000Z')

describe('the clock of a device', () => {
  it('agrees where device and server count alike, however far apart they are set', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -20 * 365 * 24, max: 20 * 365 * 24 }),
        fc.integer({ min: 0, max: 14 * 24 * 60 }),
        (aheadHours, agoMinutes) => {
          const ahead = aheadHours * hour
          const made = noon - agoMinutes * 60_000
          // The page knew how far off this device is, and said the right time.
          expect(offBy({ madeAt: made + ahead, saidAt: made }, noon + ahead, noon)).to.equal(0)
        },
      ),
    )
  })

  it('is off by what it was set by since the server was last heard', () => {
    const made = noon - 3 * hour
    for (const off of [-400 * 24 * hour, -2 * hour, hour, 9 * 365 * 24 * hour])
      expect(offBy({ madeAt: made + off, saidAt: made + off }, noon + off, noon), String(off)).to.equal(off)
    expect(offBy({ madeAt: made + 240_000, saidAt: made + 240_000 }, noon + 240_000, noon), 'minutes').to.equal(0)
  })

  it('is noticed where it was set back after the save was made', () => {
    // Written at noon by a clock a day ahead; put right before anything was sent.
    expect(offBy({ madeAt: noon + 24 * hour, saidAt: noon + 24 * hour }, noon + hour, noon + hour)).to.equal(23 * hour)
  })

  it('moves what was dated by it, with its day, and leaves what somebody dated', () => {
    const entry = (happenedAt: string, happenedOn: string, more: object = {}) =>
      ({ id: happenedAt, kind: 'note', body: { v: 1 }, happenedAt, happenedOn, ...more }) as unknown as Entry
    const said = Date.parse('2026-11-26T22:30:00.000Z')
    const moved = setRight(
      [
        entry('2026-11-26T22:30:00.000Z', '2026-11-26'),
        entry('2026-11-20T12:00:00.000Z', '2026-11-20'),
        entry('2026-11-26T22:29:00.000Z', '2026-11-26', {
          kind: 'visit',
          body: { v: 1, technicianIds: ['ines'], arrivedAt: '2026-11-26T20:00:00.000Z' },
        }),
      ],
      said,
      -4 * hour,
      'Europe/London',
    )
    expect(moved.map(({ happenedAt, happenedOn }) => [happenedAt, happenedOn])).to.deep.equal([
      ['2026-11-27T02:30:00.000Z', '2026-11-27'],
      ['2026-11-20T12:00:00.000Z', '2026-11-20'],
      ['2026-11-27T02:29:00.000Z', '2026-11-27'],
    ])
    expect(moved[2]!.body).to.deep.include({ arrivedAt: '2026-11-27T00:00:00.000Z' })
  })
})
