import type { Unnumbered } from '../../core/ledger/entry-kinds.ts'
import { exchangerParts } from '../../core/softener/exchanger-parts.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'

/** What renews a treatment, and what of it can be said. */
export interface Renewal {
  /** What is written, with the amount where one was said. */
  made: (amount?: number) => Unnumbered
  /** Which of a softener's own parts. */
  task?: string
  /** As it is said once done. */
  name: string
  amount?: { label: string; unit: string; field: string; usual?: number; needed?: boolean }
}

/** What can be noted as done on a softener's page, the main thing first. */
export function renewalsOf({ softener, saltKg }: SoftenerPage): Renewal[] {
  const carbon: Renewal = { made: () => ({ kind: 'prefilter-changed', body: {} }), name: 'Carbon changed' }
  const more = softener.prefilter ? [carbon] : []
  switch (softener.treatment) {
    case 'carbon':
      return [carbon]
    case 'membrane':
      return [{ made: () => ({ kind: 'membrane-changed', body: {} }), name: 'Membrane changed' }, ...more]
    case 'cartridge': {
      const amount = { label: 'The new one holds', unit: 'g CaCO₃', field: 'capacityG', usual: softener.capacityG }
      const made = (capacityG?: number): Unnumbered => ({ kind: 'cartridge-changed', body: { capacityG } })
      return [{ made, name: 'Cartridge changed', amount }, ...more]
    }
    default: {
      const added = { label: 'Salt filled in', unit: 'kg', field: 'kg', usual: softener.saltTankKg, needed: true }
      const used = { label: 'Salt', unit: 'kg', field: 'saltKg', usual: saltKg ?? undefined }
      return softener.regeneratesItself
        ? [{ made: (kg = 0) => ({ kind: 'salt-added', body: { kg } }), name: 'Salt filled up', amount: added }, ...more]
        : [
            { made: (kg) => ({ kind: 'regenerated', body: { saltKg: kg } }), name: 'Regenerated', amount: used },
            ...more,
          ]
    }
  }
}

/** Work on the softener itself that is noted beside its renewals. */
export function otherWork({ softener }: SoftenerPage): Renewal[] {
  if ((softener.treatment ?? 'exchanger') !== 'exchanger') return []
  const how = softener.regeneratesItself ? 'itself' : 'hand'
  return exchangerParts
    .filter((part) => part.of === 'both' || part.of === how)
    .map(({ id, name }) => ({ made: () => ({ kind: 'serviced', body: { task: id } }), name, task: id }))
}
