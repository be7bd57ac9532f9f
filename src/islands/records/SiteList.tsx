import { useState } from 'react'
import type { Kept } from '../../core/firm/records.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { RecordPage } from '../../views/record-page.ts'
import { fromPage } from '../from-page.tsx'
import { keep } from '../keep.ts'
import { newId } from '../new-id.ts'
import { typedText, wrongAt } from './form-values.ts'
import { RecordList } from './RecordList.tsx'
import { type SiteChoices, siteFields, siteRecord } from './record-fields.ts'
import { SheetForm } from './SheetForm.tsx'

interface Props {
  first: RecordPage<'site'>
  firm: string
  today: string
  timeZone: string
  me: string
  choices: SiteChoices
}

/** Every place machines stand, and a new one. */
function SiteList({ first, firm, today, timeZone, me, choices }: Props) {
  const [adding, setAdding] = useState(false)
  const [ids] = useState(() => [newId(), newId()] as const)
  const fields = siteFields(choices)
  const people = new Map(choices.technicians.map(({ id, name }) => [id, name]))
  return (
    <>
      <RecordList
        kind="site"
        first={first}
        title="Sites"
        under={firm}
        today={today}
        href={(row) => `/sites/${row.id}`}
        describe={(row: { id: string } & Kept<'site'>) =>
          [row.area, people.get(row.technicianId), row.retiredOn && 'out of service'].filter(Boolean).join(' · ')
        }
        empty={
          <p className="m-0">
            A site is where machines stand: it says when they are used and what water they get.{' '}
            <a className="word" href="/first-steps">
              The first one
            </a>{' '}
            takes a minute.
          </p>
        }
        action={
          <button type="button" className="act whitespace-nowrap" onClick={() => setAdding(true)}>
            Add a site
          </button>
        }
      />
      {adding && (
        <Sheet
          open
          onOpenChange={() => setAdding(false)}
          title="Add a site"
          about="Open days, closures and machines are added on its own page."
        >
          <SheetForm
            fields={[
              fields[0]!,
              { ...fields[1]!, options: [['', 'a new one'], ...(fields[1]!.options ?? [])] },
              { id: 'customerName', label: 'New customer', hint: 'if not in the list', half: true },
              ...fields.slice(2),
            ]}
            values={{
              name: '',
              customerId: '',
              customerName: '',
              technicianId: me,
              area: '',
              supplyId: '',
              address: '',
              accessNote: '',
              timeZone,
              altitudeM: '',
              latitude: '',
              longitude: '',
            }}
            save="Add it"
            onCancel={() => setAdding(false)}
            onSave={async (values) => {
              const customerName = typedText(values, 'customerName') || typedText(values, 'name')
              if (!customerName) return wrongAt('name', 'is missing')
              const record = siteRecord(values)
              if (!record.customerId) {
                const told = await keep('customer', ids[0], 0, { name: customerName })
                if (!told.ok)
                  return { ok: false, issues: told.issues.map((issue) => ({ ...issue, path: 'customerName' })) }
                record.customerId = ids[0]
              }
              const told = await keep('site', ids[1], 0, record)
              if (told.ok) location.assign(`/sites/${ids[1]}`)
              return told
            }}
          />
        </Sheet>
      )}
    </>
  )
}

export const SiteListIsland = fromPage(SiteList)
