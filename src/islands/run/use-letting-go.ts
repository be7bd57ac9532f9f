import { useEffect } from 'react'

/**
 * A button pressed by finger or mouse lets go of the keys: the next Space is the next step's, not that button's again.
 * Pressed by a key it keeps them, as whoever works by keyboard expects.
 */
export function useLettingGo(): void {
  useEffect(() => {
    const onClick = ({ detail }: MouseEvent) => {
      const held = document.activeElement
      if (detail > 0 && held instanceof HTMLButtonElement) held.blur()
    }
    window.addEventListener('click', onClick)
    return () => window.removeEventListener('click', onClick)
  }, [])
}
