import { useState } from 'react'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { busyMonths } from '../../core/quantity/month-words.ts'
import { effective, ofKind } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { stageName } from '../../core/standing/stages.ts'
import { dayLong, dayNear, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { Act, Part } from '../../ui/Part.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { treatmentNames } from '../../ui/treatment-words.ts'
import type { SitePage, SiteSoftener } from '../../views/site-page.ts'
import { fromPage } from '../from-page.tsx'
import { MachineLine } from '../machine/MachineLine.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { VisitLine } from '../visits/VisitLine.tsx'
import { ClosureStrip } from './ClosureStrip.tsx'

const MachineForm = later(() => import('./MachineForm.tsx').then((module) => module.MachineForm))
const SoftenerSheet = later(() => import('./SoftenerSheet.tsx').then((module) => module.SoftenerSheet))
const sheets = () => import('./SiteSheets.tsx')
const EditSiteSheet = later(() => sheets().then((module) => module.EditSiteSheet))
const ClosureSheet = later(() => sheets().then((module) => module.ClosureSheet))
const OpeningSheet = later(() => sheets().then((module) => module.OpeningSheet))
const MonthsSheet = later(() => sheets().then((module) => module.MonthsSheet))
const SoftenerForm = later(() => import('./SoftenerForm.tsx').then((module) => module.SoftenerForm))

interface Props {
  page: SitePage
  /** Its water tests in words, by entry. */
  said: Record<string, string>
  today: string
  kinds: { id: string; name: string }[]
  /** Opened to add a machine. */
  adding: boolean
}

type Open = 'site' | 'machine' | 'softener' | 'closure' | 'opening' | 'months' | null
const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const reload = () => location.reload()

/** One site: what stands there, when it is open, what comes out of the tap, who was there last. */
function SiteView({ page, said, today, kinds, adding }: Props) {
  const [open, setOpen] = useState<Open>(adding ? 'machine' : null)
  const [softener, setSoftener] = useState<SiteSoftener | null>(null)
  const { site, customer, supply, technician, machines, softeners } = page
  const histories = effective({ site: page.ledger })
  const { opening, weekdaysFrom } = siteOpening(histories)
  const closures = effectiveHistory(page.ledger)
    .entries.flatMap((entry) =>
      entry.kind === 'setting' && entry.body.setting === 'closure' ? [{ id: entry.id, ...entry.body }] : [],
    )
    .sort((a, b) => (a.from < b.from ? -1 : 1))
  const coming = closures.filter(({ to }) => to >= today)
  const tests = [...ofKind(histories, 'site', 'water-test'), ...ofKind(histories, 'site', 'water-figures')]
    .sort((a, b) => (a.happenedOn < b.happenedOn ? -1 : a.happenedOn > b.happenedOn ? 1 : 0))
    .slice(-5)
    .reverse()
  const close = () => setOpen(null)
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={site.name}
        under={[customer.name, site.area].filter(Boolean).join(', ')}
        facts={[
          { label: 'Machines', value: machines.filter(({ stage }) => stage !== 'retired').length },
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
        <div className="min-w-0 px-4 py-3 lg:px-6">
          <Part title="Machines">
            {machines.length === 0 ? (
              <p className="m-0 text-second">
                Nothing stands here yet. <Act onClick={() => setOpen('machine')}>Add the first machine</Act>: its kind,
                and what its counter shows.
              </p>
            ) : (
              <ul className="m-0 list-none p-0">
                {machines.map((row) => (
                  <MachineLine key={row.id} row={row} today={today} kinds={kinds} withPlace={false} />
                ))}
              </ul>
            )}
          </Part>
          <Part title="Water treatment" action={<Act onClick={() => setOpen('softener')}>Add</Act>}>
            {softeners.length === 0 ? (
              <p className="m-0 text-second">None. A machine is put behind one on its own page.</p>
            ) : (
              <ul className="m-0 list-none p-0">
                {softeners.map((softener) => (
                  <li
                    key={softener.id}
                    className="flex min-h-[36px] flex-wrap items-center gap-x-4 border-t border-hair"
                  >
                    <a href={`/softeners/${softener.id}`} className="font-semibold hover:underline">
                      {softener.name}
                    </a>
                    <span className="text-[14px] text-second">
                      {softener.treatment ? treatmentNames[softener.treatment] : 'not taken on yet'}
                      {softener.resinL && `, ${figure(softener.resinL)} L of resin`}
                      {softener.capacityG && `, ${figure(softener.capacityG)} g`}
                      {softener.treatment !== 'carbon' && softener.prefilter && ', carbon before it'}
                      {softener.stage !== 'working' && `, ${stageName[softener.stage]}`}
                    </span>
                    <button
                      type="button"
                      className="ml-auto min-h-[44px] font-semibold text-copper"
                      aria-label={`Edit ${softener.name}`}
                      onClick={() => setSoftener(softener)}
                    >
                      Edit
                    </button>
                  </li>
                ))}
              </ul>
            )}
          </Part>
          <Part title="Left open">
            {page.remarks.length === 0 ? (
              <p className="m-0 text-second">Nothing is left open here.</p>
            ) : (
              <ul className="m-0 list-none p-0">
                {page.remarks.map((remark) => (
                  <li key={remark.id} className="flex min-h-[44px] flex-wrap items-center gap-x-4 border-t border-hair">
                    <span className="min-w-0 flex-1">
                      {remark.text}{' '}
                      <span className="text-[14px] text-second">
                        {remark.about.name}, {dayNear(remark.on, today)}
                      </span>
                    </span>
                    <CloseRemark remark={remark} today={today} />
                  </li>
                ))}
              </ul>
            )}
          </Part>
          <Part
            title="Visits"
            action={
              <a className="word" href={`/visits?siteId=${site.id}`}>
                All visits here
              </a>
            }
          >
            {page.visits.length === 0 ? (
              <p className="m-0 text-second">
                No visit is in the ledger yet. A new entry at one of the machines is one.
              </p>
            ) : (
              <ul className="m-0 list-none p-0">
                {page.visits.map((visit) => (
                  <VisitLine key={visit.visitId} visit={visit} today={today} withSite={false} />
                ))}
              </ul>
            )}
          </Part>
        </div>
        <aside className="min-w-0 border-hair px-4 py-3 max-lg:border-t lg:border-l lg:px-5">
          <Part title="Open" action={<Act onClick={() => setOpen('opening')}>Change</Act>}>
            <p className="m-0">
              {opening.openWeekdays.map((day) => dayNames[day - 1]).join(', ')}
              {weekdaysFrom === 'catalogue' && (
                <span className="text-[14px] text-second">, as most are: from memory until set</span>
              )}
            </p>
            <ClosureStrip
              today={today}
              openWeekdays={opening.openWeekdays}
              closures={closures}
              months={opening.months}
            />
            <p className="m-0 text-[14px]">
              {opening.months
                ? `Busy months: ${busyMonths(opening.months)}. `
                : page.monthsSeen?.months.some((share) => Math.abs(share - 1) > 0.1)
                  ? `Months count alike; its counters run from ×${Math.min(...page.monthsSeen.months)} to ×${Math.max(...page.monthsSeen.months)} over the year. `
                  : 'All months count alike. '}
              <button
                type="button"
                className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
                onClick={() => setOpen('months')}
              >
                Busy months
              </button>
            </p>
          </Part>
          <Part title="Closed" action={<Act onClick={() => setOpen('closure')}>Add a closure</Act>}>
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
              <a
                className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
                href={`/water?site=${site.id}`}
              >
                Test it on the water bench
              </a>
              <a
                className="word inline-flex min-h-[32px] items-center max-md:min-h-[44px]"
                href={`/sites/${site.id}/water`}
              >
                A year of its water
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
          <Part title="Place">
            {site.address && <p className="m-0">{site.address}</p>}
            <p className="m-0">{site.accessNote || <span className="text-second">No note on access.</span>}</p>
            {site.latitude !== undefined && (
              <p className="mono m-0 text-[13px] text-second">
                {site.latitude}° {site.longitude}°
              </p>
            )}
            <p className="m-0 text-[14px]">
              <a className="word" href={`/customers/${customer.id}`}>
                {customer.name}
              </a>
            </p>
          </Part>
        </aside>
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
          <SoftenerForm siteId={site.id} today={today} onSaved={reload} onCancel={close} />
        </Sheet>
      )}
      {softener && (
        <SoftenerSheet softener={softener} today={today} onSaved={reload} onCancel={() => setSoftener(null)} />
      )}
      {open === 'closure' && <ClosureSheet siteId={site.id} today={today} onClose={close} />}
      {open === 'opening' && (
        <OpeningSheet siteId={site.id} openWeekdays={opening.openWeekdays} today={today} onClose={close} />
      )}
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

/** Takes an entry back by another entry: both stay in the ledger. */
function Withdraw({ entryId, siteId, today }: { entryId: string; siteId: string; today: string }) {
  const [wrong, setWrong] = useState('')
  const withdraw = async () => {
    const told = await writeFrom([makeEntry('site', siteId, 'withdrawn', {}, today, { supersedes: entryId })])
    if (told.ok) reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <>
      {wrong && <b role="alert">{wrong}</b>}
      <Act onClick={withdraw}>Take back</Act>
    </>
  )
}

function CloseRemark({ remark, today }: { remark: SitePage['remarks'][number]; today: string }) {
  const [wrong, setWrong] = useState('')
  const closeIt = async () => {
    const { kind, id } = remark.about
    const told = await writeFrom([makeEntry(kind, id, 'remark-closed', { remark: remark.id }, today)])
    if (told.ok) reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <>
      {wrong && <b role="alert">{wrong}</b>}
      <Act onClick={closeIt}>Done</Act>
    </>
  )
}

export const SiteIsland = fromPage(SiteView)
