import { Command } from 'cmdk'
import { useState } from 'react'
import { later } from '../../ui/later.tsx'
import type { Found, FoundThing } from '../../views/found.ts'
import { useFetched } from '../use-fetched.ts'
import { type FindPlace, findPlaces } from './find-places.ts'
import { signOut } from './sign-out.ts'

// Reading codes is a piece of its own: few scan at a desk.
const ScanSheet = later(() => import('./ScanSheet.tsx').then((module) => module.ScanSheet))

interface Props {
  open: boolean
  onOpenChange: (open: boolean) => void
}

const nothing: Found = { rows: [], things: [] }

const sortWords: Record<FoundThing['sort'] | FindPlace['sort'], string> = {
  site: 'Site',
  customer: 'Customer',
  task: 'Due',
  procedure: 'How to',
  kind: 'Kind',
  page: 'Go to',
  command: 'Do',
}

/** Finds machines, sites, customers, tasks, procedures, kinds, pages and commands; the first hit is chosen. */
export function FindBox({ open, onOpenChange }: Props) {
  const [text, setText] = useState('')
  const [found, setFound] = useState(nothing)
  const [scanning, setScanning] = useState(false)
  /** Which one Enter means; what an arrow chose holds until the words change. */
  const [picked, setPicked] = useState<{ of: Found; value: string } | null>(null)
  const asked = open ? `/api/find?q=${encodeURIComponent(text)}` : null
  const failed = useFetched<Found>(asked, setFound, { afterMs: 120 })

  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const places = findPlaces.filter(({ name, also = '', sort }) => {
    if (words.length === 0) return sort === 'page'
    return words.every((word) => `${name} ${also}`.toLowerCase().includes(word))
  })
  const values = [
    ...found.rows.map(({ id }) => id),
    ...found.things.map(({ href }) => href),
    ...places.map(({ name }) => name),
  ]
  const chosen = picked?.of === found && values.includes(picked.value) ? picked.value : (values[0] ?? '')
  const go = ({ href, run }: Pick<FindPlace, 'href' | 'run'>) => {
    if (href) return location.assign(href)
    if (run === 'scan') return setScanning(true)
    onOpenChange(false)
    if (run === 'sign-out') void signOut()
    // The box is gone before the page goes to paper.
    else setTimeout(() => window.print(), 100)
  }
  if (scanning) return <ScanSheet onClose={() => onOpenChange(false)} />
  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpenChange}
      label="Find a machine, place, customer, task, procedure or page"
      shouldFilter={false}
      value={chosen}
      onValueChange={(value) => setPicked({ of: found, value })}
      overlayClassName="fixed inset-0 z-40 bg-ink/40"
      contentClassName="fixed left-1/2 top-[8vh] z-50 w-[min(680px,94vw)] -translate-x-1/2 border border-deep bg-enamel text-ink"
    >
      <div className="flex border-b border-hair bg-field">
        <Command.Input
          value={text}
          onValueChange={setText}
          placeholder="Machine, place, customer, task, page …"
          className="min-w-0 flex-1 bg-field px-4 py-3 text-[18px] outline-none"
        />
        <button
          type="button"
          className="min-w-[64px] border-l border-hair px-4 font-semibold text-copper"
          onClick={() => go({ run: 'scan' })}
        >
          Scan
        </button>
      </div>
      <Command.List className="max-h-[60vh] overflow-auto p-1">
        <Command.Empty className="px-3 py-4 text-second">
          {failed
            ? 'No connection: find needs the network.'
            : 'Nothing has all these words. Try fewer, or part of the serial number.'}
        </Command.Empty>
        {failed && values.length > 0 && (
          <p role="alert" className="m-0 px-3 py-2 text-second">
            No connection: only pages are found.
          </p>
        )}
        {found.rows.map((row) => (
          <Command.Item
            key={row.id}
            value={row.id}
            onSelect={() => location.assign(`/machines/${row.id}`)}
            className={item}
          >
            <span className="font-semibold">{row.name}</span>
            <span className="text-second">
              {[row.siteName, row.area].filter(Boolean).join(', ')}
              {row.stage === 'retired' && ', retired'}
            </span>
            <span className="mono ml-auto text-[13px] text-second">
              {[[row.maker, row.model].filter(Boolean).join(' '), row.serial].filter(Boolean).join(' · ')}
            </span>
          </Command.Item>
        ))}
        {found.things.map(({ sort, name, about, href }) => (
          <Command.Item key={href} value={href} onSelect={() => location.assign(href)} className={item}>
            <Sort sort={sort} />
            <span className="font-semibold">{name}</span>
            <span className="line-clamp-1 min-w-0 flex-1 text-[14px] text-second">{about}</span>
          </Command.Item>
        ))}
        {places.map((place) => (
          <Command.Item key={place.name} value={place.name} onSelect={() => go(place)} className={item}>
            <Sort sort={place.sort} />
            <span className="font-semibold">{place.name}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command.Dialog>
  )
}

const Sort = ({ sort }: { sort: keyof typeof sortWords }) => (
  <span className="w-[72px] shrink-0 text-[14px] text-second">{sortWords[sort]}</span>
)

const item = 'flex min-h-[44px] flex-wrap items-center gap-x-2 px-3 py-1 data-[selected=true]:bg-copper-tint'
