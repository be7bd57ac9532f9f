import type { KnownStripDown } from '../../core/strip-down/known-strip-down.ts'
import type { Sheet } from '../../core/strip-down/sheet.ts'
import { CautionBand } from '../run/CautionBand.tsx'
import { type Noted, NotedLines } from './NotedLines.tsx'
import { Lines, Now } from './NowThing.tsx'
import type { SheetStand } from './sheet-stand.ts'

interface Props {
  sheet: Sheet
  known: KnownStripDown | null
  noted: Noted[]
  stand: SheetStand
}

/** What comes off or goes back on now, with its trap. */
export function WorkedOn({ sheet, known, noted, stand: { hand, held, next, refitting, allBack } }: Props) {
  const trap = refitting ? held?.thing.trap : next?.trap
  return (
    <section className="flex flex-col bg-enamel" aria-label={refitting ? 'Back on now' : 'Comes off now'}>
      <div className="flex-1 px-4 py-3 lg:px-6">
        {refitting && held && !allBack ? (
          <Now what="Back on now" number={hand! + 1} thing={held.thing} words={held.thing.back} />
        ) : next ? (
          <>
            <Now what="Comes off now" number={sheet.things.length + 1} thing={next} words={next.before} />
            <NotedLines noted={noted} thing={next.name} />
          </>
        ) : allBack ? (
          <>
            <p className="m-0 text-[28px] font-[640]">All is back in.</p>
            {known && <Lines lines={known.after} />}
          </>
        ) : (
          <>
            <p className="m-0 text-[20px]">
              {known && sheet.things.length > 0
                ? 'All of it is off. Do the work, then turn round: it is played backwards.'
                : 'Add what comes off, then turn round: it is played backwards.'}
            </p>
            {known && sheet.things.length > 0 && (
              <>
                <h2 className="m-0 pt-3 pb-1 text-[16px] font-[620]">While all is off</h2>
                <Lines lines={known.turning} />
                {known.broken && (
                  <>
                    <h2 className="m-0 pt-3 pb-1 text-[16px] font-[620]">What it looks like broken</h2>
                    <Lines lines={known.broken} />
                  </>
                )}
              </>
            )}
          </>
        )}
      </div>
      {trap && !allBack && (
        <CautionBand
          caution={{
            hazard: 'parts',
            say: trap,
            ...(held?.note && refitting && { how: `Noted: ${held.note}` }),
          }}
        />
      )}
    </section>
  )
}
