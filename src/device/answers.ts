import type { CallerMachine } from '../core/visits/caller-machine.ts'
import type { DayPage } from '../views/day-page.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'
import { bundleWithUnsent } from './bundle-with-unsent.ts'
import { dayWithUnsent } from './day-with-unsent.ts'
import { callersHere, foundHere } from './found-here.ts'
import { packedAnswer } from './packed.ts'
import { allUnsent } from './unsent.ts'

/** How an address is answered from what is on this device. */
interface HereAnswer {
  /** Under which address it is packed; the address itself where nothing is said. */
  packedAs(address: URL): string
  /** What the page is shown, from what is packed or from what the server said just now. */
  shown?(answer: never, address: URL, now: Date): unknown
  /** The network’s answer is worth keeping as it passes. */
  packs?: true
  /** Only asked of the device where there is no network: the server knows more. */
  onlyHere?: true
}

const id = '[0-9a-f]{8}-[0-9a-f-]{27}'
const asItIs = ({ pathname, search }: URL) => pathname + search

const answers: [path: RegExp, answer: HereAnswer][] = [
  [
    new RegExp(`^/api/machines/${id}/bundle$`),
    {
      packedAs: ({ pathname }) => pathname,
      packs: true,
      shown: async (bundle: MachineBundle, _, now) => bundleWithUnsent(bundle, await allUnsent(), now.toISOString()),
    },
  ],
  [new RegExp(`^/api/machines/${id}/noted$`), { packedAs: ({ pathname }) => pathname, packs: true }],
  [/^\/api\/machines\/all$/, { packedAs: ({ pathname }) => pathname, packs: true }],
  [
    /^\/api\/find$/,
    {
      packedAs: () => '/api/machines/all',
      onlyHere: true,
      shown: ({ machines }: { machines: CallerMachine[] }, { searchParams }) =>
        foundHere(machines, searchParams.get('q') ?? ''),
    },
  ],
  [
    /^\/api\/calls\/who$/,
    {
      packedAs: () => '/api/machines/all',
      onlyHere: true,
      shown: ({ machines }: { machines: CallerMachine[] }, { searchParams }) => ({
        found: callersHere(machines, searchParams.get('q') ?? ''),
      }),
    },
  ],
  [
    /^\/api\/round\/day$/,
    {
      shown: shownDay,
      packedAs: ({ pathname, searchParams }) =>
        `${pathname}?on=${searchParams.get('on')}&who=${searchParams.get('who')}`,
    },
  ],
]

/** A day with what waits here, at this moment. */
async function shownDay(day: DayPage, _: URL, now: Date): Promise<DayPage> {
  const [unsent, all] = await Promise.all([allUnsent(), packedAnswer('/api/machines/all')])
  const { machines } = (all?.answer ?? { machines: [] }) as { machines: CallerMachine[] }
  const siteOf = new Map(machines.map(({ machineId, siteId }) => [machineId, siteId]))
  return dayWithUnsent(day, unsent, now, (id) => siteOf.get(id))
}

/** Pages whose data is kept as the page hands it over; what is asked besides, filters and such, needs the network. */
const pages = new RegExp(`^/(round|round/call|round/weeks|sites/${id}|softeners/${id}|visits/${id})$`)

/** What answers an address on this device; null where only the network can. */
export function answerFor(address: URL, isPage: boolean): HereAnswer | null {
  if (isPage) return pages.test(address.pathname) ? { packedAs: asItIs, packs: true } : null
  return answers.find(([path]) => path.test(address.pathname))?.[1] ?? null
}

/** @returns the answer as the page is shown it, with when it was packed; null where it is not on this device */
export async function answerHere(
  address: URL,
  isPage: boolean,
  now: Date,
): Promise<{ answer: unknown; packedAt: number } | null> {
  const known = answerFor(address, isPage)
  if (!known) return null
  const packed = await packedAnswer(known.packedAs(address))
  if (!packed) return null
  return { ...packed, answer: await shownAs(known, packed.answer, address, now) }
}

export const shownAs = (known: HereAnswer, answer: unknown, address: URL, now: Date): unknown =>
  known.shown ? known.shown(answer as never, address, now) : answer
