import { useEffect, useState } from 'react'
import { exactStops } from '../../../core/rounds/exact-order.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { problemOf } from './day-times.ts'
import type { LookAnswer, LookQuestion } from './longer-look.ts'

/**
 * A better order of more than ten stops, looked for in a worker of the browser while the page is read.
 * @returns null while none is found: the order that stands is as good as any that was seen
 */
export function useLongerLook(page: DayPage, person: DayPerson | null): number[] | null {
  const [found, setFound] = useState<{ of: DayPerson; order: number[] } | null>(null)
  useEffect(() => {
    if (!person || person.order.length <= exactStops || typeof Worker === 'undefined') return
    const worker = new Worker(new URL('./longer-look.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<LookAnswer>) => data.order && setFound({ of: person, order: data.order })
    worker.postMessage({ problem: problemOf(page, person), order: person.order } satisfies LookQuestion)
    return () => worker.terminate()
  }, [page, person])
  return found && found.of === person ? found.order : null
}
