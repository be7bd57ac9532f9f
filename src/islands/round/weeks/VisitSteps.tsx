import { useState } from 'react'
import type { AppointmentStep } from '../../../core/ledger/kinds/appointment.ts'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import { dayFull } from '../../../ui/format.ts'
import { Key } from '../../../ui/Key.tsx'
import { Sheet } from '../../../ui/Sheet.tsx'
import type { VisitState, WeeksRow, WeeksValley } from '../../../views/weeks-ahead.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { madeAt, newId } from '../../new-id.ts'
import { CallLink } from '../../records/contact-links.tsx'
import { typedText, type Values } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'
import type { VisitChoice } from './visit-choice.ts'

interface Props {
  row: Pick<WeeksRow, 'name'>
  valley: WeeksValley
  today: string
  /** The day looked at, from today. */
  day: number
  /** The page’s key is for this one: of two on a page, the one in sight. */
  keyed: boolean
  onWritten: (on: string) => void
  choice: VisitChoice
}

const stateWords: Record<VisitState, string> = {
  proposed: 'Proposed by the plan.',
  taken: 'Taken up, nobody has asked yet.',
  asked: 'Asked, no answer yet.',
  agreed: 'Agreed.',
}

/** What comes next with the customer: asked, yes, no, another day, called off. Each step is an entry of its own. */
export function VisitSteps({ row, valley, today, day, keyed, onWritten, choice }: Props) {
  const [sheet, setSheet] = useState<Exclude<AppointmentStep, 'proposed' | 'asked'> | null>(null)
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  // Pressed again after a lost answer it is the same entry of the same visit.
  const [ids] = useState(() => ({ entry: newId(), visit: newId() }))
  const cost = valley.days[day]
  const on = fromDay(toDay(today) + day)
  const isMoved = on !== valley.on
  const { state, customer } = valley
  const write = async (step: AppointmentStep, { note, from }: { note?: string; from?: string } = {}) => {
    // Called off or refused is the day that was asked for, whatever day is looked at.
    const isOver = endsIt(step)
    const entry = makeEntry(
      'site',
      valley.siteId,
      'appointment',
      {
        step,
        on: isOver ? valley.on : on,
        technicianId: isOver
          ? valley.technicianId
          : (choice.technicianId ?? (isMoved && cost ? cost.technicianId : valley.technicianId)),
        minutes: choice.minutes,
        tasks: choice.tasks.map(({ subjectId, key }) => ({ subjectId, key })),
        ...(from && { from }),
        ...(valley.repair && { repair: valley.repair }),
        ...(note && { note }),
      },
      today,
      { id: ids.entry, happenedAt: madeAt(ids.entry), visitId: valley.visitId ?? ids.visit },
    )
    const told = await writeFrom([entry], { seq: valley.seq, subjectIds: [valley.siteId] })
    if (told.ok) {
      setSheet(null)
      onWritten(isOver ? valley.on : on)
    }
    return told
  }
  const ask = async () => {
    setBusy(true)
    const told = await write('asked')
    setBusy(false)
    setWrong(told.ok ? '' : told.issues[0]!.message)
  }
  const isToAsk = state === 'proposed' || state === 'taken' || (state === 'asked' && isMoved)
  const next = () => (isToAsk ? ask() : setSheet('agreed'))
  const isReady = cost !== null && cost !== undefined && !(state === 'agreed' && !isMoved && !choice.isChanged)
  return (
    <section aria-label="With the customer" className="pt-2">
      <p className="m-0 text-[14px]" role="status">
        <b>{stateWords[state]}</b> {customer.contact || customer.name}
        {customer.phone && (
          <>
            {', '}
            <CallLink phone={customer.phone} />
          </>
        )}
      </p>
      {valley.accessNote && <p className="m-0 text-[14px] text-second">{valley.accessNote}</p>}
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {isReady && (
          <button
            type="button"
            className="act"
            disabled={busy}
            onClick={next}
            {...(keyed && { 'data-next-step': true })}
          >
            {isToAsk
              ? 'Asked for this day'
              : state === 'agreed'
                ? isMoved
                  ? 'Agreed on this day'
                  : 'Agreed like this'
                : 'They said yes'}{' '}
            {keyed && <Key>a</Key>}
          </button>
        )}
        {state === 'asked' && (
          <button type="button" className="plain" onClick={() => setSheet('refused')}>
            They said no
          </button>
        )}
        {state !== 'proposed' && (
          <button type="button" className="plain" onClick={() => setSheet('called-off')}>
            Call it off
          </button>
        )}
      </div>
      {sheet && (
        <Sheet
          open
          onOpenChange={() => setSheet(null)}
          title={`${row.name}: ${sheetTitle[sheet]}`}
          about={dayFull(endsIt(sheet) ? valley.on : on)}
        >
          <SheetForm
            fields={fields[sheet]}
            values={{ from: '', note: '' }}
            save={sheetTitle[sheet]}
            onCancel={() => setSheet(null)}
            onSave={(values: Values) =>
              write(sheet, { note: typedText(values, 'note'), from: typedText(values, 'from') })
            }
          />
        </Sheet>
      )}
    </section>
  )
}

const endsIt = (step: AppointmentStep) => step === 'called-off' || step === 'refused'

const sheetTitle = { agreed: 'Agreed', refused: 'They said no', 'called-off': 'Called off' }

const fields = {
  agreed: [
    { id: 'from', label: 'At', hint: 'a time that was promised, such as 10:30; empty: any' },
    { id: 'note', label: 'Note', hint: 'what was said' },
  ],
  refused: [{ id: 'note', label: 'What they want instead', hint: 'another day, never Fridays' }],
  'called-off': [{ id: 'note', label: 'Why' }],
}
