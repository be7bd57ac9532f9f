import { type Minor, minorOf } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import { type Histories, nearestSetting, partPrice } from '../standing/histories.ts'
import { holding, warrantiesOf } from '../visits/warranties.ts'
import { sortOf } from '../wear/grade-words.ts'
import type { Cover } from './cover.ts'
import type { MachineRead } from './left-subjects.ts'

/** A price as it was typed, in whole minor units. */
export const minorPrice = (price: number | undefined, currency: string): Minor | null =>
  price === undefined ? null : minorOf(String(price), currency)

/** What a part costs at a machine; null where nobody said. */
export const priceAsker =
  ({ machine: { kind }, histories }: MachineRead, currency: string) =>
  (part: string): Minor | null =>
    kind ? minorPrice(partPrice(histories, kind.basedOn ?? kind.id, part)?.body.price, currency) : null

/** What a contract pays for here; null where there is none. */
export function coverOf(histories: Histories): Cover | null {
  const body = nearestSetting(histories, 'covers')?.body
  if (!body || (body.labour === undefined && body.travel === undefined && body.used === undefined)) return null
  return {
    ...(body.name && { name: body.name }),
    ...(body.until && { until: body.until }),
    ...(body.partsUpToMinor !== undefined && { partsUpToMinor: body.partsUpToMinor }),
    notParts: body.notParts ?? [],
    labour: body.labour ?? false,
    travel: body.travel ?? false,
    used: body.used ?? false,
  }
}

/** What is changed because it was used, not because it was bad. */
const wears = new Set<ReturnType<typeof sortOf>>(['rubber', 'hose', 'passage', 'burrs'])

/**
 * Whether somebody stands by a part on a day, as it was before this visit fitted a new one: of the part itself, or of the
 * machine it belongs to. A machine's warranty is not for what wears: seals, hoses, screens and burrs are paid for. Common
 * practice, no source; the warranty's own words rule, and the payer of a line can be changed by hand.
 */
export function warrantyAsker({ machine, histories }: MachineRead, visitId: string, on: LocalDay) {
  const { kind } = machine
  const own = nearestSetting(histories, 'warranty')?.body ?? null
  const before = (histories.machine?.entries ?? []).filter(
    (entry) => entry.visitId !== visitId && entry.happenedOn <= on,
  )
  const held = holding(
    warrantiesOf({
      machine: { warrantyUntil: machine.warrantyUntil, warrantyBy: machine.warrantyBy },
      kind,
      entries: before,
      own,
    }),
    on,
  )
  return (part: string) =>
    held.some((one) => (one.of === 'machine' && !wears.has(sortOf(part))) || (one.of === 'part' && one.part === part))
}
