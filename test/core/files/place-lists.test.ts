import { expect } from 'chai'
import { geoJsonOf } from '../../../src/core/files/day-files.ts'
import { readGeoJson, readPlaceTable, sameName } from '../../../src/core/files/place-lists.ts'

const table = (text: string) => readPlaceTable(text.split('\n').map((line) => line.split(';')))

describe('places and roads from a file', () => {
  it('reads names with latitude and longitude, whatever the columns are called and whichever mark they use', () => {
    expect(table('Site;Lat;Lng\nThe mill;44.5;-31.2\nMoorside;44,61;-31,05')).to.deep.equal({
      places: [
        { name: 'The mill', latitude: 44.5, longitude: -31.2 },
        { name: 'Moorside', latitude: 44.61, longitude: -31.05 },
      ],
      roads: [],
      wrong: [],
    })
  })

  it('reads a map’s link beside the name', () => {
    const { places } = table(
      'Name;Area;Link\nThe mill;West;geo:44.5,-31.2\nMoorside;;https://maps.example/@44.6,-31.1,17z',
    )
    expect(places.map(({ latitude }) => latitude)).to.deep.equal([44.5, 44.6])
  })

  it('says of each line what cannot be read, and reads the others', () => {
    const { places, wrong } = table('name;latitude;longitude\nMill;144;2\nMoor;;\nYard;44;-31\n;1;2')
    expect(places.map(({ name }) => name)).to.deep.equal(['Yard'])
    expect(wrong).to.deep.equal([
      'Mill: no latitude and longitude that can be read.',
      'Moor: no latitude and longitude that can be read.',
    ])
  })

  it('reads roads, both ways as one, their middle where they differ', () => {
    expect(table('From;To;Minutes\nMill;Moor;20\nMoor;Mill;25\nMill;Yard;soon\nMill;Mill;0')).to.deep.equal({
      places: [],
      roads: [{ from: 'Mill', to: 'Moor', minutes: 23 }],
      wrong: ['Mill to Yard: “soon” is no time on the road, 0 to 600 min.'],
    })
  })

  it('reads a square of minutes, its diagonal and its gaps left out', () => {
    const { roads } = table(';Mill;Moor;Yard\nMill;0;20;\nMoor;20;0;12\nYard;;14;0')
    expect(roads).to.deep.equal([
      { from: 'Mill', to: 'Moor', minutes: 20 },
      { from: 'Moor', to: 'Yard', minutes: 13 },
    ])
  })

  it('says what it expects of a file that is none of these', () => {
    for (const text of ['a;b\n1;2', '', 'name;latitude\nMill;44']) {
      const { places, roads, wrong } = table(text)
      expect([...places, ...roads]).to.deep.equal([])
      expect(wrong[0]).to.include('latitude and longitude')
    }
  })

  it('reads the points of GeoJSON, longitude first', () => {
    // RFC 7946, section 1.5: the example's own point, given a name.
    const example = {
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          geometry: { type: 'Point', coordinates: [102.0, 0.5] },
          properties: { prop0: 'value0', name: 'Harbour' },
        },
        {
          type: 'Feature',
          geometry: {
            type: 'LineString',
            coordinates: [
              [102.0, 0.0],
              [103.0, 1.0],
            ],
          },
          properties: { prop0: 'value0', prop1: 0.0 },
        },
        { type: 'Feature', geometry: { type: 'Point', coordinates: [10, 50] }, properties: null },
        { type: 'Feature', geometry: { type: 'Point', coordinates: [10, 95] }, properties: { name: 'Beyond' } },
        { type: 'Feature', geometry: null, properties: { name: 'Nowhere' } },
      ],
    }
    expect(readGeoJson(JSON.stringify(example))).to.deep.equal({
      places: [{ name: 'Harbour', latitude: 0.5, longitude: 102 }],
      roads: [],
      wrong: [
        'A point has no name: its properties say neither name nor title.',
        'Beyond: its coordinates are none on this earth.',
      ],
    })
  })

  it('reads back the GeoJSON that a day is given out as', () => {
    const points = [
      { name: 'The mill', place: { latitude: 44.5, longitude: -31.2 } },
      { name: 'Moorside', place: { latitude: 44.61, longitude: -31.05 } },
    ]
    const { places } = readGeoJson(JSON.stringify(geoJsonOf('Tuesday', points)))
    expect(places).to.deep.equal(points.map(({ name, place }) => ({ name, ...place })))
  })

  it('says what is no GeoJSON', () => {
    for (const text of ['{', '[]', '{"type":"Topology"}', 'null']) expect(readGeoJson(text).wrong).to.have.length(1)
  })

  it('takes a name for the same whatever its capitals, accents and marks', () => {
    expect(sameName('Thistle & Rye')).to.equal(sameName('thistle  &rye'))
    expect(sameName('Café Mühle')).to.equal(sameName('CAFE MUHLE'))
    expect(sameName('Mill 1')).not.to.equal(sameName('Mill 2'))
  })
})
