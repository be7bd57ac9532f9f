import type { DueAxis } from '../../ui/due-axis.ts'
import type { RoundRow } from '../../views/round-page.ts'

/** Where the chosen trip stands on the axis; null where it does not pass this row. */
export type TripThread = { x: number; isOn: boolean } | null

/** By row: where the trip of the chosen one passes, from its first row to its last. */
export function tripThreads(
  rows: readonly RoundRow[],
  chosen: RoundRow | null,
  axis: DueAxis,
): (i: number) => TripThread {
  const trip = chosen?.goes
  if (!trip) return () => null
  const on = rows.map(({ goes }) => goes?.on === trip.on && goes.technicianId === trip.technicianId)
  const [first, last] = [on.indexOf(true), on.lastIndexOf(true)]
  const x = axis.x(trip.on)
  return (i) => (i < first || i > last ? null : { x, isOn: on[i]! })
}
