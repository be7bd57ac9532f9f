import { useState } from 'react'
import { geoLink } from '../../core/files/place-link.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { busyMonths } from '../../core/quantity/month-words.ts'
import type { SiteOpening } from '../../core/standing/site-opening.ts'
import { hoursSaid } from '../../core/typed/read-hours.ts'
import { dayNear } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { Act, Part } from '../../ui/Part.tsx'
import type { SitePage } from '../../views/site-page.ts'
import { CallLink, MailLink } from '../records/contact-links.tsx'
import { ClosureStrip } from './ClosureStrip.tsx'

const KeepHere = later(() => import('./site-parts.ts').then((part) => part.KeepHere))

/** Days on which it is closed, with the entry that said so. */
export interface Closure {
  id: string
  from: string
  to: string
  name?: string | undefined
}

interface Props {
  page: SitePage
  /** Its water tests in words, by entry. */
  said: Record<string, string>
  today: string
  opening: SiteOpening
  closures: Closure[]
  /** The last few, the newest first. */
  tests: Entry[]
  visiting: Setting<'visit-hours'> | null
  contract: Setting<'contract'> | null
  onOpen: (sheet: 'opening' | 'months' | 'closure' | 'hours' | 'contract' | 'place') => void
}

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** When it is open, what comes out of the tap, how one gets in. */
export function AboutTheSite({
  page,
  said,
  today,
  opening: { opening, weekdaysFrom },
  visiting,
  contract,
  closures,
  tests,
  onOpen,
}: Props) {
  const { site, customer, supply } = page
  const coming = closures.filter(({ to }) => to >= today)
  return (
    <aside className="min-w-0 border-hair px-4 py-3 max-lg:border-t lg:border-l lg:px-5">
      <Part title="Open" action={<Act onClick={() => onOpen('opening')}>Change</Act>}>
        <p className="m-0">
          {opening.openWeekdays.map((day) => dayNames[day - 1]).join(', ')}
          {weekdaysFrom === 'catalogue' && (
            <span className="text-[14px] text-second">, as most are: from memory until set</span>
          )}
        </p>
        <ClosureStrip today={today} openWeekdays={opening.openWeekdays} closures={closures} months={opening.months} />
        <p className="m-0 text-[14px]">
          {opening.months
            ? `Busy months: ${busyMonths(opening.months)}. `
            : page.monthsSeen?.months.some((share) => Math.abs(share - 1) > 0.1)
              ? `Months count alike; its counters run from ×${Math.min(...page.monthsSeen.months)} to ×${Math.max(...page.monthsSeen.months)} over the year. `
              : 'All months count alike. '}
          <button
            type="button"
            className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
            onClick={() => onOpen('months')}
          >
            Busy months
          </button>
        </p>
      </Part>
      <Part title="Closed" action={<Act onClick={() => onOpen('closure')}>Add a closure</Act>}>
        {coming.length === 0 && <p className="m-0 text-second">No closure ahead.</p>}
        <ul className="m-0 list-none p-0">
          {coming.map((closure) => (
            <li key={closure.id} className="flex min-h-[44px] items-center gap-3 border-t border-hair">
              <span className="min-w-0 flex-1">
                {closure.name || 'closed'}{' '}
                <span className="mono text-[13px] text-second">
                  {dayNear(closure.from, today)} to {dayNear(closure.to, today)}
                </span>
              </span>
              <Withdraw entryId={closure.id} siteId={site.id} today={today} />
            </li>
          ))}
        </ul>
      </Part>
      <Part title="When we may come" action={<Act onClick={() => onOpen('hours')}>Change</Act>}>
        {visiting ? (
          <p className="m-0">
            {visiting.weekdays.length === 7
              ? 'Any day it is open'
              : visiting.weekdays.map((day) => dayNames[day - 1]).join(', ')}
            , {visiting.hours.length === 0 ? 'any hour' : hoursSaid(visiting.hours)}
            {visiting.note && <span className="text-second">. {visiting.note}</span>}
          </p>
        ) : (
          <p className="m-0 text-second">Nobody said: any day it is open, any hour.</p>
        )}
      </Part>
      <Part title="Visits by contract" action={<Act onClick={() => onOpen('contract')}>Change</Act>}>
        {contract?.everyMonths === undefined ? (
          <p className="m-0 text-second">None: somebody comes when something is due.</p>
        ) : (
          <p className="m-0">
            Every {contract.everyMonths === 1 ? 'month' : `${contract.everyMonths} months`} from{' '}
            {dayNear(contract.firstOn!, today)}, {contract.within} days before or after
            {contract.note && <span className="text-second">. {contract.note}</span>}
          </p>
        )}
      </Part>
      <Part title="Water at the tap">
        {tests.length === 0 ? (
          <p className="m-0 text-second">Not tested here yet{supply ? `: ${supply.name} speaks for it` : ''}.</p>
        ) : (
          <ul className="m-0 list-none p-0">
            {tests.map((test) => (
              <li key={test.id} className="flex gap-3 border-t border-hair py-1 text-[14px]">
                <span className="min-w-0 flex-1">{(said[test.id] ?? '').replace(/^Water raw[,:] /, '')}</span>
                <span className="mono text-[13px] text-second">{dayNear(test.happenedOn, today)}</span>
              </li>
            ))}
          </ul>
        )}
        <p className="m-0 mt-1 flex flex-wrap gap-x-4 text-[14px]">
          <a className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]" href={`/water?site=${site.id}`}>
            Test it on the water bench
          </a>
          <a
            className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
            href={`/sites/${site.id}/water`}
          >
            A year of its water
          </a>
          <a
            className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
            href={`/sites/${site.id}/papers`}
          >
            Papers of the place
          </a>
        </p>
        {supply && (
          <p className="m-0 mt-1 text-[14px]">
            <a className="word" href={`/supplies/${supply.id}`}>
              {supply.name}
            </a>
          </p>
        )}
      </Part>
      <Part
        title="Place"
        action={<Act onClick={() => onOpen('place')}>{site.latitude === undefined ? 'Say where' : 'Change'}</Act>}
      >
        {site.address && <p className="m-0">{site.address}</p>}
        <p className="m-0">{site.accessNote || <span className="text-second">No note on access.</span>}</p>
        {site.latitude !== undefined && (
          <p className="m-0 text-[14px]">
            <a
              className="word mono inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
              href={geoLink({ latitude: site.latitude, longitude: site.longitude! })}
            >
              {site.latitude}° {site.longitude}°
            </a>
          </p>
        )}
        <p className="m-0 text-[14px]">
          <a className="word" href={`/customers/${customer.id}`}>
            {customer.name}
          </a>
          {customer.contact && `, ${customer.contact}`}
        </p>
        <p className="m-0 flex flex-wrap gap-x-4 text-[14px]">
          {customer.phone && <CallLink phone={customer.phone} />}
          {customer.email && <MailLink email={customer.email} />}
        </p>
        <KeepHere siteId={site.id} />
      </Part>
    </aside>
  )
}

/** Takes an entry back by another entry: both stay in the ledger. */
function Withdraw({ entryId, siteId, today }: { entryId: string; siteId: string; today: string }) {
  const [wrong, setWrong] = useState('')
  const withdraw = async () => {
    const { makeEntry, writeFrom } = await import('../make-entry.ts')
    const told = await writeFrom([makeEntry('site', siteId, 'withdrawn', {}, today, { supersedes: entryId })])
    if (told.ok) location.reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <>
      {wrong && <b role="alert">{wrong}</b>}
      <Act onClick={withdraw}>Take back</Act>
    </>
  )
}
