import { waitingPhoto } from '../device/waiting-photos.ts'

/** The photo an address names. @example photoIn(new URL('/api/photos/9f86…', origin)) // '9f86…' */
export const photoIn = ({ pathname }: URL): string | null =>
  /^\/api\/photos\/([0-9a-f]{64})$/.exec(pathname)?.[1] ?? null

/** A photo that was taken on this device and waits, or waited a moment ago. */
export async function photoHere(ref: string): Promise<Response | null> {
  const bytes = await waitingPhoto(ref).catch(() => null)
  return bytes && new Response(bytes, { headers: { 'content-type': 'image/jpeg' } })
}
