import type { Body } from '../ledger/entry-kinds.ts'
import type { Unversioned } from '../ledger/versions.ts'
import { fittingEntries } from '../procedures/run-record.ts'
import type { KnownStripDown } from './known-strip-down.ts'
import { onBench, type Sheet } from './sheet.ts'
import type { Thing } from './thing.ts'

/** What a closed sheet leaves in the ledger: all that came off, in order, with what was not put back and why. */
export function sheetBody(sheet: Sheet, title: string, known?: KnownStripDown): Unversioned<Body<'strip-down'>> {
  if (!sheet.closed) throw new Error('sheetBody: a sheet is on record when it is closed')
  return {
    title,
    ...(known && { known: known.id, station: known.station }),
    minutes: Math.round((sheet.closed.at - sheet.openedAt) / 6000) / 10,
    things: sheet.things.map(({ thing, offAt, inAt, photos, note }) => ({
      name: thing.name,
      where: thing.where,
      ...(thing.way && { way: thing.way }),
      ...(thing.mark && { mark: thing.mark }),
      fasteners: thing.fasteners
        .filter(({ count }) => count > 0)
        .map(({ drive, size, count, kind }) => ({ drive, count, ...(size && { size }), ...(kind && { kind }) })),
      offS: Math.round((offAt - sheet.openedAt) / 1000),
      ...(inAt !== null && { inS: Math.round((inAt - sheet.openedAt) / 1000) }),
      ...(photos.length > 0 && { photos }),
      ...(note && { note }),
    })),
    ...(onBench(sheet).length > 0 && { leftOver: sheet.closed.leftOver }),
  }
}

/** Parts that went in new, each with what came out. */
export const sheetFittings = ({ things }: Sheet): ReturnType<typeof fittingEntries> =>
  things.flatMap(({ fitted = [] }) => fitted.flatMap(fittingEntries))

/** Whether the machine stays not for use: opened, and not tested since. */
export const heldAfter = ({ closed }: Sheet, known?: KnownStripDown): boolean =>
  known?.opens === true && closed?.tested !== true

/** A thing nobody listed: named where it comes off. */
export const ownThing = (name: string, where: string, more: Partial<Thing> = {}): Thing => ({
  name,
  where,
  symbol: 'part',
  fasteners: [],
  ...more,
})
