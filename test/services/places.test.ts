import { expect } from 'chai'
import { matchPlaces } from '../../src/islands/places/match-places.ts'
import type { Db } from '../../src/records/database.ts'
import { now } from '../../src/services/clock.ts'
import { placesOf, placesPage, setPlaces } from '../../src/services/places.ts'
import { appDatabase, type SmallFirm, smallFirm } from '../records/a-database.ts'

describe('where sites are', () => {
  let db: Db
  let firm: SmallFirm
  let other: SmallFirm
  const actor = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    other = await smallFirm(db, 'Others')
  })
  after(() => db.destroy())

  it('is set for many at once, once, and only in one’s own firm', async () => {
    const place = { latitude: 44.5, longitude: -31.2 }
    const places = [firm.siteId, other.siteId].map((siteId) => ({ siteId, ...place }))
    expect(await setPlaces(db, actor(), places, now())).to.deep.equal({ changed: 1 })
    expect(await setPlaces(db, actor(), places, now())).to.deep.equal({ changed: 0 })
    const { sites, technicians } = await placesOf(db, firm.firmId)
    expect(sites.find(({ id }) => id === firm.siteId)!.place).to.deep.equal(place)
    expect((await placesPage(db, other.firmId)).sites.every((site) => !site.place)).to.equal(true)
    expect(await placesPage(db, firm.firmId)).to.deep.include({ count: sites.length, without: sites.length - 1 })
    expect(technicians.map(({ startKnown }) => startKnown)).to.deep.equal([false, false])
  })

  it('is found by name in what a file says; a road may begin where somebody’s day does', async () => {
    const page = await placesOf(db, firm.firmId)
    const [site, person] = [page.sites.find(({ id }) => id === firm.siteId)!, page.technicians[0]!]
    const { places, roads, unknown } = matchPlaces(
      {
        places: [
          { name: site.name.toUpperCase(), latitude: 44.6, longitude: -31.2 },
          { name: site.name, latitude: 44.5, longitude: -31.2 },
          { name: 'Nowhere', latitude: 1, longitude: 2 },
        ],
        roads: [
          { from: person.name, to: site.name, minutes: 17 },
          { from: site.name, to: 'Nowhere', minutes: 3 },
        ],
        wrong: [],
      },
      page,
    )
    // Where it is already is no news; eleven kilometres to the tenth of a degree of latitude.
    expect(places.map(({ siteId }) => siteId)).to.deep.equal([site.id])
    expect(places[0]!.movesKm).to.be.closeTo(11.1, 0.1)
    expect(roads).to.deep.equal([
      { fromId: site.id, fromName: site.name, toId: person.id, toName: person.name, minutes: 17 },
    ])
    expect(unknown).to.deep.equal(['Nowhere'])
  })

  it('is nobody’s where two sites bear the name', () => {
    const twice = { sites: ['a', 'b'].map((id) => ({ id, name: 'Mill', area: '' })), technicians: [] }
    const list = { places: [{ name: 'Mill', latitude: 1, longitude: 2 }], roads: [], wrong: [] }
    expect(matchPlaces(list, twice)).to.deep.include({ places: [], unknown: ['Mill'] })
  })

  it('is set by eight at once: each is answered, and one of them stands', async () => {
    const told = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        setPlaces(db, actor(), [{ siteId: firm.siteId, latitude: 44 + i / 100, longitude: -31 }], now()),
      ),
    )
    expect(told.reduce((sum, { changed }) => sum + changed, 0)).to.equal(8)
    const { sites } = await placesOf(db, firm.firmId)
    expect(sites.find(({ id }) => id === firm.siteId)!.place!.longitude).to.equal(-31)
  })
})
