import { createHash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import { type Entry, openPromise } from 'yauzl'
import { ZipFile } from 'yazl'
import { photoPath } from './photos.ts'

/** Data as text, larger than which comes by backup and restore. */
const mostDataBytes = 200_000_000
export const mostPhotoBytes = 10_000_000

/** What stands in such a zip besides its data: what it is, and a digest of each file, so that it can be told whole. */
const manifestName = 'manifest.json'
export const photoFileName = (name: string) => `photos/${name}.jpg`

/** Which of these photos have their file here, and which were lost before. */
export async function photosHere<T extends { name: string }>(photos: T[]): Promise<{ photos: T[]; missing: string[] }> {
  const there = await Promise.all(photos.map(({ name }) => isThere(photoPath(name))))
  return {
    photos: photos.filter((_, i) => there[i]),
    missing: photos.filter((_, i) => !there[i]).map(({ name }) => name),
  }
}

const isThere = (path: string) =>
  stat(path).then(
    () => true,
    () => false,
  )

/** Such a zip, made while it is read. @param data - bytes, or the path of a file */
export function packZip(manifest: object, data: { name: string; from: Buffer | string }, photos: string[]): Readable {
  const zip = new ZipFile()
  zip.addBuffer(Buffer.from(JSON.stringify(manifest)), manifestName)
  if (typeof data.from === 'string') zip.addFile(data.from, data.name)
  else zip.addBuffer(data.from, data.name)
  for (const name of photos) zip.addFile(photoPath(name), photoFileName(name), { compress: false })
  zip.end()
  const out = zip.outputStream as unknown as Readable
  zip.on('error', (error: Error) => out.destroy(error))
  return out
}

/** A zip taken apart: its photos lie in the folder, each by its name, and are what their names say. */
export interface Unpacked {
  manifest: unknown
  data: Buffer | null
  /** Of the data. */
  digest: string
  photos: Set<string>
  folder: string
}

/**
 * Unpacks beside the zip, and compares each photo with its name. Whoever asked clears the folder away.
 * @throws Error where it is no zip, breaks off, or holds something that is not what it says; nothing is left over
 */
export async function unpackZip(path: string, dataName: string): Promise<Unpacked> {
  const zip = await openPromise(path, { lazyEntries: true, autoClose: false, strictFileNames: true })
  const folder = `${path}.unpacked`
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const found: Unpacked = { manifest: undefined, data: null, digest: '', photos: new Set(), folder }
  try {
    for await (const entry of entriesOf(zip)) {
      const name = entry.fileName
      const photo = /^photos\/([0-9a-f]{64})\.jpg$/.exec(name)?.[1]
      const most = photo ? mostPhotoBytes : mostDataBytes
      if (!photo && name !== manifestName && name !== dataName) continue
      if (entry.uncompressedSize > most) throw new Error(`${name} is larger than is taken here`)
      const stream = await zip.openReadStreamPromise(entry)
      if (!photo) {
        const bytes = await buffer(stream)
        if (name === manifestName) found.manifest = JSON.parse(bytes.toString())
        else {
          found.data = bytes
          found.digest = createHash('sha256').update(bytes).digest('hex')
        }
        continue
      }
      const digest = createHash('sha256')
      stream.on('data', (piece: Buffer) => digest.update(piece))
      await pipeline(stream, createWriteStream(join(folder, photo), { mode: 0o600 }))
      if (digest.digest('hex') !== photo) throw new Error(`${name} is not what its name says`)
      found.photos.add(photo)
    }
    return found
  } catch (error) {
    await rm(folder, { recursive: true, force: true })
    throw error
  } finally {
    zip.close()
  }
}

/** Entries one after the other. */
async function* entriesOf(zip: Awaited<ReturnType<typeof openPromise>>): AsyncGenerator<Entry> {
  const queue: (Entry | null)[] = []
  let failed: Error | null = null
  let wake: () => void = () => undefined
  const come = (entry: Entry | null) => {
    queue.push(entry)
    wake()
  }
  zip.on('entry', come)
  zip.on('end', () => come(null))
  zip.on('error', (error: Error) => {
    failed = error
    wake()
  })
  for (;;) {
    zip.readEntry()
    while (queue.length === 0 && !failed)
      await new Promise<void>((resolve) => {
        wake = resolve
      })
    if (failed) throw failed
    const entry = queue.shift()!
    if (!entry) return
    yield entry
  }
}
