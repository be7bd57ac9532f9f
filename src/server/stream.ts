import { Readable } from 'node:stream'

/**
 * Answers with a file made piece by piece: the first byte leaves before the last is made, and a reader who
 * goes away stops the making.
 */
export function streamed(
  type: string,
  name: string,
  make: (write: (text: string) => Promise<void>) => Promise<void>,
): Response {
  const encoder = new TextEncoder()
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>(undefined, { highWaterMark: 4 })
  const writer = writable.getWriter()
  // Small pieces are gathered: a chunk a record would be all overhead.
  let held: string[] = []
  let size = 0
  const flush = async () => {
    const text = held.join('')
    held = []
    size = 0
    await writer.ready
    await writer.write(encoder.encode(text))
  }
  const write = async (text: string) => {
    held.push(text)
    size += text.length
    if (size > 64_000) await flush()
  }
  make(write)
    .then(flush)
    .then(() => writer.close())
    .catch((error) => writer.abort(error))
  return new Response(readable, { headers: asFile(type, name) })
}

/** Answers with a file that is a stream already. */
export const piped = (type: string, name: string, stream: Readable): Response =>
  new Response(Readable.toWeb(stream) as ReadableStream, { headers: asFile(type, name) })

/** Answers with a file that somebody brought in: as it is, and for no browser to look at. */
export const handedBack = ({ name, bytes }: { name: string; bytes: Buffer }): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'no-store',
    },
  })

const asFile = (type: string, name: string) => ({
  'content-type': type,
  'content-disposition': `attachment; filename="${name}"`,
  'cache-control': 'no-store',
})
