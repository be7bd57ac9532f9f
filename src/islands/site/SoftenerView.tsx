import { useState } from 'react'
import { atChance } from '../../core/quantity/spread.ts'
import type { Line } from '../../core/quantity/working.ts'
import type { TreatmentKind } from '../../core/softener/treatment-kind.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { DueBell, DueDefs } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { counted, dayLong, dayNear, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { quantity, quantityWords } from '../../ui/quantity.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { type Fact, TitleBlock } from '../../ui/TitleBlock.tsx'
import { urgencyOf, urgencyText } from '../../ui/urgency.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import type { Renewal, SoftenerPage } from '../../views/softener-page.ts'
import { fromPage } from '../from-page.tsx'
import { softenerLevels } from '../setting/levels.ts'
import { dueSentence, governs } from '../standing-words.ts'
import { useFetched } from '../use-fetched.ts'
import type { StandsHere } from './behind-it.ts'
import { CapacityScale } from './CapacityScale.tsx'
import { ChlorineTests } from './ChlorineTests.tsx'
import { ComesOut } from './ComesOut.tsx'
import { MeterOverCounts } from './MeterOverCounts.tsx'
import { OutletTests } from './OutletTests.tsx'
import { PassageTests } from './PassageTests.tsx'
import { RenewedSheet } from './RenewedSheet.tsx'

const AdjustSheet = later(() => import('../setting/AdjustSheet.tsx').then((module) => module.AdjustSheet))
const MeasuredSheet = later(() => import('./MeasuredSheet.tsx').then((module) => module.MeasuredSheet))
const SoftenerSheet = later(() => import('./SoftenerSheet.tsx').then((module) => module.SoftenerSheet))

interface Props {
  page: SoftenerPage
  /** Its log in words, by entry. */
  said: Record<string, string>
  today: string
}

const reload = () => location.reload()

