import { v7 } from 'uuid'

/** An id that follows from a row's own: what is sent again is the same, however many entries a row stands for. */
export function follows(id: string, i: number): string {
  if (i === 0) return id
  const bytes = Uint8Array.from(id.replaceAll('-', '').match(/../g)!, (byte) => Number.parseInt(byte, 16))
  bytes[15] = bytes[15]! ^ i
  return v7({ msecs: Number.parseInt(id.replaceAll('-', '').slice(0, 12), 16), random: bytes })
}
