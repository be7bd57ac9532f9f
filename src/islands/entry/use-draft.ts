import { useCallback, useEffect, useRef, useState } from 'react'
import { shelf } from '../../device/shelf.ts'
import { browserNow } from '../../ui/clock.ts'
import { preferences } from '../../ui/preferences.ts'
import { newId } from '../new-id.ts'
import { type Draft, emptyDraft } from './draft.ts'

const drafts = shelf<Draft>({
  name: 'draft',
  version: 1,
  schema: async () => (await import('./draft-schema.ts')).draftSchema,
  former: (machineId) => `evenshot-draft-${machineId}`,
})

interface Kit {
  unit: string
  perDrop: string
}

const kits = shelf<Kit>({
  name: 'drop-kit',
  version: 1,
  schema: async () => (await import('./draft-schema.ts')).kitSchema,
  former: () => 'evenshot-drop-kit',
})
/** One kit is in the bag. */
const bag = 'kit'

/**
 * A draft that survives a reload: kept on this device until it is saved or thrown away. Nothing can be typed before
 * the device has been asked.
 *
 * @param visitId - a call of today that goes on at this machine
 */
export function useDraft(machineId: string, today: string, visitId?: string) {
  const [draft, setDraft] = useState<Draft>(() => fresh(today, usualKit()))
  const [restored, setRestored] = useState(false)
  const [ready, setReady] = useState(false)
  const [aside, setAside] = useState<string | null>(null)
  const ids = useRef<Record<string, string>>({})

  useEffect(() => {
    let shown = true
    void Promise.all([drafts.read(machineId), kits.read(bag)]).then(([{ value: kept, aside: why }, kit]) => {
      if (!shown) return
      if (kept) {
        ids.current = kept.ids
        setDraft({ ...emptyDraft, ...kept })
        setRestored(true)
      } else setDraft({ ...fresh(today, kit.value ?? usualKit()), ...(visitId && { visitId }) })
      setAside(why)
      setReady(true)
    })
    return () => {
      shown = false
    }
  }, [machineId, today, visitId])

  useEffect(() => {
    if (!ready) return
    void kits.keep(bag, { unit: draft.unit, perDrop: draft.perDrop })
    if (isEmpty(draft)) void drafts.drop(machineId)
    else void drafts.keep(machineId, { ...draft, ids: ids.current })
  }, [draft, machineId, ready])

  const idFor = useCallback((slot: string) => {
    ids.current[slot] ??= newId()
    return ids.current[slot]
  }, [])
  const clear = useCallback(async () => {
    await drafts.drop(machineId)
    ids.current = {}
    setRestored(false)
    setDraft((now) => fresh(today, now))
  }, [machineId, today])
  return { draft, setDraft, restored, ready, aside, idFor, clear }
}

const usualKit = () => ({ unit: preferences().hardnessUnit, perDrop: '1' })

const fresh = (today: string, kit: Kit): Draft => ({
  ...emptyDraft,
  visitId: newId(),
  happenedOn: today,
  startedAt: browserNow().toISOString(),
  unit: kit.unit,
  perDrop: kit.perDrop,
})

function isEmpty(draft: Draft): boolean {
  const texts = [
    draft.counter,
    ...Object.values(draft.apart),
    draft.meter,
    draft.note,
    draft.complaint,
    draft.cause,
    draft.repair,
    draft.remark,
    draft.terms,
    draft.orderNumber,
    draft.minutes,
    draft.arrived,
    draft.went,
    ...draft.photos.map(({ id }) => id),
    ...Object.values(draft.figures),
    ...Object.values(draft.found),
    ...Object.values(draft.left),
    ...Object.values(draft.tests).flatMap((test) => [test.drops, test.low, test.high]),
  ]
  return texts.every((text) => !text.trim()) && draft.tasks.length === 0 && Object.keys(draft.parts).length === 0
}
