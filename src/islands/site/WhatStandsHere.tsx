import { useState } from 'react'
import { stageName } from '../../core/standing/stages.ts'
import { dayNear, figure } from '../../ui/format.ts'
import { Act, Part } from '../../ui/Part.tsx'
import { treatmentNames } from '../../ui/treatment-words.ts'
import type { SitePage, SiteSoftener } from '../../views/site-page.ts'
import { MachineLine } from '../machine/MachineLine.tsx'
import { VisitLine } from '../visits/VisitLine.tsx'

interface Props {
  page: SitePage
  today: string
  kinds: { id: string; name: string }[]
  onOpen: (sheet: 'machine' | 'softener') => void
  onSoftener: (softener: SiteSoftener) => void
}

/** Machines, treatment, what was left open and who was there last. */
export function WhatStandsHere({ page, today, kinds, onOpen, onSoftener }: Props) {
  const { site, machines, softeners } = page
  return (
    <div className="min-w-0 px-4 py-3 lg:px-6">
      <Part
        title="Machines"
        action={
          <a className="word" href={`/sites/${site.id}/labels`}>
            Labels
          </a>
        }
      >
        {machines.length === 0 ? (
          <p className="m-0 text-second">
            Nothing stands here yet. <Act onClick={() => onOpen('machine')}>Add the first machine</Act>: its kind and
            counter.
          </p>
        ) : (
          <ul className="m-0 list-none p-0">
            {machines.map((row) => (
              <MachineLine key={row.id} row={row} today={today} kinds={kinds} withPlace={false} />
            ))}
          </ul>
        )}
      </Part>
      <Part title="Water treatment" action={<Act onClick={() => onOpen('softener')}>Add</Act>}>
        {softeners.length === 0 ? (
          <p className="m-0 text-second">None. A machine is put behind one on its own page.</p>
        ) : (
          <ul className="m-0 list-none p-0">
            {softeners.map((softener) => (
              <li key={softener.id} className="flex min-h-[36px] flex-wrap items-center gap-x-4 border-t border-hair">
                <a href={`/softeners/${softener.id}`} className="font-semibold hover:underline">
                  {softener.name}
                </a>
                <span className="text-[14px] text-second">
                  {softener.treatment ? treatmentNames[softener.treatment] : 'not taken on yet'}
                  {softener.resinL && `, ${figure(softener.resinL)} L of resin`}
                  {softener.capacityG && `, ${figure(softener.capacityG)} g`}
                  {softener.treatment !== 'carbon' && softener.prefilter && ', carbon before it'}
                  {softener.stage !== 'working' && `, ${stageName[softener.stage]}`}
                </span>
                <button
                  type="button"
                  className="ml-auto min-h-[44px] font-semibold text-copper"
                  aria-label={`Edit ${softener.name}`}
                  onClick={() => onSoftener(softener)}
                >
                  Edit
                </button>
              </li>
            ))}
          </ul>
        )}
      </Part>
      <Part title="Left open">
        {page.remarks.length === 0 ? (
          <p className="m-0 text-second">Nothing is left open here.</p>
        ) : (
          <ul className="m-0 list-none p-0">
            {page.remarks.map((remark) => (
              <li key={remark.id} className="flex min-h-[44px] flex-wrap items-center gap-x-4 border-t border-hair">
                <span className="min-w-0 flex-1">
                  {remark.text}{' '}
                  <span className="text-[14px] text-second">
                    {remark.about.name}, {dayNear(remark.on, today)}
                  </span>
                </span>
                <CloseRemark remark={remark} today={today} />
              </li>
            ))}
          </ul>
        )}
      </Part>
      <Part
        title="Visits"
        action={
          <a className="word" href={`/visits?siteId=${site.id}`}>
            All visits here
          </a>
        }
      >
        {page.visits.length === 0 ? (
          <p className="m-0 text-second">No visit is in the ledger yet. A new entry at one of the machines is one.</p>
        ) : (
          <ul className="m-0 list-none p-0">
            {page.visits.map((visit) => (
              <VisitLine key={visit.visitId} visit={visit} today={today} withSite={false} />
            ))}
          </ul>
        )}
      </Part>
    </div>
  )
}

function CloseRemark({ remark, today }: { remark: SitePage['remarks'][number]; today: string }) {
  const [wrong, setWrong] = useState('')
  const closeIt = async () => {
    const { kind, id } = remark.about
    const { makeEntry, writeFrom } = await import('../make-entry.ts')
    const told = await writeFrom([makeEntry(kind, id, 'remark-closed', { remark: remark.id }, today)])
    if (told.ok) location.reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <>
      {wrong && <b role="alert">{wrong}</b>}
      <Act onClick={closeIt}>Done</Act>
    </>
  )
}
