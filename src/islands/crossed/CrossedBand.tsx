import { useMemo, useState } from 'react'
import { counted } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { crossedHere } from './crossed-here.ts'

const CrossedSheet = later(() => import('./CrossedSheet.tsx').then((module) => module.CrossedSheet))

interface Props {
  bundle: MachineBundle
  today: string
  me: string
  onSaved: () => Promise<void>
}

/** Two wrote of one thing without knowing of each other, and what they say differs: said until somebody compared it. */
export function CrossedBand({ bundle, today, me, onSaved }: Props) {
  const here = useMemo(() => crossedHere(bundle), [bundle])
  const [open, setOpen] = useState(false)
  if (here.asks.length === 0) return null
  const names = [...new Set(here.asks.flatMap(({ lines }) => lines.map(({ recordedBy }) => recordedBy)))].map(
    (id) => bundle.technicians.find((technician) => technician.id === id)?.name ?? 'somebody',
  )
  return (
    <>
      <p
        role="status"
        className="m-0 flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair bg-copper-tint px-4 py-2 lg:px-6"
      >
        <span className="min-w-0 flex-1">
          <b>{counted(here.asks.length, 'line differs', 'lines differ')}.</b> {andList(names)} wrote here without
          knowing of each other. Everything stands in the ledger.
        </span>
        <button type="button" className="plain min-h-[44px] whitespace-nowrap" onClick={() => setOpen(true)}>
          Compare
        </button>
      </p>
      {open && (
        <CrossedSheet
          bundle={bundle}
          here={here}
          today={today}
          me={me}
          onClose={() => setOpen(false)}
          onSaved={onSaved}
        />
      )}
    </>
  )
}

const andList = (names: string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '')
