import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { keep, send } from '../../src/islands/keep.ts'
import { makeEntry, writeFrom } from '../../src/islands/make-entry.ts'
import { newId } from '../../src/islands/new-id.ts'
import { sendEntries } from '../../src/islands/send-entries.ts'

const real = { fetch: globalThis.fetch, document: globalThis.document }
interface Asked {
  url: string
  method: string
  body: { entries: Entry[]; origin?: string; version?: number }
}

/** A server that answers as told, and remembers what it was asked. */
function answering(...answers: (Response | Error)[]): Asked[] {
  const asked: Asked[] = []
  globalThis.fetch = (async (url: string, init: RequestInit = {}) => {
    asked.push({ url, method: init.method ?? 'GET', body: init.body ? JSON.parse(String(init.body)) : undefined })
    const answer = answers.length > 1 ? answers.shift()! : answers[0]!
    if (answer instanceof Error) throw answer
    return answer.clone()
  }) as typeof fetch
  return asked
}
const json = (body: unknown, status = 200) => Response.json(body, { status })
const note = (text = 'x') => makeEntry('machine', 'm', 'note', { text }, '2026-11-26')

describe('sending from the browser', () => {
  before(() => {
    // The page says which instant it was drawn at, and where the site is that it is about.
    const told: Record<string, string> = { now: '2026-11-26T07:34:00Z', zone: 'Pacific/Auckland' }
    const querySelector = (asked: string) => ({ content: told[/evenshot-(\w+)/.exec(asked)![1]!] })
    globalThis.document = { querySelector } as unknown as Document
  })
  after(() => {
    globalThis.fetch = real.fetch
    globalThis.document = real.document
  })

  it('places what is written now at this moment where it is that day at the site, else at that day’s noon there', () => {
    // 07:34 in Greenwich is 20:34 in Auckland, the same day.
    // The page's clock has gone on since it was drawn, however long the tests before this one took.
    const written = Date.parse(makeEntry('machine', 'm', 'note', { text: 'x' }, '2026-11-26').happenedAt)
    const drawn = Date.parse('2026-11-26T07:34:00Z')
    expect(written).to.be.within(drawn, drawn + 3 * 3_600_000)
    expect(makeEntry('machine', 'm', 'note', { text: 'x' }, '2026-11-20').happenedAt).to.equal(
      '2026-11-19T23:00:00.000Z',
    )
  })

  it('makes ids that sort by when they were made', () => {
    const ids = Array.from({ length: 50 }, newId)
    expect(new Set(ids).size).to.equal(50)
    for (const id of ids) expect(id).to.match(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
    expect([...ids].sort()).to.deep.equal(ids)
  })

  it('keeps what was typed where the server is busy or breaks, whatever it answers with', async () => {
    for (const answer of [json({ issues: [] }, 503), new Response('<h1>This page broke</h1>', { status: 500 })]) {
      answering(answer)
      const sent = await sendEntries([note()], undefined, undefined, [1, 1])
      expect(sent).to.deep.include({ ok: false, why: 'offline' })
      expect(JSON.stringify(sent)).to.contain('kept on this device')
    }
  })

  it('asks a server again that was full or is just coming back, and sends the very same', async () => {
    const entry = note()
    const saved = json({ verdicts: [{ id: entry.id, verdict: 'saved' }], seq: 5 })
    const asked = answering(json({ issues: [] }, 503), new Response('', { status: 502 }), saved)
    expect(await sendEntries([entry], undefined, undefined, [1, 1])).to.deep.include({ ok: true })
    expect(asked.map(({ body }) => body.entries[0]!.id)).to.deep.equal([entry.id, entry.id, entry.id])
    // What it was told with is not asked again.
    const refused = answering(json({ issues: [{ path: '', code: 'x', message: 'no' }] }, 422))
    await sendEntries([entry], undefined, undefined, [1, 1])
    expect(refused).to.have.length(1)
  })

  it('says what became of entries', async () => {
    const entry = note()
    answering(json({ verdicts: [{ id: entry.id, verdict: 'saved' }], seq: 5 }))
    expect(await sendEntries([entry])).to.deep.include({ ok: true })
    const issues = [{ path: 'body.text', code: 'required', message: 'is missing' }]
    answering(json({ verdicts: [{ id: entry.id, verdict: 'refused', issues }], seq: 5 }, 422))
    expect(await sendEntries([entry])).to.deep.equal({
      ok: false,
      why: 'refused',
      issues: [{ ...issues[0], entryId: entry.id }],
    })
    answering(json({ verdicts: [], seq: 9, writtenSince: [{ seq: 9, by: 'Odile', recordedAt: '', said: [] }] }, 409))
    expect(await sendEntries([entry], { seq: 5, subjectIds: ['m'] })).to.deep.include({
      ok: false,
      why: 'written-since',
    })
    answering(json({ issues: [{ path: '', code: 'json', message: 'is not JSON' }] }, 400))
    expect(await sendEntries([entry])).to.deep.include({ ok: false, why: 'refused' })
  })

  it('tells a lost network from a lost session, and keeps what was typed out of neither', async () => {
    answering(new TypeError('failed to fetch'))
    expect(await sendEntries([note()])).to.deep.include({ ok: false, why: 'offline' })
    answering(json({ issues: [] }, 401))
    expect(await sendEntries([note()])).to.deep.include({ ok: false, why: 'signed-out' })
    answering(new TypeError('failed to fetch'))
    const told = await writeFrom([note()])
    expect(told.ok).to.equal(false)
    if (!told.ok) expect(told.issues[0]!.message).to.contain('No connection')
  })

  it('keeps a record with the version it was read in', async () => {
    const asked = answering(json({ version: 3 }))
    expect(await keep('customer', 'c', 2, { name: 'Marl' }, [note()])).to.deep.equal({ ok: true, version: 3 })
    expect(asked[0]).to.deep.include({ url: '/api/records/customer/c', method: 'PUT' })
    expect(asked[0]!.body).to.deep.include({ version: 2, record: { name: 'Marl' } })
    answering(json({ issues: [{ path: 'name', code: 'required', message: 'must not be empty' }] }, 422))
    expect(await keep('customer', 'c', 2, {})).to.deep.equal({
      ok: false,
      issues: [{ path: 'name', code: 'required', message: 'must not be empty' }],
    })
  })

  it('always has something to say when a server does not', async () => {
    for (const answer of [new Response('<html>', { status: 502 }), json({}, 500), new TypeError('reset')]) {
      answering(answer)
      const told = await send('POST', '/api/anything', {})
      expect(told.ok).to.equal(false)
      if (!told.ok) expect(told.issues[0]!.message.length).to.be.above(20)
    }
  })
})
