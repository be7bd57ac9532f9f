import { expect } from 'chai'
import { geoJsonOf, gpxOf } from '../../../src/core/files/day-files.ts'
import { geoLink, readPlace } from '../../../src/core/files/place-link.ts'
import { hoursSaid, readHours } from '../../../src/core/typed/read-hours.ts'

const way = [
  { name: 'Yard', place: { latitude: 44.5, longitude: -31.2 } },
  {
    name: 'Bean & "Leaf" <bar>',
    place: { latitude: 44.5123456789, longitude: -31.25 },
    at: '2026-11-26T08:14:00.000Z',
    note: 'Mill Lane 3',
  },
]

describe('a day as a file', () => {
  it('is a route of GPX 1.1 with its words escaped', () => {
    expect(gpxOf('Thursday', way)).to.equal(`<?xml version="1.0" encoding="UTF-8"?>
<gpx version="1.1" creator="Even Shot" xmlns="http://www.topografix.com/GPX/1/1">
  <rte>
    <name>Thursday</name>
    <rtept lat="44.5" lon="-31.2">
      <name>Yard</name>
    </rtept>
    <rtept lat="44.512346" lon="-31.25">
      <time>2026-11-26T08:14:00.000Z</time>
      <name>Bean &amp; &quot;Leaf&quot; &lt;bar&gt;</name>
      <desc>Mill Lane 3</desc>
    </rtept>
  </rte>
</gpx>
`)
  })

  it('is GeoJSON with longitude first (RFC 7946, 3.1.1)', () => {
    const { type, features } = geoJsonOf('Thursday', way)
    expect(type).to.equal('FeatureCollection')
    expect(features.map(({ geometry }) => geometry)).to.deep.equal([
      { type: 'Point', coordinates: [-31.2, 44.5] },
      { type: 'Point', coordinates: [-31.25, 44.512346] },
      {
        type: 'LineString',
        coordinates: [
          [-31.2, 44.5],
          [-31.25, 44.512346],
        ],
      },
    ])
    expect(geoJsonOf('Nobody', way.slice(0, 1)).features).to.have.length(1)
  })

  it('opens a place by a geo link (RFC 5870)', () => {
    expect(geoLink(way[0]!.place)).to.equal('geo:44.5,-31.2')
  })
})

describe('a place that was pasted', () => {
  const there = { latitude: 44.5, longitude: -31.2 }
  for (const text of [
    'geo:44.5,-31.2',
    'geo:44.5,-31.2?z=17',
    'geo:0,0?q=44.5,-31.2(Bakery)',
    'https://maps.example/place/Bakery/@44.5,-31.2,17z',
    'https://maps.example/?q=44.5,-31.2',
    'https://maps.example/?ll=44.5%2C-31.2&z=4',
    'https://maps.example/#map=17/44.5/-31.2',
    'https://maps.example/?mlat=44.5&mlon=-31.2#map=5/1/2',
    'https://maps.example/data=!3d44.5!4d-31.2',
    '44.5, -31.2',
    '44.5 -31.2',
    '44.5;-31.2',
    '44.5° N, 31.2° W',
    '44.5N 31.2W',
  ])
    it(`is read from ${text}`, () => expect(readPlace(text)).to.deep.equal(there))

  for (const text of ['', 'Mill Lane 3', '44.5', '91, 0', '0, 181', '44,5, -31,2', 'https://maps.example/short/Xy3'])
    it(`is not guessed from ${text || 'nothing'}`, () => expect(readPlace(text)).to.equal(null))
})

describe('hours as somebody writes them', () => {
  for (const [text, said] of [
    ['', ''],
    ['7-11:30', '07:00 to 11:30'],
    ['07.00–11.30, 14h00 to 17', '07:00 to 11:30, 14:00 to 17:00'],
    ['14 till 17; 7 to 9', '07:00 to 09:00, 14:00 to 17:00'],
    ['2 to 5 pm', '14:00 to 17:00'],
    ['9am-1pm and 2pm-4.30pm', '09:00 to 13:00, 14:00 to 16:30'],
    ['11 to 1 pm', '11:00 to 13:00'],
    ['12:15 pm to 1 pm', '12:15 to 13:00'],
    ['18-24', '18:00 to 23:59'],
  ])
    it(`reads ${text || 'nothing'}`, () => {
      const read = readHours(text!)
      expect('why' in read ? read.why : hoursSaid(read)).to.equal(said)
    })

  for (const [text, why] of [
    ['mornings', 'is not hours such as 07:00 to 11:30: mornings'],
    ['11 to 9', 'ends before it begins: 11 to 9'],
    ['25 to 26', 'is no time on the clock: 25 to 26'],
    ['7 to 10, 9 to 12', 'says 09:00 twice'],
  ])
    it(`says what is wrong with ${text}`, () => expect(readHours(text!)).to.deep.equal({ why }))
})
