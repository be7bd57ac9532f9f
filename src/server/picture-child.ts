import { setPriority } from 'node:os'
import sharp from 'sharp'

// A process of its own for whatever somebody sends as a picture: what goes wrong in it, and what it takes of the
// machine, is not the server's. Whoever started it ends it where one takes too long.

/**
 * Long side of what is kept: a screw’s head can still be told on it; of what a device takes along to look at; and of a
 * logo, whose edges are sharp on paper: its colours are not thinned out.
 */
const sizes = {
  kept: { mostPx: 1600, quality: 80, chromaSubsampling: '4:2:0' },
  small: { mostPx: 480, quality: 60, chromaSubsampling: '4:2:0' },
  logo: { mostPx: 1200, quality: 94, chromaSubsampling: '4:4:4' },
}
/** Refuses to open what is small as a file and huge as a picture. */
const mostPixels = 50_000_000

// Nobody waits for a picture as they wait for a page.
setPriority(10)
sharp.concurrency(1)
sharp.cache(false)

/** A drawing has no points of its own: as many are laid as the long side takes. */
async function dotsOf(bytes: Uint8Array, size: keyof typeof sizes, mostPx: number): Promise<{ density?: number }> {
  if (size !== 'logo') return {}
  const {
    format,
    width = 0,
    height = 0,
    density = 72,
  } = await sharp(bytes, { limitInputPixels: mostPixels }).metadata()
  if (format !== 'svg') return {}
  return { density: Math.min(2400, Math.max(1, (density * mostPx) / Math.max(width, height, 1))) }
}

process.on('message', async ({ bytes, size }: { bytes: Uint8Array; size: keyof typeof sizes }) => {
  try {
    const { mostPx, ...written } = sizes[size]
    const { data, info } = await sharp(bytes, { limitInputPixels: mostPixels, ...(await dotsOf(bytes, size, mostPx)) })
      .rotate()
      // What is clear in a logo is paper.
      .flatten({ background: '#ffffff' })
      .resize({ width: mostPx, height: mostPx, fit: 'inside', withoutEnlargement: true })
      .jpeg(written)
      .toBuffer({ resolveWithObject: true })
    process.send!({ data, width: info.width, height: info.height })
  } catch {
    // Whatever it was, it was no picture.
    process.send!(null)
  }
})
process.on('disconnect', () => process.exit())
