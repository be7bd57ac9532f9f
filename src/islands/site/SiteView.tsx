import { useState } from 'react'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { effective, nearestSetting, ofKind } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { dayLong } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { SitePage, SiteSoftener } from '../../views/site-page.ts'
import { fromPage } from '../from-page.tsx'
import { AboutTheSite } from './AboutTheSite.tsx'
import { WhatStandsHere } from './WhatStandsHere.tsx'

const parts = () => import('./site-parts.ts')
const MachineForm = later(() => parts().then((part) => part.MachineForm))
const SoftenerSheet = later(() => parts().then((part) => part.SoftenerSheet))
const EditSiteSheet = later(() => parts().then((part) => part.EditSiteSheet))
const ClosureSheet = later(() => parts().then((part) => part.ClosureSheet))
const OpeningSheet = later(() => parts().then((part) => part.OpeningSheet))
const MonthsSheet = later(() => parts().then((part) => part.MonthsSheet))
const VisitHoursSheet = later(() => parts().then((part) => part.VisitHoursSheet))
const ContractSheet = later(() => parts().then((part) => part.ContractSheet))
const PlaceSheet = later(() => parts().then((part) => part.PlaceSheet))
const SoftenerForm = later(() => parts().then((part) => part.SoftenerForm))

interface Props {
  page: SitePage
  /** Its water tests in words, by entry. */
  said: Record<string, string>
  today: string
  kinds: { id: string; name: string }[]
  /** Opened to add a machine. */
  adding: boolean
}

type Open = 'site' | 'machine' | 'softener' | 'closure' | 'opening' | 'months' | 'hours' | 'contract' | 'place' | null
const reload = () => location.reload()

/** One site: what stands there, when it is open, what comes out of the tap, who was there last. */
function SiteView({ page, said, today, kinds, adding }: Props) {
  const [open, setOpen] = useState<Open>(adding ? 'machine' : null)
  const [softener, setSoftener] = useState<SiteSoftener | null>(null)
  const { site, customer, supply, technician, machines, softeners } = page
  const histories = effective({ site: page.ledger })
  const siteOpen = siteOpening(histories)
  const { opening } = siteOpen
  const visiting = nearestSetting(histories, 'visit-hours')?.body ?? null
  const contract = nearestSetting(histories, 'contract')?.body ?? null
  const closures = effectiveHistory(page.ledger)
    .entries.flatMap((entry) =>
      entry.kind === 'setting' && entry.body.setting === 'closure' ? [{ id: entry.id, ...entry.body }] : [],
    )
    .sort((a, b) => (a.from < b.from ? -1 : 1))
  const tests = [...ofKind(histories, 'site', 'water-test'), ...ofKind(histories, 'site', 'water-figures')]
    .sort((a, b) => (a.happenedOn < b.happenedOn ? -1 : a.happenedOn > b.happenedOn ? 1 : 0))
    .slice(-5)
    .reverse()
  const inService = machines.filter(({ stage }) => stage !== 'retired')
  const close = () => setOpen(null)
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={site.name}
        under={[customer.name, site.area].filter(Boolean).join(', ')}
        facts={[
          { label: 'Machines', value: inService.length },
          { label: 'Who goes there', value: technician.name },
          { label: 'Water zone', value: supply?.name ?? 'not known' },
          { label: 'Time zone', value: site.timeZone },
          ...(site.altitudeM === undefined ? [] : [{ label: 'Altitude', value: site.altitudeM, source: 'm' }]),
        ]}
        action={
          <>
            <button type="button" className="plain" onClick={() => setOpen('site')}>
              Edit
            </button>
            <button type="button" className="act whitespace-nowrap" onClick={() => setOpen('machine')}>
              Add a machine
            </button>
          </>
        }
      />
      {site.retiredOn && (
        <p role="status" className="m-0 border-b border-hair bg-copper-tint px-6 py-2">
          Out of service since {dayLong(site.retiredOn)}: its history stays.
        </p>
      )}
      <div className="grid flex-1 bg-enamel lg:grid-cols-[1fr_420px]">
        <WhatStandsHere page={page} today={today} kinds={kinds} onOpen={setOpen} onSoftener={setSoftener} />
        <AboutTheSite
          page={page}
          said={said}
          today={today}
          opening={siteOpen}
          visiting={visiting}
          contract={contract}
          closures={closures}
          tests={tests}
          onOpen={setOpen}
        />
      </div>
      {open === 'site' && <EditSiteSheet page={page} onClose={close} />}
      {open === 'machine' && (
        <Sheet
          open
          onOpenChange={close}
          title="Add a machine"
          about={`It stands at ${site.name} from the day it is taken on.`}
        >
          <MachineForm
            site={site}
            softeners={softeners}
            today={today}
            asksWater={tests.length === 0 && !supply}
            onSaved={(id) => location.assign(`/machines/${id}`)}
            onCancel={close}
          />
        </Sheet>
      )}
      {open === 'softener' && (
        <Sheet
          open
          onOpenChange={close}
          title="Add a softener"
          about="Its litres are counted from the machines behind it."
        >
          <SoftenerForm siteId={site.id} machines={inService} today={today} onSaved={reload} onCancel={close} />
        </Sheet>
      )}
      {softener && (
        <SoftenerSheet
          softener={softener}
          machines={inService}
          today={today}
          onSaved={reload}
          onCancel={() => setSoftener(null)}
        />
      )}
      {open === 'closure' && <ClosureSheet siteId={site.id} today={today} onClose={close} />}
      {open === 'opening' && (
        <OpeningSheet siteId={site.id} openWeekdays={opening.openWeekdays} today={today} onClose={close} />
      )}
      {open === 'hours' && <VisitHoursSheet siteId={site.id} now={visiting} today={today} onClose={close} />}
      {open === 'contract' && <ContractSheet siteId={site.id} now={contract} today={today} onClose={close} />}
      {open === 'place' && <PlaceSheet page={page} onClose={close} />}
      {open === 'months' && (
        <MonthsSheet
          siteId={site.id}
          months={opening.months ?? Array<number>(12).fill(1)}
          seen={page.monthsSeen}
          today={today}
          onClose={close}
        />
      )}
    </div>
  )
}

export const SiteIsland = fromPage(SiteView)
