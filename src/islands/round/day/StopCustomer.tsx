import { useState } from 'react'
import { toDay } from '../../../core/quantity/local-day.ts'
import type { DayPage } from '../../../views/day-page.ts'
import type { WeeksValley } from '../../../views/weeks-ahead.ts'
import { useFetched } from '../../use-fetched.ts'
import { TaskChoice } from '../weeks/TaskChoice.tsx'
import { VisitSteps } from '../weeks/VisitSteps.tsx'
import { useVisitChoice } from '../weeks/visit-choice.ts'
import { WhoGoes } from '../weeks/WhoGoes.tsx'

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
  return <Steps page={page} name={name} valley={found.valley} onWritten={onWritten} />
}

interface StepsProps {
  page: DayPage
  name: string
  valley: WeeksValley
  onWritten: () => void
}

function Steps({ page, name, valley, onWritten }: StepsProps) {
  const choice = useVisitChoice(valley)
  const day = toDay(page.on) - toDay(page.today)
  const ways = valley.days[day]?.ways ?? []
  const names = new Map(page.people.map((person) => [person.id, person.name]))
  return (
    <>
      <WhoGoes ways={ways} usual={valley.technicianId} names={names} choice={choice} />
      <VisitSteps
        row={{ name }}
        valley={valley}
        today={page.today}
        day={day}
        keyed={false}
        onWritten={onWritten}
        choice={choice}
      />
      <TaskChoice valley={valley} choice={choice} today={page.today} />
    </>
  )
}
