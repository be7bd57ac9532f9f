import { useCallback, useEffect, useRef, useState } from 'react'
import { browserNow } from '../../ui/clock.ts'
import { preferences } from '../../ui/preferences.ts'
import { newId } from '../send-entries.ts'
import { type Draft, emptyDraft } from './draft.ts'

const keyOf = (machineId: string) => `evenshot-draft-${machineId}`
const kitKey = 'evenshot-drop-kit'

/** A draft that survives a reload: kept on this device until it is saved or thrown away. */
/** @param visitId - a call of today that goes on at this machine */
export function useDraft(machineId: string, today: string, visitId?: string) {
  const [draft, setDraft] = useState<Draft>(() => fresh(today, usualKit()))
  const [restored, setRestored] = useState(false)
  const ids = useRef<Record<string, string>>({})
  const ready = useRef(false)

  useEffect(() => {
    const kept = read<Draft>(keyOf(machineId))
    const kit = read<{ unit: string; perDrop: string }>(kitKey)
    if (kept) {
      ids.current = kept.ids
      // A draft of an earlier version of this form lacks what came since.
      setDraft({ ...emptyDraft, ...kept })
      setRestored(true)
    } else setDraft({ ...fresh(today, kit ?? usualKit()), ...(visitId && { visitId }) })
    ready.current = true
  }, [machineId, today, visitId])

  useEffect(() => {
    if (!ready.current) return
    // A full or forbidden store costs the draft its second life, not the visit: saving goes on.
    try {
      localStorage.setItem(kitKey, JSON.stringify({ unit: draft.unit, perDrop: draft.perDrop }))
      if (isEmpty(draft)) localStorage.removeItem(keyOf(machineId))
      else localStorage.setItem(keyOf(machineId), JSON.stringify({ ...draft, ids: ids.current }))
    } catch (error) {
      console.info('The draft is not kept on this device', error)
    }
  }, [draft, machineId])

  const idFor = useCallback((slot: string) => {
    ids.current[slot] ??= newId()
    return ids.current[slot]
  }, [])
  const clear = useCallback(() => {
    localStorage.removeItem(keyOf(machineId))
    ids.current = {}
    setRestored(false)
    setDraft((now) => fresh(today, now))
  }, [machineId, today])
  return { draft, setDraft, restored, idFor, clear }
}

const usualKit = () => ({ unit: preferences().hardnessUnit, perDrop: '1' })

const fresh = (today: string, kit: { unit: string; perDrop: string }): Draft => ({
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
    draft.minutes,
    draft.arrived,
    draft.went,
    ...Object.values(draft.figures),
    ...Object.values(draft.found),
    ...Object.values(draft.left),
    ...Object.values(draft.tests).flatMap((test) => [test.drops, test.low, test.high]),
  ]
  return texts.every((text) => !text.trim()) && draft.tasks.length === 0 && Object.keys(draft.parts).length === 0
}

function read<T>(key: string): T | null {
  try {
    const text = localStorage.getItem(key)
    return text ? (JSON.parse(text) as T) : null
  } catch {
    return null
  }
}
