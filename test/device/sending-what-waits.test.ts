import { createHash } from 'node:crypto'
import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { photosIn } from '../../src/core/ledger/photos-in.ts'
import { deviceDatabase } from '../../src/device/database.ts'
import { forgetDevice } from '../../src/device/forget-device.ts'
import { giveUpUnsent } from '../../src/device/give-up.ts'
import { sayClock } from '../../src/device/say-clock.ts'
import { nextChunk, pauseAfter, sendUnsent, toSend } from '../../src/device/send-unsent.ts'
import { allUnsent, countUnsent, putUnsent } from '../../src/device/unsent.ts'
import { countPhotos, letGoOfPhotos, putPhoto, waitingPhoto } from '../../src/device/waiting-photos.ts'
import { sendWithoutPhotos } from '../../src/device/without-photos.ts'
import { makeEntry } from '../../src/islands/make-entry.ts'
import { Ledger } from './a-ledger.ts'
import { onEmptyDevice } from './empty-device.ts'

const now = Date.parse('2026-11-26T09:00:00Z')
const note = (text: string, visitId?: string): Entry =>
  makeEntry('machine', 'm', 'note', { text }, '2026-11-26', visitId ? { visitId } : {})
const put = (entries: Entry[], by = 'ines') => putUnsent(entries, { by, knownSeq: null, now })
const textsOf = (entries: Entry[]) => entries.map(({ body }) => (body as { text: string }).text)

