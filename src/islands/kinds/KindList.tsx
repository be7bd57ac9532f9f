import { useState } from 'react'
import { counted, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { KindRow } from '../../views/kind-page.ts'
import { island } from '../island.tsx'
import { useOwnKinds } from './own-kinds-here.ts'

const SimpleKindSheet = later(() => import('./SimpleKindSheet.tsx').then((module) => module.SimpleKindSheet))

/** Every kind of machine, with how many of it there are here. */
function KindList({ kinds, firm, today }: { kinds: KindRow[]; firm: string; today: string }) {
  const [open, setOpen] = useState(false)
  const { own } = useOwnKinds()
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name="Kinds of machine"
        under={firm}
        facts={[
          { label: 'Kinds', value: kinds.length },
          { label: 'Machines', value: figure(kinds.reduce((sum, { machines }) => sum + machines, 0)) },
        ]}
        action={
          <button type="button" className="act whitespace-nowrap" disabled={!own} onClick={() => setOpen(true)}>
            A kind of our own
          </button>
        }
      />
      <ul className="m-0 flex-1 list-none bg-enamel px-4 py-3 lg:px-6">
        {kinds.map((kind) => (
          <li key={kind.id} className="flex min-h-[52px] flex-wrap items-center gap-x-5 border-t border-hair py-1">
            <span className="min-w-[260px] flex-1">
              <a href={`/kinds/${kind.id}`} className="font-semibold hover:underline">
                {kind.name}
              </a>
              {kind.ownMake && (
                <span className="text-[14px] text-copper"> our own{kind.basedOn && `, from ${kind.basedOn}`}</span>
              )}
              <span className="block text-[14px] text-second">{kind.about}</span>
            </span>
            <span className="mono w-[110px] text-right text-[14px]">{counted(kind.parts, 'part')}</span>
            <span className="mono w-[110px] text-right text-[14px]">{counted(kind.tasks, 'task')}</span>
            <a
              className="mono inline-flex min-h-[44px] w-[120px] items-center justify-end text-[14px] hover:underline"
              href={`/machines?kind=${kind.id}`}
            >
              {kind.machines === 0 ? 'none here' : `${figure(kind.machines)} here`}
            </a>
          </li>
        ))}
      </ul>
      {open && own && (
        <SimpleKindSheet
          own={own}
          today={today}
          onMade={({ id }) => location.assign(`/kinds/${id}`)}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  )
}

export const KindListIsland = island(KindList)
