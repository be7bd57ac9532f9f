import { createHash, randomUUID } from 'node:crypto'
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { type Db, withFirm } from '../records/database.ts'
import { hasPhoto, keepPhoto } from '../records/photos.ts'
import { type Redrawn, redrawn } from './pictures.ts'

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
  return isPicture(bytes) ? save(db, firmId, await redrawn(bytes), by) : null
}

/** What many programs write before a drawing: a name that nobody needs, and that is not looked up. */
const plainDoctype = /<!DOCTYPE\s+svg\b[^>[]*>/i

/**
 * A drawing as SVG as far as it may be opened at all: it names no style outside itself and defines no words of its own, so
 * that a line cannot become a million.
 *
 * @returns null for anything else
 */
function plainDrawing(bytes: Uint8Array): Buffer | null {
  const text = Buffer.from(bytes)
    .toString('utf8')
    .replace(/^\uFEFF/, '')
    .trimStart()
    .replace(plainDoctype, '')
    .trimStart()
  const isPlain =
    /^<(\?xml|svg|!--)/.test(text) && text.includes('<svg') && !/<!(DOCTYPE|ENTITY)|<\?xml-stylesheet/i.test(text)
  return isPlain ? Buffer.from(text) : null
}

/**
 * Keeps a firm's logo: PNG, JPEG, WebP, or a drawing as SVG. Whatever it was, it is drawn anew on white as a picture, so
 * that no script and no reference of it is ever handed to anybody.
 *
 * @returns its name, or null where it is none of these, or broken
 * @throws as {@link savePhoto}
 */
export async function saveLogo(
  db: Db,
  firmId: string,
  bytes: Uint8Array,
  by: { technicianId: string; at: Date },
): Promise<string | null> {
  const taken = isPicture(bytes) ? bytes : plainDrawing(bytes)
  return taken && save(db, firmId, await redrawn(taken, 'logo'), by)
}

/** Keeps what was drawn anew: the file first, then its row. */
async function save(
  db: Db,
  firmId: string,
  made: Redrawn | null,
  by: { technicianId: string; at: Date },
): Promise<string | null> {
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
