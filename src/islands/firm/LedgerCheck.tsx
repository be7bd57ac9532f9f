import { useRef, useState } from 'react'
import { counted, dayLong, figure } from '../../ui/format.ts'
import type { OddEntries } from '../../views/odd-entries.ts'

interface Looked {
  rows: OddEntries['rows']
  seen: number
  of: number
  state: 'looking' | 'done' | 'stopped' | 'lost'
}

/** Goes through the whole ledger for what today's rules would refuse; it may be stopped, and changes nothing. */
export function LedgerCheck() {
  const [looked, setLooked] = useState<Looked | null>(null)
  const stop = useRef<AbortController | null>(null)
  const look = async () => {
    const mine = new AbortController()
    stop.current = mine
    let now: Looked = { rows: [], seen: 0, of: 0, state: 'looking' }
    setLooked(now)
    for (let since: number | undefined = 0; since !== undefined; ) {
      const found: OddEntries | null = await fetch(`/api/odd-entries?since=${since}`, { signal: mine.signal })
        .then((answer) => (answer.ok ? (answer.json() as Promise<OddEntries>) : null))
        .catch(() => null)
      if (mine.signal.aborted) return setLooked({ ...now, state: 'stopped' })
      if (!found) return setLooked({ ...now, state: 'lost' })
      since = found.next
      now = {
        rows: [...now.rows, ...found.rows],
        seen: since ?? found.of,
        of: found.of,
        state: since ? 'looking' : 'done',
      }
      setLooked(now)
    }
  }
  return (
    <section className="pt-6" aria-label="The ledger, looked through">
      <h2 className="head m-0 pb-1">The ledger, looked through</h2>
      <p className="m-0 border-t border-hair pt-2 text-[14px] text-second">
        What was written before a rule held, or by another firm, stays as it is and counts as it did. Here it is listed,
        so that somebody can correct it.
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {looked?.state === 'looking' ? (
          <button type="button" className="plain" onClick={() => stop.current?.abort()}>
            Stop
          </button>
        ) : (
          <button type="button" className="plain" onClick={() => void look()}>
            Look through it
          </button>
        )}
        <p role="status" className="m-0">
          {looked && words(looked)}
        </p>
      </div>
      <ul className="m-0 mt-2 list-none p-0 text-[14px]">
        {looked?.rows.slice(0, shown).map(({ id, subjectKind, subjectId, name, kind, on, why }) => (
          <li key={id} className="border-t border-hair py-1">
            <span className="mono text-[13px] text-second">{dayLong(on)}</span>{' '}
            {subjectKind === 'machine' ? (
              <a className="word" href={`/machines/${subjectId}?lens=ledger`}>
                {name}
              </a>
            ) : (
              <b className="font-semibold">{name ?? 'the firm'}</b>
            )}{' '}
            {kind.replaceAll('-', ' ')}: {why.join('; ')}
          </li>
        ))}
      </ul>
      {looked && looked.rows.length > shown && (
        <p className="m-0 text-[14px] text-second">and {figure(looked.rows.length - shown)} more</p>
      )}
    </section>
  )
}

const shown = 200

function words({ rows, seen, of, state }: Looked): string {
  const found = rows.length === 0 ? 'nothing odd' : `${counted(rows.length, 'entry', 'entries')} to look at`
  if (state === 'looking') return of === 0 ? 'Looking …' : `${figure(seen)} of ${figure(of)} entries: ${found} so far`
  if (state === 'stopped') return `Stopped at ${figure(seen)} of ${figure(of)} entries: ${found} so far`
  if (state === 'lost') return 'No connection: look again when the network is back.'
  return `${counted(of, 'entry', 'entries')}: ${found}.`
}
