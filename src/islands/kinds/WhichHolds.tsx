import { useState } from 'react'
import { figure } from '../../ui/format.ts'
import type { KindPage } from '../../views/kind-page.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { useWrite } from '../use-write.ts'

/** Of a firm's own version: whether its machines are reckoned by it, and the choice. */
export function WhichHolds({ page, today }: { page: KindPage; today: string }) {
  const { kind, machines, inUse, firmId } = page
  const [id] = useState(newId)
  const { busy, wrong, write } = useWrite()
  const of = kind.basedOn
  if (!of) return null
  const choose = (own: string) =>
    write(makeEntry('firm', firmId, 'setting', { setting: 'kind-as', kind: of, own }, today, { id }))
  return (
    <p className="m-0 flex flex-wrap items-center gap-3 border-b border-hair bg-copper-tint px-4 py-2 lg:px-6">
      {inUse ? (
        <>
          <b>All {figure(machines)} machines of the kind it comes from are reckoned by this version.</b>
          <button type="button" className="plain" disabled={busy} onClick={() => choose(of)}>
            Back to the one that ships
          </button>
        </>
      ) : (
        <>
          <span>Kept, and not in use: nothing is reckoned by it yet.</span>
          <button type="button" className="act" disabled={busy} onClick={() => choose(kind.id)}>
            Reckon {figure(machines)} machines by it
          </button>
        </>
      )}
      {wrong && (
        <span role="alert" className="font-semibold text-seal-ink">
          {wrong}
        </span>
      )}
    </p>
  )
}
