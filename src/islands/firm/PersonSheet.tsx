import { Sheet } from '../../ui/Sheet.tsx'
import type { PeoplePage } from '../../views/people-page.ts'
import { keep } from '../keep.ts'
import { typedNumber, typedText } from '../records/form-values.ts'
import { texts, typed } from '../records/record-fields.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { useKindNames } from './use-kind-names.ts'

type Person = PeoplePage['people'][number]

/** Somebody of the firm: what they may, when and from where they drive, which kinds they know. */
export function PersonSheet({
  person,
  id,
  self,
  onClose,
}: {
  person: (Person & { version?: number; workWeekdays?: string; knowsKinds?: string }) | null
  id: string
  self: boolean
  onClose: () => void
}) {
  const kinds = useKindNames()
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={person ? `Edit ${person.name}` : 'Add a technician'}
      about={
        person
          ? 'What they wrote stays theirs, also when they leave.'
          : 'They join by a one-time link, which you make next.'
      }
    >
      <SheetForm
        fields={[
          { id: 'name', label: 'Name' },
          { id: 'initials', label: 'Initials', half: true },
          {
            id: 'role',
            label: 'May',
            kind: 'choice',
            half: true,
            options: [
              ['technician', 'do all the work'],
              ['owner', 'also run the firm'],
            ],
          },
          { id: 'workWeekdays', label: 'At work on', kind: 'weekdays', head: 'Their day on the road' },
          { id: 'startsAt', label: 'The day begins at', hint: '08:00', half: true },
          { id: 'endsAt', label: 'and is over at', hint: '16:30', half: true },
          {
            id: 'startLatitude',
            label: 'It begins where: latitude',
            hint: 'home or yard',
            kind: 'number',
            unit: '°',
            reads: { from: -90, to: 90 },
            half: true,
          },
          {
            id: 'startLongitude',
            label: 'and longitude',
            kind: 'number',
            unit: '°',
            reads: { from: -180, to: 180 },
            half: true,
          },
          {
            id: 'knowsKinds',
            label: 'Kinds they know',
            hint: 'none ticked: all; visits to others are planned for somebody else',
            kind: 'several' as const,
            options: kinds.map(({ id: kind, name }): [string, string] => [kind, name]),
          },
          ...(person && !self
            ? [
                {
                  id: 'leftOn',
                  label: 'Left the firm on',
                  hint: 'empty while they are here',
                  kind: 'day' as const,
                  half: true,
                },
              ]
            : []),
        ]}
        values={{
          ...typed(person, {
            name: '',
            initials: '',
            role: 'technician',
            leftOn: '',
            startLatitude: '',
            startLongitude: '',
            startsAt: '08:00',
            endsAt: '16:30',
          }),
          workWeekdays: [...(person?.workWeekdays ?? '12345')],
          knowsKinds: (person?.knowsKinds ?? '').split(' ').filter(Boolean),
        }}
        save={person ? 'Save' : 'Add'}
        onCancel={onClose}
        onSave={async (values) => {
          const leftOn = typedText(values, 'leftOn')
          const startLatitude = typedNumber(values, 'startLatitude')
          const startLongitude = typedNumber(values, 'startLongitude')
          const record = {
            ...(texts(values, ['name', 'initials', 'role', 'startsAt', 'endsAt']) as {
              name: string
              initials: string
              role: 'owner'
            }),
            ...(leftOn && { leftOn }),
            workWeekdays: [...(values.workWeekdays as string[])].sort().join(''),
            knowsKinds: (values.knowsKinds as string[]).join(' '),
            ...(startLatitude !== undefined && { startLatitude }),
            ...(startLongitude !== undefined && { startLongitude }),
          }
          const told = await keep('technician', person?.id ?? id, person?.version ?? 0, record)
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}
