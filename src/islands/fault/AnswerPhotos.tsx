import { FileInput } from '../../ui/FileInput.tsx'
import type { AnswerPhoto } from './kept-search.ts'

interface Props {
  /** Those of this answer. */
  photos: AnswerPhoto[]
  /** What was seen, for who does not see the picture. */
  shows: string
  onAdd: (file: File) => void
  onLeaveOut: (id: string) => void
}

/** Photos kept with an answer: what it looked like is seen again wherever the answer is read. */
export function AnswerPhotos({ photos, shows, onAdd, onLeaveOut }: Props) {
  return (
    <span className="flex flex-wrap items-center gap-2">
      {photos.map((photo, i) => (
        <span key={photo.id} className="inline-flex items-center gap-1">
          <img
            src={photo.name ? `/api/photos/${photo.name}` : `data:image/jpeg;base64,${photo.image}`}
            alt={`${shows}, ${i + 1} of ${photos.length}`}
            className="block h-[60px] w-[80px] border border-hair object-cover"
          />
          <button
            type="button"
            className="word min-h-[44px]"
            aria-label={`Leave photo ${i + 1} of “${shows}” out`}
            onClick={() => onLeaveOut(photo.id)}
          >
            Leave out
          </button>
        </span>
      ))}
      <label className="word inline-flex min-h-[44px] cursor-pointer items-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
        {photos.length === 0 ? 'Add a photo' : 'Another photo'}
        <FileInput
          accept="image/*"
          className="sr-only"
          aria-label={`A photo of “${shows}”`}
          onChosen={(file) => file && onAdd(file)}
        />
      </label>
    </span>
  )
}
