import { dayNumber } from '../../core/quantity/local-day.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import type { CallerMachine } from '../../core/visits/caller-machine.ts'
import type { DayPage } from '../../views/day-page.ts'
import type { PageData } from '../../views/page-data.ts'
import type { HandedTo } from '../from-page.tsx'
import { CallIsland } from '../round/call/TheCall.tsx'
import { DayIsland } from '../round/day/TheDay.tsx'
import { RoundIsland } from '../round/RoundBoard.tsx'
import { WeeksIsland } from '../round/weeks/WeeksAhead.tsx'
import type { Opening, PageHere } from './page-here.ts'

export async function openDay({ url, about, ask, now }: Opening): Promise<PageHere> {
  const { firm, technician } = about
  const today = dayAt(firm.timeZone, now)
  const asked = url.searchParams.get('on')
  const on = asked !== null && dayNumber(asked) !== null ? asked : today
  const data = {
    first: await ask<DayPage>(`/api/round/day?on=${on}&who=${technician.id}`),
    firm: { id: firm.id, name: firm.name },
    me: technician.id,
    who: url.searchParams.get('who'),
  }
  return { title: 'The day', timeZone: firm.timeZone, view: <DayIsland handed={() => data} /> }
}

export async function openBoard({ about, ask }: Opening): Promise<PageHere> {
  const { handed } = await ask<PageData<HandedTo<typeof RoundIsland>>>('/round', true)
  return { title: 'Round', timeZone: about.firm.timeZone, view: <RoundIsland handed={() => handed} /> }
}

export async function openWeeks({ about, ask }: Opening): Promise<PageHere> {
  const { handed } = await ask<PageData<HandedTo<typeof WeeksIsland>>>('/round/weeks', true)
  return { title: 'Weeks ahead', timeZone: about.firm.timeZone, view: <WeeksIsland handed={() => handed} /> }
}

export async function openCall({ url, about, ask, now }: Opening): Promise<PageHere> {
  const { handed } = await ask<PageData<HandedTo<typeof CallIsland>>>('/round/call', true)
  const machineId = url.searchParams.get('machine')
  const { machines } = machineId
    ? await ask<{ machines: CallerMachine[] }>('/api/machines/all')
    : { machines: [] as CallerMachine[] }
  const data = {
    ...handed,
    today: dayAt(about.firm.timeZone, now),
    machine: machines.find((one) => one.machineId === machineId) ?? null,
    answered: handed.ringBacks.find(({ id }) => id === url.searchParams.get('answers')) ?? null,
  }
  return { title: 'A call', timeZone: about.firm.timeZone, view: <CallIsland handed={() => data} /> }
}
