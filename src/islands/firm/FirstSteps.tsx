import { useState } from 'react'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { Stop } from '../entry/Stop.tsx'
import { island } from '../island.tsx'
import { keep } from '../keep.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { Form } from '../records/Form.tsx'
import { typedText, wrongAt } from '../records/form-values.ts'
import { MachineForm } from '../site/MachineForm.tsx'

interface Props {
  firm: string
  timeZone: string
  me: string
  today: string
  /** The place that is there already, with its machines. */
  place: { id: string; name: string; machines: number } | null
}

/** From nothing to the first due list: a place, a machine, what its counter shows. */
function FirstSteps({ firm, timeZone, me, today, place }: Props) {
  const [ids] = useState(() => Array.from({ length: 3 }, newId) as [string, string, string])
  const [site, setSite] = useState<{ id: string; name: string } | null>(place)
  const [machines, setMachines] = useState(place?.machines ?? 0)
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock name="First steps" under={firm} facts={[]} />
      <div className="flex-1 bg-enamel px-4 pb-8 lg:px-6">
        <div className="max-w-[760px]">
          <p className="mt-3 mb-1 border-l-4 border-water pl-3">
            Many machines in a list already?{' '}
            <a className="word inline-flex min-h-[44px] items-center" href="/import/machines">
              Bring them in from a spreadsheet
            </a>
            : places and customers come with them. Or one by one:
          </p>
          <Stop number={1} title="A place" hint="where machines stand" done={site !== null}>
            {site ? (
              <p className="m-0 py-1">
                <a className="word" href={`/sites/${site.id}`}>
                  {site.name}
                </a>{' '}
                is there.
              </p>
            ) : (
              <Form
                fields={[
                  { id: 'name', label: 'Name of the place', half: true },
                  { id: 'area', label: 'Area', hint: 'part of town', half: true },
                  { id: 'customerName', label: 'Customer', hint: 'if called otherwise', half: true },
                  { id: 'accessNote', label: 'Access', hint: 'key, hours, shut-off', half: true },
                  { id: 'days', label: 'Open on', kind: 'weekdays', paths: ['body.openWeekdays'] },
                ]}
                values={{ name: '', area: '', customerName: '', accessNote: '', days: ['1', '2', '3', '4', '5'] }}
                save="Next: the machine"
                onSave={async (values) => {
                  const name = typedText(values, 'name')
                  if (!name) return wrongAt('name', 'is missing')
                  const openWeekdays = (values.days as string[]).map(Number).sort()
                  if (openWeekdays.length === 0) return wrongAt('days', 'must name at least one day')
                  const customer = await keep('customer', ids[0], 0, {
                    name: typedText(values, 'customerName') || name,
                  })
                  if (!customer.ok) return customer
                  const record = {
                    customerId: ids[0],
                    technicianId: me,
                    name,
                    area: typedText(values, 'area'),
                    accessNote: typedText(values, 'accessNote'),
                    timeZone,
                  }
                  const opening = makeEntry('site', ids[1], 'setting', { setting: 'opening', openWeekdays }, today, {
                    id: ids[2],
                  })
                  const told = await keep('site', ids[1], 0, record, [opening])
                  if (told.ok) setSite({ id: ids[1], name })
                  return told
                }}
              />
            )}
          </Stop>
          <Stop number={2} title="A machine" hint="what it is, and what its counter shows" done={machines > 0}>
            {!site && <p className="m-0 py-1 text-second">After the place.</p>}
            {site && (
              <>
                {machines > 0 && (
                  <p role="status" className="m-0 py-1 font-semibold">
                    {machines === 1 ? 'One machine is' : `${machines} machines are`} there. Another, or on to what is
                    due.
                  </p>
                )}
                <MachineForm
                  key={machines}
                  site={site}
                  softeners={[]}
                  today={today}
                  asksWater={machines === 0}
                  onSaved={() => setMachines((n) => n + 1)}
                />
              </>
            )}
          </Stop>
          <Stop number={3} title="What is due" hint="reckoned from its age, its count and its water" done={false}>
            {machines > 0 ? (
              <a href="/round?horizon=all" className="act mt-1 inline-flex items-center">
                See what is due
              </a>
            ) : (
              <p className="m-0 py-1 text-second">
                After the first machine. A second reading, some weeks on, tells how much it is used; until then the
                usual figure of such machines stands in, and says so.
              </p>
            )}
          </Stop>
        </div>
      </div>
    </div>
  )
}

export const FirstStepsIsland = island(FirstSteps)
