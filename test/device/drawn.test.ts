import { expect } from 'chai'
import { drawnOn, isDrawnAhead, keepDrawn } from '../../src/device/drawn.ts'
import { forgetDevice } from '../../src/device/forget-device.ts'
import { pack, packAgain, packedLines } from '../../src/device/packed.ts'
import { putUnsent } from '../../src/device/unsent.ts'
import { makeEntry } from '../../src/islands/make-entry.ts'
import { ines, onEmptyDevice } from './empty-device.ts'

const now = Date.parse('2026-11-26T07:00:00Z')
const on = '2026-11-26'
const id = '01939000-0000-7000-8000-0000000000aa'
const drawn = (html: string, at = now) => ({ html, on, at })

describe('a page as it was drawn', () => {
  onEmptyDevice()

  it('is shown on its own day alone, as it was drawn last', async () => {
    await keepDrawn('/round/day', drawn('<h1>Five stops</h1>'))
    await keepDrawn('/round/day', drawn('<h1>Four stops</h1>', now + 1))
    expect(await drawnOn('/round/day', on)).to.deep.equal(drawn('<h1>Four stops</h1>', now + 1))
    expect(await drawnOn('/round/day', '2026-11-27'), 'tomorrow it says nothing true').to.equal(null)
    expect(await drawnOn('/round', on)).to.equal(null)
  })

  it('is gone once something was written, whatever it was about', async () => {
    await keepDrawn('/round/day', drawn('<h1>Five stops</h1>'))
    await keepDrawn(`/machines/${id}`, drawn('<h1>Left bar</h1>'))
    await putUnsent([makeEntry('machine', 'another', 'note', { text: 'Drips' }, on)], {
      by: ines.id,
      knownSeq: null,
      now,
    })
    expect(await drawnOn('/round/day', on)).to.equal(null)
    expect(await drawnOn(`/machines/${id}`, on)).to.equal(null)
  })

  it('is gone once what it may be drawn from came anew and said something else, as when a machine was put out of use', async () => {
    const usual = { etag: '"1"', why: 'day', at: now, seq: 1 } as const
    const bundle = '/api/machines/1/bundle'
    const keep = () => keepDrawn('/round/day', drawn('<h1>Five stops</h1>'))
    const isThere = async () => (await drawnOn('/round/day', on)) !== null
    await keep()
    await pack(bundle, { held: false }, usual)
    expect(await isThere(), 'nothing was known before').to.equal(true)
    await pack(bundle, { held: false }, { ...usual, at: now + 1 })
    await packAgain('/api/round/day', { stops: 5 }, { etag: null, at: now })
    await packAgain('/api/round/day', { stops: 5 }, { etag: null, at: now + 1 })
    expect(await isThere(), 'the same once more').to.equal(true)
    await packAgain('/api/round/day', { stops: 4 }, { etag: null, at: now + 2 })
    expect(await isThere()).to.equal(false)
    await keep()
    await pack(bundle, { held: true }, { ...usual, etag: '"2"' })
    expect(await isThere()).to.equal(false)
  })

  it('goes with whoever leaves, lies enciphered, and forty at most are kept', async () => {
    for (let i = 0; i < 43; i += 1) await keepDrawn(`/machines/${i}`, drawn('<h1>Kettle Lane</h1>', now + i))
    expect((await packedLines()).map(({ packedAt }) => packedAt - now).sort((a, b) => a - b)).to.deep.equal(
      Array.from({ length: 40 }, (_, i) => i + 3),
    )
    await keepDrawn('/machines', drawn('x'.repeat(600_001)))
    expect(await drawnOn('/machines', on), 'larger than any page of ours').to.equal(null)
    await forgetDevice(ines.id)
    expect(await packedLines()).to.deep.equal([])
  })

  it('is one that is read, not one that is filled in or asks something', () => {
    const ahead = (path: string) => isDrawnAhead(new URL(path, 'http://127.0.0.1'))
    for (const path of ['/round', '/round/day', '/round/weeks', '/machines', `/machines/${id}`, `/sites/${id}/`])
      expect(ahead(path), path).to.equal(true)
    for (const path of [
      '/',
      '/waits',
      '/round/call',
      '/round/day?on=2026-11-27',
      `/machines/${id}?lens=ledger`,
      `/machines/${id}/entry`,
      `/machines/${id}/run`,
      `/sites/${id}/leaving`,
      '/firm',
      `/machines/${id}/../../sign-in`,
    ])
      expect(ahead(path), path).to.equal(false)
  })
})
