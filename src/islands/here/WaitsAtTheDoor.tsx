import { useEffect, useState } from 'react'
import { aboutDevice } from '../../device/about-device.ts'
import { countUnsent } from '../../device/unsent.ts'
import { counted } from '../../ui/format.ts'
import { island } from '../island.tsx'

/** On the page of signing in: what was written on this device and waits for its writer. */
function WaitsAtTheDoor() {
  const [here, setHere] = useState<{ entries: number; name: string } | null>(null)
  useEffect(() => {
    Promise.all([countUnsent(), aboutDevice()])
      .then(([{ entries }, about]) => setHere({ entries, name: about?.technician.name ?? 'somebody' }))
      // A browser that keeps nothing has nothing that waits.
      .catch(() => undefined)
  }, [])
  if (!here || here.entries === 0) return null
  return (
    <p role="status" className="mt-4 mb-0 border-l-4 border-brass py-1 pl-3">
      <b>{counted(here.entries, 'entry waits', 'entries wait')} on this device</b>, written by {here.name}: sent when
      they sign in here.
    </p>
  )
}

export const WaitsAtTheDoorIsland = island(WaitsAtTheDoor)
