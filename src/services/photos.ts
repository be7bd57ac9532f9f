import { createHash, randomUUID } from 'node:crypto'
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { type Db, withFirm } from '../records/database.ts'
import { hasPhoto, keepPhoto } from '../records/photos.ts'
import { redrawn } from './pictures.ts'

const folder = (): string => {
  const data = process.env.EVENSHOT_DATA
  if (!data) throw new Error('EVENSHOT_DATA is not set: start with `npm start`')
  return join(data, 'files', 'photos')
}
/** Where a photo's file lies. */
export const photoPath = (name: string): string => join(folder(), name.slice(0, 2), `${name}.jpg`)

/** What a picture is by what it holds, whatever it is called; drawings that a program paints are none. */
function isPicture(bytes: Uint8Array): boolean {
  const starts = (at: number, ...codes: number[]) => codes.every((code, i) => bytes[at + i] === code)
  const isJpeg = starts(0, 0xff, 0xd8, 0xff)
  const isPng = starts(0, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)
  const isWebp = starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50)
  return isJpeg || isPng || isWebp
}

/**
 * Keeps a photo: turned upright, made smaller, written anew so that nothing of the camera or the place goes along,
 * named by what it holds. The file is there, and on the disk, before its row.
 *
 * @returns its name, or null where the bytes are no picture
 * @throws Error with the system's code where it cannot be kept, ENOSPC where the disk is full; nothing is left over
 */
export async function savePhoto(
  db: Db,
  firmId: string,
  bytes: Uint8Array,
  by: { technicianId: string; at: Date },
): Promise<string | null> {
  if (!isPicture(bytes)) return null
  const made = await redrawn(bytes)
  if (!made) return null
  const name = createHash('sha256').update(made.data).digest('hex')
  await writePhoto(name, made.data)
  const { width, height } = made
  await withFirm(db, firmId, (trx) => keepPhoto(trx, firmId, { name, width, height, bytes: made.data.length }, by))
  return name
}

/** Keeps what is a photo's file already, as it was taken out elsewhere. */
export const writePhoto = (name: string, data: Buffer): Promise<void> => writeWhole(photoPath(name), data)

/** A file that is there whole or not at all, whatever happens to the machine; for the server's user alone. */
async function writeWhole(path: string, data: Buffer): Promise<void> {
  const home = join(path, '..')
  await mkdir(home, { recursive: true, mode: 0o700 })
  const half = `${path}.${randomUUID()}`
  try {
    const file = await open(half, 'wx', 0o600)
    try {
      await file.writeFile(data)
      await file.sync()
    } finally {
      await file.close()
    }
    await rename(half, path)
    const folderItself = await open(home, 'r')
    await folderItself.sync().finally(() => folderItself.close())
  } catch (error) {
    await rm(half, { force: true })
    throw error
  }
}

/** A photo's file; null where it is not this firm's. */
export async function photoFile(db: Db, firmId: string, name: string): Promise<Buffer | null> {
  if (!/^[0-9a-f]{64}$/.test(name)) return null
  if (!(await withFirm(db, firmId, (trx) => hasPhoto(trx, name)))) return null
  try {
    return await readFile(photoPath(name))
  } catch (error) {
    // Its row came back without it: a restore of the database alone.
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null
    throw error
  }
}

/** A photo as a device takes it along, some 20 kB; null where it is not this firm's, or no picture any more. */
export async function smallPhoto(db: Db, firmId: string, name: string): Promise<Buffer | null> {
  const file = await photoFile(db, firmId, name)
  return file && ((await redrawn(file, 'small'))?.data ?? null)
}
