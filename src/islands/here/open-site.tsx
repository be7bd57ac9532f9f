import type { PageData } from '../../views/page-data.ts'
import type { HandedTo } from '../from-page.tsx'
import { SiteIsland } from '../site/SiteView.tsx'
import { SoftenerIsland } from '../site/SoftenerView.tsx'
import { VisitIsland } from '../visits/VisitView.tsx'
import type { Opening, PageHere } from './page-here.ts'

export async function openSite({ id, ask }: Opening): Promise<PageHere> {
  const { title, timeZone, handed } = await ask<PageData<HandedTo<typeof SiteIsland>>>(`/sites/${id}`, true)
  return { title, timeZone, view: <SiteIsland handed={() => handed} /> }
}

export async function openSoftener({ id, ask }: Opening): Promise<PageHere> {
  const { title, timeZone, handed } = await ask<PageData<HandedTo<typeof SoftenerIsland>>>(`/softeners/${id}`, true)
  return { title, timeZone, view: <SoftenerIsland handed={() => handed} /> }
}

export async function openVisit({ id, ask }: Opening): Promise<PageHere> {
  const { title, timeZone, handed } = await ask<PageData<HandedTo<typeof VisitIsland>>>(`/visits/${id}`, true)
  return { title, timeZone, view: <VisitIsland handed={() => handed} /> }
}
