import { useState } from 'react'
import { dayLong } from '../../ui/format.ts'
import type { ChangePage, ChangeRow } from '../../views/change-page.ts'
import { send } from '../keep.ts'
import { usePages } from '../use-pages.tsx'

const did: Record<string, string> = {
  added: 'added',
  changed: 'changed',
  invited: 'invited',
  joined: 'joined:',
  'reset-asked': 'gave a new password to',
  'password-set': 'chose a new password:',
  'session-ended': 'signed out a device of',
  exported: 'took out',
  imported: 'brought in',
  forgotten: 'took out of the records:',
  removed: 'removed',
  'brought-back': 'brought back',
  'taken-back': 'took back the list',
  merged: 'made one with',
}

/** Who did what to the firm's records, the latest first; the ledger says who wrote its entries. */
export function ChangeLog({ first }: { first: ChangePage }) {
  const { rows, more } = usePages(first, '/api/changes')
  return (
    <section className="min-w-0 max-lg:pt-5" aria-label="Log">
      <h2 className="head m-0 pb-1">Log</h2>
      {rows.length === 0 && <p className="m-0 text-second">No record was changed yet.</p>}
      <ul className="m-0 list-none p-0 text-[14px]">
        {rows.map((row) => (
          <li key={row.id} className="border-t border-hair py-1">
            <span className="mono text-[13px] text-second">{dayLong(row.at.slice(0, 10))}</span> {row.by}{' '}
            {did[row.action] ?? row.action}{' '}
            {row.aboutKind === 'technician' || row.action === 'taken-back' ? '' : `${row.aboutKind} `}
            <b className="font-semibold">{row.name}</b>
            {row.fields.length > 0 && (
              <span className="block text-second">{row.fields.map(fieldWords).join('; ')}</span>
            )}
            {undoWords[row.action] && <Undo id={row.id} words={undoWords[row.action]!} about={row.name} />}
          </li>
        ))}
      </ul>
      {more}
    </section>
  )
}

/** What can be undone from its line. */
const undoWords: Record<string, string> = { removed: 'Bring it back', merged: 'Make them two again' }

function Undo({ id, words, about }: { id: string; words: string; about: string }) {
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const undo = async () => {
    setBusy(true)
    const told = await send('POST', `/api/changes/${id}/undo`)
    if (told.ok) return location.reload()
    setBusy(false)
    setWrong(told.issues.map(({ message }) => message).join('; '))
  }
  return (
    <span className="block">
      <button
        type="button"
        className="word min-h-[44px]"
        disabled={busy}
        aria-label={`${words}: ${about}`}
        onClick={undo}
      >
        {words}
      </button>
      {wrong && (
        <b role="alert" className="block text-seal-ink">
          {wrong}
        </b>
      )}
    </span>
  )
}

const fieldWords = ({ field, before, after }: ChangeRow['fields'][number]) =>
  `${field.replace(/([A-Z])/g, ' $1').toLowerCase()} ${said(before)} → ${said(after)}`
const said = (value: unknown) => (value === undefined || value === '' ? 'nothing' : String(value))
