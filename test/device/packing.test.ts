import { expect } from 'chai'
import { aboutDevice, keepAboutDevice } from '../../src/device/about-device.ts'
import { answerFor, answerHere } from '../../src/device/answers.ts'
import { decipher, encipher, newKey } from '../../src/device/cipher.ts'
import { callersHere, foundHere } from '../../src/device/found-here.ts'
import { packUp } from '../../src/device/pack-up.ts'
import { makeRoom, pack, packAgain, packedAnswer, packedLines, touchPacked } from '../../src/device/packed.ts'
import type { PackingLine, PackingList } from '../../src/views/packing-list.ts'
import { about, firm, ines, odile, onEmptyDevice } from './empty-device.ts'

const now = Date.parse('2026-11-26T07:00:00Z')
const usual = { etag: null, why: 'day', at: now, seq: 1 } as const

describe('what lies in the store of a device', () => {
  it('comes back as it was, and only with its own key, and only unchanged', async () => {
    const key = await newKey()
    const value = { text: 'Schlüssel', of: [1, null, 2.5], deep: { là: 'ça' } }
    const enciphered = await encipher(key, value)
    expect(await decipher(key, enciphered)).to.deep.equal(value)
    expect(new TextDecoder('latin1').decode(enciphered.bytes)).not.to.contain('Schl')
    const fails = async (work: Promise<unknown>) => work.then(() => false).catch(() => true)
    expect(await fails(decipher(await newKey(), enciphered)), 'another key').to.equal(true)
    expect(await fails(decipher(null, enciphered)), 'no key').to.equal(true)
    enciphered.bytes[3]! ^= 1
    expect(await fails(decipher(key, enciphered)), 'a bit turned over').to.equal(true)
    expect(await decipher(null, await encipher(null, value)), 'no cipher in this browser').to.deep.equal(value)
  })

  it('cannot be taken out of the browser with its key', async () => {
    const key = (await newKey())!
    const out = await crypto.subtle.exportKey('raw', key).then(
      () => 'taken',
      () => 'kept',
    )
    expect(out).to.equal('kept')
  })
})

describe('what is packed', () => {
  onEmptyDevice()

  it('is answered as it came, and an unreadable one is none', async () => {
    await pack('/a', { a: [1, 2] }, usual)
    expect(await packedAnswer('/a')).to.deep.equal({ answer: { a: [1, 2] }, packedAt: now })
    expect(await packedAnswer('/b')).to.equal(null)
    const { deviceDatabase } = await import('../../src/device/database.ts')
    await (await deviceDatabase()).clear('key')
    expect(await packedAnswer('/a'), 'its key is gone').to.equal(null)
  })

  it('stays packed for what it was packed for when somebody looks at it', async () => {
    await pack('/day', 'before', { ...usual, seq: 7 })
    await packAgain('/day', 'after', { etag: '"2"', at: now + 1 })
    await packAgain('/new', 'x', { etag: null, at: now })
    expect((await packedAnswer('/day'))!.answer).to.equal('after')
    expect((await packedLines()).map(({ address, why, seq }) => [address, why, seq])).to.deep.equal([
      ['/day', 'day', 7],
      ['/new', 'opened', 0],
    ])
  })

  it('makes room from what was only opened, the longest ago; what is kept by hand stays longest', async () => {
    const big = 'x'.repeat(10)
    await pack('/by-hand', big, { ...usual, why: 'by-hand', at: 1 })
    await pack('/opened-long-ago', big, { ...usual, why: 'opened', at: 2 })
    await pack('/opened', big, { ...usual, why: 'opened', at: 3 })
    await pack('/day', big, { ...usual, at: 1 })
    await touchPacked('/opened-long-ago', { usedAt: 9 })
    const each = (await packedLines())[0]!.bytes
    const left = async (most: number) => {
      await makeRoom(most)
      return (await packedLines()).map(({ address }) => address).sort()
    }
    expect(await left(4 * each)).to.have.length(4)
    expect(await left(3 * each)).to.deep.equal(['/by-hand', '/day', '/opened-long-ago'])
    expect(await left(2 * each)).to.deep.equal(['/by-hand', '/day'])
    expect(await left(each)).to.deep.equal(['/by-hand'])
  })
})

