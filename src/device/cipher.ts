/**
 * Something as it lies in the store: pressed, and enciphered where the browser can (over TLS or on the machine itself).
 * A private window or a plain line has no cipher: there it lies as it is.
 */
export interface Enciphered {
  iv: Uint8Array<ArrayBuffer> | null
  pressed: boolean
  bytes: Uint8Array<ArrayBuffer>
}

/** Whether something is as it lies in the store, and not as it is. */
export const isEnciphered = (value: unknown): value is Enciphered =>
  typeof value === 'object' && value !== null && 'iv' in value && 'bytes' in value && value.bytes instanceof Uint8Array

/** A key to encipher with; null where the browser has no cipher. */
export type DeviceKey = CryptoKey | null

/** A new key that cannot be taken out of the browser. */
export const newKey = (): Promise<CryptoKey> | null =>
  globalThis.crypto?.subtle
    ? crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt'])
    : null

/** @param value - anything that JSON can say, or bytes as they are */
export async function encipher(key: DeviceKey, value: unknown): Promise<Enciphered> {
  const raw = new TextEncoder().encode(JSON.stringify(value))
  const pressed = typeof CompressionStream !== 'undefined'
  const bytes = pressed ? await through(raw, new CompressionStream('gzip')) : raw
  if (!key) return { iv: null, pressed, bytes }
  const iv = crypto.getRandomValues(new Uint8Array(12))
  return { iv, pressed, bytes: new Uint8Array(await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, bytes)) }
}

/** @throws where the key is another one, or something was changed */
export async function decipher(key: DeviceKey, { iv, pressed, bytes }: Enciphered): Promise<unknown> {
  if (iv && !key) throw new Error('enciphered with a key that is gone')
  const clear = iv ? new Uint8Array(await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key!, bytes)) : bytes
  const raw = pressed ? await through(clear, new DecompressionStream('gzip')) : clear
  return JSON.parse(new TextDecoder().decode(raw))
}

async function through(bytes: Uint8Array<ArrayBuffer>, by: GenericTransformStream): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await new Response(new Blob([bytes]).stream().pipeThrough(by)).arrayBuffer())
}
