import { join } from 'node:path'
import { isDeepStrictEqual } from 'node:util'
import { Worker } from 'node:worker_threads'
import fc from 'fast-check'
import sharp from 'sharp'
import { bundle } from '../../scripts/build.ts'
import { root } from '../../scripts/install.mjs'
import { crossedIn } from '../../src/core/ledger/crossed.ts'
import type { Entry, RecordedEntry } from '../../src/core/ledger/entry.ts'
import { photosIn } from '../../src/core/ledger/photos-in.ts'
import { newId } from '../../src/islands/new-id.ts'
import { entryAbout } from '../records/a-database.ts'
import type { LineFault, Told } from './a-device.ts'
import { answersAgain, firmIn, headersOf, startApplication } from './application.ts'
import { addCounts, type Counts, countsSoFar, roundsAsked } from './figures.ts'

// `npm run drill:offline [-- schedules]`: two devices of one person and one of another write, each with a line that
// breaks: before a request leaves, after it arrived, in the middle of it with the page killed, a serving process killed
// beside it, two tabs sending at once. At every moment each save is in the ledger whole or not at all and nothing is
// there twice; when the lines are mended all of it is there, as it was written, in its order.
const schedules = roundsAsked(40)
const already = countsSoFar('offline').schedules ?? 0

const fault = fc.constantFrom<LineFault>('none', 'none', 'unreachable', 'answer lost', 'killed before', 'killed after')
const device = fc.integer({ min: 0, max: 2 })
const step = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.record({
      do: fc.constant('write' as const),
      device,
      notes: fc.integer({ min: 1, max: 3 }),
      /** Visits are a person’s own. */
      visit: fc.option(fc.integer({ min: 0, max: 1 })),
      photo: fc.boolean().map((yes) => yes),
      corrects: fc.boolean(),
      /** Grades a part: what another says of it meanwhile may differ. */
      grade: fc.option(fc.integer({ min: 0, max: 4 })),
      /** Leaves: a visit of its own is closed with a name signed under it, and a part on its lines. */
      closes: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
    }),
  },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('look' as const), device }) },
  {
    weight: 3,
    arbitrary: fc.record({
      do: fc.constant('send' as const),
      device,
      faults: fc.array(fault, { maxLength: 4 }),
      tabs: fc.integer({ min: 1, max: 2 }),
      /** A serving process is killed meanwhile. */
      kills: fc.integer({ min: 0, max: 24 }).map((n) => n === 0),
    }),
  },
)

