import { counted, dayNear, figure } from '../../ui/format.ts'
import { hoursWords } from '../../ui/hours.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { urgencyOf, urgencyText } from '../../ui/urgency.ts'
import type { RoundSites, SiteDue } from '../../views/round-sites.ts'

const groups: { id: SiteDue['group']; title: string; why: string }[] = [
  {
    id: 'danger',
    title: 'First: danger and hygiene',
    why: 'What guards against pressure, current or dirty water, and what milk passes, waits to be seen.',
  },
  { id: 'stands', title: 'Then: where a machine stands', why: 'Switched off, or a fault that nobody has put right.' },
  { id: 'rest', title: 'The rest', why: 'By what is due first.' },
]

const horizonWords = [
  ['fortnight', 'a fortnight'],
  ['month', 'a month'],
  ['quarter', 'a quarter'],
  ['year', 'a year'],
] as const

/** Where to go first: sites by what matters, with how long the work takes there. */
export function SiteRound({ page, firm, today }: { page: RoundSites; firm: string; today: string }) {
  const { sites, horizon, waiting } = page
  const minutes = sites.reduce((sum, site) => sum + site.minutes, 0)
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name="Coming due, by site"
        under={firm}
        facts={[
          { label: 'Sites', value: figure(sites.length) },
          { label: 'Tasks', value: figure(sites.reduce((sum, { lines }) => sum + lines, 0)) },
          { label: 'Work', value: hoursWords(minutes), source: 'without the way there' },
        ]}
        action={
          <a className="plain inline-flex items-center whitespace-nowrap" href={`/round?horizon=${horizon}`}>
            By date
          </a>
        }
      />
      <div className="flex-1 bg-enamel px-4 pt-2 pb-10 lg:px-6">
        <nav className="flex flex-wrap items-center gap-x-4 text-[15px]" aria-label="How far ahead">
          <span className="text-second">Due within</span>
          {horizonWords.map(([id, words]) => (
            <a
              key={id}
              href={`/round/sites?horizon=${id}`}
              aria-current={id === horizon ? 'page' : undefined}
              className={`inline-flex min-h-[44px] items-center ${id === horizon ? 'font-semibold' : 'word'}`}
            >
              {words}
            </a>
          ))}
        </nav>
        {waiting > 0 && (
          <p role="status" className="m-0 border-l-4 border-brass pl-3">
            {counted(waiting, 'machine or softener', 'machines and softeners')} still being reckoned: what is due of
            them comes by itself.
          </p>
        )}
        {sites.length === 0 && waiting === 0 && <p className="text-second">Nothing is due in this time.</p>}
        {groups.map(({ id, title, why }) => {
          const here = sites.filter(({ group }) => group === id)
          return (
            here.length > 0 && (
              <section key={id} className="pt-4" aria-labelledby={`group-${id}`}>
                <h2 id={`group-${id}`} className="head m-0">
                  {title}
                </h2>
                <p className="m-0 text-[14px] text-second">
                  {why} {counted(here.length, 'site')}, {hoursWords(here.reduce((sum, site) => sum + site.minutes, 0))}{' '}
                  of work.
                </p>
                <ul className="m-0 mt-1 list-none p-0">
                  {here.map((site) => (
                    <SiteLine key={site.siteId} site={site} today={today} horizon={horizon} />
                  ))}
                </ul>
              </section>
            )
          )
        })}
      </div>
    </div>
  )
}

function SiteLine({ site, today, horizon }: { site: SiteDue; today: string; horizon: string }) {
  const due = { p10: site.firstDue, p50: site.firstDue, p90: site.firstDue }
  return (
    <li className="border-t border-hair">
      <a
        href={`/round?${new URLSearchParams({ siteId: site.siteId, horizon })}`}
        className="grid min-h-[52px] grid-cols-[1fr_auto] items-center gap-x-4 py-1.5 hover:bg-copper-tint md:grid-cols-[1.4fr_2fr_110px_150px]"
      >
        <span className="min-w-0">
          <b className="font-semibold">{site.name}</b>
          <span className="block text-[13px] text-second">
            {[site.area, site.technician.split(' ')[0]].filter(Boolean).join(', ')}
          </span>
        </span>
        <span className="narrow min-w-0 text-[14px] max-md:order-3 max-md:col-span-2">
          {counted(site.lines, 'task')} on {counted(site.machines, 'machine')}
          {site.overdue > 0 && <b className="text-seal-ink">, {figure(site.overdue)} overdue</b>}
          <span className="block text-[13px] text-second">{reasons(site)}</span>
        </span>
        <span className="mono text-right text-[14px]">{hoursWords(site.minutes)}</span>
        <span
          className={`mono text-right text-[13px] max-md:order-4 max-md:col-span-2 max-md:text-left ${urgencyText[urgencyOf(due, today)]}`}
        >
          first {dayNear(site.firstDue, today)}
        </span>
      </a>
    </li>
  )
}

const reasons = ({ danger, hygiene, stand }: SiteDue) =>
  [
    danger && 'safety devices or wiring to be seen',
    hygiene && 'milk',
    stand > 0 && `${counted(stand, 'machine')} standing`,
  ]
    .filter(Boolean)
    .join(', ')
