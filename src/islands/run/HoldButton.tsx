import { useEffect, useRef, useState } from 'react'

interface Props {
  words: string
  under: string
  onHeld: () => void
  className?: string
}

const holdMs = 1000

/** A button that wants a second: a wet elbow does not skip a step. By keyboard a press is meant. */
export function HoldButton({ words, under, onHeld, className = '' }: Props) {
  const [holding, setHolding] = useState(false)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const release = () => {
    clearTimeout(timer.current)
    setHolding(false)
  }
  useEffect(() => () => clearTimeout(timer.current), [])
  return (
    <button
      type="button"
      className={`relative min-h-[64px] overflow-hidden border-2 border-copper bg-enamel px-3 text-copper select-none touch-none ${className}`}
      onPointerDown={(event) => {
        if (event.button !== 0) return
        setHolding(true)
        timer.current = setTimeout(() => {
          setHolding(false)
          onHeld()
        }, holdMs)
      }}
      onPointerUp={release}
      onPointerLeave={release}
      onPointerCancel={release}
      onContextMenu={(event) => event.preventDefault()}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        event.stopPropagation()
        if (!event.repeat) onHeld()
      }}
    >
      <span
        aria-hidden="true"
        className="absolute inset-y-0 left-0 bg-copper-tint"
        style={{ width: holding ? '100%' : 0, transition: holding ? `width ${holdMs}ms linear` : 'none' }}
      />
      <span className="relative block text-[19px] leading-tight font-semibold">{words}</span>
      <span className="relative block text-[14px] leading-tight text-ink">{under}</span>
    </button>
  )
}
