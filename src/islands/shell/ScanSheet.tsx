import jsQR from 'jsqr'
import { useEffect, useRef, useState } from 'react'
import { scannedPath } from '../../core/papers/scanned.ts'
import { SheetDialog } from '../../ui/SheetDialog.tsx'

/** So wide a picture is read, pixels: a label at arm’s length is sharp enough in it, and it is read in time. */
const readWide = 640
const everyMs = 200

/** Reads a label with the camera, and goes to its machine. */
export function ScanSheet({ onClose }: { onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null)
  const [says, setSays] = useState('The camera is coming …')
  const [sees, setSees] = useState(true)
  useEffect(() => {
    let stream: MediaStream | null = null
    let timer: ReturnType<typeof setInterval> | undefined
    let isOver = false
    const canvas = document.createElement('canvas')
    const look = () => {
      const shown = video.current
      if (!shown || shown.videoWidth === 0) return
      const text = readFrom(shown, canvas)
      if (text === null) return
      const path = scannedPath(text)
      if (!path) return setSays('That is no label of ours: look for the square on the machine’s own label.')
      clearInterval(timer)
      setSays('Found. Opening it …')
      location.assign(path)
    }
    const start = async () => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
      } catch (error) {
        setSees(false)
        return setSays(refusedWords(error))
      }
      if (isOver) return stop()
      if (video.current) {
        video.current.srcObject = stream
        await video.current.play().catch(() => undefined)
      }
      setSays('Hold the label’s square in the picture.')
      timer = setInterval(look, everyMs)
    }
    const stop = () => {
      isOver = true
      clearInterval(timer)
      for (const track of stream?.getTracks() ?? []) track.stop()
    }
    if (navigator.mediaDevices) void start()
    else
      setSays('This browser lends no camera here. Scan the label with the phone’s own camera: it leads to the machine.')
    return stop
  }, [])
  return (
    <SheetDialog
      open
      onOpenChange={onClose}
      title="Scan a label"
      about="The picture stays on this device: nothing of it is kept or sent."
    >
      {sees && (
        <video
          ref={video}
          className="block aspect-[4/3] w-full bg-ink object-cover"
          muted
          playsInline
          aria-label="What the camera sees"
        />
      )}
      <p role="status" className="m-0 pt-2 font-semibold">
        {says}
      </p>
    </SheetDialog>
  )
}

/** What a code in the picture says; null where none is in it. */
function readFrom(shown: HTMLVideoElement, canvas: HTMLCanvasElement): string | null {
  const scale = Math.min(1, readWide / shown.videoWidth)
  canvas.width = Math.round(shown.videoWidth * scale)
  canvas.height = Math.round(shown.videoHeight * scale)
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) return null
  context.drawImage(shown, 0, 0, canvas.width, canvas.height)
  const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height)
  return jsQR(data, width, height, { inversionAttempts: 'dontInvert' })?.data || null
}

const refusedWords = (error: unknown): string =>
  (error as Error).name === 'NotAllowedError'
    ? 'The camera is not allowed here: allow it in the browser’s settings of this page, or scan with the phone’s own camera.'
    : 'No camera was found. Type the code that stands beside the square into the find box instead.'
