import { greatCircleKm } from '../../core/rounds/travel.ts'
import type { Trx } from '../../records/database.ts'
import { allKept, type KeptRecord } from '../../records/kept.ts'
import { isUuid } from '../cursor.ts'
import { isAtWork } from './plan-parts.ts'
import { placeOf } from './plan-roads.ts'

/** The days of more technicians than these are not laid beside each other. */
const mostPeople = 10

/** Whom an address asks for; where it names nobody, whoever asks. */
export const whomAsked = (who: string | null | undefined, me: string): string => (who && isUuid(who) ? who : me)

interface Together {
  /** Whose days are looked at together; absent: everybody’s. */
  goes?: string[]
  /** Who could be looked at instead. */
  others: { id: string; name: string }[]
}

/** Whose days are looked at together: everybody’s, or in a firm of many those who begin nearest to one of them. */
export async function whoTogether(trx: Trx, technicianId?: string): Promise<Together> {
  const people = (await allKept(trx, 'technician')).filter(isAtWork)
  if (people.length <= mostPeople) return { others: [] }
  const first = people.find(({ id }) => id === technicianId) ?? people[0]!
  const from = placeOf(first.startLatitude, first.startLongitude)
  const far = (one: KeptRecord<'technician'>) => {
    if (one === first) return -1
    const to = placeOf(one.startLatitude, one.startLongitude)
    return from && to ? greatCircleKm(from, to) : Number.MAX_VALUE
  }
  const nearest = [...people].sort((a, b) => far(a) - far(b) || a.name.localeCompare(b.name))
  return {
    goes: nearest.slice(0, mostPeople).map(({ id }) => id),
    others: nearest
      .slice(mostPeople)
      .map(({ id, name }) => ({ id, name }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  }
}
