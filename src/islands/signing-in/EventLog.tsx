import { dayLong } from '../../ui/format.ts'
import type { EventPage } from '../../views/signing-in-page.ts'
import { usePages } from '../use-pages.tsx'

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
  forgotten: 'took somebody out of the records',
}

/** Nobody was signed in: it is said of whom, not by whom. */
const ofSomebody = new Set(['wrong-password', 'slowed-down', 'wrong-second-proof'])

/** Who came in from where, and what was done with keys: it can be read and added to, never changed. */
export function EventLog({ first }: { first: EventPage }) {
  const { rows, more } = usePages(first, '/api/signing-in/events')
  return (
    <section className="min-w-0 max-lg:pt-5" aria-label="Who came in">
      <h2 className="head m-0 pb-1">Who came in</h2>
      {rows.length === 0 && <p className="m-0 text-second">Nobody has signed in since this is kept.</p>}
      <ul className="m-0 list-none p-0 text-[14px]">
        {rows.map((row) => (
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
      {more}
    </section>
  )
}
