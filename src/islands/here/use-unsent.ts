import { useEffect, useState } from 'react'
import { onDeviceChanged } from '../../device/device-changed.ts'
import { countUnsent } from '../../device/unsent.ts'
import { countPhotos } from '../../device/waiting-photos.ts'

/** How much waits on this device. */
export interface UnsentCount {
  entries: number
  photos: number
  refused: number
}

/** How much waits, kept up with: in this tab and in others. Null before the device was asked. */
export function useUnsent(): UnsentCount | null {
  const [count, setCount] = useState<UnsentCount | null>(null)
  useEffect(() => {
    const look = () =>
      void Promise.all([countUnsent(), countPhotos()]).then(
        ([{ entries, refused }, { photos }]) => setCount({ entries, refused, photos }),
        () => undefined,
      )
    look()
    return onDeviceChanged(look)
  }, [])
  return count
}
