import { useMemo, useState } from 'react'
import { bookFor } from '../../../core/faults/books.ts'
import { callMinutes, safeWords } from '../../../core/faults/call-needs.ts'
import { partsBehind } from '../../../core/faults/likely-parts.ts'
import { priorFactors, priorReasons } from '../../../core/faults/prior-factors.ts'
import { type Search, suspicion } from '../../../core/faults/search.ts'
import { faultEvidence } from '../../../core/standing/fault-evidence.ts'
import { heldNow } from '../../../core/standing/held-now.ts'
import { effective } from '../../../core/standing/histories.ts'
import { reckonMachine } from '../../../core/standing/reckon-machine.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { kindOf, missingStations } from '../../machine/kind-of.ts'
import { useFetched } from '../../use-fetched.ts'

/** What is known of the faults of the machine somebody rings about: its book, what its records say, what is suspected. */
export function useCallFault(machineId: string | null, search: Search | null, today: string) {
  const [bundle, setBundle] = useState<MachineBundle | null>(null)
  const failed = useFetched<MachineBundle>(machineId && `/api/machines/${machineId}/bundle`, setBundle, { afterMs: 10 })
  const own = bundle && bundle.machine.id === machineId ? bundle : null
  const known = useMemo(() => {
    if (!own) return null
    const kind = kindOf(own)
    const book = kind && bookFor(kind)
    const histories = effective(own.ledgers)
    if (!kind || !book)
      return { bundle: own, kind, book: null, factors: {}, heldFor: heldNow(histories).map(({ body }) => body.why) }
    const standings = reckonMachine(own.ledgers, { showWorking: false })?.standings ?? []
    const factors = priorFactors(priorReasons(book, faultEvidence(kind, histories, standings, today)))
    return { bundle: own, kind, book, factors, heldFor: heldNow(histories).map(({ body }) => body.why) }
  }, [own, today])
  const now = useMemo(
    () => (known?.book && search ? suspicion(known.book, search, known.factors) : null),
    [known, search],
  )
  const told = useMemo(() => {
    if (!known?.book || !now) return null
    return {
      minutes: callMinutes(known.book, now),
      safe: safeWords(known.book, now),
      ...partsBehind(known.book, now.belief),
    }
  }, [known, now])
  return { failed, known, now, told, without: own ? missingStations(own) : new Set<string>() }
}