describe('what was written without network', () => {
  onEmptyDevice()

  it('is sent in the order it was written, and waits no more', async () => {
    const ledger = new Ledger()
    for (const text of ['a', 'b', 'c']) await put([note(text)])
    expect(await countUnsent()).to.include({ entries: 3, refused: 0 })
    const sending = await sendUnsent({ by: 'ines', now, ask: ledger.fetch })
    expect(sending).to.deep.include({ refused: [], stopped: null })
    expect(sending.sent).to.have.length(3)
    expect(textsOf(ledger.entries)).to.deep.equal(['a', 'b', 'c'])
    expect(await allUnsent()).to.deep.equal([])
  })

  it('is written once where its answer was lost', async () => {
    const ledger = new Ledger()
    ledger.faults = ['answer lost', 'unreachable']
    await put([note('a')])
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch })).stopped).to.equal('no network')
    expect(await countUnsent(), 'nobody knows that it arrived').to.include({ entries: 1 })
    // Not at once: whoever had no answer waits a moment.
    expect(await sendUnsent({ by: 'ines', now: now + 1, ask: ledger.fetch })).to.deep.include({ stopped: 'busy' })
    expect(ledger.asked).to.equal(1)
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    const [item] = await allUnsent()
    expect(item!.tries).to.equal(2)
    ledger.faults = ['unreachable']
    await sendUnsent({ by: 'ines', now: now - 9 * 86_400_000, ask: ledger.fetch })
    expect(ledger.asked, 'a clock that was set back holds nothing up').to.equal(3)
    expect(await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })).to.deep.include({ stopped: null })
    expect(textsOf(ledger.entries)).to.deep.equal(['a'])
  })

  it('stands with its reason where it is refused, holds its visit, and lets the rest go', async () => {
    const ledger = new Ledger()
    ledger.refuses = (entry) => (textsOf([entry])[0] === 'wrong' ? 'is in the future' : null)
    await put([note('arrived', 'v')])
    await put([note('wrong', 'v')])
    await put([note('apart')])
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch })
    expect(textsOf(ledger.entries)).to.deep.equal(['apart'])
    const [arrived, wrong] = await allUnsent()
    expect(arrived).to.include({ state: 'waits' })
    expect(wrong).to.deep.include({ state: 'refused' })
    expect(wrong!.issues.map(({ message }) => message)).to.deep.equal(['is in the future'])
    // Asked again, nothing of the visit goes: it would be half.
    const before = ledger.asked
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    expect(ledger.asked).to.equal(before)
    await giveUpUnsent(wrong!, 'typed into the wrong machine')
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    expect(textsOf(ledger.entries)).to.deep.equal(['apart', 'arrived'])
    const [aside] = await (await deviceDatabase()).getAll('aside')
    expect(aside).to.deep.include({ why: 'typed into the wrong machine' })
  })

  it('is sent by nobody else, and waits for who was signed out', async () => {
    const ledger = new Ledger()
    await put([note('mine')])
    await put([note('hers')], 'odile')
    ledger.by = 'odile'
    // The session is another’s than this device believes.
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch })).stopped).to.equal('somebody else')
    expect(await sendUnsent({ by: 'odile', now, ask: ledger.fetch })).to.deep.include({ stopped: null })
    expect(textsOf(ledger.entries)).to.deep.equal(['hers'])
    ledger.by = 'ines'
    ledger.faults = ['signed out']
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })).stopped).to.equal('signed out')
    expect((await allUnsent()).map(({ by }) => by)).to.deep.equal(['ines'])
  })

  it('stays where somebody else signs out, and can be read when its writer comes back', async () => {
    await put([note('mine')])
    await put([note('hers')], 'odile')
    await forgetDevice('odile')
    expect((await allUnsent()).map(({ by, entries }) => [by, textsOf(entries)])).to.deep.equal([['ines', ['mine']]])
    await forgetDevice('ines')
    expect(await allUnsent()).to.deep.equal([])
    expect(await (await deviceDatabase()).count('key')).to.equal(0)
  })

  it('goes one by one where a request is not even read, so that one bad save holds up none', async () => {
    const ledger = new Ledger()
    const unread: typeof fetch = async (url, init) => {
      if (!init?.body) return ledger.fetch(url, init)
      const { entries } = JSON.parse(String(init!.body)) as { entries: Entry[] }
      if (textsOf(entries).includes('unreadable'))
        return Response.json({ issues: [{ path: 'entries', code: 'x', message: 'is no entry' }] }, { status: 400 })
      return ledger.fetch(url, init)
    }
    for (const text of ['a', 'unreadable', 'b']) await put([note(text)])
    const { sent, refused, stopped } = await sendUnsent({ by: 'ines', now, ask: unread })
    expect([sent.length, refused.length, stopped]).to.deep.equal([2, 1, null])
    expect(textsOf(ledger.entries)).to.deep.equal(['a', 'b'])
  })

  it('is nobody’s to read in the store', async () => {
    await put([note('the key is under the pot by the back door')])
    const stored = await (await deviceDatabase()).getAll('unsent')
    const raw = new TextDecoder('latin1').decode(stored[0]!.entries.bytes)
    expect(raw).not.to.contain('pot')
    expect(JSON.stringify({ ...stored[0], entries: null })).not.to.contain('pot')
  })

  it('says how far its writer knew the ledger', async () => {
    const ledger = new Ledger()
    const [knew, knewNothing] = [note('a'), note('b')]
    await putUnsent([knew], { by: 'ines', knownSeq: 41, now })
    await putUnsent([knewNothing], { by: 'ines', knownSeq: null, now })
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch })
    expect([...ledger.known]).to.deep.equal([[knew.id, 41]])
  })

  it('is asked about where the clock of this device did not go with the server’s, and sent when somebody said', async () => {
    const ledger = new Ledger()
    const hour = 3_600_000
    const off = (text: string): Entry => ({ ...note(text), happenedAt: new Date(now - 2 * hour).toISOString() })
    // Two hours behind, and still so when it is sent: written and sent at the same moment.
    await putUnsent([off('a')], { by: 'ines', knownSeq: null, now: now - 2 * hour })
    await putUnsent([off('b')], { by: 'ines', knownSeq: null, now: now - 2 * hour })
    await putUnsent([note('right')], { by: 'ines', knownSeq: null, now: now - 2 * hour, saidAt: now })
    const sending = await sendUnsent({ by: 'ines', now: now - 2 * hour, ask: ledger.fetch })
    expect(sending.refused).to.have.length(2)
    expect(textsOf(ledger.entries)).to.deep.equal(['right'])
    const [a, b] = await allUnsent()
    expect([a!.clockOffMs, b!.clockOffMs]).to.deep.equal([-2 * hour, -2 * hour])
    await sayClock(a!, 'server', 'Europe/London')
    await sayClock(b!, 'device', 'Europe/London')
    await sendUnsent({ by: 'ines', now: now - 2 * hour, ask: ledger.fetch, atOnce: true })
    expect(await allUnsent()).to.deep.equal([])
    expect(ledger.entries.slice(1).map((entry) => [textsOf([entry])[0], entry.happenedAt])).to.deep.equal([
      ['a', '2026-11-26T09:00:00.000Z'],
      ['b', '2026-11-26T07:00:00.000Z'],
    ])
  })

  it('is destroyed with all else, and its key, where the server says that this device was shut out', async () => {
    const ledger = new Ledger()
    const db = await deviceDatabase()
    const draft = { shelf: 'draft', of: 'm', version: 1, value: 'half written', keptAt: 1 }
    await put([note('mine')])
    await put([note('hers')], 'odile')
    await db.put('kept', draft)
    // A session that ran out is no such word.
    ledger.doorFaults = ['signed out']
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })).stopped).to.equal('signed out')
    expect(await allUnsent()).to.have.length(2)
    ledger.isShutOut = 'lost'
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })).stopped).to.equal('signed out')
    expect(ledger.entries).to.deep.equal([])
    for (const store of ['kept', 'unsent', 'photo', 'packed', 'about', 'key'] as const)
      expect(await db.count(store), store).to.equal(0)
  })

  it('is handed in where its writer left the firm, and only then destroyed', async () => {
    const ledger = new Ledger()
    const db = await deviceDatabase()
    await put([note('the last day')])
    await put([note('the last hour')])
    ledger.isShutOut = 'left'
    ledger.faults = ['none', 'unreachable']
    await put([note('of a visit', 'v')])
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    expect(textsOf(ledger.entries)).to.deep.equal(['the last day', 'the last hour', 'of a visit'])
    for (const store of ['unsent', 'packed', 'about', 'key'] as const) expect(await db.count(store), store).to.equal(0)
  })

  it('of a colleague on the same device stays where its holder left the firm', async () => {
    const ledger = new Ledger()
    await put([note('hers')], 'odile')
    await put([note('his last')])
    ledger.isShutOut = 'left'
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    expect(textsOf(ledger.entries)).to.deep.equal(['his last'])
    expect((await allUnsent()).map(({ by, entries }) => [by, textsOf(entries)])).to.deep.equal([['odile', ['hers']]])
  })

  it('comes through whatever befalls the line: nothing lost, nothing twice, no visit half, in order', async function () {
    this.timeout(120_000)
    const fault = fc.constantFrom('none', 'unreachable', 'answer lost', 'busy', 'signed out' as const)
    const step = fc.oneof(
      {
        weight: 3,
        arbitrary: fc.record({
          writes: fc.integer({ min: 1, max: 4 }),
          visit: fc.option(fc.integer({ min: 0, max: 2 })),
        }),
      },
      {
        weight: 2,
        arbitrary: fc.record({
          sends: fc.array(fault, { maxLength: 3 }),
          doors: fc.array(fault, { maxLength: 2 }),
          tabs: fc.integer({ min: 1, max: 2 }),
        }),
      },
    )
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 14 }), async (steps) => {
        await (await deviceDatabase()).clear('unsent')
        const ledger = new Ledger()
        const written: Entry[] = []
        for (const one of steps) {
          if ('writes' in one) {
            const visitId = one.visit === null ? undefined : `visit ${one.visit}`
            const entries = Array.from({ length: one.writes }, () => note(`n${written.length}`, visitId))
            written.push(...entries)
            await put(entries)
          } else {
            ledger.faults = [...one.sends]
            ledger.doorFaults = [...one.doors]
            await Promise.all(
              Array.from({ length: one.tabs }, () => sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })),
            )
            wholeAndOnce(ledger.entries, written, await allUnsent())
          }
        }
        ledger.faults = []
        ledger.doorFaults = []
        await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
        expect(await allUnsent()).to.deep.equal([])
        expect(new Set(ledger.entries.map(({ id }) => id))).to.deep.equal(new Set(written.map(({ id }) => id)))
        expect(ledger.entries).to.have.length(written.length)
        // What stands alone, and each visit for itself, is in the order it was written.
        for (const visit of new Set(written.map(({ visitId }) => visitId)))
          expect(ledger.entries.filter(({ visitId }) => visitId === visit).map(({ id }) => id)).to.deep.equal(
            written.filter(({ visitId }) => visitId === visit).map(({ id }) => id),
          )
      }),
      { numRuns: 120 },
    )
  })
})

