import { type Ref, useEffect, useImperativeHandle, useRef } from 'react'
import Pad from 'signature_pad'
import { strokesOf } from '../../core/close-out/strokes.ts'

/** What a pad gives back: its strokes in units of the field, upright whichever way the screen was held. */
export interface SignatureAsks {
  strokes(): number[][]
  clear(): void
}

interface Props {
  /** The line runs down the screen: it is read by somebody at its right-hand side. */
  turned: boolean
  onDrawn: () => void
  ref: Ref<SignatureAsks>
}

/** A field to sign in with a finger or a pen. */
export function SignaturePad({ turned, onDrawn, ref }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<Pad | null>(null)
  const told = useRef(onDrawn)
  told.current = onDrawn
  useEffect(() => {
    const at = canvas.current!
    const ink = getComputedStyle(at).color
    const made = new Pad(at, { penColor: ink, minWidth: 1.2, maxWidth: 3 })
    pad.current = made
    const fit = () => {
      const drawn = made.toData()
      const { width, height } = at.getBoundingClientRect()
      const scale = Math.max(1, window.devicePixelRatio)
      at.width = Math.round(width * scale)
      at.height = Math.round(height * scale)
      at.getContext('2d')!.scale(scale, scale)
      // A phone that is turned must not lose a name.
      made.fromData(drawn)
    }
    fit()
    const onEnd = () => told.current()
    made.addEventListener('endStroke', onEnd)
    const watch = new ResizeObserver(fit)
    watch.observe(at)
    return () => {
      watch.disconnect()
      made.removeEventListener('endStroke', onEnd)
      made.off()
    }
  }, [])
  useImperativeHandle(ref, () => ({
    strokes() {
      const { width, height } = canvas.current!.getBoundingClientRect()
      const drawn = pad.current!.toData()
      if (!turned) return strokesOf(drawn, width)
      const upright = drawn.map(({ points }) => ({ points: points.map(({ x, y }) => ({ x: y, y: width - x })) }))
      return strokesOf(upright, height)
    },
    clear() {
      pad.current!.clear()
    },
  }))
  return (
    <canvas
      ref={canvas}
      className="absolute inset-0 h-full w-full touch-none text-ink"
      aria-label="Field to sign in"
      role="img"
    />
  )
}
