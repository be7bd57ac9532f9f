import { expect } from 'chai'
import { bundleWithUnsent } from '../../src/device/bundle-with-unsent.ts'
import type { Unsent } from '../../src/device/unsent.ts'
import { reckonBundle } from '../../src/islands/machine/reckon-bundle.ts'
import { type Db, withFirm } from '../../src/records/database.ts'
import { keepPhoto } from '../../src/records/photos.ts'
import { pageData } from '../../src/server/page-data.ts'
import { machineNames } from '../../src/services/calls.ts'
import { now } from '../../src/services/clock.ts'
import { machineBundle } from '../../src/services/machine-bundle.ts'
import { packingList } from '../../src/services/packing-list.ts'
import { writeEntries } from '../../src/services/write-entries.ts'
import { appDatabase, entryAbout, type SmallFirm, smallFirm } from '../records/a-database.ts'

describe('a day without network, seen from the server', () => {
  let db: Db
  let firm: SmallFirm
  const today = now().toISOString().slice(0, 10)
  const daysAgo = (days: number) => new Date(now().getTime() - days * 86_400_000).toISOString().slice(0, 10)
  const actor = () => ({ firmId: firm.firmId, technicianId: firm.ines, role: 'owner' as const })
  const bundle = async () => (await machineBundle(db, firm.firmId, firm.c2))!
  const waiting = (entries: Unsent['entries'], more: Partial<Unsent> = {}): Unsent => ({
    order: 1,
    by: firm.ines,
    entries,
    entryIds: entries.map(({ id }) => id),
    subjectIds: [],
    visitIds: [],
    knownSeq: null,
    origin: null,
    bytes: 0,
    madeAt: 0,
    saidAt: 0,
    clockOffMs: null,
    tries: 0,
    nextAt: 0,
    state: 'waits',
    issues: [],
    ...more,
  })

  before(async () => {
    db = appDatabase()
    firm = await smallFirm(db)
    const first = [
      entryAbout(
        'machine',
        firm.c2,
        'commissioned',
        { kind: 'c2', kindVersion: 1, partsNew: true },
        { on: daysAgo(170) },
      ),
      entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count: 1000 }, { on: daysAgo(120) }),
      entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count: 9000 }, { on: daysAgo(20) }),
    ]
    await writeEntries(db, actor(), first, { now: now() })
  })
  after(() => db.destroy())

  it('what waits moves a machine’s dates on the device as it does when it has arrived', async () => {
    const before = await bundle()
    const written = [
      entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count: 14_000 }, { on: today }),
      entryAbout('machine', firm.c2, 'cleaned', { task: 'backflush-detergent' }, { on: today }),
      entryAbout('softener', firm.softenerId, 'regenerated', {}, { on: today }),
      entryAbout('machine', firm.sr, 'note', { text: 'of another machine' }, { on: today }),
    ] as Unsent['entries']
    const refused = entryAbout('machine', firm.c2, 'reading', { counter: 'shots', count: 5 }, { on: today })
    const here = bundleWithUnsent(
      before,
      [waiting(written.slice(0, 1)), waiting(written), waiting([refused] as Unsent['entries'], { state: 'refused' })],
      now().toISOString(),
    )
    expect(here.unsent).to.have.members(written.slice(0, 3).map(({ id }) => id))
    const saved = await writeEntries(db, actor(), written, { now: now() })
    expect(saved.verdicts.map(({ verdict }) => verdict)).to.deep.equal(['saved', 'saved', 'saved', 'saved'])
    const there = await bundle()
    expect(reckonBundle(here)).to.deep.equal(reckonBundle(there))
    expect(reckonBundle(here)).not.to.deep.equal(reckonBundle(before))
    // An answer that was lost: it is in the ledger and waits still.
    expect(bundleWithUnsent(there, [waiting(written)], now().toISOString())).to.equal(there)
    expect(bundleWithUnsent(there, [], now().toISOString())).to.equal(there)
  })

  it('a device takes along its day, what is kept by hand, and what was opened, each once', async () => {
    const appointment = entryAbout(
      'site',
      firm.siteId,
      'appointment',
      { step: 'agreed', on: today, technicianId: firm.ines, minutes: 60, tasks: [] },
      { on: today, visitId: crypto.randomUUID() },
    )
    expect((await writeEntries(db, actor(), [appointment], { now: now() })).verdicts[0]!.verdict).to.equal('saved')
    const asks = (technicianId: string, more: { keptSites?: string[]; opened?: string[] } = {}) =>
      packingList(db, {
        technician: { id: technicianId, name: 'x', initials: 'x' },
        firm: { id: firm.firmId, name: 'f', timeZone: 'Europe/London', preferences: {} as never },
        today,
        now: now(),
        keptSites: [],
        opened: [],
        ...more,
      })
    const mine = await asks(firm.ines)
    expect(mine.sites).to.deep.equal([firm.siteId])
    expect(mine.machines).to.include(firm.c2)
    const addresses = mine.lines.map(({ address }) => address)
    expect(new Set(addresses).size).to.equal(addresses.length)
    expect(addresses).to.include.members([
      '/api/machines/all',
      `/api/round/day?on=${today}&who=${firm.ines}`,
      `/api/machines/${firm.c2}/bundle`,
      `/sites/${firm.siteId}`,
    ])
    const name = 'ab'.repeat(32)
    await withFirm(db, firm.firmId, (trx) =>
      keepPhoto(trx, firm.firmId, { name, width: 4, height: 3, bytes: 9 }, { technicianId: firm.ines, at: now() }),
    )
    const pictured = entryAbout('machine', firm.c2, 'pictured', { photos: [name] }, { on: today })
    const withdrawn = entryAbout('machine', firm.c2, 'withdrawn', {}, { on: today, supersedes: pictured.id })
    const small = async () => (await asks(firm.ines)).lines.filter(({ address }) => address.endsWith('/small'))
    await writeEntries(db, actor(), [pictured], { now: now() })
    expect((await small()).map(({ address }) => address)).to.deep.equal([`/api/photos/${name}/small`])
    await writeEntries(db, actor(), [withdrawn], { now: now() })
    expect(await small(), 'taken back').to.deep.equal([])
    const hers = await asks(firm.odile)
    expect(hers.sites, 'it is not her day').to.deep.equal([])
    const kept = await asks(firm.odile, { keptSites: [firm.siteId], opened: [firm.c2, crypto.randomUUID()] })
    expect(kept.lines.find(({ address }) => address === `/api/machines/${firm.c2}/bundle`)!.why).to.equal('by-hand')
    const lately = await asks(firm.odile, { opened: [firm.c2] })
    expect(lately.machines).to.deep.equal([firm.c2])
    const other = await smallFirm(db, 'Others')
    expect((await asks(firm.odile, { keptSites: [other.siteId], opened: [other.c2] })).machines).to.deep.equal([])
  })

  it('and the names of its own firm’s machines alone', async () => {
    const names = await machineNames(db, firm.firmId)
    expect(names.map(({ machineId }) => machineId)).to.include(firm.c2)
    const other = await smallFirm(db, 'Others still')
    expect((await machineNames(db, other.firmId)).map(({ machineId }) => machineId)).not.to.include(firm.c2)
  })

  it('a page’s data is what it hands over, with title and zone, whatever stands in them', () => {
    const html =
      '<head><meta name="evenshot-zone" content="Europe/London"><title>A &amp; B &#39;s · Even Shot</title></head>' +
      '<script type="application/json" id="handed">{"a":"\\u003c/script>","b":1}</script><p>x</p>'
    expect(pageData(html)).to.deep.equal({
      title: "A & B 's",
      timeZone: 'Europe/London',
      handed: { a: '</script>', b: 1 },
    })
    expect(pageData('<p>nothing</p>')).to.equal(null)
  })
})
