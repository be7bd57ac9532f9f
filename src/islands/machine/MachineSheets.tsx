import { useState } from 'react'
import { stages } from '../../core/ledger/stage.ts'
import { stageEffect, stageName } from '../../core/standing/stages.ts'
import type { Reckoning } from '../../core/standing/standing.ts'
import { dayLong } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { RecordPage } from '../../views/record-page.ts'
import { keep } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { ByMistake } from '../records/ByMistake.tsx'
import { countReads, typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { RecordChoice } from '../records/RecordChoice.tsx'
import { behindField, texts, typed } from '../records/record-fields.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { useFetched } from '../use-fetched.ts'

interface Props {
  bundle: MachineBundle
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

/** Changes what a machine is called; somebody else's change meanwhile is not overwritten. */
export function NamesSheet({ bundle, onClose, onSaved }: Omit<Props, 'today'>) {
  const { machine, site } = bundle
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Edit the machine"
      about={`${[site.name, site.area].filter(Boolean).join(', ')}. ${site.accessNote}`}
    >
      <SheetForm
        fields={[
          { id: 'name', label: 'Called' },
          { id: 'maker', label: 'Maker', half: true },
          { id: 'model', label: 'Model', half: true },
          { id: 'revision', label: 'Revision', hint: 'with or without valve, lamp', half: true },
          { id: 'serial', label: 'Serial number', half: true },
        ]}
        values={typed(machine)}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const { id: _, version: __, ...record } = machine
          const told = await keep('machine', machine.id, machine.version, {
            ...record,
            ...texts(values, ['name', 'maker', 'model', 'revision', 'serial']),
          })
          if (!told.ok) return told
          await onSaved()
          onClose()
          return told
        }}
      />
      <ByMistake kind="machine" id={machine.id} name={machine.name} after={`/sites/${site.id}`} />
    </Sheet>
  )
}

/** Moves a machine to another site, or behind another softener, from a day on: its history goes with it. */
export function MoveSheet({ bundle, today, onClose }: Omit<Props, 'onSaved'>) {
  const { machine, site } = bundle
  const [softeners, setSofteners] = useState<{ id: string; name: string }[]>([])
  const [siteId, setSiteId] = useState(site.id)
  const [ids] = useState(() => [newId(), newId()] as const)
  useFetched<RecordPage<'softener'>>(siteId ? `/api/records/softener?siteId=${siteId}` : null, (page) =>
    setSofteners(page.rows),
  )
  const same = siteId === site.id
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Move the machine"
      about="It takes its history along. Wear goes on; open days and water are the new place's, and its use is learned anew there."
    >
      <RecordChoice
        kind="site"
        label="Find the site"
        chosen={siteId}
        onChoose={setSiteId}
        here={{ id: site.id, words: 'it stands here' }}
      />
      <SheetForm
        key={`${siteId} ${softeners.length}`}
        fields={[
          ...behindField(softeners),
          { id: 'on', label: 'From', kind: 'day', half: true, paths: ['happenedOn'] },
          {
            id: 'count',
            label: 'Counter on moving',
            hint: 'so that use is told apart',
            kind: 'number',
            reads: countReads,
            half: true,
            paths: ['body.count'],
          },
          { id: 'loan', label: 'On loan', hint: 'while their own is in the workshop', kind: 'tick' },
        ]}
        values={{ softenerId: softeners[0]?.id ?? '', on: today, count: '', loan: false }}
        save={same ? 'Change what it stands behind' : 'Move it'}
        onCancel={onClose}
        onSave={async (values) => {
          if (!siteId) return wrongAt('', 'Choose a site first.')
          const count = typedNumber(values, 'count')
          const softenerId = softeners.length > 0 ? typedText(values, 'softenerId') : ''
          const on = typedText(values, 'on') || today
          const told = await writeFrom([
            ...(count === undefined
              ? []
              : [makeEntry('machine', machine.id, 'reading', { counter: 'shots', count }, on, { id: ids[0] })]),
            makeEntry(
              'machine',
              machine.id,
              'moved',
              {
                fromSiteId: site.id,
                ...(bundle.softener && { fromSoftenerId: bundle.softener.id }),
                toSiteId: siteId,
                ...(softenerId && { toSoftenerId: softenerId }),
                ...(values.loan === true && !same && { loan: true }),
              },
              on,
              { id: ids[1] },
            ),
          ])
          if (told.ok) location.assign(`/machines/${machine.id}?saved`)
          return told
        }}
      />
    </Sheet>
  )
}

