import { useCallback, useEffect, useRef, useState } from 'react'
import { fetchedAtRest } from '../../ui/later.tsx'
import { newId } from '../new-id.ts'
import type { Draft, PhotoDraft } from './draft.ts'

/** Most visits have none: fetched with the first. */
const photoWork = fetchedAtRest(() => import('../photos.ts'))

/** Photos of a draft: each is made smaller, kept on this device, and sent at once where there is signal. */
export function usePhotos(draft: Draft, onChange: (next: (now: Draft) => Draft) => void) {
  const [says, setSays] = useState('')
  const latest = useRef(draft)
  useEffect(() => {
    latest.current = draft
  }, [draft])
  const become = useCallback(
    (photos: PhotoDraft[]) => {
      latest.current = { ...latest.current, photos }
      onChange((now) => ({ ...now, photos }))
    },
    [onChange],
  )

  /** Those that wait, one after the other. */
  const send = useCallback(async (): Promise<Draft | string> => {
    for (;;) {
      const first = latest.current.photos.find(({ name }) => !name)
      if (!first?.image) return latest.current
      const { sendPhoto } = await photoWork()
      const told = await sendPhoto(first.image)
      if (!told.ok) return told.forGood ? `${told.message} Leave it out to save the rest.` : told.message
      become(
        latest.current.photos.map(({ image, ...photo }) =>
          photo.id === first.id ? { ...photo, name: told.name } : { ...photo, ...(image && { image }) },
        ),
      )
    }
  }, [become])

  const add = useCallback(
    async (file: File) => {
      setSays('Making the photo smaller …')
      const { noPicture, smaller } = await photoWork()
      const image = await smaller(file).catch(() => null)
      if (image === null) return setSays(noPicture(file))
      become([...latest.current.photos, { id: newId(), image, part: '', text: '' }])
      setSays('')
      const sent = await send()
      if (typeof sent === 'string') setSays(sent)
    },
    [become, send],
  )
  return { says, add, send, become }
}
