import { useState } from 'react'
import type { Entry } from '../core/ledger/entry.ts'
import { photosIn } from '../core/ledger/photos-in.ts'

/** The photos an entry names, small; each opens whole. */
export function EntryPhotos({ entry }: { entry: Entry }) {
  const photos = photosIn(entry)
  if (photos.length === 0) return null
  return (
    <span className="mt-1 mb-1 flex flex-wrap gap-2">
      {photos.map(({ name, shows }, i) => (
        <EntryPhoto key={name} name={name} shows={shows ?? `Photo ${i + 1}`} />
      ))}
    </span>
  )
}

function EntryPhoto({ name, shows }: { name: string; shows: string }) {
  const [isMissing, setIsMissing] = useState(false)
  const size = 'block h-[72px] w-[96px] border border-hair bg-field'
  if (isMissing)
    return (
      <span className={`${size} overflow-hidden p-1 text-[13px] leading-tight text-second`}>{shows}: not here</span>
    )
  return (
    <a href={`/api/photos/${name}`} target="_blank" rel="noreferrer" className="block">
      <img
        src={`/api/photos/${name}`}
        alt={shows}
        loading="lazy"
        className={`${size} object-cover`}
        onError={() => setIsMissing(true)}
      />
    </a>
  )
}
