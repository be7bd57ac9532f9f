import type { Trx } from './database.ts'

export interface PhotoRow {
  name: string
  width: number
  height: number
  bytes: number
}

export interface KeptPhoto extends PhotoRow {
  recordedAt: string
  recordedBy: string
}

/** Every photo of a firm, by name. */
export async function allPhotos(trx: Trx): Promise<KeptPhoto[]> {
  return (await trx('photo').orderBy('name')).map(({ name, width, height, bytes, recorded_at, recorded_by }) => ({
    name,
    width,
    height,
    bytes,
    recordedAt: recorded_at.toISOString(),
    recordedBy: recorded_by,
  }))
}

/** Says that a photo is this firm's; said twice it is said once. */
export async function keepPhoto(
  trx: Trx,
  firmId: string,
  photo: PhotoRow,
  by: { technicianId: string; at: Date },
): Promise<void> {
  await trx('photo')
    .insert({ firm_id: firmId, ...photo, recorded_at: by.at, recorded_by: by.technicianId })
    .onConflict(['firm_id', 'name'])
    .ignore()
}

/** Those of these photos that are this firm's, by name. */
export async function photosNamed(trx: Trx, names: string[]): Promise<PhotoRow[]> {
  if (names.length === 0) return []
  return trx('photo').whereRaw('name = any(?)', [names]).orderBy('name').select('name', 'width', 'height', 'bytes')
}

/** Which of these are this firm's. */
export async function photosOf(trx: Trx, names: string[]): Promise<Set<string>> {
  if (names.length === 0) return new Set()
  return new Set(await trx('photo').whereRaw('name = any(?)', [names]).pluck('name'))
}

export const hasPhoto = async (trx: Trx, name: string): Promise<boolean> =>
  (await trx('photo').where({ name }).first('name')) !== undefined
