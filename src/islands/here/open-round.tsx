import { dayNumber } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import type { CallerMachine } from '../../core/visits/caller-machine.ts'
import type { DayPage } from '../../views/day-page.ts'
import type { PageData } from '../../views/page-data.ts'
import type { HandedTo } from '../from-page.tsx'
import type { CallIsland as Call } from '../round/call/TheCall.tsx'
import type { RoundIsland as Round } from '../round/RoundBoard.tsx'
import type { WeeksIsland as Weeks } from '../round/weeks/WeeksAhead.tsx'
import type { Opening, PageHere } from './page-here.ts'

// Each view comes while its data is read, and no other with it: a cheap phone takes a second for what it does not need.

export async function openDay({ url, about, ask, now }: Opening): Promise<PageHere> {
  const { firm, technician } = about
  const today = dayAt(firm.timeZone, now)
  const asked = url.searchParams.get('on')
  const on = asked !== null && dayNumber(asked) !== null ? asked : today
  const [first, { DayIsland }] = await Promise.all([
    ask<DayPage>(`/api/round/day?on=${on}&who=${technician.id}`),
    import('../round/day/TheDay.tsx'),
  ])
  const data = {
    first,
    firm: { id: firm.id, name: firm.name },
    me: technician.id,
    who: url.searchParams.get('who'),
  }
  return { title: 'The day', timeZone: firm.timeZone, view: <DayIsland handed={() => data} /> }
}

export async function openBoard({ about, ask }: Opening): Promise<PageHere> {
  const [{ handed }, { RoundIsland }] = await Promise.all([
    ask<PageData<HandedTo<typeof Round>>>('/round', true),
    import('../round/RoundBoard.tsx'),
  ])
  return { title: 'Round', timeZone: about.firm.timeZone, view: <RoundIsland handed={() => handed} /> }
}

export async function openWeeks({ about, ask }: Opening): Promise<PageHere> {
  const [{ handed }, { WeeksIsland }] = await Promise.all([
    ask<PageData<HandedTo<typeof Weeks>>>('/round/weeks', true),
    import('../round/weeks/WeeksAhead.tsx'),
  ])
  return { title: 'Weeks ahead', timeZone: about.firm.timeZone, view: <WeeksIsland handed={() => handed} /> }
}

export async function openCall({ url, about, ask, now }: Opening): Promise<PageHere> {
  const machineId = url.searchParams.get('machine')
  const [{ handed }, { machines }, { CallIsland }] = await Promise.all([
    ask<PageData<HandedTo<typeof Call>>>('/round/call', true),
    machineId
      ? ask<{ machines: CallerMachine[] }>('/api/machines/all')
      : Promise.resolve({ machines: [] as CallerMachine[] }),
    import('../round/call/TheCall.tsx'),
  ])
  const data = {
    ...handed,
    today: dayAt(about.firm.timeZone, now),
    machine: machines.find((one) => one.machineId === machineId) ?? null,
    answered: handed.ringBacks.find(({ id }) => id === url.searchParams.get('answers')) ?? null,
  }
  return { title: 'A call', timeZone: about.firm.timeZone, view: <CallIsland handed={() => data} /> }
}
