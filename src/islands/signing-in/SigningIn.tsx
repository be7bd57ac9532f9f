import { useState } from 'react'
import { dayLong } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { PeoplePage } from '../../views/people-page.ts'
import type { EventPage, SigningInPage } from '../../views/signing-in-page.ts'
import { island } from '../island.tsx'
import { send } from '../keep.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { CodeAppSheet } from './CodeAppSheet.tsx'
import { EventLog } from './EventLog.tsx'
import { PaperCodes } from './PaperCodes.tsx'
import { addPasskey, PasskeySheet } from './PasskeySheet.tsx'

interface Props {
  own: SigningInPage
  name: string
  /** One's own. */
  sessions: PeoplePage['sessions']
  mayRule: boolean
  /** For the owner alone. */
  events: EventPage | null
}

type Open = 'password' | 'code-app' | 'passkey' | { paper: string[] } | null

/** What somebody signs in with, and, for the owner, who came in from where. */
function SigningIn({ own, name, sessions, mayRule, events }: Props) {
  const [open, setOpen] = useState<Open>(null)
  const [wrong, setWrong] = useState('')
  const close = () => setOpen(null)
  const proofs = (own.hasCodeApp ? 1 : 0) + own.passkeys.length
  const done = (codes: string[]) => (codes.length > 0 ? setOpen({ paper: codes }) : location.reload())
  /** Does it, and shows the page anew. */
  const act = async (method: 'POST' | 'PUT' | 'DELETE', url: string, body?: unknown) => {
    setWrong('')
    const told = await send<{ recoveryCodes?: string[] }>(method, url, body)
    if (!told.ok) return setWrong(told.issues.map(({ message }) => message).join(' '))
    done(told.recoveryCodes ?? [])
  }
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name="Signing in"
        under={`${name}, ${own.email}`}
        facts={[
          { label: 'Asked for', value: proofs > 0 ? 'password and a second proof' : 'password alone' },
          ...(proofs > 0 ? [{ label: 'Codes on paper', value: own.recoveryCodes }] : []),
        ]}
      />
      <div className={`grid flex-1 gap-x-8 bg-enamel px-4 py-3 lg:px-6 ${events ? 'lg:grid-cols-[1fr_440px]' : ''}`}>
        <div className="min-w-0 max-w-[760px]">
          {own.owesSecond && (
            <p role="alert" className="mt-0 mb-3 border-l-4 border-seal py-1 pl-3 font-semibold">
              Your firm asks for a second proof besides the password. Add a code app or a passkey here; then everything
              opens again. What this device has not sent yet is not lost.
            </p>
          )}
          {wrong && (
            <p role="alert" className="m-0 mb-2 font-semibold text-seal-ink">
              {wrong}
            </p>
          )}
          <h2 className="head m-0 pb-1">What you show</h2>
          <Line
            what="Password"
            about="ten characters or more, and none that is guessed first"
            keys={[['Change it', () => setOpen('password')]]}
          />
          <Line
            what="Code app"
            about={
              own.hasCodeApp
                ? 'six figures from your phone, after the password'
                : 'six figures from an app on your phone, asked for after the password'
            }
            keys={[
              own.hasCodeApp
                ? ['Take it away', () => void act('DELETE', '/api/signing-in/code-app')]
                : ['Add one', () => setOpen('code-app')],
            ]}
          />
          {own.passkeys.map((passkey) => (
            <Line
              key={passkey.id}
              what={passkey.name}
              about={`passkey, since ${dayLong(passkey.createdAt.slice(0, 10))}${passkey.seenAt ? `, last used ${dayLong(passkey.seenAt.slice(0, 10))}` : ''}`}
              keys={[
                [
                  'Take it away',
                  () => void act('DELETE', `/api/signing-in/passkeys/${encodeURIComponent(passkey.id)}`),
                ],
              ]}
            />
          ))}
          <Line
            what={own.passkeys.length > 0 ? 'Another passkey' : 'Passkey'}
            about={
              own.takesPasskeys
                ? 'a finger, a face or the device’s own code, instead of password and code'
                : 'not at this address: browsers make passkeys where Even Shot is reached by a name over https'
            }
            keys={own.takesPasskeys ? [['Add one', () => setOpen('passkey')]] : []}
          />
          {proofs > 0 && (
            <Line
              what="Codes on paper"
              about={`${own.recoveryCodes} left, each opens once when phone and passkey are lost`}
              keys={[['Make new ones', () => void act('POST', '/api/signing-in/recovery-codes')]]}
            />
          )}
          {mayRule && !own.owesSecond && (
            <>
              <h2 className="head m-0 pt-5 pb-1">Everybody of the firm</h2>
              <Line
                what={own.asksSecond ? 'Shows a second proof' : 'May sign in with the password alone'}
                about={
                  own.asksSecond
                    ? 'whoever has none is asked to add one before anything else opens; work under way is still taken'
                    : 'a second proof is each person’s own choice'
                }
                keys={[
                  [
                    own.asksSecond ? 'Leave it to each' : 'Ask it of all',
                    () => void act('PUT', '/api/signing-in/rule', { asksSecond: !own.asksSecond }),
                  ],
                ]}
              />
            </>
          )}
          <h2 className="head m-0 pt-5 pb-1">Where you are signed in</h2>
          {sessions.map((session) => (
            <Line
              key={session.id}
              what={session.device || 'a device'}
              about={`since ${dayLong(session.createdAt.slice(0, 10))}, last here ${dayLong(session.seenAt.slice(0, 10))}${session.own ? ': this one' : ''}`}
              keys={session.own ? [] : [['Sign out there', () => void act('DELETE', `/api/sessions/${session.id}`)]]}
            />
          ))}
          <p className="mt-2 mb-0 text-[14px] text-second">
            A device that lies unused for two weeks shows nothing until you sign in again; work it has not sent is taken
            all the same. One that you sign out from here forgets all that it keeps when it next hears of the server,
            what it has not sent too: for a device that is lost.
          </p>
        </div>
        {events && <EventLog first={events} />}
      </div>
      {open === 'password' && (
        <Sheet open onOpenChange={close} title="A new password" about="Every other device of yours is signed out.">
          <SheetForm
            fields={[
              { id: 'current', label: 'The one now', kind: 'password', autoComplete: 'current-password' },
              {
                id: 'password',
                label: 'The new one',
                hint: '10 characters or more',
                kind: 'password',
                autoComplete: 'new-password',
              },
            ]}
            values={{ current: '', password: '' }}
            save="Change it"
            onCancel={close}
            onSave={async ({ current, password }) => {
              const told = await send<object>('POST', '/api/signing-in/password', {
                current: String(current),
                password: String(password),
              })
              if (told.ok) location.reload()
              return told
            }}
          />
        </Sheet>
      )}
      {open === 'code-app' && <CodeAppSheet onClose={close} onAdded={done} />}
      {open === 'passkey' && <PasskeySheet onClose={close} onSave={(words) => addPasskey(words, done)} />}
      {open && typeof open === 'object' && <PaperCodes codes={open.paper} onClose={() => location.reload()} />}
    </div>
  )
}

/** One thing, what it is, and what may be done with it. */
const Line = ({ what, about, keys }: { what: string; about: string; keys: [words: string, act: () => void][] }) => (
  <div className="flex min-h-[52px] flex-wrap items-center gap-x-4 border-t border-hair py-1">
    <span className="min-w-0 flex-1 basis-[240px]">
      <b className="block font-semibold">{what}</b>
      <span className="block text-[14px] text-second">{about}</span>
    </span>
    {keys.map(([words, act]) => (
      <button
        key={words}
        type="button"
        className="min-h-[44px] font-semibold text-copper"
        aria-label={`${words}: ${what}`}
        onClick={act}
      >
        {words}
      </button>
    ))}
  </div>
)

export const SigningInIsland = island(SigningIn)
