import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { nearestSetting } from '../standing/histories.ts'
import type { UsedUp } from './charges.ts'
import type { MachineRead } from './left-subjects.ts'
import { minorPrice } from './terms-here.ts'

/** Salt, acid and cartridges of a visit, each with its price where somebody said one; of each softener once. */
export function usedUp(read: readonly MachineRead[], visitId: string, currency: string): UsedUp[] {
  const prices = read[0] ? nearestSetting(read[0].histories, 'prices')?.body : undefined
  const of = (entries: readonly Entry[] = []) => entries.filter((entry) => entry.visitId === visitId)
  const softeners = new Map(
    read.flatMap(({ machine, histories }) =>
      machine.softener ? [[machine.softener.id, of(histories.softener?.entries)] as const] : [],
    ),
  )
  const atSofteners = [...softeners.values()].flat()
  const atMachines = read.flatMap(({ histories }) => of(histories.machine?.entries))
  const saltKg = sum(atSofteners, (entry) =>
    isKind('salt-added')(entry) ? entry.body.kg : isKind('regenerated')(entry) ? (entry.body.saltKg ?? 0) : 0,
  )
  const acidG = sum(atMachines, (entry) => (isKind('descaled')(entry) ? (entry.body.grams ?? 0) : 0))
  const cartridges = atSofteners.filter(isKind('cartridge-changed')).length
  const all: [name: string, quantity: number, price: number | undefined, more: Pick<UsedUp, 'unit' | 'per'>][] = [
    ['Salt', saltKg, prices?.saltPerKg, { unit: 'kg' }],
    ['Descaler', acidG, prices?.acidPerKg, { unit: 'g', per: 1000 }],
    ['Cartridge', cartridges, prices?.cartridge, { unit: 'piece' }],
  ]
  return all
    .filter(([, quantity]) => quantity > 0)
    .map(([name, quantity, price, more]) => ({
      name,
      quantityMilli: Math.round(quantity * 1000),
      priceMinor: minorPrice(price, currency),
      ...more,
    }))
}

const sum = (entries: readonly Entry[], of: (entry: Entry) => number): number =>
  entries.reduce((total, entry) => total + of(entry), 0)
