import { useState } from 'react'
import { toDay } from '../../../core/quantity/local-day.ts'
import type { DayPage } from '../../../views/day-page.ts'
import type { WeeksValley } from '../../../views/weeks-ahead.ts'
import { useFetched } from '../../use-fetched.ts'
import { VisitSteps } from '../weeks/VisitSteps.tsx'

/** What is said with the customer about a stop, from the day it stands on. */
export function StopCustomer({ page, stop, onWritten }: { page: DayPage; stop: number; onWritten: () => void }) {
  const { siteId, name } = page.stops[stop]!
  const [found, setFound] = useState<{ valley: WeeksValley | null } | null>(null)
  const lost = useFetched<{ valley: WeeksValley | null }>(
    `/api/round/valley?siteId=${siteId}&on=${page.on}`,
    setFound,
    {
      afterMs: 0,
    },
  )
  if (lost) return <p role="alert">No connection: it can be said when there is signal.</p>
  if (!found) return <p className="text-second">A moment …</p>
  if (!found.valley) return <p>The plan has no such visit any more: look at the day again.</p>
  return (
    <VisitSteps
      row={{ name }}
      valley={found.valley}
      today={page.today}
      day={toDay(page.on) - toDay(page.today)}
      keyed={false}
      onWritten={onWritten}
    />
  )
}
