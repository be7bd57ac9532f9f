import { expect } from 'chai'
import { drivesOf } from '../../../src/core/rounds/drives.ts'
import { drivingMin, greatCircleKm, roads, usualRoads } from '../../../src/core/rounds/travel.ts'

const at = (latitude: number, longitude: number) => ({ latitude, longitude })

describe('travel between places', () => {
  it('measures along the great circle', () => {
    // A quarter of the meridian of a ball of 6,371.0088 km (IUGG mean radius): π ÷ 2 × radius.
    expect(greatCircleKm(at(0, 0), at(90, 0))).to.be.closeTo((Math.PI / 2) * 6371.0088, 1e-6)
    // A sixtieth of a degree is a nautical mile, 1.852 km by definition, within what the ball differs from the earth.
    expect(greatCircleKm(at(50, 7), at(50 + 1 / 60, 7))).to.be.closeTo(1.852, 0.003)
    // Across the antimeridian, and along a parallel: the spherical law of cosines as a second way.
    expect(greatCircleKm(at(0, 179.5), at(0, -179.5))).to.be.closeTo(111.195, 0.001)
    const rad = Math.PI / 180
    const cosines =
      6371.0088 *
      Math.acos(Math.sin(52 * rad) * Math.sin(48 * rad) + Math.cos(52 * rad) * Math.cos(48 * rad) * Math.cos(9 * rad))
    expect(greatCircleKm(at(52, 4), at(48, 13))).to.be.closeTo(cosines, 1e-6)
    expect(greatCircleKm(at(1, 2), at(1, 2))).to.equal(0)
  })

  it('drives each stretch at the speed of its class, so that further never takes less', () => {
    expect(drivingMin(5)).to.equal(12)
    expect(drivingMin(20)).to.be.closeTo(12 + 20, 1e-9)
    expect(drivingMin(90)).to.be.closeTo(12 + 20 + 60, 1e-9)
    let last = 0
    for (let km = 0.1; km < 40; km += 0.1) {
      expect(drivingMin(km)).to.be.above(last)
      last = drivingMin(km)
    }
  })

  const places = new Map([
    ['yard', at(50, 7)],
    ['near', at(50.02, 7)],
    ['far', at(50.3, 7)],
    ['nowhere', null],
  ])

  it('adds parking to what is reckoned, and says that it is reckoned', () => {
    const road = roads(places, {})('yard', 'near')
    const km = greatCircleKm(at(50, 7), at(50.02, 7)) * usualRoads.detour
    expect(road).to.deep.equal({ km, minutes: (km / 25) * 60 + 5, origin: 'reckoned' })
    expect(roads(places, {})('yard', 'yard').minutes).to.equal(0)
    expect(roads(places, {})('yard', 'nowhere')).to.deep.equal({ minutes: 20, origin: 'unknown' })
  })

  it('takes a typed pair first, then the median of five drives, then the pace of such distances', () => {
    const drive = (from: string, to: string, minutes: number) => ({ from, to, minutes })
    const driven = [14, 30, 15, 16, 15].map((minutes, i) =>
      i % 2 === 0 ? drive('yard', 'near', minutes) : drive('near', 'yard', minutes),
    )
    const by = (asked: Parameters<typeof roads>[1]) => roads(places, asked)
    expect(by({ driven }).call(null, 'near', 'yard')).to.include({ minutes: 15, origin: 'driven' })
    expect(by({ driven: driven.slice(1) })('yard', 'near').origin).to.equal('reckoned')
    expect(by({ driven, typed: [drive('near', 'yard', 9)] })('yard', 'near')).to.include({
      minutes: 9,
      origin: 'typed',
    })
    // Five drives of one pair tell the pace of all roads of that class, and of no other.
    const more = new Map([...places, ['close', at(50.01, 7.01)]])
    const usual = roads(more, {})('yard', 'close').minutes
    const pace = 15 / roads(more, {})('yard', 'near').minutes
    const learned = roads(more, { driven })('yard', 'close')
    expect(learned.origin).to.equal('class')
    expect(learned.minutes).to.be.closeTo(usual * pace, 1e-9)
    expect(roads(more, { driven })('yard', 'far').origin).to.equal('reckoned')
  })
})

describe('drives as they were made', () => {
  const visit = (siteId: string, arrived: string, left?: string, technicianIds = ['ines']) => ({
    siteId,
    technicianIds,
    arrivedAt: `2026-11-26T${arrived}:00Z`,
    ...(left && { leftAt: `2026-11-26T${left}:00Z` }),
  })

  it('go from leaving one place to arriving at the next, each technician by themselves', () => {
    expect(
      drivesOf([
        visit('b', '09:30', '10:15'),
        visit('a', '08:10', '09:12'),
        visit('c', '09:20', '09:50', ['odile']),
        visit('d', '10:40', undefined, ['ines', 'odile']),
      ]),
    ).to.deep.equal([
      { from: 'a', to: 'b', minutes: 18 },
      { from: 'b', to: 'd', minutes: 25 },
      { from: 'c', to: 'd', minutes: 50 },
    ])
  })

  it('are none where nobody wrote when they left, at the same place, backwards, or with half a day between', () => {
    expect(drivesOf([visit('a', '08:00'), visit('b', '09:00')])).to.deep.equal([])
    expect(drivesOf([visit('a', '08:00', '08:30'), visit('a', '09:00')])).to.deep.equal([])
    expect(drivesOf([visit('a', '08:00', '09:30'), visit('b', '09:00')])).to.deep.equal([])
    expect(drivesOf([visit('a', '08:00', '08:30'), visit('b', '13:00')])).to.deep.equal([])
  })

  it('count once there are five of a road, by their middle', () => {
    const places = new Map([
      ['a', { latitude: 44.5, longitude: -31.2 }],
      ['b', { latitude: 44.52, longitude: -31.2 }],
    ])
    const day = (minute: number, d: number) => [
      { ...visit('a', '08:00', '08:30'), arrivedAt: `2026-11-0${d}T08:00:00Z`, leftAt: `2026-11-0${d}T08:30:00Z` },
      { ...visit('b', '09:00'), arrivedAt: `2026-11-0${d}T08:${30 + minute}:00Z` },
    ]
    const driven = [22, 19, 25, 21, 29].flatMap((minutes, d) => drivesOf(day(minutes, d + 1)))
    expect(roads(places, { driven: driven.slice(0, 4) })('a', 'b').origin).to.equal('reckoned')
    expect(roads(places, { driven })('b', 'a')).to.deep.include({ minutes: 22, origin: 'driven' })
  })
})
