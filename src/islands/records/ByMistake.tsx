import { useState } from 'react'
import { send } from '../keep.ts'
import { useFetched } from '../use-fetched.ts'

interface Props {
  kind: 'customer' | 'supply' | 'site' | 'softener' | 'machine' | 'instrument'
  id: string
  name: string
  /** Where to go once it is gone. */
  after: string
}

/** Of what can two of them be one: where the one that stays has its page, and where others are found. */
const mergeable: Partial<Record<Props['kind'], { page: string; found: string }>> = {
  customer: { page: '/customers/', found: '/api/records/customer' },
  site: { page: '/sites/', found: '/api/records/site' },
  machine: { page: '/machines/', found: '/api/machines' },
}

interface Other {
  id: string
  name: string
  area?: string
  siteName?: string
  serial?: string
}

/** What was entered by mistake: taken away where nothing hangs on it, or made one with the one that was meant. */
export function ByMistake({ kind, id, name, after }: Props) {
  const [asks, setAsks] = useState<'remove' | 'merge' | null>(null)
  const [into, setInto] = useState<Other | null>(null)
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const merges = mergeable[kind]
  const act = async (done: Promise<{ ok: true } | { ok: false; issues: { message: string }[] }>, to: string) => {
    setBusy(true)
    const told = await done
    if (told.ok) return location.assign(to)
    setBusy(false)
    setWrong(told.issues.map(({ message }) => message).join('; '))
  }
  return (
    <section aria-label="Entered by mistake" className="mt-4 border-t border-hair pt-3">
      <div className="flex flex-wrap items-center gap-x-5">
        <span className="text-second">Entered by mistake?</span>
        <button type="button" className="word min-h-[44px]" onClick={() => setAsks('remove')}>
          Remove it
        </button>
        {merges && (
          <button type="button" className="word min-h-[44px]" onClick={() => setAsks('merge')}>
            It is the same as another
          </button>
        )}
      </div>
      {asks === 'remove' && (
        <p className="m-0 flex flex-wrap items-center gap-3 py-2">
          <span>{name} goes if nothing hangs on it. The firm's log keeps it, and can bring it back.</span>
          <button
            type="button"
            className="plain"
            disabled={busy}
            onClick={() => act(send('DELETE', `/api/records/${kind}/${id}`), after)}
          >
            Remove {name}
          </button>
        </p>
      )}
      {asks === 'merge' && merges && (
        <div className="py-2">
          <Others found={merges.found} but={id} chosen={into} onChoose={setInto} />
          <p className="m-0 mt-2 text-[14px] text-second">
            The one that is chosen stays; what is at {name} goes to it. The firm's log can make them two again.
          </p>
          {into && (
            <button
              type="button"
              className="plain mt-2"
              disabled={busy}
              onClick={() =>
                act(send('POST', '/api/merges', { kind, from: id, into: into.id }), `${merges.page}${into.id}`)
              }
            >
              {busy ? 'Making them one …' : `Make them one: ${into.name} stays`}
            </button>
          )}
        </div>
      )}
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
    </section>
  )
}

interface OthersProps {
  found: string
  but: string
  chosen: Other | null
  onChoose(one: Other): void
}

/** The one that was meant, found by typing. */
function Others({ found, but, chosen, onChoose }: OthersProps) {
  const [text, setText] = useState('')
  const [rows, setRows] = useState<Other[]>([])
  useFetched<{ rows: Other[] }>(`${found}?text=${encodeURIComponent(text)}`, (page) =>
    setRows(page.rows.filter(({ id }) => id !== but).slice(0, 12)),
  )
  return (
    <>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">The other one</span>
        <input
          className="field"
          placeholder="Type a name"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <fieldset className="m-0 mt-1 max-h-[200px] overflow-auto border-0 p-0">
        <legend className="sr-only">The other one</legend>
        {rows.map((one) => (
          <label key={one.id} className="flex min-h-[44px] items-center gap-2 border-t border-hair">
            <input type="radio" name="other" checked={chosen?.id === one.id} onChange={() => onChoose(one)} />
            {one.name}{' '}
            <span className="text-[14px] text-second">
              {[one.siteName, one.area, one.serial].filter(Boolean).join(', ')}
            </span>
          </label>
        ))}
      </fieldset>
    </>
  )
}
