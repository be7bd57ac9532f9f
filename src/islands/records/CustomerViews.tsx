import { useState } from 'react'
import type { Kept } from '../../core/firm/records.ts'
import { countryName } from '../../core/invoices/party.ts'
import { dayLong } from '../../ui/format.ts'
import { agreedUpTo } from '../../ui/money.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { RecordPage } from '../../views/record-page.ts'
import { ForgetSheet } from '../firm/ForgetSheet.tsx'
import { island } from '../island.tsx'
import { keep } from '../keep.ts'
import { newId } from '../new-id.ts'
import { ByMistake } from './ByMistake.tsx'
import { CallLink, MailLink } from './contact-links.tsx'
import { RecordList } from './RecordList.tsx'
import { customerFields, customerRecord, typed } from './record-fields.ts'
import { SheetForm } from './SheetForm.tsx'

/** Whom the firm works for. */
function CustomerList({ first, firm, today }: { first: RecordPage<'customer'>; firm: string; today: string }) {
  const [adding, setAdding] = useState(false)
  const [id] = useState(newId)
  return (
    <>
      <RecordList
        kind="customer"
        first={first}
        title="Customers"
        under={firm}
        today={today}
        href={(row) => `/customers/${row.id}`}
        describe={(row: { id: string } & Kept<'customer'>) =>
          [row.contact, row.phone, row.retiredOn && 'no longer a customer'].filter(Boolean).join(' · ')
        }
        empty={<p className="m-0">A customer is whom you work for; their sites are where machines stand.</p>}
        action={
          <button type="button" className="act whitespace-nowrap" onClick={() => setAdding(true)}>
            Add a customer
          </button>
        }
      />
      {adding && (
        <Sheet open onOpenChange={() => setAdding(false)} title="Add a customer" about="Only the name is needed.">
          <SheetForm
            fields={customerFields}
            values={typed(null, Object.fromEntries(customerFields.map(({ id: field }) => [field, ''])))}
            save="Add it"
            onCancel={() => setAdding(false)}
            onSave={async (values) => {
              const told = await keep('customer', id, 0, customerRecord(values))
              if (told.ok) location.assign(`/customers/${id}`)
              return told
            }}
          />
        </Sheet>
      )}
    </>
  )
}

interface Props {
  /** Whether whoever looks may take a former customer out of the records. */
  mayForget: boolean
  customer: { id: string; version: number } & Kept<'customer'>
  sites: { id: string; name: string; area: string; retiredOn?: string }[]
  /** The last days somebody was at one of them. */
  days: string[]
}

/** One customer: how to reach them, and where their machines stand. */
function CustomerView({ customer, sites, days, mayForget }: Props) {
  const [editing, setEditing] = useState(false)
  const [forgetting, setForgetting] = useState(false)
  const said: [string, string][] = [
    ['Contact', customer.contact],
    ['Phone', customer.phone],
    ['E-mail', customer.email],
    [
      'May say yes',
      customer.mayAgree || customer.agreesUpTo !== undefined
        ? `${customer.mayAgree || 'whoever is there'}${agreedUpTo(customer)}`
        : '',
    ],
    ['Order number', customer.orderNumber],
    [
      'Bills go to',
      [
        customer.billName,
        customer.billStreet,
        [customer.billPostcode, customer.billTown].filter(Boolean).join(' '),
        customer.billCountry && countryName(customer.billCountry),
        customer.billEmail,
        customer.billReference && `reference ${customer.billReference}`,
      ]
        .filter(Boolean)
        .join(', '),
    ],
    ['Note', customer.note],
  ]
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name={customer.name}
        under={customer.retiredOn ? `no longer a customer since ${dayLong(customer.retiredOn)}` : 'Customer'}
        facts={[{ label: 'Sites', value: sites.length }]}
        action={
          <>
            {mayForget && customer.retiredOn && (
              <button type="button" className="plain" onClick={() => setForgetting(true)}>
                Forget …
              </button>
            )}
            <button type="button" className="plain" onClick={() => setEditing(true)}>
              Edit
            </button>
          </>
        }
      />
      {forgetting && (
        <ForgetSheet kind="customer" id={customer.id} name={customer.name} onClose={() => setForgetting(false)} />
      )}
      <div className="grid flex-1 gap-x-8 bg-enamel px-4 py-3 lg:grid-cols-[1fr_360px] lg:px-6">
        <section>
          <h2 className="head m-0 pb-1">Sites</h2>
          {sites.length === 0 && (
            <p className="m-0 text-second">
              None yet.{' '}
              <a className="word" href="/sites">
                Add one
              </a>{' '}
              and choose this customer there.
            </p>
          )}
          <ul className="m-0 list-none p-0">
            {sites.map((site) => (
              <li key={site.id} className="border-t border-hair">
                <a href={`/sites/${site.id}`} className="flex min-h-[44px] items-center gap-3 hover:bg-copper-tint">
                  <b className="font-semibold">{site.name}</b>
                  <span className="text-[14px] text-second">{site.area}</span>
                </a>
              </li>
            ))}
          </ul>
          {days.length > 0 && (
            <>
              <h2 className="head m-0 pt-4 pb-1">Day’s reports</h2>
              <p className="m-0 text-[14px] text-second">
                What was done on one day at all their places, on paper for them.
              </p>
              <ul className="m-0 flex list-none flex-wrap gap-x-5 p-0">
                {days.map((day) => (
                  <li key={day}>
                    <a
                      className="inline-flex min-h-[44px] items-center font-semibold text-copper"
                      href={`/api/customers/${customer.id}/day.pdf?on=${day}`}
                      target="_blank"
                      rel="noreferrer"
                    >
                      {dayLong(day)}
                    </a>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
        <dl className="m-0 max-lg:pt-4">
          {said
            .filter(([, value]) => value)
            .map(([label, value]) => (
              <div key={label} className="border-t border-hair py-1.5">
                <dt className="slim text-[13px] text-second">{label}</dt>
                <dd className="m-0">
                  {label === 'Phone' ? (
                    <CallLink phone={value} />
                  ) : label === 'E-mail' ? (
                    <MailLink email={value} />
                  ) : (
                    value
                  )}
                </dd>
              </div>
            ))}
        </dl>
      </div>
      {editing && (
        <Sheet
          open
          onOpenChange={() => setEditing(false)}
          title="Edit the customer"
          about="What is changed is kept in the firm's log."
        >
          <SheetForm
            fields={[
              ...customerFields,
              {
                id: 'retiredOn',
                label: 'No longer a customer since',
                hint: 'empty while they are',
                kind: 'day',
                half: true,
              },
            ]}
            values={typed(customer, { retiredOn: '', agreesUpTo: '' })}
            save="Save"
            onCancel={() => setEditing(false)}
            onSave={async (values) => {
              const told = await keep('customer', customer.id, customer.version, customerRecord(values))
              if (told.ok) location.reload()
              return told
            }}
          />
          <ByMistake kind="customer" id={customer.id} name={customer.name} after="/customers" />
        </Sheet>
      )}
    </div>
  )
}

export const CustomerViewIsland = island(CustomerView)

export const CustomerListIsland = island(CustomerList)