describe('photos taken without network', () => {
  onEmptyDevice()
  const image = (text: string) => Buffer.from(text).toString('base64')
  const pictured = (photos: string[], subject = 'm', visitId?: string): Entry =>
    makeEntry('machine', subject, 'pictured', { photos }, '2026-11-26', visitId ? { visitId } : {})
  const of = (subject: string, text: string, visitId?: string): Entry =>
    makeEntry('machine', subject, 'note', { text }, '2026-11-26', visitId ? { visitId } : {})

  it('are called by what they hold, look the same, and are nobody’s to read in the store', async () => {
    const ref = await putPhoto(image('a gasket'), now)
    expect(ref).to.equal(createHash('sha256').update('a gasket').digest('hex'))
    expect(await putPhoto(image('a gasket'), now)).to.equal(ref)
    expect(new TextDecoder().decode((await waitingPhoto(ref))!)).to.equal('a gasket')
    expect(await waitingPhoto('0'.repeat(64))).to.equal(null)
    const [stored] = await (await deviceDatabase()).getAll('photo')
    expect(new TextDecoder('latin1').decode(stored!.image.bytes)).not.to.contain('gasket')
    expect(await countPhotos()).to.include({ photos: 1 })
    const later = now + 40 * 86_400_000
    await letGoOfPhotos(later, [pictured([ref])])
    expect(await waitingPhoto(ref), 'a save that waits names it').not.to.equal(null)
    const draft = { shelf: 'draft', of: 'm', version: 1, value: { photos: [{ name: ref }] }, keptAt: 1 }
    await (await deviceDatabase()).put('kept', draft)
    await letGoOfPhotos(later, [])
    expect(await waitingPhoto(ref), 'a draft names it').not.to.equal(null)
    await (await deviceDatabase()).clear('kept')
    await letGoOfPhotos(now + 86_400_000, [])
    expect(await waitingPhoto(ref), 'it is a day old').not.to.equal(null)
    await letGoOfPhotos(later, [])
    expect(await waitingPhoto(ref), 'nobody named it for a month').to.equal(null)
  })

  it('are sent before what names them, by the server’s names, each once', async () => {
    const ledger = new Ledger()
    const refs = [await putPhoto(image('one'), now), await putPhoto(image('two'), now)]
    await put([pictured(refs)])
    // The first photo arrives, its answer does not; then the line breaks again between photos and words.
    ledger.faults = ['answer lost']
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch })).stopped).to.equal('no network')
    ledger.faults = ['none', 'none', 'answer lost']
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })).stopped).to.equal('no network')
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    expect(await allUnsent()).to.deep.equal([])
    expect(ledger.entries).to.have.length(1)
    const [entry] = ledger.entries
    expect(photosIn(entry!).map(({ name }) => ledger.photos.get(name))).to.deep.equal([image('one'), image('two')])
    expect(ledger.photos.size).to.equal(2)
  })

  it('hold up no words but those of their own visit and machine', async () => {
    const ledger = new Ledger()
    const ref = await putPhoto(image('heavy'), now)
    await put([of('m', 'begins the visit', 'v')])
    await put([pictured([ref], 'm', 'v')])
    await put([of('m', 'after it')])
    await put([of('other', 'elsewhere')])
    ledger.faults = ['none', 'unreachable']
    expect((await sendUnsent({ by: 'ines', now, ask: ledger.fetch })).stopped).to.equal('no network')
    expect(textsOf(ledger.entries)).to.deep.equal(['elsewhere'])
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch, atOnce: true })
    expect(ledger.entries.map(({ kind, subjectId }) => `${kind} ${subjectId}`)).to.deep.equal([
      'note other',
      'note m',
      'pictured m',
      'note m',
    ])
  })

  it('that the server cannot keep are said, and lose nothing else', async () => {
    const ledger = new Ledger()
    ledger.refusesPhotos = true
    await put([pictured([await putPhoto(image('broken'), now)])])
    await put([of('other', 'elsewhere')])
    const { sent, refused } = await sendUnsent({ by: 'ines', now, ask: ledger.fetch })
    expect([sent.length, refused.length]).to.deep.equal([1, 1])
    const [item] = await allUnsent()
    expect(item!.issues[0]!.message).to.equal('The photo is no picture')
    // Said so by whoever took it: what was done is written without it.
    await sendWithoutPhotos(item!)
    expect(await allUnsent(), 'nothing but a photo was in it').to.deep.equal([])
    const shown = makeEntry(
      'machine',
      'm',
      'pictured',
      { photos: [await putPhoto(image('dark'), now)], text: 'drips here' },
      '2026-11-26',
    )
    await put([shown, of('m', 'and a word')])
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch })
    await sendWithoutPhotos((await allUnsent())[0]!)
    await sendUnsent({ by: 'ines', now, ask: ledger.fetch })
    expect(
      ledger.entries.slice(1).map(({ kind, id, body }) => [kind, id === shown.id, textsOf([{ body } as Entry])[0]]),
    ).to.deep.equal([
      ['note', true, 'drips here'],
      ['note', false, 'and a word'],
    ])
  })
})