/** One treatment of a site's water: every machine it feeds adds up, its next window, its outlet tests, what it showed it can take. */
function SoftenerView({ page, said, today }: Props) {
  const { softener, site, standings, draw, meter, feeds, capacity } = page
  const [key, setKey] = useState(standings[0]?.key ?? null)
  const [open, setOpen] = useState<'edit' | 'conductivity' | 'chlorine' | null>(null)
  const [machines, setMachines] = useState<StandsHere[] | null>(null)
  useFetched<{ rows: StandsHere[] }>(open === 'edit' ? `/api/machines?siteId=${softener.siteId}` : null, (found) =>
    setMachines(found.rows),
  )
  const [renewal, setRenewal] = useState<Renewal | null>(null)
  const [working, setWorking] = useState(false)
  const [adjusting, setAdjusting] = useState<Line | null>(null)
  const otherWork = page.canRenew.filter(({ besides }) => besides)
  const chosen = standings.find((standing) => standing.key === key) ?? null
  const isResin = softener.treatment === 'exchanger' || softener.treatment === 'cartridge'
  const axis = dueAxis(today, 260, 366, 60)
  const most = Math.max(1e-9, ...feeds.map(({ litresPerOpenDay }) => litresPerOpenDay))
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <TitleBlock
        name={softener.name}
        under={
          <a href={`/sites/${site.id}`} className="hover:underline">
            {[site.name, site.area].filter(Boolean).join(', ')}
          </a>
        }
        facts={facts(page)}
        action={
          <>
            <button type="button" className="plain" onClick={() => setOpen('edit')}>
              Edit
            </button>
            {page.canRenew
              .filter(({ besides }) => !besides)
              .map((one, i) => (
                <button
                  key={one.name}
                  type="button"
                  className={`whitespace-nowrap ${i === 0 ? 'act' : 'plain'}`}
                  onClick={() => setRenewal(one)}
                >
                  {one.name}
                </button>
              ))}
          </>
        }
      />
      <div className="flex min-w-0 flex-1">
        <div className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6">
          <section aria-label="Next" className="pb-5">
            <div className="flex items-end gap-4">
              <h2 className="head m-0">Next</h2>
              <span className="ml-auto max-md:hidden">
                <DueScale axis={axis} bands={false} />
              </span>
            </div>
            <ul className="m-0 list-none p-0">
              {standings.map((standing) => (
                <Row
                  key={standing.key}
                  standing={standing}
                  today={today}
                  axis={axis}
                  on={standing.key === key}
                  onChoose={() => setKey(standing.key)}
                />
              ))}
              {standings.length === 0 && (
                <li className="text-second">Nothing can be dated yet: say how large it is, and test the raw water.</li>
              )}
            </ul>
            {chosen && (
              <button type="button" className="plain mt-2 w-full lg:hidden" onClick={() => setWorking(true)}>
                Working: {chosen.name}, {counted(chosen.working.lines.length, 'line')}
              </button>
            )}
          </section>
          <div className="grid gap-x-8 xl:grid-cols-2">
            <section aria-label="What it feeds" className="pb-5">
              <h2 className="head m-0 pb-1">What it feeds</h2>
              {feeds.length === 0 ? (
                <p className="m-0 text-second">No machine stands behind it: put one there under Edit.</p>
              ) : (
                <table className="w-full border-collapse text-[14px]">
                  <tbody>
                    {feeds.map((machine) => (
                      <tr key={machine.id} className="h-[36px] border-t border-hair">
                        <td>
                          <a href={`/machines/${machine.id}?lens=water`} className="font-semibold hover:underline">
                            {machine.name}
                          </a>
                        </td>
                        <td className="w-[110px]">
                          <svg className="block h-2 w-full" aria-hidden="true">
                            <rect
                              width={`${Math.max(2, (machine.litresPerOpenDay / most) * 100).toFixed(1)}%`}
                              height="100%"
                              fill="var(--water)"
                            />
                          </svg>
                        </td>
                        <td className="mono pl-3 text-right">
                          {quantityWords(machine.litresPerOpenDay, 'L/open day')}
                        </td>
                      </tr>
                    ))}
                    <tr className="h-[36px] border-t border-ink font-semibold">
                      <td colSpan={2}>Together, {draw.said}</td>
                      <td className="mono pl-3 text-right">{quantityWords(draw.perOpenDay, 'L/open day')}</td>
                    </tr>
                  </tbody>
                </table>
              )}
              {meter && <MeterOverCounts meter={meter} softenerId={softener.id} today={today} />}
            </section>
            {capacity && (
              <section aria-label="What it can take up" className="pb-5">
                <h2 className="head m-0 pb-1">What it can take up</h2>
                <CapacityScale capacity={capacity} />
                <p className="m-0 text-[14px]">{capacityWords(capacity)}</p>
              </section>
            )}
            {page.out && <ComesOut out={page.out} softener={softener} />}
            {isResin && <OutletTests page={page} today={today} />}
            {page.passage && (
              <PassageTests passage={page.passage} today={today} onMeasure={() => setOpen('conductivity')} />
            )}
            {page.chlorine && (
              <ChlorineTests chlorine={page.chlorine} today={today} onMeasure={() => setOpen('chlorine')} />
            )}
            <section aria-label="Log" className="pb-5">
              <div className="flex flex-wrap items-center justify-between gap-2 pb-1">
                <h2 className="head m-0">Log</h2>
                {otherWork.length > 0 && (
                  <select
                    className="field text-[14px]"
                    aria-label="Something else done"
                    value=""
                    onChange={(event) => setRenewal(otherWork.find(({ name }) => name === event.target.value)!)}
                  >
                    <option value="">something else done …</option>
                    {otherWork.map(({ name }) => (
                      <option key={name} value={name}>
                        {name}
                      </option>
                    ))}
                  </select>
                )}
              </div>
              {page.renewals.length === 0 && <p className="m-0 text-second">Nothing noted yet.</p>}
              <ul className="m-0 list-none p-0 text-[14px]">
                {page.renewals.map((entry) => (
                  <li key={entry.id} className="flex gap-4 border-t border-hair py-1">
                    <span className="mono w-[84px]">{dayNear(entry.happenedOn, today)}</span>
                    {said[entry.id]}
                  </li>
                ))}
              </ul>
              <p className="mt-2 mb-0 border-l-4 border-brass pl-3 text-[14px]">
                {cautions[softener.treatment ?? 'exchanger']}
              </p>
            </section>
          </div>
        </div>
        <aside className="hidden w-[332px] shrink-0 border-l border-hair px-5 pt-3 pb-6 lg:block" aria-label="Working">
          {chosen && (
            <>
              <h2 className="head m-0">
                <span className="text-copper">Working</span> {chosen.name}
              </h2>
              <p className="m-0 mb-2">{dueSentence(chosen, today)}</p>
              <WorkingColumn working={chosen.working} onAdjust={setAdjusting} />
            </>
          )}
        </aside>
      </div>
      {chosen && (
        <Sheet
          open={working}
          onOpenChange={setWorking}
          title={`Working: ${chosen.name}`}
          about={dueSentence(chosen, today)}
          from="bottom"
        >
          <WorkingColumn working={chosen.working} onAdjust={setAdjusting} />
        </Sheet>
      )}
      {open === 'edit' && machines && (
        <SoftenerSheet
          softener={softener}
          machines={machines}
          today={today}
          onSaved={reload}
          onCancel={() => setOpen(null)}
        />
      )}
      {adjusting && (
        <AdjustSheet
          levels={softenerLevels(softener, site, page.firmId)}
          today={today}
          title={softener.name}
          line={adjusting}
          onClose={() => setAdjusting(null)}
          onSaved={async () => reload()}
        />
      )}
      {(open === 'conductivity' || open === 'chlorine') && (
        <MeasuredSheet page={page} about={open} today={today} onClose={() => setOpen(null)} />
      )}
      {renewal && (
        <RenewedSheet softenerId={softener.id} renewal={renewal} today={today} onClose={() => setRenewal(null)} />
      )}
    </div>
  )
}

