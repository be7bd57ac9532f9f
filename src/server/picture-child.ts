import { setPriority } from 'node:os'
import sharp from 'sharp'

// A process of its own for whatever somebody sends as a picture: what goes wrong in it, and what it takes of the
// machine, is not the server's. Whoever started it ends it where one takes too long.

/** Long side of what is kept: a screw’s head can still be told on it; and of what a device takes along to look at. */
const sizes = { kept: { mostPx: 1600, quality: 80 }, small: { mostPx: 480, quality: 60 } }
/** Refuses to open what is small as a file and huge as a picture. */
const mostPixels = 50_000_000

// Nobody waits for a picture as they wait for a page.
setPriority(10)
sharp.concurrency(1)
sharp.cache(false)

process.on('message', async ({ bytes, size }: { bytes: Uint8Array; size: keyof typeof sizes }) => {
  try {
    const { mostPx, quality } = sizes[size]
    const { data, info } = await sharp(bytes, { limitInputPixels: mostPixels })
      .rotate()
      .resize({ width: mostPx, height: mostPx, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true })
    process.send!({ data, width: info.width, height: info.height })
  } catch {
    // Whatever it was, it was no picture.
    process.send!(null)
  }
})
process.on('disconnect', () => process.exit())