/** A server with a packing list, that can be cut off after some answers. */
class Yard {
  asked: string[] = []
  cutAfter = Number.POSITIVE_INFINITY
  seq = 7
  technician = ines
  lines: PackingLine[] = ['/a', '/b', '/c'].map((address) => ({ address, why: 'day' }))
  tags = new Map<string, string>()

  fetch = (async (url: string, { headers }: { headers: Record<string, string> }) => {
    if (this.asked.length >= this.cutAfter) throw new TypeError('Failed to fetch')
    this.asked.push(url)
    const { technician, seq, lines } = this
    const list: PackingList = {
      technician,
      firm,
      now: new Date(now + 90_000).toISOString(),
      seq,
      days: [],
      sites: [],
      machines: [],
      lines,
    }
    if (url.startsWith('/api/packing-list')) return Response.json(list)
    const etag = this.tags.get(url) ?? '"1"'
    if (headers['if-none-match'] === etag) return new Response(null, { status: 304, headers: { etag } })
    return Response.json({ of: url, etag }, { headers: { etag } })
  }) as unknown as typeof fetch
}

describe('packing for a day', () => {
  onEmptyDevice()
  const hour = 3_600_000

  it('takes all that is on the list, and says who it is for and how the clocks stand', async () => {
    const yard = new Yard()
    const told: string[] = []
    const up = await packUp({ now, ask: yard.fetch, onLine: (here, of) => told.push(`${here}/${of}`) })
    expect(up).to.deep.include({ here: 3, of: 3, stopped: null })
    expect(told).to.deep.equal(['1/3', '2/3', '3/3'])
    expect((await packedAnswer('/b'))!.answer).to.deep.equal({ of: '/b', etag: '"1"' })
    expect(await aboutDevice()).to.deep.equal({ technician: ines, firm, aheadMs: 90_000, packedAt: now, seq: 7 })
  })

  it('goes on where it broke off, and asks for nothing twice', async () => {
    const yard = new Yard()
    yard.cutAfter = 2
    expect(await packUp({ now, ask: yard.fetch })).to.deep.include({ here: 1, of: 3, stopped: 'no network' })
    expect((await aboutDevice())!.packedAt, 'not all of it is here').to.equal(null)
    yard.cutAfter = Number.POSITIVE_INFINITY
    yard.asked = []
    await packUp({ now: now + 1000, ask: yard.fetch })
    expect(yard.asked.slice(1)).to.deep.equal(['/b', '/c'])
    expect((await aboutDevice())!.packedAt).to.equal(now + 1000)
  })

  it('asks again after a while or a write, and takes only what is another', async () => {
    const yard = new Yard()
    await packUp({ now, ask: yard.fetch })
    yard.asked = []
    yard.seq = 8
    yard.tags.set('/c', '"2"')
    await packUp({ now: now + hour, ask: yard.fetch })
    expect(yard.asked.slice(1)).to.deep.equal(['/a', '/b', '/c'])
    expect((await packedAnswer('/c'))!.answer).to.deep.equal({ of: '/c', etag: '"2"' })
    expect((await packedLines()).map(({ seq, packedAt }) => [seq, packedAt])).to.deep.equal(
      Array.from({ length: 3 }, () => [8, now + hour]),
    )
  })

  it('can be stopped, and shows nobody what was packed for somebody else', async () => {
    const yard = new Yard()
    await packUp({ now, ask: yard.fetch })
    const stop = new AbortController()
    yard.seq = 9
    const up = await packUp({ now: now + hour, ask: yard.fetch, signal: stop.signal, onLine: () => stop.abort() })
    expect(up).to.deep.include({ here: 1, stopped: 'told to' })
    yard.technician = odile
    yard.lines = [{ address: '/a', why: 'day' }]
    await packUp({ now: now + hour, ask: yard.fetch })
    expect((await packedLines()).map(({ address }) => address)).to.deep.equal(['/a'])
    expect((await aboutDevice())!.technician).to.deep.equal(odile)
  })

  it('asks for the machines that were opened lately as well', async () => {
    const id = '019365c4-8c00-7064-bf13-fa5cb4a91e72'
    await pack(`/api/machines/${id}/bundle`, {}, { ...usual, why: 'opened' })
    const yard = new Yard()
    await packUp({ now, ask: yard.fetch, keptSites: ['s1', 's2'] })
    expect(yard.asked[0]).to.equal(`/api/packing-list?sites=s1%2Cs2&machines=${id}`)
  })
})

