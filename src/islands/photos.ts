/** Long side of a photo as it is sent. */
const mostPx = 1400

/** A picture from the camera as a JPEG in base64: smaller, upright, nothing of the camera along. */
export async function smaller(file: File): Promise<string> {
  const picture = await createImageBitmap(file)
  const scale = Math.min(1, mostPx / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(picture.width * scale)
  canvas.height = Math.round(picture.height * scale)
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  return canvas.toDataURL('image/jpeg', 0.8).split(',')[1]!
}

/** What to say of a file that this device cannot open as a picture. */
export const noPicture = ({ name, type }: File): string =>
  /hei[cf]/i.test(`${type} ${name}`)
    ? 'This device cannot open HEIC pictures: let the camera save JPEG, or take the photo here.'
    : 'This file is no picture.'

/** Where the server cannot keep it however often it is sent, what it belongs to is saved without it. */
export type SentPhoto = { ok: true; name: string } | { ok: false; message: string; forGood?: boolean }

/**
 * Sends a photo and learns its name. Where pages open without network it waits on this device under a name of its own,
 * and what names it is saved all the same.
 */
export async function sendPhoto(image: string): Promise<SentPhoto> {
  const sent = await sendNow(image)
  if (sent.ok || sent.forGood || !navigator.serviceWorker?.controller) return sent
  try {
    const { putPhoto } = await import('../device/waiting-photos.ts')
    return { ok: true, name: await putPhoto(image, Date.now()) }
  } catch (error) {
    console.info('No room for the photo on this device', error)
    return sent
  }
}

/** What a logo’s file may weigh; as base64 it goes into one question, bytes. */
const mostLogo = 1_400_000

/** Sends a logo as it is: the server draws it anew, a drawing too. */
export async function sendLogo(file: File): Promise<SentPhoto> {
  if (file.size > mostLogo)
    return { ok: false, message: `The logo is too large: ${(file.size / 1e6).toFixed(1)} MB of 1.4 at most.` }
  const bytes = new Uint8Array(await file.arrayBuffer())
  let letters = ''
  for (const byte of bytes) letters += String.fromCharCode(byte)
  return sendNow(btoa(letters), 'logo')
}

/** No answer is waited for longer: a line that brings nothing holds up nobody, ms. */
const patience = 20_000

async function sendNow(image: string, as?: 'logo'): Promise<SentPhoto> {
  try {
    const answer = await fetch('/api/photos', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ image, ...(as && { as }) }),
      signal: AbortSignal.timeout(patience),
    })
    const body = await answer.json()
    if (answer.ok) return { ok: true, name: body.name }
    const message = `The ${as ?? 'photo'} ${body.issues[0].message}.`
    return { ok: false, message, ...((answer.status === 422 || answer.status === 507) && { forGood: true }) }
  } catch {
    // Nothing of the firm’s waits on one device.
    const waits = as ? 'the logo can be set with network' : 'the photo waits on this device'
    return { ok: false, message: `No connection: ${waits}.` }
  }
}
