import { useState } from 'react'
import type { EntryKind } from '../../core/ledger/entry-kinds.ts'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import { atChance } from '../../core/quantity/spread.ts'
import type { Line } from '../../core/quantity/working.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { DueBell, DueDefs } from '../../ui/DueBell.tsx'
import { DueScale } from '../../ui/DueScale.tsx'
import { dueAxis } from '../../ui/due-axis.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { counted, dayLong, dayNear, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { quantity, quantityWords } from '../../ui/quantity.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { type Fact, TitleBlock } from '../../ui/TitleBlock.tsx'
import { urgencyInk, urgencyOf } from '../../ui/urgency.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import type { SoftenerPage } from '../../views/softener-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { typedNumber, typedText, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { newId } from '../send-entries.ts'
import { softenerLevels } from '../setting/levels.ts'
import { dueSentence, governs } from '../standing-words.ts'
import { CapacityScale } from './CapacityScale.tsx'

const AdjustSheet = later(() => import('../setting/AdjustSheet.tsx').then((module) => module.AdjustSheet))
const SoftenerSheet = later(() => import('./SoftenerSheet.tsx').then((module) => module.SoftenerSheet))

interface Props {
  page: SoftenerPage
  today: string
}

const reload = () => location.reload()

/** One softener or cartridge: every machine it feeds adds up, its next window, its outlet tests, what it showed it can take. */
export function SoftenerView({ page, today }: Props) {
  const { softener, site, standings, draw, meter, feeds, tests, capacity } = page
  const [key, setKey] = useState(standings[0]?.key ?? null)
  const [open, setOpen] = useState<'edit' | 'done' | null>(null)
  const [working, setWorking] = useState(false)
  const [adjusting, setAdjusting] = useState<Line | null>(null)
  const chosen = standings.find((standing) => standing.key === key) ?? null
  const isCartridge = softener.treatment === 'cartridge'
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
            <button type="button" className="act whitespace-nowrap" onClick={() => setOpen('done')}>
              {isCartridge ? 'Cartridge changed' : softener.regeneratesItself ? 'Salt filled up' : 'Regenerated'}
            </button>
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
                <li className="text-second">
                  Nothing can be dated yet: say how much resin it holds, and test the raw water.
                </li>
              )}
            </ul>
            {chosen && (
              <button type="button" className="plain mt-2 w-full lg:hidden" onClick={() => setWorking(true)}>
                Working: {chosen.name}, {chosen.working.lines.length} lines
              </button>
            )}
          </section>
          <div className="grid gap-x-8 xl:grid-cols-2">
            <section aria-label="What it feeds" className="pb-5">
              <h2 className="head m-0 pb-1">What it feeds</h2>
              {feeds.length === 0 ? (
                <p className="m-0 text-second">
                  No machine stands behind it: put one there on its own page, under Change.
                </p>
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
                          <span
                            className="block h-2 bg-water"
                            style={{ width: `${Math.max(2, (machine.litresPerOpenDay / most) * 100)}%` }}
                          />
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
              {meter && <Meter meter={meter} softenerId={softener.id} today={today} />}
            </section>
            {capacity && (
              <section aria-label="What it can take up" className="pb-5">
                <h2 className="head m-0 pb-1">What it can take up</h2>
                <CapacityScale capacity={capacity} />
                <p className="m-0 text-[14px]">
                  {capacity.isSet ? (
                    <>{figure(capacity.value)} g a litre of resin is set, so its tests do not move it.</>
                  ) : capacity.tests.length === 0 ? (
                    <>
                      {figure(capacity.usualGPerL)} g a litre of resin, from memory. Each outlet test, passed or not,
                      teaches its own.
                    </>
                  ) : (
                    <>
                      {figure(capacity.usualGPerL)} g a litre from memory; its own{' '}
                      {counted(capacity.tests.length, 'test')} make it{' '}
                      <b>
                        {figure(capacity.value)} g, {figure(atChance(capacity, 0.1))} to{' '}
                        {figure(atChance(capacity, 0.9))}
                      </b>
                      . A passed test says it can take more than it had; a spent one, less.
                    </>
                  )}
                </p>
              </section>
            )}
            {page.out && <ComesOut out={page.out} isCartridge={isCartridge} bypass={softener.bypass ?? 0} />}
            <section aria-label="Outlet tests" className="pb-5">
              <div className="flex items-baseline gap-3">
                <h2 className="head m-0 pb-1">Outlet tests</h2>
                <a className="word ml-auto text-[14px]" href={`/water?site=${site.id}`}>
                  Test it
                </a>
              </div>
              {tests.length === 0 ? (
                <p className="m-0 text-second">
                  Never tested. A spent softener tells nobody: three drops at its outlet do.
                </p>
              ) : (
                <table className="w-full border-collapse text-[14px]">
                  <thead>
                    <tr className="slim text-left text-[13px] text-second">
                      <th className="py-1 font-semibold">Day</th>
                      <th className="font-semibold">Found</th>
                      <th className="text-right font-semibold">After, L</th>
                      <th className="text-right font-semibold max-sm:hidden">Taken up, g/L</th>
                      <th className="pl-3 font-semibold">It was</th>
                    </tr>
                  </thead>
                  <tbody>
                    {tests.map((test) => (
                      <tr key={test.on} className="border-t border-hair">
                        <td className="mono py-1 whitespace-nowrap">{dayNear(test.on, today)}</td>
                        <td>{test.said}</td>
                        <td className="mono text-right">
                          {test.litres === null ? '–' : quantity(Math.round(test.litres), 'L').value}
                        </td>
                        <td className="mono text-right max-sm:hidden">
                          {test.takenUpGPerL === null ? '–' : figure(test.takenUpGPerL)}
                        </td>
                        <td className={`pl-3 ${test.spent ? 'font-semibold text-seal-ink' : ''}`}>
                          {test.spent
                            ? isFarTooEarly(test, capacity)
                              ? 'spent far too early: regenerated well? bypass shut?'
                              : 'spent'
                            : 'working'}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
              <p className="mt-1 mb-0 text-[13px] text-second">
                {isCartridge
                  ? 'A weak-acid cartridge is spent when carbonate hardness rises two degrees above what it was set to.'
                  : 'Spent above 3 to 4 °dH total hardness. Conductivity says nothing of it.'}
              </p>
            </section>
            <section aria-label="Log" className="pb-5">
              <h2 className="head m-0 pb-1">Log</h2>
              {page.renewals.length === 0 && <p className="m-0 text-second">Nothing noted yet.</p>}
              <ul className="m-0 list-none p-0 text-[14px]">
                {page.renewals.map((entry) => (
                  <li key={entry.id} className="flex gap-4 border-t border-hair py-1">
                    <span className="mono w-[84px]">{dayNear(entry.happenedOn, today)}</span>
                    {entryWords(entry, '')}
                  </li>
                ))}
              </ul>
              <p className="mt-2 mb-0 border-l-4 border-brass pl-3 text-[14px]">
                {isCartridge
                  ? 'Close the tap and let the pressure off before a cartridge is turned. Flush a new one to the drain first.'
                  : 'Let the pressure off before the lid is opened. Rinse until the outlet’s conductivity is back at the feed’s: brine left over corrodes the machine.'}
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
      {open === 'edit' && (
        <SoftenerSheet softener={softener} today={today} onSaved={reload} onCancel={() => setOpen(null)} />
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
      {open === 'done' && <DoneSheet page={page} today={today} onClose={() => setOpen(null)} />}
    </div>
  )
}

/** What comes out, and what that does in a machine. */
function ComesOut({
  out,
  isCartridge,
  bypass,
}: {
  out: NonNullable<SoftenerPage['out']>
  isCartridge: boolean
  bypass: number
}) {
  const rows: [string, string][] = [
    ['Total hardness', quantityWords(out.hardnessMgL, hardnessSymbol.mgL)],
    ['Carbonate hardness', quantityWords(out.alkalinityMgL, hardnessSymbol.mgL)],
    ['pH', `${out.pH.toFixed(1)}, raw ${out.rawPh.toFixed(1)}`],
    [
      'Index at 93 °C',
      out.siBrew === null ? 'none' : `${out.siBrew >= 0 ? '+' : '−'}${Math.abs(out.siBrew).toFixed(2)}`,
    ],
    ...(out.sodiumMgL > 0 ? ([['Sodium added', `${figure(out.sodiumMgL)} mg/L`]] as [string, string][]) : []),
  ]
  return (
    <section aria-label="What comes out" className="pb-5">
      <h2 className="head m-0 pb-1">What comes out</h2>
      <dl className="m-0">
        {rows.map(([what, value]) => (
          <div key={what} className="flex gap-3 border-t border-hair py-1 text-[14px]">
            <dt className="flex-1">{what}</dt>
            <dd className="mono m-0 font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p
        className={`mt-1 mb-0 text-[13px] ${isCartridge && bypass < 0.2 ? 'font-semibold text-brass-ink' : 'text-second'}`}
      >
        {isCartridge
          ? bypass < 0.2
            ? 'Below 20 % bypass the water is sour enough to attack brass: open the bypass, from memory.'
            : 'Carbonic acid stays behind, so the pH falls. It takes more when fresh and fades slowly.'
          : 'Carbonate stays: in a steam boiler it turns the water alkaline, pH 10 to 11, and may foam.'}
      </p>
    </section>
  )
}

/** Less than half of what resin takes up: not the resin, but what was done to it. */
const isFarTooEarly = (test: SoftenerPage['tests'][number], capacity: SoftenerPage['capacity']): boolean =>
  test.takenUpGPerL !== null && capacity !== null && test.takenUpGPerL < capacity.usualGPerL / 2

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
        <span className="mono text-[14px] font-semibold" style={{ color: urgencyInk[urgency] }}>
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

/** What the meter shows over the counts, and a way to let every machine behind it be counted so. */
function Meter({
  meter,
  softenerId,
  today,
}: {
  meter: NonNullable<SoftenerPage['meter']>
  softenerId: string
  today: string
}) {
  const [wrong, setWrong] = useState('')
  const factor = Math.round(meter.factor * 100) / 100
  const use = async () => {
    const told = await writeFrom([
      makeEntry('softener', softenerId, 'setting', { setting: 'budget-factor', factor }, today),
    ])
    if (told.ok) reload()
    else setWrong(told.issues[0]!.message)
  }
  return (
    <p className="mt-2 mb-0 text-[14px]">
      Its meter shows <b className="mono">{figure(meter.factor)}</b> times what the counts come to, over{' '}
      {counted(meter.intervals, 'interval')}
      {meter.applied !== null && `; ${figure(meter.applied)} is in use`}.{' '}
      {meter.applied !== factor && (
        <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={use}>
          Count the machines so
        </button>
      )}
      {wrong && <b role="alert"> {wrong}</b>}
    </p>
  )
}

/** Says that it was regenerated, filled up or changed. */
function DoneSheet({ page, today, onClose }: { page: SoftenerPage; today: string; onClose: () => void }) {
  const { softener, saltKg } = page
  const [id] = useState(newId)
  const kind: EntryKind =
    softener.treatment === 'cartridge' ? 'cartridge-changed' : softener.regeneratesItself ? 'salt-added' : 'regenerated'
  const amount = {
    'cartridge-changed': { label: 'The new one holds', unit: 'g CaCO₃', field: 'capacityG', usual: softener.capacityG },
    'salt-added': { label: 'Salt filled in', unit: 'kg', field: 'kg', usual: softener.saltTankKg },
    regenerated: { label: 'Salt', unit: 'kg', field: 'saltKg', usual: saltKg },
  }[kind as 'regenerated']
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title={entryWords({ kind, body: {} } as never, '')}
      about="Its litres count from this day on."
    >
      <SheetForm
        fields={[
          { id: 'on', label: 'Day', kind: 'day', half: true, paths: ['happenedOn'] },
          {
            id: 'amount',
            label: amount.label,
            unit: amount.unit,
            kind: 'number',
            half: true,
            paths: [`body.${amount.field}`],
          },
        ]}
        values={{ on: today, amount: amount.usual ? String(Math.round(amount.usual * 100) / 100) : '' }}
        save="Note it"
        onCancel={onClose}
        onSave={async (values) => {
          const value = typedNumber(values, 'amount')
          if (value !== undefined && !(value > 0)) return wrongAt('amount', 'must be a number above 0')
          if (value === undefined && kind === 'salt-added') return wrongAt('amount', 'is missing')
          const body = value === undefined ? {} : { [amount.field]: value }
          const told = await writeFrom([
            makeEntry('softener', softener.id, kind, body, typedText(values, 'on') || today, { id }),
          ])
          if (told.ok) reload()
          return told
        }}
      />
    </Sheet>
  )
}

function facts({ softener, gives, draw, standings }: SoftenerPage): Fact[] {
  const next = standings[0]
  return [
    softener.treatment === 'cartridge'
      ? {
          label: 'Cartridge',
          value: figure(softener.capacityG ?? 0),
          source: `g, ${Math.round((softener.bypass ?? 0) * 100)} % bypass`,
        }
      : {
          label: 'Resin',
          value: figure(softener.resinL ?? 0),
          source: softener.regeneratesItself ? 'L, regenerates itself' : 'L, by hand',
        },
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
