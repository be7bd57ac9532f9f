import { isKind } from '../../core/ledger/is-kind.ts'
import { effective, ofKind } from '../../core/standing/histories.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** What a counter counted apart when it was last noted, by slot. */
export function lastApart(bundle: MachineBundle): Map<string, number> {
  const readings = ofKind(effective(bundle.ledgers), 'machine', 'reading')
    .filter(isKind('reading'))
    .map(({ body }) => body)
  const groups = readings.findLast((body) => (body.groups?.length ?? 0) > 0)?.groups ?? []
  const drinks = readings.findLast((body) => (body.drinks?.length ?? 0) > 0)?.drinks ?? []
  const rinses = readings.findLast((body) => body.rinses !== undefined)?.rinses
  return new Map([
    ...groups.map((count, i) => [`group ${i + 1}`, count] as const),
    ...drinks.map(({ name, count }) => [`drink ${name}`, count] as const),
    ...(rinses === undefined ? [] : [['rinses', rinses] as const]),
  ])
}