describe('what is answered without network', () => {
  onEmptyDevice()
  const machine = {
    machineId: '019365c4-8c00-7064-bf13-fa5cb4a91e72',
    machineName: 'Back counter',
    model: 'Ostrel S4',
    serial: 'OS4-2540',
    kind: 'sr',
    siteId: '019365c4-8c00-75db-b217-8cb8fee59fe3',
    siteName: 'Paper Lantern bookshop',
    area: 'Millrace',
    customer: 'Paper Lantern',
    contact: 'Bea',
    phone: '0555 0102-33',
  }
  const other = { ...machine, machineId: machine.siteId, machineName: 'Left bar', serial: 'TD2-11', phone: '' }

  it('is found by every word, by serial number, and by who rings', () => {
    const names = (text: string) => foundHere([machine, other], text).rows.map(({ name }) => name)
    expect(names('lantern BACK')).to.deep.equal(['Back counter'])
    expect(names('td2')).to.deep.equal(['Left bar'])
    expect(names('')).to.have.length(2)
    expect(names('no such')).to.deep.equal([])
    expect(foundHere([machine, other], 'lantern').things).to.deep.equal([
      { sort: 'site', name: 'Paper Lantern bookshop', about: 'Millrace', href: `/sites/${machine.siteId}` },
    ])
    expect(callersHere([machine, other], '+44 555 010233').map(({ machineName }) => machineName)).to.deep.equal([
      'Back counter',
    ])
    expect(callersHere([machine, other], '  ')).to.deep.equal([])
  })

  it('is what was packed, under the address it was packed as', async () => {
    const at = (path: string) => new URL(path, 'http://here')
    await pack('/api/machines/all', { machines: [machine, other] }, usual)
    await pack(`/api/machines/${machine.machineId}/noted`, { noted: [1] }, usual)
    await pack('/round', { handed: 1 }, usual)
    const found = (await answerHere(at('/api/find?q=left'), false, new Date(now)))!.answer as {
      rows: { name: string }[]
    }
    expect(found.rows.map(({ name }) => name)).to.deep.equal(['Left bar'])
    const noted = await answerHere(at(`/api/machines/${machine.machineId}/noted?n=3`), false, new Date(now))
    expect(noted!.answer).to.deep.equal({ noted: [1] })
    expect((await answerHere(at('/round'), true, new Date(now)))!.answer).to.deep.equal({ handed: 1 })
    expect(await answerHere(at('/round?gather=site'), true, new Date(now)), 'not packed so').to.equal(null)
    const day = answerFor(at('/api/round/day?who=ines&n=3&on=2026-11-26'), false)!
    expect(day.packedAs(at('/api/round/day?who=ines&n=3&on=2026-11-26'))).to.equal(
      '/api/round/day?on=2026-11-26&who=ines',
    )
    expect(await answerHere(at('/api/round/day?on=2026-11-27&who=ines'), false, new Date(now))).to.equal(null)
    expect(answerFor(at('/api/firm'), false)).to.equal(null)
    expect(answerFor(at('/firm'), true)).to.equal(null)
    expect(answerFor(at('/round'), true)).not.to.equal(null)
  })

  it('knows whose device it is', async () => {
    expect(await aboutDevice()).to.equal(null)
    await keepAboutDevice(about)
    expect(await aboutDevice()).to.deep.equal(about)
  })
})
