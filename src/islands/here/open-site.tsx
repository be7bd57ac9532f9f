import type { PageData } from '../../views/page-data.ts'
import type { HandedTo } from '../from-page.tsx'
import type { SiteIsland as Site } from '../site/SiteView.tsx'
import type { SoftenerIsland as Softener } from '../site/SoftenerView.tsx'
import type { VisitIsland as Visit } from '../visits/VisitView.tsx'
import type { Opening, PageHere } from './page-here.ts'

export async function openSite({ id, ask }: Opening): Promise<PageHere> {
  const [{ title, timeZone, handed }, { SiteIsland }] = await Promise.all([
    ask<PageData<HandedTo<typeof Site>>>(`/sites/${id}`, true),
    import('../site/SiteView.tsx'),
  ])
  return { title, timeZone, view: <SiteIsland handed={() => handed} /> }
}

export async function openSoftener({ id, ask }: Opening): Promise<PageHere> {
  const [{ title, timeZone, handed }, { SoftenerIsland }] = await Promise.all([
    ask<PageData<HandedTo<typeof Softener>>>(`/softeners/${id}`, true),
    import('../site/SoftenerView.tsx'),
  ])
  return { title, timeZone, view: <SoftenerIsland handed={() => handed} /> }
}

export async function openVisit({ id, ask }: Opening): Promise<PageHere> {
  const [{ title, timeZone, handed }, { VisitIsland }] = await Promise.all([
    ask<PageData<HandedTo<typeof Visit>>>(`/visits/${id}`, true),
    import('../visits/VisitView.tsx'),
  ])
  return { title, timeZone, view: <VisitIsland handed={() => handed} /> }
}