/** Of all that was written, each is in the ledger or waits; none is there twice. */
function wholeAndOnce(ledger: Entry[], written: Entry[], waiting: { entryIds: string[] }[]): void {
  const ids = ledger.map(({ id }) => id)
  expect(new Set(ids).size).to.equal(ids.length)
  const known = new Set([...ids, ...waiting.flatMap(({ entryIds }) => entryIds)])
  expect(written.filter(({ id }) => !known.has(id))).to.deep.equal([])
}

describe('what is sent together', () => {
  const save = (order: number, visitIds: string[] = [], more: object = {}) => ({
    order,
    by: 'ines',
    visitIds,
    entryIds: [String(order)],
    entries: [],
    subjectIds: [],
    knownSeq: null,
    origin: null,
    bytes: 100,
    madeAt: 0,
    saidAt: 0,
    clockOffMs: null,
    tries: 0,
    nextAt: 0,
    state: 'waits' as const,
    issues: [],
    ...more,
  })
  const orders = (saves: { order: number }[]) => saves.map(({ order }) => order)

  it('is all up to the last of each visit in it, and no more than a thin line takes besides', () => {
    const saves = [save(1, ['v']), save(2), save(3, ['w']), save(4, ['v']), save(5, ['w']), save(6)]
    expect(orders(nextChunk(saves, 1))).to.deep.equal([1, 2, 3, 4, 5])
    expect(orders(nextChunk([save(1), save(2), save(3)], 2))).to.deep.equal([1, 2])
    expect(orders(nextChunk([save(1, [], { bytes: 400_000 }), save(2)]))).to.deep.equal([1])
    expect(orders(nextChunk([save(1, [], { origin: 'a list' }), save(2)]))).to.deep.equal([1])
  })

  it('is one’s own, and nothing of a visit in which something was refused', () => {
    const saves = [save(1, ['v']), save(2, ['v'], { state: 'refused' }), save(3), save(4, [], { by: 'odile' })]
    expect(orders(toSend(saves, 'ines'))).to.deep.equal([3])
  })

  it('is tried again later each time, never at the same moment as everybody else', () => {
    expect(pauseAfter(0, () => 0)).to.equal(1000)
    expect(pauseAfter(0, () => 0.999)).to.be.closeTo(3000, 5)
    expect(pauseAfter(3, () => 0.5)).to.equal(16_000)
    expect(pauseAfter(40, () => 0.999)).to.be.below(450_000)
  })
})
