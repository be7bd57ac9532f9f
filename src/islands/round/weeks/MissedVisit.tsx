import { useState } from 'react'
import { happenedAt } from '../../../core/quantity/site-time.ts'
import { pageZone } from '../../../ui/clock.ts'
import { dayShort } from '../../../ui/format.ts'
import type { WeeksRow } from '../../../views/weeks-ahead.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { madeAt, newId } from '../../new-id.ts'

interface Props {
  siteId: string
  missed: WeeksRow['missed'][number]
  today: string
  onWritten(): void
}

/** Agreed for a day that is past, and nobody wrote what came of it: one press says it. */
export function MissedVisit({ siteId, missed: { on, visitId, technicianId }, today, onWritten }: Props) {
  const [wrong, setWrong] = useState('')
  const [id] = useState(newId)
  const write = async (wasThere: boolean) => {
    const entry = wasThere
      ? makeEntry('site', siteId, 'visit', { technicianIds: [technicianId] }, on, {
          id,
          happenedAt: happenedAt(pageZone(), on, new Date(madeAt(id))),
          visitId,
        })
      : makeEntry(
          'site',
          siteId,
          'appointment',
          { step: 'called-off', on, technicianId, minutes: 0, tasks: [], note: 'Nobody went' },
          today,
          { id, happenedAt: madeAt(id), visitId },
        )
    const told = await writeFrom([entry])
    if (told.ok) onWritten()
    else setWrong(told.issues.map(({ message }) => message).join('; '))
  }
  return (
    <div className="flex flex-wrap items-center gap-x-3 px-4 pb-1.5 text-[14px] md:pl-8">
      <b className="text-seal-ink">Agreed for {dayShort(on)}: nobody wrote what came of it.</b>
      <button type="button" className="word min-h-[44px] md:min-h-[32px]" onClick={() => void write(true)}>
        Somebody was there
      </button>
      <button type="button" className="word min-h-[44px] md:min-h-[32px]" onClick={() => void write(false)}>
        Nobody went
      </button>
      {wrong && (
        <span role="alert" className="font-semibold text-seal-ink">
          {wrong}
        </span>
      )}
    </div>
  )
}
