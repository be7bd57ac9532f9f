import { expect } from 'chai'
import fc from 'fast-check'
import { exactOrder } from '../../../src/core/rounds/exact-order.ts'
import { Tours } from '../../../src/core/visits/tours.ts'

/** Roads between places that are longer one way than the other, home the last of them. */
const roads = (count: number) =>
  fc
    .array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 6 })), {
      minLength: count + 1,
      maxLength: count + 1,
    })
    .map((places) =>
      places.map(([x, y, up]) => places.map(([u, v, to]) => Math.hypot(x - u, y - v) + Math.max(0, to - up))),
    )

const along = (travelMin: number[][], home: number, order: readonly number[]) =>
  [home, ...order].reduce((sum, from, i) => sum + travelMin[from]![order[i] ?? home]!, 0)

/** The shortest way round there is, as the order of a day is found. */
function best(travelMin: number[][], home: number, places: number[]): number {
  const { order } = exactOrder(
    {
      travelMin,
      stops: places.map((place) => ({ place, serviceMin: 0, open: [{ from: 0, to: 1e6 }] })),
      outings: [{ start: home, end: home, startMin: 0, endMin: 1e6 }],
    },
    [...places.keys()],
  )
  return along(
    travelMin,
    home,
    order.map((stop) => places[stop]!),
  )
}

describe('the way round a technician’s stops', () => {
  it('goes to each place once, and is as long as it says', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }).chain(roads), (travelMin) => {
        const home = travelMin.length - 1
        const places = [...travelMin.keys()].slice(0, -1)
        const tour = new Tours(travelMin).round(home, places)
        expect([...tour.places].sort((a, b) => a - b)).to.deep.equal(places)
        expect(tour.roadMin).to.be.closeTo(along(travelMin, home, tour.places), 1e-6)
      }),
      { numRuns: 60 },
    )
  })

  it('is the shortest of all to eight stops', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }).chain(roads), (travelMin) => {
        const home = travelMin.length - 1
        const places = [...travelMin.keys()].slice(0, -1)
        expect(new Tours(travelMin).round(home, places).roadMin).to.be.closeTo(best(travelMin, home, places), 1e-6)
      }),
      { numRuns: 60 },
    )
  })

  it('is near it beyond: within a fiftieth on the whole, never a sixth longer', () => {
    let [found, shortest] = [0, 0]
    fc.assert(
      fc.property(fc.integer({ min: 9, max: 11 }).chain(roads), (travelMin) => {
        const home = travelMin.length - 1
        const places = [...travelMin.keys()].slice(0, -1)
        const [road, least] = [new Tours(travelMin).round(home, places).roadMin, best(travelMin, home, places)]
        expect(road).to.be.at.most(least * 1.17 + 1e-6)
        found += road
        shortest += least
      }),
      { numRuns: 40 },
    )
    expect(found / shortest).to.be.below(1.02)
  })
})
