import { createHash, randomUUID } from 'node:crypto'
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import sharp from 'sharp'
import { type Db, withFirm } from '../records/database.ts'
import { hasPhoto, keepPhoto } from '../records/photos.ts'

/** Long side of what is kept: a screw’s head can still be told on it. */
const mostPx = 1600
/** Refuses to open what is small as a file and huge as a picture. */
const mostPixels = 60_000_000

const folder = (): string => {
  const data = process.env.EVENSHOT_DATA
  if (!data) throw new Error('EVENSHOT_DATA is not set: start with `npm start`')
  return join(data, 'files', 'photos')
}
const pathOf = (name: string) => join(folder(), name.slice(0, 2), `${name}.jpg`)

/**
 * Keeps a photo: turned upright, made smaller, written anew so that nothing of the camera or the place goes along,
 * named by what it holds. The file is there before its row.
 *
 * @returns its name, or null where the bytes are no picture
 */
export async function savePhoto(
  db: Db,
  firmId: string,
  bytes: Uint8Array,
  by: { technicianId: string; at: Date },
): Promise<string | null> {
  let made: { data: Buffer; info: { width: number; height: number } }
  try {
    made = await sharp(bytes, { limitInputPixels: mostPixels })
      .rotate()
      .resize({ width: mostPx, height: mostPx, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80 })
      .toBuffer({ resolveWithObject: true })
  } catch {
    // Whatever it was, it was no picture: said to whoever sent it.
    return null
  }
  const name = createHash('sha256').update(made.data).digest('hex')
  const path = pathOf(name)
  await mkdir(join(path, '..'), { recursive: true })
  const half = `${path}.${randomUUID()}`
  await writeFile(half, made.data)
  await rename(half, path)
  const { width, height } = made.info
  await withFirm(db, firmId, (trx) => keepPhoto(trx, firmId, { name, width, height, bytes: made.data.length }, by))
  return name
}

/** A photo's file; null where it is not this firm's. */
export async function photoFile(db: Db, firmId: string, name: string): Promise<Buffer | null> {
  if (!/^[0-9a-f]{64}$/.test(name)) return null
  if (!(await withFirm(db, firmId, (trx) => hasPhoto(trx, name)))) return null
  return readFile(pathOf(name))
}
