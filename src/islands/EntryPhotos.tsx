import type { Entry } from '../core/ledger/entry.ts'
import { photosIn } from '../core/ledger/photos-in.ts'

/** The photos an entry names, small; each opens whole. */
export function EntryPhotos({ entry }: { entry: Entry }) {
  const photos = photosIn(entry)
  if (photos.length === 0) return null
  return (
    <span className="mt-1 mb-1 flex flex-wrap gap-2">
      {photos.map(({ name, shows }, i) => (
        <a key={name} href={`/api/photos/${name}`} target="_blank" rel="noreferrer" className="block">
          <img
            src={`/api/photos/${name}`}
            alt={shows ?? `Photo ${i + 1}`}
            loading="lazy"
            className="block h-[72px] w-[96px] border border-hair bg-field object-cover"
          />
        </a>
      ))}
    </span>
  )
}
