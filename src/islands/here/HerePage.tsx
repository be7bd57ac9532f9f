import { useEffect, useLayoutEffect, useState } from 'react'
import { createRoot } from 'react-dom/client'
import { dayAt } from '../../core/quantity/site-time.ts'
import { type AboutDevice, aboutDevice } from '../../device/about-device.ts'
import { ListsBar, NameMark, PlacesAbove, PlacesBelow } from '../../ui/Frame.tsx'
import { whenAtRest } from '../../ui/later.tsx'
import { island } from '../island.tsx'
import { ShellIsland } from '../shell/Shell.tsx'
import { takeAwayAsItStood } from './as-it-stood.ts'
import { inTheHead } from './in-the-head.ts'
import { NotHere } from './NotHere.tsx'
import { OnThisDevice } from './OnThisDevice.tsx'
import type { PageHere } from './page-here.ts'
import { pagesHere } from './pages-here.ts'

/** A page as it stands: being opened, drawn, or not on this device. */
type Standing = { of: AboutDevice | null; page: PageHere | null; isHere: boolean } | null

/** Where a device draws a page by itself: the frame of every page, and in it what this device has of this one. */
function HerePage() {
  const [standing, setStanding] = useState<Standing>(null)
  // What stands at the right of every page comes after the page.
  const [isAtRest, setIsAtRest] = useState(false)
  const known = pagesHere.find(({ path }) => path.test(location.pathname))
  useEffect(() => {
    void opening.then(setStanding)
  }, [])
  useLayoutEffect(() => {
    if (!standing) return
    takeAwayAsItStood()
    whenAtRest(() => setIsAtRest(true))
  }, [standing])
  if (!standing) return <p className="sr-only">Opening …</p>
  const { of, page } = standing
  const today = of ? dayAt(of.firm.timeZone, new Date(Date.now() + of.aheadMs)) : ''
  const isBare = known?.bare && page
  return (
    <>
      <div className={`flex min-h-screen flex-col ${isBare ? '' : 'pb-[60px] md:pb-0'}`}>
        {!isBare && (
          <header className="flex h-12 items-stretch border-b border-hair bg-enamel px-4 lg:px-6" data-noprint>
            <NameMark />
            {of && <PlacesAbove {...(known?.place && { at: known.place })} />}
            {of && isAtRest && (
              <div className="ml-auto flex items-center">
                <ShellIsland
                  initials={of.technician.initials}
                  name={of.technician.name}
                  firm={of.firm.name}
                  today={today}
                  theme={chosenTheme() ?? 'auto'}
                />
              </div>
            )}
          </header>
        )}
        {of && known?.section && <ListsBar section={known.section} />}
        {!isBare && <OnThisDevice />}
        <main id="main" className="flex min-w-0 flex-1 flex-col">
          {page ? page.view : <NotHere isKnown={known !== undefined} isPacked={of !== null} />}
        </main>
      </div>
      {of && !isBare && <PlacesBelow {...(known?.place && { at: known.place })} />}
    </>
  )
}

/** Opens what the address names; the head of the page says then whose figures and which clock it goes by. */
async function opened(): Promise<NonNullable<Standing>> {
  const theme = chosenTheme()
  if (theme) document.documentElement.dataset.theme = theme
  const of = await aboutDevice()
  if (!of) return { of, page: null, isHere: false }
  inTheHead.firm(of)
  const found = pagesHere.map((page) => ({ page, match: page.path.exec(location.pathname) })).find(({ match }) => match)
  if (!found) return { of, page: null, isHere: false }
  try {
    const page = await found.page.open({
      url: new URL(location.href),
      id: found.match![1] ?? '',
      about: of,
      now: new Date(Date.now() + of.aheadMs),
      ask,
    })
    inTheHead.page(page)
    return { of, page, isHere: true }
  } catch (error) {
    console.info('Not on this device', error)
    return { of, page: null, isHere: false }
  }
}

async function ask<T>(address: string, isPage = false): Promise<T> {
  const response = await fetch(address, isPage ? { headers: { accept: 'application/json' } } : {})
  if (!response.ok) throw new Error(`${address} ${response.status}`)
  return response.json()
}

const chosenTheme = (): 'light' | 'dark' | null => {
  const chosen = /(?:^|; )evenshot_theme=(light|dark)/.exec(document.cookie)?.[1]
  return chosen === 'light' || chosen === 'dark' ? chosen : null
}

// While the frame is still being drawn the device is asked already.
const opening = opened()
const Here = island(HerePage)

/** Draws this page from what the device has of it. */
export const drawHere = (): void => createRoot(document.getElementById('here')!).render(<Here />)
