import { writeFileSync } from 'node:fs'
import { create } from 'qrcode'

const wide = 640
const high = 480

/**
 * A film of one picture with a code in it, as a browser under test takes it for its camera: YUV4MPEG2, grey.
 *
 * @param text - what the code says
 */
export function filmOf(text: string, path: string): void {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  const module = Math.floor(380 / modules.size)
  const left = Math.floor((wide - module * modules.size) / 2)
  const top = Math.floor((high - module * modules.size) / 2)
  const luma = Buffer.alloc(wide * high, 235)
  for (let y = 0; y < modules.size * module; y += 1)
    for (let x = 0; x < modules.size * module; x += 1)
      if (modules.get(Math.floor(y / module), Math.floor(x / module))) luma[(top + y) * wide + left + x] = 16
  const chroma = Buffer.alloc((wide * high) / 2, 128)
  const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, chroma])
  writeFileSync(
    path,
    Buffer.concat([Buffer.from(`YUV4MPEG2 W${wide} H${high} F10:1 Ip A1:1 C420jpeg\n`), frame, frame, frame]),
  )
}
