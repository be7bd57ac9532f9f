import { useState } from 'react'
import type { Kept } from '../../core/firm/records.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { instrumentOn } from '../../core/visits/instrument-on.ts'
import { dayLong } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { island } from '../island.tsx'
import { keep } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { ByMistake } from './ByMistake.tsx'
import { typedText, wrongAt } from './form-values.ts'
import { instrumentFields, instrumentKindWords, retired, texts, typed } from './record-fields.ts'
import { SheetForm } from './SheetForm.tsx'

type Instrument = { id: string; version: number } & Kept<'instrument'>

interface Props {
  instruments: (Instrument & { ledger: RecordedEntry[] })[]
  firm: string
  today: string
}

/** What the firm measures with, and how long each is to be trusted. */
function InstrumentList({ instruments, firm, today }: Props) {
  const [open, setOpen] = useState<{ what: 'add' } | { what: 'edit' | 'calibrate'; one: Instrument } | null>(null)
  const [ids] = useState(() => [newId(), newId()] as const)
  const close = () => setOpen(null)
  return (
    <div>
      <TitleBlock
        name="Instruments"
        under={firm}
        facts={[]}
        action={
          <button type="button" className="act whitespace-nowrap" onClick={() => setOpen({ what: 'add' })}>
            Add an instrument
          </button>
        }
      />
      <div className="px-4 pt-3 pb-8 lg:px-6">
        {instruments.length === 0 && (
          <p className="m-0 max-w-[560px] text-second">
            Gauges, meters, testers and drop reagents with the day they are good until. A figure taken with one says so,
            and an expired one says that too.
          </p>
        )}
        <ul className="m-0 list-none p-0">
          {instruments.map((one) => {
            const state = instrumentOn(effectiveHistory(one.ledger).entries, today)
            return (
              <li
                key={one.id}
                className="grid min-h-[44px] grid-cols-[1fr_auto] items-center gap-x-4 border-t border-hair py-1 md:grid-cols-[1.2fr_1.4fr_1.4fr_auto]"
              >
                <span className="font-semibold">{one.name}</span>
                <span className="narrow text-[14px] text-second max-md:col-span-2">
                  {instrumentKindWords[one.kind]}
                  {one.serial && `, ${one.serial}`}
                </span>
                <span
                  className={`mono text-[13px] max-md:col-start-1 ${state.state === 'good' ? '' : 'font-semibold text-brass-ink'}`}
                >
                  {one.retiredOn
                    ? 'out of use'
                    : state.state === 'good'
                      ? `good until ${dayLong(state.until)}`
                      : state.state === 'expired'
                        ? `expired ${dayLong(state.since)}`
                        : 'no date yet'}
                </span>
                <span className="flex gap-3">
                  <button
                    type="button"
                    className="min-h-[44px] font-semibold text-copper"
                    aria-label={`New date for ${one.name}`}
                    onClick={() => setOpen({ what: 'calibrate', one })}
                  >
                    New date
                  </button>
                  <button
                    type="button"
                    className="min-h-[44px] font-semibold text-copper"
                    aria-label={`Edit ${one.name}`}
                    onClick={() => setOpen({ what: 'edit', one })}
                  >
                    Edit
                  </button>
                </span>
              </li>
            )
          })}
        </ul>
      </div>
      {open?.what === 'add' && (
        <Sheet
          open
          onOpenChange={close}
          title="Add an instrument"
          about="With the day its calibration, or the reagent, runs out."
        >
          <SheetForm
            fields={[
              ...instrumentFields,
              { id: 'on', label: 'Calibrated or opened', kind: 'day', half: true, paths: ['happenedOn'] },
              { id: 'dueOn', label: 'Good until', kind: 'day', half: true, paths: ['body.dueOn'] },
            ]}
            values={{ name: '', kind: 'gauge', serial: '', on: today, dueOn: '' }}
            save="Add it"
            onCancel={close}
            onSave={async (values) => {
              const dueOn = typedText(values, 'dueOn')
              const on = typedText(values, 'on') || today
              const calibrated = dueOn
                ? [makeEntry('instrument', ids[0], 'calibrated', { dueOn }, on, { id: ids[1] })]
                : []
              const record = texts(values, ['name', 'kind', 'serial']) as Partial<Kept<'instrument'>>
              const told = await keep('instrument', ids[0], 0, record, calibrated)
              if (told.ok) location.reload()
              return told
            }}
          />
        </Sheet>
      )}
      {open?.what === 'edit' && (
        <Sheet
          open
          onOpenChange={close}
          title={`Edit ${open.one.name}`}
          about="What is changed is kept in the firm's log."
        >
          <SheetForm
            fields={[...instrumentFields, { id: 'retiredOn', label: 'Out of use since', kind: 'day', half: true }]}
            values={typed(open.one, { retiredOn: '' })}
            save="Save"
            onCancel={close}
            onSave={async (values) => {
              const record = { ...texts(values, ['name', 'kind', 'serial']), ...retired(values) } as Partial<
                Kept<'instrument'>
              >
              const told = await keep('instrument', open.one.id, open.one.version, record)
              if (told.ok) location.reload()
              return told
            }}
          />
          <ByMistake kind="instrument" id={open.one.id} name={open.one.name} after="/instruments" />
        </Sheet>
      )}
      {open?.what === 'calibrate' && (
        <Sheet
          open
          onOpenChange={close}
          title={open.one.name}
          about="Figures taken before keep the date that held then."
        >
          <SheetForm
            fields={[
              { id: 'on', label: 'Calibrated or opened', kind: 'day', half: true, paths: ['happenedOn'] },
              { id: 'dueOn', label: 'Good until', kind: 'day', half: true, paths: ['body.dueOn'] },
              { id: 'note', label: 'Note', hint: 'by whom, certificate', paths: ['body.note'] },
            ]}
            values={{ on: today, dueOn: '', note: '' }}
            save="Save"
            onCancel={close}
            onSave={async (values) => {
              const [dueOn, note] = [typedText(values, 'dueOn'), typedText(values, 'note')]
              if (!dueOn) return wrongAt('dueOn', 'is missing')
              const body = { dueOn, ...(note && { note }) }
              const on = typedText(values, 'on') || today
              const told = await writeFrom([makeEntry('instrument', open.one.id, 'calibrated', body, on)])
              if (told.ok) location.reload()
              return told
            }}
          />
        </Sheet>
      )}
    </div>
  )
}

export const InstrumentListIsland = island(InstrumentList)
