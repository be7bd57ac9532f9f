import { createHash, randomUUID } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { array, number, object, string } from 'yup'
import { instant, uuid } from '../core/parse/fields.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { type Db, withFirm } from '../records/database.ts'
import { allPhotos, type KeptPhoto } from '../records/photos.ts'
import { exportFirm } from './export-firm.ts'
import { type Imported, importFirm } from './import-firm.ts'
import { writePhoto } from './photos.ts'
import { mostPhotoBytes, packZip, photoFileName, photosHere, unpackZip } from './zip-with-photos.ts'

/** Raised when a reader of older files must know; older ones stay readable. */
const everythingVersion = 1
const dataName = 'firm.json'

/** What stands in the zip besides: what it is, and a digest of each file, so that it can be told whole. */
interface Manifest {
  format: 'evenshot-everything'
  version: number
  /** SHA-256 of `firm.json`. */
  firm: string
  /** Named by the SHA-256 of what they hold. */
  photos: KeptPhoto[]
  /** Photos that are on record and have no file: lost before this was made. */
  missing: string[]
}

/**
 * All of a firm's data with its photos, as a zip that is made while it is read. The text waits as a file until it is
 * packed: whoever reads slowly holds up no transaction.
 */
export async function packFirm(db: Db, firmId: string): Promise<Readable> {
  const waiting = join(process.env.EVENSHOT_DATA!, 'outgoing')
  await mkdir(waiting, { recursive: true, mode: 0o700 })
  const text = join(waiting, `${randomUUID()}.json`)
  const digest = createHash('sha256')
  const file = createWriteStream(text, { flags: 'wx', mode: 0o600 })
  await exportFirm(db, firmId, async (piece) => {
    digest.update(piece)
    if (!file.write(piece)) await new Promise<void>((resolve) => file.once('drain', () => resolve()))
  })
  await new Promise<void>((resolve, reject) => file.once('error', reject).end(() => resolve()))
  const { photos, missing } = await photosHere(await withFirm(db, firmId, allPhotos))
  const manifest: Manifest = {
    format: 'evenshot-everything',
    version: everythingVersion,
    firm: digest.digest('hex'),
    photos,
    missing,
  }
  const out = packZip(
    manifest,
    { name: dataName, from: text },
    photos.map(({ name }) => name),
  )
  out.once('close', () => void rm(text, { force: true }))
  return out
}

const manifestFields = object({
  format: string().oneOf(['evenshot-everything']).required(),
  version: number().oneOf([everythingVersion]).required(),
  firm: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
  photos: array(
    object({
      name: string()
        .matches(/^[0-9a-f]{64}$/)
        .required(),
      width: number().integer().min(1).max(100_000).required(),
      height: number().integer().min(1).max(100_000).required(),
      bytes: number().integer().min(1).max(mostPhotoBytes).required(),
      recordedAt: instant().required(),
      recordedBy: uuid().required(),
    }).noUnknown(),
  ).required(),
  missing: array(string().max(64).required()).required(),
}).noUnknown()

/**
 * Reads such a zip back into an empty place: records, ledger, log and photos, all of it or nothing. Every file is compared
 * with its digest before anything is written.
 * @param path - the zip, as it arrived
 */
export async function unpackFirm(db: Db, owner: unknown, path: string): Promise<Imported> {
  const refused = (path: string, message: string): Imported => ({
    ok: false,
    why: 'refused',
    issues: [{ path, code: 'zip', message }],
  })
  let read: Awaited<ReturnType<typeof readZip>>
  try {
    read = await readZip(path)
  } catch (error) {
    return refused('', `is no file this application took out, or is damaged: ${(error as Error).message}`)
  }
  if (!read.ok) return { ok: false, why: 'refused', issues: read.issues }
  const { data, photos, folder } = read
  try {
    const people = new Set((data.technicians ?? []).map(({ id }: { id: string }) => id))
    const stranger = photos.findIndex(({ recordedBy }) => !people.has(recordedBy))
    if (stranger >= 0) return refused(`photos[${stranger}].recordedBy`, 'is none of the file’s technicians')
    // Files before their rows: a power cut leaves files nobody names, never names without files.
    return await importFirm(db, owner, data, {
      photos,
      before: async () => {
        for (const { name } of photos) await writePhoto(name, await buffer(createReadStream(join(folder, name))))
      },
    })
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

// biome-ignore lint/suspicious/noExplicitAny: a firm's file of any shape, which its reader looks at field by field
type Loose = any

/** Unpacks beside the zip and compares. @throws Error where it is no zip or breaks off */
async function readZip(
  path: string,
): Promise<{ ok: true; data: Loose; photos: KeptPhoto[]; folder: string } | { ok: false; issues: Issue[] }> {
  const { manifest, data, digest, photos: there, folder } = await unpackZip(path, dataName)
  try {
    const parsed = parseStrict(manifestFields, manifest)
    if (!parsed.ok) {
      await rm(folder, { recursive: true, force: true })
      return { ok: false, issues: parsed.issues }
    }
    const { firm, photos } = parsed.value
    if (!data || digest !== firm) throw new Error(`${dataName} is not what the manifest says`)
    const lost = photos.find(({ name }) => !there.has(name))
    if (lost) throw new Error(`${photoFileName(lost.name)} is missing`)
    return { ok: true, data: JSON.parse(data.toString()), photos, folder }
  } catch (error) {
    await rm(folder, { recursive: true, force: true })
    throw error
  }
}
