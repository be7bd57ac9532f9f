import type { Road } from '../../../core/rounds/travel.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { typedNumber, type Values } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'

interface Props {
  page: DayPage
  person: DayPerson
  stop: number
  onDone: () => void
  onCancel: () => void
}

const originWords: Record<Road['origin'], string> = {
  typed: 'as somebody said',
  driven: 'as it was driven, the middle of all times',
  class: 'as the crow flies with a detour, at the pace of our own drives of that length',
  reckoned: 'as the crow flies with a detour, at the speeds that visits are planned by',
  unknown: 'a guess: nobody said where one of the two is',
}

/** The road to a stop from the one before it, put right by hand. It holds both ways, for everybody. */
export function RoadSheet({ page, person, stop, onDone, onCancel }: Props) {
  const at = person.order.indexOf(stop)
  const from = at > 0 ? person.order[at - 1]! : person.outing.start
  const isHome = from >= page.stops.length
  const fromName = isHome ? `where ${person.name}’s day begins` : page.stops[from]!.name
  const toId = isHome ? person.id : page.stops[from]!.siteId
  const road = page.roads[from]![stop]!
  const save = async (values: Values) => {
    const minutes = typedNumber(values, 'minutes')
    const entry = makeEntry(
      'site',
      page.stops[stop]!.siteId,
      'setting',
      { setting: 'road', toId, toName: fromName, ...(minutes !== undefined && { minutes: Math.round(minutes) }) },
      page.today,
    )
    const told = await writeFrom([entry])
    if (told.ok) onDone()
    return told
  }
  return (
    <>
      <p className="mt-0">
        From {fromName}: now {Math.round(road.minutes)} min, {originWords[road.origin]}.
      </p>
      <SheetForm
        fields={[
          {
            id: 'minutes',
            label: 'Minutes',
            kind: 'number',
            unit: 'min',
            reads: { whole: true, from: 0, to: 600 },
            hint: 'empty: as it is reckoned',
          },
        ]}
        values={{ minutes: road.origin === 'typed' ? String(Math.round(road.minutes)) : '' }}
        save="So long it takes"
        onCancel={onCancel}
        onSave={save}
      />
    </>
  )
}