const application = await startApplication(['--own'], { EVENSHOT_SERVERS: '2' })
const counts: Counts = {
  schedules: 0,
  saves: 0,
  entries: 0,
  photos: 0,
  closings: 0,
  cuts: 0,
  kills: 0,
  lost: 0,
  doubled: 0,
  half: 0,
  changed: 0,
  crossed: 0,
  silent: 0,
}
const devices: Worker[] = []
// A thread reads no TypeScript.
const program = 'data/drills/a-device.mjs'
bundle('test/drills/a-device.ts', program)
try {
  const { firm, headers } = await firmIn(application)
  const db = application.openDb()
  const odile = await headersOf(db, firm.firmId, firm.odile)
  for (const [by, own] of [
    [firm.ines, headers],
    [firm.ines, headers],
    [firm.odile, odile],
  ] as const)
    devices.push(new Worker(join(root, program), { workerData: { url: application.url, headers: own, by } }))
  const asking = devices.map(answering)
  const images = await Promise.all([1, 2, 3].map(picture))
  /** All of the machine as it is kept, asked as a page asks. */
  const ledger = async (): Promise<RecordedEntry[]> => {
    const bundle = await (await fetch(`${application.url}/api/machines/${firm.c2}/bundle`, { headers })).json()
    return bundle.ledgers.machine
  }
  const inLedger = (ids: string[]): Promise<Entry[]> =>
    db.transaction(async (trx): Promise<Entry[]> => {
      await trx.raw(`select set_config('evenshot.firm', ?, true)`, [firm.firmId])
      return trx('entry').whereRaw('id = any(?)', [ids]).orderBy('seq').select('id', 'kind', 'body')
    })

  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 12 }), async (steps) => {
      await Promise.all(asking.map((tell) => tell({ do: 'reset' })))
      const first = entryAbout('machine', firm.c2, 'note', { text: 'what two will correct' })
      const saves: { device: number; entries: Entry[]; knew: number }[] = []
      const knew = (await asking[0]!({ do: 'write', entries: [first as Entry], image: null })) as number
      saves.push({ device: 0, entries: [first as Entry], knew })
      await asking[0]!({ do: 'send', faults: [], tabs: 1 })
      for (const one of steps) {
        if (one.do === 'write') {
          const visit = one.visit === null ? {} : { visitId: visitOf(first.id, one.visit + (one.device === 2 ? 2 : 0)) }
          const notes = Array.from({ length: one.notes }, (_, i) =>
            entryAbout('machine', firm.c2, 'note', { text: `${saves.length}, ${i}` }, visit),
          )
          const corrected = { ...visit, supersedes: first.id }
          const entries = [
            ...notes,
            ...(one.corrects
              ? [entryAbout('machine', firm.c2, 'note', { text: `corrected by ${one.device}` }, corrected)]
              : []),
            ...(one.grade === null
              ? []
              : [entryAbout('machine', firm.c2, 'inspected', { part: 'pump-head', condition: one.grade }, visit)]),
            ...(one.closes ? leaving(one.device === 2 ? firm.odile : firm.ines, saves.length) : []),
            ...(one.photo ? [entryAbout('machine', firm.c2, 'pictured', { photos: ['waits'] }, visit)] : []),
          ] as Entry[]
          const image = one.photo ? images[saves.length % images.length]! : null
          const knew = (await asking[one.device]!({ do: 'write', entries, image })) as number
          saves.push({ device: one.device, entries, knew })
          continue
        }
        if (one.do === 'look') {
          await answersAgain(application)
          await asking[one.device]!({ do: 'look' })
          continue
        }
        if (one.kills) {
          counts.kills! += 1
          const [server] = application.servers()
          if (server) process.kill(server, 'SIGKILL')
        }
        counts.cuts! += one.faults.filter((each) => each !== 'none').length
        await asking[one.device]!({ do: 'send', faults: one.faults, tabs: one.tabs })
        await whole(saves)
      }
      await answersAgain(application)
      for (const [d, tell] of asking.entries()) {
        for (let i = 0; i < 20 && ((await tell({ do: 'left' })) as unknown[]).length > 0; i += 1)
          await tell({ do: 'send', faults: [], tabs: 1 })
        const left = await tell({ do: 'left' })
        if (!isDeepStrictEqual(left, [])) throw new Error(`Device ${d} has not sent all: ${JSON.stringify(left)}`)
      }
      await arrived(saves)
      await nothingSilent(saves)
      counts.schedules! += 1
      counts.saves! += saves.length
    }),
    { numRuns: schedules, seed: 20_261_126 + already, endOnFailure: true },
  )
  await db.destroy()

  /** A visit as it is begun and closed: who was there, what was fitted, who signed how. */
  function leaving(technicianId: string, n: number): Entry[] {
    const own = { visitId: newId() }
    const line = { id: '1', of: 'part', name: 'Group gasket', part: 'group-gasket', unit: 'piece', pays: 'customer' }
    const closing = {
      minutes: [{ subjectId: firm.c2, minutes: n + 1 }],
      left: [{ subjectId: firm.c2, what: 'counter', reason: 'its display is dark' }],
      currency: 'EUR',
      taxBp: 1900,
      lines: [{ ...line, quantityMilli: 1000, priceMinor: 520 + n }],
      sentences: [{ of: 'done', text: 'I was shown what was done here today.' }],
      signed: {
        how: 'signed',
        name: 'Bram Thistle',
        at: '2026-11-20T12:02:00.000Z',
        strokes: [Array.from({ length: 40 }, (_, i) => 20 + i * 7 + n)],
      },
    }
    return [
      entryAbout('site', firm.siteId, 'visit', { technicianIds: [technicianId] }, own),
      entryAbout('machine', firm.c2, 'fitted', { part: 'group-gasket', group: 1 }, own),
      entryAbout('site', firm.siteId, 'visit-closed', closing, own),
    ] as Entry[]
  }

  /** Nothing twice, no save in part. */
  async function whole(saves: { entries: Entry[] }[]): Promise<void> {
    const there = new Set(
      (await inLedger(saves.flatMap(({ entries }) => entries.map(({ id }) => id)))).map(({ id }) => id),
    )
    for (const { entries } of saves) {
      const many = entries.filter(({ id }) => there.has(id)).length
      // What is of a visit stands or falls together; what stands alone may be refused by itself, and is not here.
      if (many !== 0 && many !== entries.length) counts.half! += 1
    }
    if (counts.half! > 0) throw new Error('A save is in the ledger in part')
  }

  /** All of it, as it was written; each device’s saves about one thing in their order. */
  async function arrived(saves: { device: number; entries: Entry[] }[]): Promise<void> {
    const written = saves.flatMap(({ entries }) => entries)
    const there = await inLedger(written.map(({ id }) => id))
    const byId = new Map(there.map((entry) => [entry.id, entry]))
    counts.entries! += written.length
    counts.lost! += written.filter(({ id }) => !byId.has(id)).length
    counts.doubled! += there.length - byId.size
    for (const entry of written) {
      const kept = byId.get(entry.id)
      if (entry.kind === 'visit-closed') counts.closings! += kept ? 1 : 0
      if (entry.kind !== 'pictured') counts.changed! += isDeepStrictEqual(kept?.body, entry.body) ? 0 : 1
      else {
        const [photo] = kept ? photosIn(kept) : []
        const isHere = photo && (await fetch(`${application.url}/api/photos/${photo.name}`, { headers })).ok
        counts[isHere ? 'photos' : 'lost']! += 1
      }
    }
    for (const d of [0, 1, 2])
      for (const visitId of new Set(written.map((entry) => entry.visitId))) {
        const own = saves.filter((save) => save.device === d).flatMap(({ entries }) => entries)
        const ids = own.filter((entry) => entry.visitId === visitId).map(({ id }) => id)
        const order = there.filter(({ id }) => ids.includes(id)).map(({ id }) => id)
        if (!isDeepStrictEqual(order, ids)) throw new Error(`Device ${d} is in the ledger in another order`)
      }
    if (counts.lost! + counts.doubled! + counts.changed! > 0) throw new Error('The ledger is not what was written')
  }

  /** Where two people graded one part, and whoever was sent later knew nothing of the other, it is asked about. */
  async function nothingSilent(saves: { device: number; entries: Entry[]; knew: number }[]): Promise<void> {
    const kept = await ledger()
    const asked = crossedIn(kept).crossings.filter(({ differs }) => differs)
    const seqOf = new Map(kept.map(({ id, seq }) => [id, seq]))
    const grades = saves.flatMap(({ device, entries, knew }) =>
      entries.flatMap((entry) =>
        entry.kind === 'inspected' ? [{ entry, knew, by: device === 2 ? 'odile' : 'ines' }] : [],
      ),
    )
    for (const late of grades)
      for (const met of grades) {
        const [at, before] = [seqOf.get(late.entry.id)!, seqOf.get(met.entry.id)!]
        const isCrossed = late.by !== met.by && before > late.knew && before < at
        if (!isCrossed || late.entry.body.condition === met.entry.body.condition) continue
        counts.crossed! += 1
        const isAsked = asked.some(({ lines }) =>
          [late, met].every(({ entry }) => lines.some(({ id }) => id === entry.id)),
        )
        counts.silent! += isAsked ? 0 : 1
      }
    if (counts.silent! > 0) throw new Error('Two said different things of one part, and nobody is asked')
  }
} finally {
  console.log(`In this run: ${JSON.stringify(counts)}`)
  console.log(`In all: ${JSON.stringify(addCounts('offline', counts))}`)
  await Promise.all(devices.map((thread) => thread.terminate()))
  await application.stop()
}
process.exit()

/** Tells a device what to do, one thing at a time. @throws what went wrong on it */
function answering(thread: Worker): (told: Told) => Promise<unknown> {
  let n = 0
  const waiting = new Map<number, { resolve: (answer: unknown) => void; reject: (error: Error) => void }>()
  thread.on('message', (said: { n: number; answer?: unknown; wrong?: string }) => {
    const one = waiting.get(said.n)
    waiting.delete(said.n)
    if (said.wrong) one?.reject(new Error(said.wrong))
    else one?.resolve(said.answer)
  })
  return (told) =>
    new Promise((resolve, reject) => {
      n += 1
      waiting.set(n, { resolve, reject })
      thread.postMessage({ n, told })
    })
}

/** A small photo of its own. */
async function picture(n: number): Promise<string> {
  const of = { width: 24, height: 16, channels: 3 as const, background: { r: 40 * n, g: 90, b: 60 } }
  return (await sharp({ create: of }).jpeg().toBuffer()).toString('base64')
}

/** A visit of one schedule. */
function visitOf(id: string, n: number): string {
  return `${id.slice(0, -1)}${(Number.parseInt(id.at(-1)!, 16) ^ (n + 1)).toString(16)}`
}
