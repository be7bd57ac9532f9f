import { dayFull } from '../../../ui/format.ts'
import { Sheet } from '../../../ui/Sheet.tsx'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { AwaySheet } from './AwaySheet.tsx'
import { CalendarSheet } from './CalendarSheet.tsx'
import { RoadSheet } from './RoadSheet.tsx'
import { StopCustomer } from './StopCustomer.tsx'

/** What is asked or said over the day. */
export type DayAsks = { what: 'calendar' | 'away' } | { what: 'customer' | 'road'; stop: number }

interface Props {
  asks: DayAsks
  page: DayPage
  /** Whose day, or whose stop, it is about. */
  person: DayPerson
  firmId: string
  onDone: () => void
  onClose: () => void
}

export function DaySheet({ asks, page, person, firmId, onDone, onClose }: Props) {
  return (
    <Sheet open onOpenChange={onClose} {...head(asks, page, person)}>
      {asks.what === 'calendar' && <CalendarSheet />}
      {asks.what === 'away' && (
        <AwaySheet page={page} person={person} firmId={firmId} onDone={onDone} onCancel={onClose} />
      )}
      {asks.what === 'customer' && <StopCustomer page={page} stop={asks.stop} onWritten={onDone} />}
      {asks.what === 'road' && (
        <RoadSheet page={page} person={person} stop={asks.stop} onDone={onDone} onCancel={onClose} />
      )}
    </Sheet>
  )
}

function head(asks: DayAsks, page: DayPage, { name }: DayPerson) {
  switch (asks.what) {
    case 'calendar':
      return { title: 'My calendar', about: 'What was agreed with customers, in the calendar you have.' }
    case 'away':
      return { title: `${name} is away`, about: 'Nothing is planned for them on these days.' }
    case 'road':
      return { title: page.stops[asks.stop]!.name, about: 'How long the road to it takes, parking included.' }
    case 'customer':
      return { title: page.stops[asks.stop]!.name, about: dayFull(page.on) }
  }
}
