import { useEffect, useRef, useState } from 'react'
import { dayFull } from '../../ui/format.ts'
import { Key } from '../../ui/Key.tsx'
import { later } from '../../ui/later.tsx'
import { meansItself, typing } from '../../ui/typing.ts'
import { island } from '../island.tsx'
import { PersonButton } from './PersonButton.tsx'

interface Props {
  initials: string
  name: string
  firm: string
  today: string
  theme: 'light' | 'dark' | 'auto'
}

const parts = () => import('./shell-parts.ts')
const DeviceMark = later(() => parts().then((part) => part.DeviceMark))
const FindBox = later(() => parts().then((part) => part.FindBox))
const HelpSheet = later(() => parts().then((part) => part.HelpSheet))
const PersonMenu = later(() => parts().then((part) => part.PersonMenu), PersonButton)

const goes: Record<string, string> = { r: '/round', m: '/machines', w: '/water', p: '/procedures' }

/** Where a call is taken, from anywhere. */
const callPage = '/round/call'

/** From a machine the call is about it. */
function callAbout(): string {
  const machineId = /^\/machines\/([0-9a-f-]{36})/.exec(location.pathname)?.[1]
  return machineId ? `${callPage}?machine=${machineId}` : callPage
}

/** What every page has at its right: the day, a call, find, the technician's menu; and the keys that go places. */
function Shell({ initials, name, firm, today, theme }: Props) {
  const [finding, setFinding] = useState(false)
  const [listing, setListing] = useState(false)
  const [menu, setMenu] = useState(false)
  // Nobody pressed g yet: a page just opened is not one that waits for where to go.
  const going = useRef(Number.NEGATIVE_INFINITY)

  // A row of lists wider than a phone shows the one somebody is in.
  useEffect(() => {
    document
      .querySelector('nav[aria-label="Lists"] [aria-current]')
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [])

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault()
        setFinding(true)
        return
      }
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
      if (performance.now() - going.current < 1200 && goes[event.key]) {
        location.assign(goes[event.key]!)
        return
      }
      if (event.key === 'c' && !meansItself(event) && location.pathname !== callPage) location.assign(callAbout())
      if (event.key === 'g') going.current = performance.now()
      const opens = { '?': setListing, '/': setFinding }[event.key]
      if (!opens) return
      // Or it would be the first thing typed into what opens.
      event.preventDefault()
      opens(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  return (
    <div className="flex items-center gap-1.5 md:gap-3">
      <DeviceMark />
      <span className="hidden text-[14px] text-second whitespace-nowrap lg:inline">{dayFull(today)}</span>
      <a
        href={callPage}
        onClick={(event) => {
          if (event.ctrlKey || event.metaKey || event.shiftKey) return
          event.preventDefault()
          location.assign(callAbout())
        }}
        className="flex h-9 items-center gap-2 rounded-sm border border-hair bg-field px-2.5 text-[14px] text-second no-underline max-md:h-11 max-md:w-11 max-md:justify-center"
      >
        <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden="true">
          <path
            d="M3.2 1.8l2.4-.6 1.2 3-1.5 1.3c.8 1.9 2.2 3.5 4.2 4.6l1.4-1.4 2.9 1.4-.8 2.4c-.2.7-.9 1.1-1.6 1C6.7 12.8 2.9 8.5 2.3 3.3c-.1-.7.2-1.3.9-1.5z"
            fill="none"
            stroke="currentColor"
            strokeWidth={1.4}
          />
        </svg>
        <span className="max-md:sr-only">A call</span>
        <span className="hidden lg:inline">
          <Key>c</Key>
        </span>
      </a>
      <button
        type="button"
        onClick={() => setFinding(true)}
        className="flex h-9 items-center gap-2 rounded-sm border border-hair bg-field px-2.5 text-[14px] text-second max-md:h-11 lg:w-[260px]"
      >
        <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden="true">
          <circle cx={7} cy={7} r={5} fill="none" stroke="currentColor" strokeWidth={1.5} />
          <path d="M11 11l4 4" stroke="currentColor" strokeWidth={1.5} />
        </svg>
        <span className="truncate max-lg:sr-only">Find machine, place, task</span>
        <span className="ml-auto hidden whitespace-nowrap lg:inline">
          <Key>Ctrl K</Key>
        </span>
      </button>
      {menu ? (
        <PersonMenu initials={initials} name={name} firm={firm} theme={theme} onKeys={() => setListing(true)} />
      ) : (
        <PersonButton initials={initials} name={name} onClick={() => setMenu(true)} />
      )}
      {finding && <FindBox open onOpenChange={setFinding} />}
      {listing && <HelpSheet open onOpenChange={setListing} />}
    </div>
  )
}

export const ShellIsland = island(Shell)