/** A machine that is lent, with where it stood. */
interface Lent {
  id: string
  name: string
  siteId?: string | undefined
  softenerId?: string | null | undefined
}

/** Says where in its life a machine stands, and what that does to its dates. */
export function StageSheet({ bundle, reckoning, today, onClose, onSaved }: Props & { reckoning: Reckoning | null }) {
  const now = reckoning?.stage ?? 'working'
  const { standIn } = bundle.papers
  const [loan, setLoan] = useState<Lent | null>(null)
  const [loanId] = useState(newId)
  const [stage, setStage] = useState<(typeof stages)[number]>(now)
  const [id] = useState(newId)
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Where in its life it stands"
      about={`Now ${stageName[now]}${reckoning?.stageSince ? ` since ${dayLong(reckoning.stageSince)}` : ''}.`}
    >
      <fieldset className="m-0 mb-3 border-0 p-0">
        <legend className="sr-only">Stage</legend>
        {stages.map((one) => (
          <label key={one} className="flex min-h-[52px] items-start gap-2 border-t border-hair py-2">
            <input type="radio" name="stage" className="mt-1" checked={stage === one} onChange={() => setStage(one)} />
            <span>
              <b>{stageName[one]}</b>
              <span className="block text-[14px] text-second">{stageEffect[one]}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {stage === 'winterised' && (
        <p className="m-0 mb-3 border-l-4 border-brass pl-3 text-[14px]">
          Drained means drained: pump, valves and boiler hold water that bursts them in frost. Cold, unplugged and at 0
          bar before anything is opened; local rules come first.
        </p>
      )}
      {stage === 'workshop' && now !== 'workshop' && (
        <div className="mb-3">
          <p className="m-0">
            {loan ? (
              <>
                In its place, on loan: <b>{loan.name}</b>{' '}
                <button type="button" className="word min-h-[44px]" onClick={() => setLoan(null)}>
                  None
                </button>
              </>
            ) : (
              'Does one stand in its place meanwhile? It moves here on loan, from the same day.'
            )}
          </p>
          {!loan && (
            <RecordChoice
              kind="machine"
              label="Find the machine on loan"
              chosen=""
              onChoose={(id, name, { siteId, softenerId }) =>
                id !== bundle.machine.id && setLoan({ id, name, siteId, softenerId })
              }
            />
          )}
        </div>
      )}
      {stage === 'working' && standIn && (
        <p className="m-0 mb-3 border-l-4 border-brass pl-3 text-[14px]">
          <a className="word" href={`/machines/${standIn.id}`}>
            {standIn.name}
          </a>{' '}
          still stands in its place: move it back on its own page.
        </p>
      )}
      <SheetForm
        fields={[
          { id: 'on', label: 'From', kind: 'day', half: true, paths: ['happenedOn'] },
          { id: 'note', label: 'Note', paths: ['body.note'] },
        ]}
        values={{ on: today, note: '' }}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const note = typedText(values, 'note')
          const isLent = stage === 'workshop' && loan
          const body = { stage, ...(isLent && { standInId: loan.id }), ...(note && { note }) }
          const on = typedText(values, 'on') || today
          // In the very place of the other: at its site, behind what it stood behind; and back by its own history.
          const lent = {
            ...(loan?.siteId && { fromSiteId: loan.siteId }),
            ...(loan?.softenerId && { fromSoftenerId: loan.softenerId }),
            toSiteId: bundle.site.id,
            ...(bundle.softener && { toSoftenerId: bundle.softener.id }),
            loan: true,
            standsInFor: bundle.machine.id,
          }
          const told = await writeFrom([
            makeEntry('machine', bundle.machine.id, 'stage', body, on, { id }),
            ...(isLent ? [makeEntry('machine', loan.id, 'moved', lent, on, { id: loanId })] : []),
          ])
          if (!told.ok) return told
          await onSaved()
          onClose()
          return told
        }}
      />
    </Sheet>
  )
}
