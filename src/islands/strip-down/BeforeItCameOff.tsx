import type { KeptSheet } from './kept-sheet.ts'
import { type Noted, NotedLines } from './NotedLines.tsx'
import type { SheetStand } from './sheet-stand.ts'

interface Props {
  kept: KeptSheet
  noted: Noted[]
  stand: SheetStand
  photoSays: string
}

/** How the thing in the hand sat: its photos, what was noted of it now and at earlier times. */
export function BeforeItCameOff({ kept, noted, stand: { held, refitting }, photoSays }: Props) {
  return (
    <section className="border-hair px-4 py-3 lg:border-l" aria-label="Before it came off">
      <h2 className="m-0 pb-2 text-[16px] font-[620]">
        {refitting ? 'Before it came off' : 'In the hand'}
        <span className="ml-2 text-[14px] font-normal text-second">{held ? held.thing.name.toLowerCase() : ''}</span>
      </h2>
      <div className="grid grid-cols-2 gap-2">
        {held?.photos.map((photo, i) => (
          <img
            key={photo}
            src={kept.waiting[photo] ? `data:image/jpeg;base64,${kept.waiting[photo]}` : `/api/photos/${photo}`}
            alt={`${held.thing.name} as it sat, ${i + 1}`}
            className="block aspect-[4/3] w-full border border-hair object-cover"
          />
        ))}
      </div>
      {held && held.photos.length === 0 && (
        <p className="m-0 text-[15px] text-second">
          {refitting ? 'No photo was taken of it.' : 'A photo of how it sits is worth more than a note.'}
        </p>
      )}
      {held?.note && <p className="m-0 pt-2 text-[16px]">Noted: {held.note}</p>}
      {held && refitting && (
        <p className="m-0 pt-2">
          <NotedLines noted={noted} thing={held.thing.name} />
        </p>
      )}
      {photoSays && (
        <p role="status" className="m-0 pt-2 text-[15px] font-semibold text-brass-ink">
          {photoSays}
        </p>
      )}
    </section>
  )
}
