import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/** True while the page is being printed: paper shows what a screen folds away. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    // The browser takes its picture as soon as this returns.
    const start = () => flushSync(() => setPrinting(true))
    const end = () => setPrinting(false)
    window.addEventListener('beforeprint', start)
    window.addEventListener('afterprint', end)
    return () => {
      window.removeEventListener('beforeprint', start)
      window.removeEventListener('afterprint', end)
    }
  }, [])
  return printing
}