function Row({
  standing,
  today,
  axis,
  on,
  onChoose,
}: {
  standing: Standing
  today: string
  axis: ReturnType<typeof dueAxis>
  on: boolean
  onChoose: () => void
}) {
  const urgency = urgencyOf(standing.due, today)
  return (
    <li className={`border-t border-hair ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}>
      <button
        type="button"
        aria-pressed={on}
        className="flex min-h-[44px] w-full flex-wrap items-center gap-x-4 px-2.5 text-left"
        onClick={onChoose}
      >
        <span className="min-w-[180px] flex-1 font-semibold">{standing.name}</span>
        <span className="text-[14px] text-second">{governs(standing, today)}</span>
        <span className={`mono text-[14px] font-semibold ${urgencyText[urgency]}`}>
          {standing.due ? dayNear(standing.due.p50, today) : 'over 10 years'}
        </span>
        <svg width={axis.width} height={28} className="block max-md:hidden" aria-hidden="true">
          <path d={`M${axis.todayX} 0V28`} stroke="var(--ink)" strokeWidth={1.25} />
          {standing.due && <DueBell due={standing.due} axis={axis} y={15} reach={10} />}
        </svg>
      </button>
    </li>
  )
}

function capacityWords({
  isSet,
  resinL,
  value,
  below,
  above,
  usualGPerL,
  tests,
}: NonNullable<SoftenerPage['capacity']>) {
  const [a, from] = resinL === null ? ['', 'is printed on it'] : [' a litre of resin', 'from memory']
  if (isSet) return `${figure(value)} g${a} is set, so its tests do not move it.`
  if (tests.length === 0)
    return `${figure(usualGPerL)} g${a} ${from}. Each outlet test, passed or not, teaches its own.`
  const spread = { value, below, above }
  return (
    <>
      {figure(usualGPerL)} g{a} {from}; its own {counted(tests.length, 'test')} make it{' '}
      <b>
        {figure(value)} g, {figure(atChance(spread, 0.1))} to {figure(atChance(spread, 0.9))}
      </b>
      . A passed test says it can take more than it had; a spent one, less.
    </>
  )
}

/** What is dangerous or goes wrong where the hand is about to be. */
const cautions: Record<TreatmentKind, string> = {
  exchanger:
    'Let the pressure off before the lid is opened. Rinse until the outlet’s conductivity is back at the feed’s: brine left over corrodes the machine.',
  cartridge: 'Close the tap and let the pressure off before a cartridge is turned. Flush a new one to the drain first.',
  membrane:
    'Close the feed, switch the pump off at the plug and let the pressure off before the housing is opened. Clean hands and new seals: the clean side feeds drinks. Run the first tank of a new membrane to the drain.',
  carbon:
    'Close the tap and let the pressure off first. Flush new carbon until the water runs clear: black fines block jets. Never leave the old one in over twelve months; germs grow behind it.',
}

function sizeOf(softener: SoftenerPage['softener']): Fact {
  switch (softener.treatment) {
    case 'cartridge':
      return {
        label: 'Cartridge',
        value: figure(softener.capacityG ?? 0),
        source: `g, ${Math.round((softener.bypass ?? 0) * 100)} % bypass`,
      }
    case 'membrane':
      return {
        label: 'Membrane',
        value: `${Math.round((softener.rawShare ?? 0) * 100)} %`,
        source: softener.dosed ? 'raw mixed in, minerals dosed' : 'raw mixed in',
      }
    case 'carbon':
      return { label: 'Carbon', value: softener.prefilter?.catalytic ? 'catalytic' : 'plain' }
    default:
      return {
        label: 'Resin',
        value: figure(softener.resinL ?? 0),
        source: softener.regeneratesItself ? 'L, regenerates itself' : 'L, by hand',
      }
  }
}

function facts({ softener, gives, draw, standings }: SoftenerPage): Fact[] {
  const next = standings[0]
  return [
    ...(softener.treatment ? [sizeOf(softener)] : []),
    ...(softener.prefilter && softener.treatment !== 'carbon'
      ? [{ label: 'Before it', value: softener.prefilter.catalytic ? 'catalytic carbon' : 'carbon' }]
      : []),
    ...(gives
      ? [
          {
            label: 'Gives',
            value: quantity(Math.round(gives.value), 'L').value,
            source: `${quantity(Math.round(gives.low), 'L').value} to ${quantityWords(Math.round(gives.high), 'L')}`,
          },
        ]
      : []),
    {
      label: 'Draw',
      value: quantity(draw.perOpenDay, 'L/open day').value,
      source: quantity(draw.perOpenDay, 'L/open day').unit,
    },
    ...(next?.due ? [{ label: next.name, value: dayLong(next.due.p50) }] : []),
  ]
}

export const SoftenerIsland = fromPage(SoftenerView)
