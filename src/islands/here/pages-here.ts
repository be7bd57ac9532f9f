import type { PlaceId } from '../../ui/lists.ts'
import type { Opening, PageHere } from './page-here.ts'

interface PageOf {
  path: RegExp
  place?: PlaceId
  section?: string
  /** Nothing but the page itself. */
  bare?: true
  open(opening: Opening): Promise<PageHere>
}

const id = '([0-9a-f]{8}-[0-9a-f-]{27})'
const machine = (rest: string) => new RegExp(`^/machines/${id}${rest}/?$`)

/** Pages that open without network, each with how it is made from what is on this device. */
export const pagesHere: PageOf[] = [
  { path: machine(''), place: 'machines', open: async (of) => (await import('./open-machine.tsx')).openMachine(of) },
  {
    path: machine('/entry'),
    place: 'machines',
    open: async (of) => (await import('./open-machine.tsx')).openEntry(of),
  },
  { path: machine('/run'), bare: true, open: async (of) => (await import('./open-machine.tsx')).openRun(of) },
  {
    path: machine('/strip-down'),
    bare: true,
    open: async (of) => (await import('./open-machine.tsx')).openStripDown(of),
  },
  {
    path: machine('/triage'),
    place: 'machines',
    open: async (of) => (await import('./open-machine.tsx')).openTriage(of),
  },
  { path: /^\/round\/day\/?$/, place: 'round', open: async (of) => (await import('./open-round.tsx')).openDay(of) },
  { path: /^\/round\/?$/, place: 'round', open: async (of) => (await import('./open-round.tsx')).openBoard(of) },
  { path: /^\/round\/call\/?$/, place: 'round', open: async (of) => (await import('./open-round.tsx')).openCall(of) },
  { path: /^\/round\/weeks\/?$/, place: 'round', open: async (of) => (await import('./open-round.tsx')).openWeeks(of) },
  {
    path: /^\/machines\/?$/,
    place: 'machines',
    section: 'machines',
    open: async (of) => (await import('./open-machines.tsx')).openMachines(of),
  },
  {
    path: /^\/waits\/?$/,
    place: 'round',
    open: async ({ about }) => (await import('./open-waits.tsx')).openWaits(about),
  },
  {
    path: new RegExp(`^/sites/${id}/?$`),
    place: 'machines',
    section: 'sites',
    open: async (of) => (await import('./open-site.tsx')).openSite(of),
  },
  {
    path: new RegExp(`^/sites/${id}/leaving/?$`),
    place: 'round',
    open: async (of) => (await import('./open-leaving.tsx')).openLeaving(of),
  },
  {
    path: new RegExp(`^/softeners/${id}/?$`),
    place: 'machines',
    section: 'sites',
    open: async (of) => (await import('./open-site.tsx')).openSoftener(of),
  },
  {
    path: new RegExp(`^/visits/${id}/?$`),
    place: 'round',
    section: 'visits',
    open: async (of) => (await import('./open-site.tsx')).openVisit(of),
  },
]
