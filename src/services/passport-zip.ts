import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { array, number, object, string } from 'yup'
import { photosIn } from '../core/ledger/photos-in.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { type Db, withFirm } from '../records/database.ts'
import { keepPhoto, type PhotoRow, photosNamed } from '../records/photos.ts'
import type { Actor } from './judge-entry.ts'
import { machinePassport, type PassportRead, readPassport } from './passport.ts'
import { writePhoto } from './photos.ts'
import { redrawn } from './pictures.ts'
import { mostPhotoBytes, packZip, photosHere, unpackZip } from './zip-with-photos.ts'

const dataName = 'passport.json'

/** What stands in the zip besides: a digest of the passport, and the photos its entries name. */
interface Manifest {
  format: 'evenshot-passport'
  version: 1
  /** SHA-256 of `passport.json`. */
  passport: string
  photos: PhotoRow[]
  /** Named, and lost before this was made. */
  missing: string[]
}

/** A machine's passport with its photos, as a zip; null when this firm has no such machine. */
export async function packPassport(
  db: Db,
  firmId: string,
  machineId: string,
): Promise<{ zip: Readable; serial: string } | null> {
  const passport = await machinePassport(db, firmId, machineId)
  if (!passport) return null
  const names = passport.entries.flatMap((entry) => photosIn(inTodaysWords(entry)).map(({ name }) => name))
  const { photos, missing } = await photosHere(
    await withFirm(db, firmId, (trx) => photosNamed(trx, [...new Set(names)])),
  )
  const text = Buffer.from(`${JSON.stringify(passport, null, 1)}\n`)
  const manifest: Manifest = {
    format: 'evenshot-passport',
    version: 1,
    passport: createHash('sha256').update(text).digest('hex'),
    photos,
    missing,
  }
  const zip = packZip(
    manifest,
    { name: dataName, from: text },
    photos.map(({ name }) => name),
  )
  return { zip, serial: passport.machine.serial }
}

const manifestFields = object({
  format: string().oneOf(['evenshot-passport']).required(),
  version: number().oneOf([1]).required(),
  passport: string()
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
    }).noUnknown(),
  ).required(),
  missing: array(string().max(64).required()).required(),
}).noUnknown()

/**
 * Takes a machine on with its history and photos, as another firm packed them. Every file is compared with its digest,
 * and every photo looked at, before anything is written.
 * @param path - the zip, as it arrived
 */
export async function unpackPassport(
  db: Db,
  actor: Actor,
  siteId: unknown,
  path: string,
  now: Date,
): Promise<PassportRead> {
  const refused = (message: string): PassportRead => ({
    ok: false,
    issues: [{ path: 'passport', code: 'zip', message }],
  })
  let folder = ''
  try {
    const unpacked = await unpackZip(path, dataName)
    folder = unpacked.folder
    const parsed = parseStrict(manifestFields, unpacked.manifest)
    if (!parsed.ok) return refused('is no machine’s passport')
    const { passport, photos } = parsed.value
    if (!unpacked.data || unpacked.digest !== passport) return refused('is damaged: its text is not what it says')
    const files = new Map<string, Buffer>()
    for (const { name } of photos) {
      if (!unpacked.photos.has(name)) return refused(`is damaged: the photo ${name.slice(0, 8)} is missing`)
      const bytes = await buffer(createReadStream(join(folder, name)))
      if (!(await redrawn(bytes))) return refused(`holds something that is no picture: ${name.slice(0, 8)}`)
      files.set(name, bytes)
    }
    // Files before their rows, rows before who names them: a power cut leaves files nobody names.
    const by = { technicianId: actor.technicianId, at: now }
    return await readPassport(
      db,
      actor,
      { siteId, passport: JSON.parse(unpacked.data.toString()) },
      now,
      async (trx) => {
        for (const [name, bytes] of files) await writePhoto(name, bytes)
        for (const photo of photos) await keepPhoto(trx, actor.firmId, photo, by)
      },
    )
  } catch (error) {
    return refused(`is no file this application took out, or is damaged: ${(error as Error).message}`)
  } finally {
    if (folder) await rm(folder, { recursive: true, force: true })
  }
}
