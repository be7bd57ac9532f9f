import { useState } from 'react'
import { labelSizes } from '../../core/papers/label-sizes.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { dayLong } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import type { PageAddress } from '../../views/customer-page.ts'
import { island } from '../island.tsx'
import { sendOnce } from '../send-once.ts'
import { useFetched } from '../use-fetched.ts'
import { LabelSize } from './LabelSize.tsx'

interface Props {
  of: 'machine' | 'site'
  id: string
  firmId: string
  today: LocalDay
  /** Only an owner says how the firm is reached. */
  isOwner: boolean
}

const SiteWordSheet = later(() => import('./SiteWordSheet.tsx').then((module) => module.SiteWordSheet))
const LetterheadSheet = later(() => import('./LetterheadSheet.tsx').then((module) => module.LetterheadSheet))

/** The page that whoever stands at the machine opens with their own phone: its address, its label, the word of the place. */
export function TheirPage({ of, id, firmId, today, isOwner }: Props) {
  const [page, setPage] = useState<PageAddress | null>(null)
  const [round, setRound] = useState(0)
  const [says, setSays] = useState('')
  const [open, setOpen] = useState<'word' | 'letterhead' | 'end' | null>(null)
  const [size, setSize] = useState(labelSizes[0]!.id)
  const url = `/api/${of}s/${id}/page`
  const lost = useFetched<PageAddress>(`${url}?${round}`, setPage, { afterMs: 0 })
  const again = async () => setRound((n) => n + 1)
  const make = async () => {
    const told = await sendOnce<object>('POST', url)
    setSays(told.ok ? 'It has an address: print its label.' : told.issues[0]!.message)
    await again()
  }
  const end = async () => {
    const told = await sendOnce<object>('DELETE', url)
    setOpen(null)
    setSays(told.ok ? 'The address opens nothing any more: take the label off.' : told.issues[0]!.message)
    await again()
  }
  return (
    <section
      id="their-page"
      aria-label="Their own page"
      className="border-t border-hair bg-enamel px-4 py-3 lg:px-6"
      data-noprint
    >
      <h2 className="head m-0">{of === 'machine' ? 'Their own page' : 'One page for the whole place'}</h2>
      <p className="m-0 pb-2 text-[14px] text-second">
        {of === 'machine'
          ? 'Scanned from the label, without signing in: its care, the counter, the softener, “something is wrong”. No prices, no names, no ledger.'
          : 'For the wall of the back room, beside the labels or instead of them: it asks which machine.'}
      </p>
      {lost && !page && <p className="m-0">No connection: it can be opened when there is signal.</p>}
      {page && !page.path && (
        <button type="button" className="act" onClick={() => void make()}>
          Give it a page
        </button>
      )}
      {page?.path && (
        <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
          <LabelSize label="Label" size={size} onSize={setSize} />
          <a
            className="act inline-flex items-center"
            href={`/api/${of}s/${id}/label.pdf?size=${size}${of === 'site' ? '&of=place' : ''}`}
          >
            Print its label
          </a>
          <a className="plain inline-flex items-center" href={`${page.path}?as=customer`}>
            As they see it
          </a>
          {open === 'end' ? (
            <span>
              <button type="button" className="plain" onClick={() => void make()}>
                Another address: the label must be printed anew
              </button>{' '}
              <button type="button" className="plain" onClick={() => void end()}>
                End the page
              </button>{' '}
              <button type="button" className="plain" onClick={() => setOpen(null)}>
                Leave it
              </button>
            </span>
          ) : (
            <button type="button" className="plain" onClick={() => setOpen('end')}>
              Change or end it
            </button>
          )}
        </div>
      )}
      {page && (
        <dl className="m-0 grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-1 pt-2 text-[15px]">
          {of === 'machine' && (
            <>
              <dt className="slim text-[14px] text-second">Code on it</dt>
              <dd className="mono m-0">
                {page.code}
                {page.since && <span className="text-second">, since {dayLong(page.since.slice(0, 10))}</span>}
              </dd>
            </>
          )}
          <dt className="slim text-[14px] text-second">Word of the place</dt>
          <dd className="m-0">
            {page.word ? <b className="mono">{page.word}</b> : 'none: what they send is looked at before it counts'}{' '}
            <button type="button" className="plain" onClick={() => setOpen('word')}>
              {page.word ? 'Another word' : 'Set a word'}
            </button>
          </dd>
          <dt className="slim text-[14px] text-second">We are reached</dt>
          <dd className="m-0">
            {[page.letterhead?.phone, page.letterhead?.email].filter(Boolean).join(', ') || 'nobody has said how'}{' '}
            {isOwner ? (
              <button type="button" className="plain" onClick={() => setOpen('letterhead')}>
                Letterhead
              </button>
            ) : (
              !page.letterhead?.phone && <span className="text-second">The owner sets it.</span>
            )}
          </dd>
        </dl>
      )}
      <p role="status" className="m-0 text-[14px] text-second">
        {says}
      </p>
      {open === 'word' && page && (
        <SiteWordSheet siteId={page.siteId} today={today} onClose={() => setOpen(null)} onSaved={again} />
      )}
      {open === 'letterhead' && page && (
        <LetterheadSheet
          firmId={firmId}
          now={page.letterhead}
          today={today}
          onClose={() => setOpen(null)}
          onSaved={again}
        />
      )}
    </section>
  )
}

export const TheirPageIsland = island(TheirPage)
