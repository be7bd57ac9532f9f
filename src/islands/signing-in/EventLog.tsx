import { useState } from 'react'
import { dayLong } from '../../ui/format.ts'
import type { EventPage } from '../../views/signing-in-page.ts'

const words: Record<string, string> = {
  'signed-in': 'signed in',
  'signed-in-by-passkey': 'signed in with a passkey',
  'wrong-password': 'a wrong password for',
  'slowed-down': 'too many tries, slowed down, for',
  'wrong-second-proof': 'a wrong second proof for',
  'recovery-code-used': 'signed in with a code from paper',
  'signed-out': 'signed out',
  'session-ended': 'signed out a device',
  'shown-again': 'showed the password again',
  'password-changed': 'changed the password',
  'password-set-by-link': 'set a password by link',
  joined: 'joined by link',
  'link-made': 'made a link',
  'role-changed': 'changed the rights',
  left: 'entered as having left',
  'code-app-added': 'added a code app',
  'code-app-removed': 'took the code app away',
  'passkey-added': 'added a passkey',
  'passkey-removed': 'took a passkey away',
  'recovery-codes-made': 'made new codes on paper',
  'second-proof-forgotten': 'took the second proofs away',
  'rule-changed': 'changed what everybody shows',
  'taken-out': 'took all data out',
  'brought-in': 'brought a whole firm in',
  restored: 'a backup was put in place',
}

/** Nobody was signed in: it is said of whom, not by whom. */
const ofSomebody = new Set(['wrong-password', 'slowed-down', 'wrong-second-proof'])

/** Who came in from where, and what was done with keys: it can be read and added to, never changed. */
export function EventLog({ first }: { first: EventPage }) {
  const [page, setPage] = useState(first)
  const [lost, setLost] = useState(false)
  const more = async () => {
    const response = await fetch(`/api/signing-in/events?cursor=${page.next}`).catch(() => null)
    setLost(!response?.ok)
    if (!response?.ok) return
    const next = (await response.json()) as EventPage
    setPage({ ...next, rows: [...page.rows, ...next.rows] })
  }
  return (
    <section className="min-w-0 max-lg:pt-5" aria-label="Who came in">
      <h2 className="head m-0 pb-1">Who came in</h2>
      {page.rows.length === 0 && <p className="m-0 text-second">Nobody has signed in since this is kept.</p>}
      <ul className="m-0 list-none p-0 text-[14px]">
        {page.rows.map((row) => (
          <li key={row.id} className="border-t border-hair py-1">
            <span className="mono text-[13px] text-second">
              {dayLong(row.on)} {row.time}
            </span>{' '}
            {ofSomebody.has(row.what) ? (
              <b className="font-semibold text-seal-ink">
                {words[row.what]} {row.by}
              </b>
            ) : (
              <>
                <b className="font-semibold">{row.by}</b> {words[row.what] ?? row.what}
                {row.about && `: ${row.about}`}
              </>
            )}
            <span className="block text-second">
              {row.device}, <span className="mono text-[13px]">{row.place}</span>
            </span>
          </li>
        ))}
      </ul>
      {lost && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          No connection: try again.
        </p>
      )}
      {page.next && (
        <button type="button" className="plain mt-2" onClick={more}>
          Earlier ones
        </button>
      )}
    </section>
  )
}
