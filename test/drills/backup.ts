import { spawn } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import sharp from 'sharp'
import { root } from '../../scripts/install.mjs'
import { entryAbout } from '../records/a-database.ts'
import { type Application, firmIn, startApplication } from './application.ts'
import { addCounts, roundsAsked } from './figures.ts'

// `npm run drill:backup [-- rounds]`: three write and one takes photos without pause, while backup after backup is made.
// Each is read back into a database of its own and compared, table by table and file by file, before it counts.
const rounds = roundsAsked(10)
const application = await startApplication(['--own'], { EVENSHOT_SERVERS: '1' })
try {
  const { firm, headers } = await firmIn(application)
  let working = true
  const counts = { 'backups made': 0, 'read back and equal': 0, entries: 0, photos: 0, rows: 0, files: 0 }
  const post = async (path: string, body: unknown) => {
    const response = await fetch(application.url + path, { method: 'POST', headers, body: JSON.stringify(body) })
    await response.arrayBuffer()
    if (!response.ok) throw new Error(`${path}: ${response.status}`)
  }
  const writer = async () => {
    for (; working; counts.entries += 1)
      await post('/api/entries', { entries: [entryAbout('machine', firm.c2, 'note', { text: 'while it is saved' })] })
  }
  const photographer = async () => {
    for (let i = 0; working; i += 1, counts.photos += 1) {
      const image = await sharp({ create: { width: 40, height: 30, channels: 3, background: colour(i) } })
        .png()
        .toBuffer()
      await post('/api/photos', { image: image.toString('base64') })
      await wait(20)
    }
  }
  const work = [writer(), writer(), writer(), photographer()]
  for (let round = 0; round < rounds; round += 1) {
    const folder = join(application.dataDir, `backup-${round}`)
    const { code, said } = await backUp(application, folder)
    counts['backups made'] += 1
    if (code === 0) counts['read back and equal'] += 1
    else console.log(said)
    if (code === 0) {
      const { tables, files } = JSON.parse(readFileSync(join(folder, 'manifest.json'), 'utf8'))
      counts.rows = Math.max(counts.rows, tables.entry.rows)
      counts.files = Math.max(counts.files, Object.keys(files).length)
    }
    rmSync(folder, { recursive: true, force: true })
  }
  working = false
  await Promise.all(work)
  console.log(`In this run: ${JSON.stringify(counts)}`)
  const { rows: _, files: __, ...added } = counts
  console.log(`In all: ${JSON.stringify(addCounts('backup', added))}`)
  if (counts['read back and equal'] < counts['backups made']) throw new Error('A backup was none')
} finally {
  await application.stop()
}

/** Another one each time: the same picture twice is one photo. */
function colour(i: number) {
  return { r: i % 256, g: Math.floor(i / 256) % 256, b: Math.floor(i / 65_536) }
}

function backUp({ dataDir }: Application, folder: string): Promise<{ code: number | null; said: string }> {
  const child = spawn(join(root, 'node_modules/.bin/tsx'), ['scripts/backup.ts', folder], {
    cwd: root,
    env: { ...process.env, EVENSHOT_DATA: dataDir },
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text))
  return new Promise((resolve) => child.once('close', (code) => resolve({ code, said })))
}
