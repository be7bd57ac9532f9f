import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { cpus, tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { startCluster } from '../scripts/cluster.ts'
import { bringUpToDate, privateDatabase } from '../scripts/database.ts'
import { plainWords } from '../src/core/files/guess-kind.ts'
import { guessColumns } from '../src/core/files/import-columns.ts'
import { filledIn } from '../src/core/firm/records.ts'
import { openDatabase, withFirm } from '../src/records/database.ts'
import { addFirm } from '../src/records/firms.ts'
import { insertKept } from '../src/records/kept.ts'
import { bringIn, startImport } from '../src/services/imports/bring-in.ts'
import { importPage } from '../src/services/imports/imports.ts'
import { checkImport } from '../src/services/imports/judge-import.ts'
import type { Actor } from '../src/services/judge-entry.ts'
import { median } from './times.ts'

/*
 * `npm run bench:lists [rows]`: how long a list of machines takes to be looked at and to be written, through the very
 * functions the endpoint and the worker call, against a database of its own. Beside it what the same rows cost as bare
 * inserts, in turn on the same machine.
 */
const rows = Number(process.argv[2] ?? 5000)
const rounds = 3
const now = new Date('2026-11-26T07:34:00Z')

const head = [
  'Site',
  'Customer',
  'Phone',
  'Kind',
  'Groups',
  'Maker',
  'Model',
  'Serial',
  'Taken on',
  'Counter',
  'Read on',
  'Hardness',
  'Softener',
]
const kinds = ['two-group', 'bean to cup', 'pods', 'grinder']
const meanings = ['c2', 'sr', 'pk', 'gr']

/** A firm's own list: three machines a site, two sites a customer, half of them behind a softener. */
const listOf = (n: number): string[][] =>
  Array.from({ length: n }, (_, i) => [
    `Site ${Math.floor(i / 3)}`,
    `Customer ${Math.floor(i / 6)}`,
    `0555 ${1000 + Math.floor(i / 6)}`,
    kinds[i % 4]!,
    i % 4 === 0 ? '2' : '',
    'Varnholt',
    `Duo ${i % 5}`,
    `VD-${100_000 + i}`,
    `${1 + (i % 28)}.${1 + (i % 12)}.20${10 + (i % 15)}`,
    `${1000 + ((i * 977) % 180_000)}`,
    '30.10.2026',
    `${8 + ((Math.floor(i / 3) * 7) % 18)} °dH`,
    Math.floor(i / 3) % 2 === 0 ? 'salt' : '',
  ])

const work = mkdtempSync(join(tmpdir(), 'evenshot-bench-lists-'))
chmodSync(work, 0o755)
process.env.EVENSHOT_DATA = join(work, 'data')
console.log(`${cpus().length} cores (${cpus()[0]!.model}), Node.js ${process.version}; ${rows} rows\n`)
const cluster = await startCluster(join(work, 'data'))
try {
  const urls = await privateDatabase(cluster, join(work, 'data'), 'evenshot_bench_lists')
  await bringUpToDate(urls)
  const db = openDatabase(urls.appUrl, 4)
  const times: { looked: number[]; written: number[]; bare: number[] } = { looked: [], written: [], bare: [] }
  for (let round = 0; round < rounds; round += 1) {
    const actor: Actor = { firmId: v7(), technicianId: v7(), role: 'owner' }
    await withFirm(db, actor.firmId, async (trx) => {
      await addFirm(trx, { id: actor.firmId, name: `Lists ${round}`, demo: false, timeZone: 'Europe/London' })
      const person = filledIn('technician', { name: 'Ines', initials: 'I', role: 'owner' })
      await insertKept(trx, actor.firmId, 'technician', actor.technicianId, person)
    })
    const lines = listOf(rows)
    const request = {
      id: v7(),
      what: 'machines',
      columns: guessColumns('machines', head),
      dateForm: 'day-first',
      mark: null,
      words: [
        ...kinds.map((word, i) => ['kind', plainWords(word), JSON.stringify({ is: 'kind', kind: meanings[i]! })]),
        ['softener', 'salt', JSON.stringify({ is: 'treatment', treatment: 'exchanger' })],
      ],
      unit: 'dH',
      cells: JSON.stringify([head, ...lines]),
    }
    const looking = performance.now()
    const checked = await checkImport(db, actor, { timeZone: 'Europe/London' }, request, now)
    times.looked.push(performance.now() - looking)
    if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
    const refused = checked.rows.filter(({ verdict }) => verdict !== 'taken')
    if (refused.length > 0) throw new Error(`${refused.length} rows are not taken: ${JSON.stringify(refused[0])}`)
    const writing = performance.now()
    const started = await startImport(db, actor, request, now)
    if (!started.ok) throw new Error(JSON.stringify(started.issues))
    await bringIn(db, actor.firmId, new AbortController().signal)
    times.written.push(performance.now() - writing)
    const page = (await importPage(db, actor, started.id))!
    if (page.state !== 'written') throw new Error(`the list is ${page.state}: ${page.problem}`)
    times.bare.push(await bareInserts(actor.firmId))
    console.log(
      `  looked at in ${seconds(times.looked.at(-1)!)} s, written in ${seconds(times.written.at(-1)!)} s (${page.made.entries} entries); bare inserts ${seconds(times.bare.at(-1)!)} s`,
    )
  }
  console.log(
    `\nmedian of ${rounds}: looked at ${seconds(median(times.looked))} s (reach 3), written ${seconds(median(times.written))} s (reach 30), ${(median(times.written) / median(times.bare)).toFixed(1)} times the bare inserts`,
  )
  await db.destroy()

  /** The rows that a firm's list became, put into tables of the same shape in as few statements as there are tables. */
  async function bareInserts(firmId: string): Promise<number> {
    return withFirm(db, firmId, async (trx) => {
      await trx.raw(
        'create temporary table bare_entry (like entry including defaults including indexes) on commit drop',
      )
      await trx.raw(
        'create temporary table bare_machine (like machine including defaults including indexes) on commit drop',
      )
      await trx.raw(
        'create temporary table bare_made (like import_made including defaults including indexes) on commit drop',
      )
      const start = performance.now()
      await trx.raw('insert into bare_machine select * from machine')
      await trx.raw('insert into bare_made select * from import_made')
      await trx.raw('insert into bare_entry select * from entry')
      return performance.now() - start
    })
  }
} finally {
  await cluster.stop()
  rmSync(work, { recursive: true, force: true })
}

function seconds(ms: number): string {
  return (ms / 1000).toFixed(1)
}
