import { useState } from 'react'
import { labelSizes } from '../../core/papers/label-sizes.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { counted } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { PlacePages } from '../../views/customer-page.ts'
import { island } from '../island.tsx'
import { sendOnce } from '../send-once.ts'
import { LabelSize } from './LabelSize.tsx'
import { TheirPage } from './TheirPage.tsx'

interface Props {
  pages: PlacePages
  firmId: string
  today: LocalDay
  isOwner: boolean
}

/** Labels of all machines of a place: which have a page, and all of them on one sheet. */
function LabelsView({ pages, firmId, today, isOwner }: Props) {
  const { site } = pages
  const [machines, setMachines] = useState(pages.machines)
  const [busy, setBusy] = useState(false)
  const [says, setSays] = useState('')
  const [size, setSize] = useState(labelSizes.at(-1)!.id)
  const without = machines.filter(({ hasPage }) => !hasPage)
  const giveAll = async () => {
    setBusy(true)
    let failed = ''
    for (const { id } of without) {
      const told = await sendOnce<object>('POST', `/api/machines/${id}/page`)
      if (told.ok) setMachines((now) => now.map((one) => (one.id === id ? { ...one, hasPage: true } : one)))
      else failed = told.issues[0]!.message
    }
    setBusy(false)
    setSays(failed || 'Each has an address of its own: print the labels.')
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={`Labels of ${site.name}`}
        under={site.area}
        facts={[{ label: 'With a page', value: `${machines.length - without.length} of ${machines.length}` }]}
        action={
          <a href={`/sites/${site.id}`} className="plain inline-flex items-center whitespace-nowrap">
            Back to the site
          </a>
        }
      />
      <section aria-label="Each machine" className="bg-enamel px-4 py-3 lg:px-6">
        <h2 className="head m-0">Each machine, its own label</h2>
        <p className="m-0 pb-2 text-[14px] text-second">
          Scanned, it opens the care of its machine without signing in. What is sent counts once the word of the place
          was typed.
        </p>
        <ul className="m-0 list-none p-0">
          {machines.map(({ id, name, model, code, hasPage }) => (
            <li key={id} className="flex flex-wrap items-center gap-x-4 border-t border-hair py-2">
              <a href={`/machines/${id}/care#their-page`} className="min-w-0 flex-1 basis-[200px] font-semibold">
                {name} <span className="font-normal text-second">{model}</span>
              </a>
              <span className="mono text-[14px]">{code}</span>
              <span className={hasPage ? 'text-[14px] text-deep' : 'text-[14px] text-second'}>
                {hasPage ? 'has a page' : 'no page yet'}
              </span>
            </li>
          ))}
          {machines.length === 0 && <li className="text-second">No machine stands here.</li>}
        </ul>
        <div className="flex flex-wrap items-end gap-3 pt-2">
          {without.length > 0 && (
            <button type="button" className="act" disabled={busy} onClick={() => void giveAll()}>
              {busy ? 'Giving …' : `Give ${counted(without.length, 'machine')} a page`}
            </button>
          )}
          {without.length < machines.length && (
            <>
              <LabelSize label="Printed on" size={size} onSize={setSize} />
              <a
                className="plain inline-flex items-center"
                href={`/api/sites/${site.id}/label.pdf?size=${size}`}
              >{`Print ${counted(machines.length - without.length, 'label')}`}</a>
            </>
          )}
        </div>
        <p role="status" className="m-0 text-[14px] text-second">
          {says}
        </p>
      </section>
      <TheirPage of="site" id={site.id} firmId={firmId} today={today} isOwner={isOwner} />
    </div>
  )
}

export const LabelsIsland = island(LabelsView)
