import { packedAnswer } from '../device/packed.ts'
import { waitingPhoto } from '../device/waiting-photos.ts'

/** The photo an address names. @example photoIn(new URL('/api/photos/9f86…', origin)) // '9f86…' */
export const photoIn = ({ pathname }: URL): string | null =>
  /^\/api\/photos\/([0-9a-f]{64})$/.exec(pathname)?.[1] ?? null

/** A photo as this device took it along, small, where the network does not bring it. */
export async function photoAlong(ref: string): Promise<Response | null> {
  const packed = await packedAnswer(`/api/photos/${ref}/small`)
  const image = (packed?.answer as { image?: string } | undefined)?.image
  return image ? jpeg(Uint8Array.from(atob(image), (char) => char.charCodeAt(0))) : null
}

const jpeg = (bytes: Uint8Array<ArrayBuffer>) => new Response(bytes, { headers: { 'content-type': 'image/jpeg' } })

/** A photo that was taken on this device and waits, or waited a moment ago. */
export async function photoHere(ref: string): Promise<Response | null> {
  const bytes = await waitingPhoto(ref).catch(() => null)
  return bytes && jpeg(bytes)
}
