import { useState } from 'react'
import type { Kept } from '../../core/firm/records.ts'
import { dayLong } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ChangePage } from '../../views/change-page.ts'
import type { PeoplePage } from '../../views/people-page.ts'
import { island } from '../island.tsx'
import { keep, send } from '../keep.ts'
import { newId } from '../new-id.ts'
import { typed } from '../records/record-fields.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { ChangeLog } from './ChangeLog.tsx'
import { ForgetSheet } from './ForgetSheet.tsx'
import { firmFields, firmRecord, keepingFields } from './firm-fields.ts'
import { PersonSheet } from './PersonSheet.tsx'

type Person = PeoplePage['people'][number]

interface Props {
  firm: { id: string; version: number } & Kept<'firm'>
  people: PeoplePage
  changes: ChangePage
  isOwner: boolean
  me: string
  demo: boolean
}

/** The firm's own page: how figures are read, who belongs to it, where they are signed in, who did what. */
function FirmView({ firm, people, changes, isOwner, me, demo }: Props) {
  const [open, setOpen] = useState<
    'firm' | 'add' | { person: Person & { version?: number } } | { lost: Person } | { forget: Person } | null
  >(null)
  const [link, setLink] = useState<{ name: string; link: string; purpose: string; expiresAt: string } | null>(null)
  const [wrong, setWrong] = useState('')
  const [id] = useState(newId)
  const close = () => setOpen(null)
  const names = new Map(people.people.map((person) => [person.id, person.name]))

  const makeLink = async (person: Person) => {
    const told = await send<{ link: string; purpose: string; expiresAt: string }>(
      'POST',
      `/api/people/${person.id}/link`,
    )
    if (told.ok) setLink({ name: person.name, ...told })
    else setWrong(told.issues[0]!.message)
  }
  const edit = async (person: Person) => {
    const response = await fetch(`/api/records/technician/${person.id}`).catch(() => null)
    if (response?.ok) setOpen({ person: { ...person, ...(await response.json()) } })
    else setWrong('No connection: try again.')
  }
  const endSession = async (sessionId: string) => {
    const told = await send<object>('DELETE', `/api/sessions/${sessionId}`)
    if (told.ok) location.reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name={firm.name}
        under={demo ? 'The demo world: made-up people, places and machines' : 'Your firm'}
        facts={[
          { label: 'People', value: people.people.filter(({ leftOn }) => !leftOn).length },
          { label: 'Time zone', value: firm.timeZone },
        ]}
        action={
          isOwner ? (
            <button type="button" className="plain" onClick={() => setOpen('firm')}>
              Edit
            </button>
          ) : undefined
        }
      />
      <div className="grid flex-1 gap-x-8 bg-enamel px-4 py-3 lg:grid-cols-[1fr_440px] lg:px-6">
        <div className="min-w-0">
          <div className="flex items-baseline gap-4 pb-1">
            <h2 className="head m-0">People</h2>
            {isOwner && (
              <button
                type="button"
                className="ml-auto min-h-[44px] font-semibold text-copper lg:min-h-[32px]"
                onClick={() => setOpen('add')}
              >
                Add a technician
              </button>
            )}
          </div>
          {wrong && (
            <p role="alert" className="m-0 font-semibold text-seal-ink">
              {wrong}
            </p>
          )}
          <ul className="m-0 list-none p-0">
            {people.people.map((person) => (
              <li
                key={person.id}
                className="flex min-h-[44px] flex-wrap items-center gap-x-4 border-t border-hair py-1"
              >
                <span className="mono w-9 text-[13px] text-second">{person.initials}</span>
                <span className="min-w-0 flex-1 basis-[200px]">
                  <b className="font-semibold">{person.name}</b>{' '}
                  <span className="text-[14px] text-second">
                    {person.role === 'owner' ? 'owner, ' : ''}
                    {person.leftOn
                      ? `left ${dayLong(person.leftOn)}`
                      : (person.email ?? (person.link ? 'invited, has not joined yet' : 'cannot sign in yet'))}
                  </span>
                </span>
                <span className="ml-auto flex flex-wrap gap-x-4">
                  {person.hasSecond && person.id !== me && !person.leftOn && (
                    <button
                      type="button"
                      className="min-h-[44px] font-semibold text-copper"
                      aria-label={`Phone lost: ${person.name}`}
                      onClick={() => setOpen({ lost: person })}
                    >
                      Phone lost
                    </button>
                  )}
                  {isOwner && !person.leftOn && (
                    <button
                      type="button"
                      className="min-h-[44px] font-semibold text-copper"
                      onClick={() => makeLink(person)}
                    >
                      {person.email ? 'New password' : 'Invite'}
                    </button>
                  )}
                  {isOwner && person.leftOn && (
                    <button
                      type="button"
                      className="min-h-[44px] font-semibold text-copper"
                      aria-label={`Forget ${person.name}`}
                      onClick={() => setOpen({ forget: person })}
                    >
                      Forget
                    </button>
                  )}
                  {isOwner && (
                    <button
                      type="button"
                      className="min-h-[44px] font-semibold text-copper"
                      aria-label={`Edit ${person.name}`}
                      onClick={() => edit(person)}
                    >
                      Edit
                    </button>
                  )}
                </span>
              </li>
            ))}
          </ul>
          <h2 className="head m-0 pt-5 pb-1">Signed in</h2>
          <ul className="m-0 list-none p-0">
            {people.sessions.map((session) => (
              <li key={session.id} className="flex min-h-[44px] flex-wrap items-center gap-x-4 border-t border-hair">
                <span className="min-w-0 flex-1">
                  {session.device || 'a device'}{' '}
                  <span className="text-[14px] text-second">
                    {names.get(session.technicianId)}, since {dayLong(session.createdAt.slice(0, 10))}, last here{' '}
                    {dayLong(session.seenAt.slice(0, 10))}
                    {session.own && ': this one'}
                  </span>
                </span>
                {!session.own && (
                  <button
                    type="button"
                    className="min-h-[44px] font-semibold text-copper"
                    onClick={() => endSession(session.id)}
                  >
                    Sign out there
                  </button>
                )}
              </li>
            ))}
          </ul>
          {people.sessions.some(({ own }) => !own) && <p className="m-0">Signing out there loses unsent work too.</p>}
          <h2 className="head m-0 pt-5 pb-1">Your data</h2>
          <p className="m-0">
            <a className="word" href="/data">
              Bring machines in, take everything out
            </a>
          </p>
        </div>
        <ChangeLog first={changes} />
      </div>
      {open === 'firm' && (
        <Sheet
          open
          onOpenChange={close}
          title="The firm"
          about="Units change what is shown. What is in the ledger stays as it was written."
        >
          <SheetForm
            fields={[...firmFields, ...keepingFields]}
            values={typed(firm, { photosYears: '', callersMonths: '' })}
            save="Save"
            onCancel={close}
            onSave={async (values) => {
              const told = await keep('firm', firm.id, firm.version, firmRecord(values))
              if (told.ok) location.reload()
              return told
            }}
          />
        </Sheet>
      )}
      {open && typeof open === 'object' && 'forget' in open && (
        <ForgetSheet kind="technician" id={open.forget.id} name={open.forget.name} onClose={close} />
      )}
      {open && typeof open === 'object' && 'lost' in open && <LostSheet person={open.lost} onClose={close} />}
      {(open === 'add' || (open && typeof open === 'object' && 'person' in open)) && (
        <PersonSheet
          person={typeof open === 'object' ? open.person : null}
          id={id}
          self={typeof open === 'object' && open.person.id === me}
          onClose={close}
        />
      )}
      {link && (
        <Sheet
          open
          onOpenChange={() => {
            setLink(null)
            location.reload()
          }}
          title={link.purpose === 'join' ? `A link for ${link.name}` : `A new password for ${link.name}`}
          about={`It opens once, until ${dayLong(link.expiresAt.slice(0, 10))}, and is shown only now: hand it over yourself.`}
        >
          <input
            className="field mono w-full text-[13px]"
            readOnly
            value={link.link}
            aria-label="One-time link"
            onFocus={(event) => event.target.select()}
          />
          <button
            type="button"
            className="act mt-3"
            onClick={() =>
              navigator.clipboard?.writeText(link.link).catch(() => setWrong('Select the link and copy it by hand.'))
            }
          >
            Copy it
          </button>
        </Sheet>
      )}
    </div>
  )
}

/** Somebody has lost what they show besides the password, paper and all. */
function LostSheet({ person, onClose }: { person: Person; onClose: () => void }) {
  const [wrong, setWrong] = useState('')
  const take = async () => {
    const told = await send<object>('DELETE', `/api/people/${person.id}/second-proofs`)
    if (told.ok) location.reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={`${person.name} has lost phone and paper?`}
      about="Code app, passkeys and codes on paper are taken away. Until a new one is added the password alone lets them in. Ask them yourself first: whoever asks for this by mail may be somebody else."
    >
      {wrong && (
        <p role="alert" className="m-0 mb-2 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <button type="button" className="act" onClick={() => void take()}>
          Take them away
        </button>
        <button type="button" className="plain" onClick={onClose}>
          Leave as it is
        </button>
      </div>
    </Sheet>
  )
}

export const FirmViewIsland = island(FirmView)
