import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { dayNear } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** At which machine, who was there last, how one gets in. */
export function EntryTitle({ bundle, today }: { bundle: MachineBundle; today: string }) {
  const lastVisit = (bundle.ledgers.machine ?? [])
    .filter((entry) => entry.visitId)
    .reduce<RecordedEntry | null>((last, entry) => (last && last.happenedOn >= entry.happenedOn ? last : entry), null)
  return (
    <TitleBlock
      name="New entry"
      under={`${bundle.machine.name}, ${bundle.site.name}`}
      facts={[
        {
          label: 'Maker, model',
          value: `${bundle.machine.maker} ${bundle.machine.model}`,
          source: bundle.machine.serial,
        },
        ...(lastVisit
          ? [
              {
                label: 'Last visit',
                value: dayNear(lastVisit.happenedOn, today),
                source: bundle.technicians.find((person) => person.id === lastVisit.recordedBy)?.name.split(' ')[0],
              },
            ]
          : []),
        ...(bundle.site.accessNote
          ? [
              {
                label: 'Access',
                value: <span className="font-sans font-normal">{bundle.site.accessNote}</span>,
              },
            ]
          : []),
      ]}
      action={
        <a href={`/machines/${bundle.machine.id}`} className="plain inline-flex items-center whitespace-nowrap">
          To the machine
        </a>
      }
    />
  )
}
