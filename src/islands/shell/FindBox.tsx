import { Command } from 'cmdk'
import { useState } from 'react'
import { useFetched } from '../use-fetched.ts'

interface Props {
  open: boolean
  onOpenChange: (open: boolean) => void
}

interface Found {
  id: string
  name: string
  maker: string
  model: string
  serial: string
  siteName: string
  area: string
  stage: string
}

const places = [
  { name: 'Round: what is coming due', href: '/round' },
  { name: 'Machines', href: '/machines' },
  { name: 'Sites', href: '/sites' },
  { name: 'Customers', href: '/customers' },
  { name: 'Water zones and their analyses', href: '/supplies' },
  { name: 'Visits', href: '/visits' },
  { name: 'Instruments and reagents', href: '/instruments' },
  { name: 'Kinds of machine', href: '/kinds' },
  { name: 'What parts last', href: '/parts' },
  { name: 'The firm and its people', href: '/firm' },
  { name: 'Data in and out', href: '/data' },
  { name: 'Readings from a spreadsheet', href: '/import/readings' },
]

/** Finds a machine by place, name, maker or serial, or goes to a place of the application. */
export function FindBox({ open, onOpenChange }: Props) {
  const [text, setText] = useState('')
  const [rows, setRows] = useState<Found[]>([])
  const asked = open ? `/api/find?q=${encodeURIComponent(text)}` : null
  const failed = useFetched<{ rows: Found[] }>(asked, (answer) => setRows(answer.rows), { afterMs: 120 })

  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const matching = places.filter((place) => words.every((word) => place.name.toLowerCase().includes(word)))
  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpenChange}
      label="Find machine, place, serial"
      shouldFilter={false}
      overlayClassName="fixed inset-0 z-40 bg-ink/40"
      contentClassName="fixed left-1/2 top-[8vh] z-50 w-[min(620px,94vw)] -translate-x-1/2 border border-deep bg-enamel text-ink"
    >
      <Command.Input
        value={text}
        onValueChange={setText}
        placeholder="Place, machine, maker or serial"
        className="w-full border-b border-hair bg-field px-4 py-3 text-[18px] outline-none"
      />
      <Command.List className="max-h-[60vh] overflow-auto p-1">
        <Command.Empty className="px-3 py-4 text-second">
          {failed
            ? 'No connection: find needs the network.'
            : 'Nothing has all these words. Try fewer, or part of the serial number.'}
        </Command.Empty>
        {rows.map((row) => (
          <Command.Item
            key={row.id}
            value={row.id}
            onSelect={() => location.assign(`/machines/${row.id}`)}
            className={item}
          >
            <span className="font-semibold">{row.name}</span>
            <span className="text-second">
              {row.siteName}, {row.area}
              {row.stage === 'retired' && ', retired'}
            </span>
            <span className="mono ml-auto text-[13px] text-second">
              {row.maker} {row.model} · {row.serial}
            </span>
          </Command.Item>
        ))}
        {matching.map((place) => (
          <Command.Item
            key={place.href}
            value={place.href}
            onSelect={() => location.assign(place.href)}
            className={item}
          >
            <span className="text-second">Go to</span>
            <span className="font-semibold">{place.name}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command.Dialog>
  )
}

const item = 'flex min-h-[44px] flex-wrap items-center gap-x-2 px-3 py-1 data-[selected=true]:bg-copper-tint'
