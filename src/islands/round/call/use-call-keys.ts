import { useEffect, useRef } from 'react'
import { type Urgency, urgencies } from '../../../core/visits/call-urgency.ts'
import { meansItself } from '../../../ui/typing.ts'

interface Keys {
  moments: number
  level: Urgency
  isOff: boolean
  onMoment: (n: number) => void
  onUrgency: (level: Urgency) => void
  onPut: (() => void) | null
}

/** Keys of a call: 1 to 3 the moment, arrows how urgent, Enter puts it in. Letters answer, see `AskNow`. */
export function useCallKeys(keys: Keys): void {
  const latest = useRef(keys)
  latest.current = keys
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { moments, level, isOff, onMoment, onUrgency, onPut } = latest.current
      if (isOff || meansItself(event)) return
      const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
      if (by !== 0) {
        event.preventDefault()
        const at = urgencies.indexOf(level) + by
        if (urgencies[at]) onUrgency(urgencies[at])
      } else if (/^[1-3]$/.test(event.key) && Number(event.key) <= moments) {
        event.preventDefault()
        onMoment(Number(event.key) - 1)
      } else if (
        event.key === 'Enter' &&
        !(event.target instanceof HTMLButtonElement) &&
        !(event.target instanceof HTMLAnchorElement)
      )
        onPut?.()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
