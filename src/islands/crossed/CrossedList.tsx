import { useEffect, useState } from 'react'
import { counted } from '../../ui/format.ts'
import type { CrossedLine } from '../../views/crossed-list.ts'

/** Machines at which two wrote of one thing and what they say differs: looked at in the evening, one after another. */
export function CrossedList() {
  const [machines, setMachines] = useState<CrossedLine[]>([])
  useEffect(() => {
    const stop = new AbortController()
    fetch('/api/crossed', { signal: stop.signal })
      .then(async (response) => response.ok && setMachines((await response.json()).machines))
      // Without network nobody can know what others wrote: it is asked again next time.
      .catch(() => undefined)
    return () => stop.abort()
  }, [])
  if (machines.length === 0) return null
  return (
    <section aria-label="Two wrote of one thing" className="my-4 border-t border-ink">
      <h2 className="m-0 py-2 text-[18px] font-semibold">Two wrote of one thing</h2>
      <ul className="m-0 list-none p-0">
        {machines.map(({ machineId, machineName, siteName, differs, by }) => (
          <li key={machineId} className="border-t border-hair">
            <a
              className="flex min-h-[48px] flex-col justify-center py-1 hover:underline"
              href={`/machines/${machineId}`}
            >
              <b>
                {machineName}, {siteName}
              </b>
              <span className="text-[15px] text-second">
                {counted(differs, 'line differs', 'lines differ')}: {by.join(', ')}
              </span>
            </a>
          </li>
        ))}
      </ul>
    </section>
  )
}
