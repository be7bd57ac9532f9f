import { fetchedAtRest } from '../../ui/later.tsx'
import { newId } from '../new-id.ts'
import type { AnswerPhoto } from './kept-search.ts'

/** Most searches have none: fetched with the first. */
const photoWork = fetchedAtRest(() => import('../photos.ts'))

/** A photo of what an answer was given by, made smaller; words where the file is no picture. */
export async function photoOf(file: File, of: number): Promise<AnswerPhoto | string> {
  const { noPicture, smaller } = await photoWork()
  const image = await smaller(file).catch(() => null)
  return image === null ? noPicture(file) : { id: newId(), of, image }
}

/** Photos with the names the server gave those that waited; `says` where one could not go yet. */
export async function sendWaiting(photos: AnswerPhoto[]): Promise<{ photos: AnswerPhoto[]; says: string }> {
  const sent: AnswerPhoto[] = []
  let says = ''
  for (const photo of photos) {
    if (photo.name || !photo.image || says) {
      sent.push(photo)
      continue
    }
    const { sendPhoto } = await photoWork()
    const told = await sendPhoto(photo.image)
    if (told.ok) sent.push({ id: photo.id, of: photo.of, name: told.name })
    else {
      sent.push(photo)
      says = told.forGood ? `${told.message} Leave it out to save the rest.` : told.message
    }
  }
  return { photos: sent, says }
}
