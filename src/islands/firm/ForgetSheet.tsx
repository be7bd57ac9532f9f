import { useState } from 'react'
import { counted, dayLong } from '../../ui/format.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { Forgotten } from '../../views/forgotten.ts'
import { send } from '../keep.ts'

interface Props {
  kind: 'technician' | 'customer'
  id: string
  name: string
  onClose: () => void
}

const goes = {
  technician:
    'Name, initials, address, password, keys and where they signed in from go, here and in both logs. What they did stays in the ledger, done by "Somebody who left".',
  customer:
    'The customer\'s name, people, numbers and note go, and of their sites the name, address, position and how to get in. Machines, water and the whole ledger stay, at "A former site".',
}

/** Takes a person out of what the firm keeps, and says what words of the ledger still have the name. */
export function ForgetSheet({ kind, id, name, onClose }: Props) {
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [done, setDone] = useState<Forgotten | null>(null)
  const close = () => (done ? location.reload() : onClose())
  const forget = async () => {
    setBusy(true)
    const told = await send<Forgotten>('POST', '/api/forgotten', { kind, id })
    setBusy(false)
    if (told.ok) setDone(told)
    else setWrong(told.issues[0]!.message)
  }
  if (done)
    return (
      <Sheet open onOpenChange={close} title={`${name} is forgotten`} about={leftWords(done)}>
        <Left {...done} onClose={close} />
      </Sheet>
    )
  return (
    <Sheet open onOpenChange={close} title={`Forget ${name}?`} about={goes[kind]}>
      <p className="mt-0 mb-3">
        This cannot be taken back. Backups made before still have it until they are thinned, within a year; files taken
        out of here are yours to look after. Words that somebody typed into an entry stay as they were typed.
      </p>
      {wrong && (
        <p role="alert" className="m-0 mb-2 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <button type="button" className="act" disabled={busy} onClick={() => void forget()}>
          {busy ? 'Forgetting …' : `Forget ${name}`}
        </button>
        <button type="button" className="plain" onClick={close}>
          Keep as it is
        </button>
      </div>
    </Sheet>
  )
}

const leftWords = ({ named }: Forgotten) =>
  named.length === 0
    ? 'No entry of the ledger has the name in its words.'
    : `${counted(named.length, 'entry', 'entries')} of the ledger ${named.length === 1 ? 'has' : 'have'} the name in words of ${named.length === 1 ? 'its' : 'their'} own, which stay as they were written:`

function Left({ named, onClose }: Forgotten & { onClose: () => void }) {
  return (
    <>
      <ul className="m-0 mb-3 max-h-[40vh] list-none overflow-auto p-0 text-[14px]">
        {named.map(({ id, subjectKind, subjectId, on }) => (
          <li key={id} className="border-t border-hair py-1">
            <span className="mono text-[13px] text-second">{dayLong(on)}</span>{' '}
            {subjectKind === 'machine' ? (
              <a className="word" href={`/machines/${subjectId}?lens=ledger`}>
                a machine
              </a>
            ) : (
              `a ${subjectKind}`
            )}
          </li>
        ))}
      </ul>
      <button type="button" className="act" onClick={onClose}>
        Close
      </button>
    </>
  )
}
