import { FileInput } from '../../ui/FileInput.tsx'
import type { PhotoDraft } from './draft.ts'

interface Props {
  photos: PhotoDraft[]
  /** Positions a photo may show, by key and name. */
  parts: [key: string, name: string][]
  says: string
  onAdd: (file: File) => void
  onChange: (photos: PhotoDraft[]) => void
}

/** Photos of this visit: what each shows is said beside it, and they are seen later wherever the entry is. */
export function PhotosTaken({ photos, parts, says, onAdd, onChange }: Props) {
  const change = (id: string, more: Partial<PhotoDraft>) =>
    onChange(photos.map((photo) => (photo.id === id ? { ...photo, ...more } : photo)))
  return (
    <div>
      <ul className="m-0 list-none p-0">
        {photos.map((photo, i) => (
          <li key={photo.id} className="flex gap-3 border-t border-hair py-2">
            <img
              src={photo.name ? `/api/photos/${photo.name}` : `data:image/jpeg;base64,${photo.image}`}
              alt={photo.text || `Photo ${i + 1}`}
              className="block h-[84px] w-[112px] shrink-0 border border-hair object-cover"
            />
            <div className="flex min-w-0 flex-1 flex-col gap-2">
              <select
                className="field w-full"
                aria-label={`Photo ${i + 1} shows`}
                value={photo.part}
                onChange={(event) => change(photo.id, { part: event.target.value })}
              >
                <option value="">the machine, the place</option>
                {parts.map(([key, name]) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
              </select>
              <div className="flex flex-wrap gap-x-3 gap-y-1">
                <input
                  className="field min-w-[180px] flex-1"
                  aria-label={`What is seen in photo ${i + 1}`}
                  placeholder="what is seen"
                  maxLength={500}
                  value={photo.text}
                  onChange={(event) => change(photo.id, { text: event.target.value })}
                />
                <button
                  type="button"
                  className="word min-h-[44px] shrink-0"
                  aria-label={`Leave photo ${i + 1} out`}
                  onClick={() => onChange(photos.filter(({ id }) => id !== photo.id))}
                >
                  Leave out
                </button>
              </div>
            </div>
          </li>
        ))}
      </ul>
      <p className="m-0 flex flex-wrap items-center gap-3 pt-1">
        <label className="plain inline-flex cursor-pointer items-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
          {photos.length === 0 ? 'Add a photo' : 'Another photo'}
          <FileInput accept="image/*" className="sr-only" onChosen={(file) => file && onAdd(file)} />
        </label>
        {says && (
          <span role="status" className="text-[14px] font-semibold text-brass-ink">
            {says}
          </span>
        )}
      </p>
    </div>
  )
}
