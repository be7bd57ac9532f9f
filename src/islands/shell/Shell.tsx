import { DropdownMenu } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import { dayFull } from '../../ui/format.ts'
import { Key } from '../../ui/Key.tsx'
import { typing } from '../../ui/typing.ts'
import { FindBox } from './FindBox.tsx'
import { ShortcutList } from './ShortcutList.tsx'

interface Props {
  initials: string
  name: string
  firm: string
  today: string
  theme: 'light' | 'dark' | 'auto'
}

const goes: Record<string, string> = { r: '/round', m: '/machines' }

/** What every page has at its right: the day, find, the technician's menu; and the keys that go places. */
export function Shell({ initials, name, firm, today, theme }: Props) {
  const [finding, setFinding] = useState(false)
  const [listing, setListing] = useState(false)
  const going = useRef(0)

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
      if (event.key === 'g') going.current = performance.now()
      if (event.key === '?') setListing(true)
      if (event.key === '/') {
        event.preventDefault()
        setFinding(true)
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  return (
    <div className="flex items-center gap-3">
      <span className="hidden text-[14px] text-second whitespace-nowrap lg:inline">{dayFull(today)}</span>
      <button
        type="button"
        onClick={() => setFinding(true)}
        className="flex h-9 items-center gap-2 rounded-sm border border-hair bg-field px-2.5 text-[14px] text-second max-md:h-11 lg:w-[300px]"
      >
        <svg width={16} height={16} viewBox="0 0 16 16" aria-hidden="true">
          <circle cx={7} cy={7} r={5} fill="none" stroke="currentColor" strokeWidth={1.5} />
          <path d="M11 11l4 4" stroke="currentColor" strokeWidth={1.5} />
        </svg>
        <span className="max-lg:sr-only">Find machine, place, serial</span>
        <span className="ml-auto hidden lg:inline">
          <Key>Ctrl K</Key>
        </span>
      </button>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          className="mono h-9 w-9 rounded-sm border-[1.5px] border-deep text-[13px] font-semibold text-deep max-md:h-11 max-md:w-11"
          aria-label={`${name}: menu`}
        >
          {initials}
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-50 min-w-[230px] border border-deep bg-enamel p-1 text-[15px] text-ink"
          >
            <div className="px-3 py-2">
              <div className="font-semibold">{name}</div>
              <div className="text-[13px] text-second">{firm}</div>
            </div>
            <DropdownMenu.RadioGroup value={theme} onValueChange={chooseTheme}>
              {[
                ['auto', 'Light or dark as the device'],
                ['light', 'Light'],
                ['dark', 'Dark, for back rooms'],
              ].map(([value, words]) => (
                <DropdownMenu.RadioItem key={value} value={value!} className={item}>
                  <span className="w-4">
                    <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
                  </span>
                  {words}
                </DropdownMenu.RadioItem>
              ))}
            </DropdownMenu.RadioGroup>
            <DropdownMenu.Separator className="my-1 h-px bg-hair" />
            <DropdownMenu.Item className={item} onSelect={() => setListing(true)}>
              <span className="w-4" />
              Keys
              <span className="ml-auto">
                <Key>?</Key>
              </span>
            </DropdownMenu.Item>
            {(
              [
                ['/firm', 'The firm and its people'],
                ['/data', 'Data in and out'],
                ['/readings', 'Readings from a spreadsheet'],
              ] as const
            ).map(([href, words]) => (
              <DropdownMenu.Item key={href} className={item} onSelect={() => location.assign(href)}>
                <span className="w-4" />
                {words}
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Item className={item} onSelect={leave}>
              <span className="w-4" />
              Sign out
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <FindBox open={finding} onOpenChange={setFinding} />
      <ShortcutList open={listing} onOpenChange={setListing} />
    </div>
  )
}

const item = 'flex min-h-[44px] items-center gap-2 px-3 outline-none data-[highlighted]:bg-copper-tint cursor-default'

function chooseTheme(theme: string) {
  // biome-ignore lint/suspicious/noDocumentCookie: one small preference the server reads when it draws the page
  document.cookie = `evenshot_theme=${theme}; path=/; max-age=31536000; samesite=lax`
  if (theme === 'auto') delete document.documentElement.dataset.theme
  else document.documentElement.dataset.theme = theme
}

async function leave() {
  await fetch('/api/sign-out', { method: 'POST' })
  location.assign('/sign-in')
}
