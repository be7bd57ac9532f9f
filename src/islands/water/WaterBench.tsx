import { useEffect, useMemo, useState } from 'react'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import type { Interval } from '../../core/quantity/interval.ts'
import type { Line } from '../../core/quantity/working.ts'
import { readAddress, writeAddress } from '../../core/sample/sample-address.ts'
import { type BenchAnswer, reckonSample, type WaterDoes } from '../../core/sample/sample-reckoning.ts'
import { effective } from '../../core/standing/histories.ts'
import { testsOf, waterKnown } from '../../core/standing/water-known.ts'
import { brewC, indexWords, steamC } from '../../core/water/saturation-words.ts'
import { counted, dayNear, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { preferences } from '../../ui/preferences.ts'
import { asReckoned, asTyped, firmUnit, quantity, quantityWords } from '../../ui/quantity.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { type Fact, TitleBlock } from '../../ui/TitleBlock.tsx'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import type { WaterBenchPage } from '../../views/water-bench.ts'
import { fromPage } from '../from-page.tsx'
import { waterLevels } from '../setting/levels.ts'
import { useWidth } from '../use-width.ts'
import { Readings } from './Readings.tsx'
import { number, readSample, readTest, typedSample } from './typed-sample.ts'
import { type Cursor, UnitRuler } from './UnitRuler.tsx'
import { WhatIfPart } from './WhatIfPart.tsx'

const SaturationChart = later(() => import('./SaturationChart.tsx').then((module) => module.SaturationChart))
const AdjustSheet = later(() => import('../setting/AdjustSheet.tsx').then((module) => module.AdjustSheet))
const KeepSheet = later(() => import('./KeepSheet.tsx').then((module) => module.KeepSheet))

interface Props {
  page: WaterBenchPage
  /** The query of the page's own address. */
  address: string
  today: string
}

/** Where nobody said how much is drawn. */
const usualLitresPerDay = 40

/** Any water, reckoned from what is in hand: its hardness in five units, what it does in a machine, what would change it. */
function WaterBench({ page, address, today }: Props) {
  const { site, ledgers } = page
  const asked = useMemo(
    () => readAddress(address, { litresPerDay: Math.round(page.litresPerDay ?? usualLitresPerDay) }),
    [address, page.litresPerDay],
  )
  const [typed, setTyped] = useState(() => typedSample(asked.sample, preferences().hardnessUnit))
  const [whatIf, setWhatIf] = useState(asked.whatIf)
  const [litres, setLitres] = useState(() => asTyped(asked.litresPerDay, 'L'))
  const [keeping, setKeeping] = useState(false)
  const [sent, setSent] = useState('')
  const [sheet, setSheet] = useState(false)
  const [adjusting, setAdjusting] = useState<Line | null>(null)
  const sample = useMemo(() => readSample(typed), [typed])
  const litresPerDay = asReckoned(number(litres) ?? 0, 'L')
  const question = useMemo(() => ({ sample, whatIf, litresPerDay }), [sample, whatIf, litresPerDay])
  const answer = useMemo(() => reckonSample(question, today, ledgers), [question, today, ledgers])
  const [rulerRef, width] = useWidth(630)

  // The address follows what is typed, so that it can be sent; the page itself stays.
  const own = `${site ? `site=${site.id}&` : ''}${writeAddress(question)}`
  useEffect(() => {
    const wait = setTimeout(() => history.replaceState(null, '', `?${own}`), 250)
    return () => clearTimeout(wait)
  }, [own])

  const columns = width >= 480 ? 2 : 1
  const nothing = Object.keys(sample).length === 0
  const send = async () => {
    const link = `${location.origin}/water?${own}`
    try {
      await navigator.clipboard.writeText(link)
      setSent('Copied: paste it into a message.')
    } catch {
      setSent(link)
    }
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="Water bench"
        under={site ? [site.name, site.area].filter(Boolean).join(', ') : 'any water, with or without a machine'}
        facts={facts(page, today)}
        action={
          <>
            <button type="button" className="plain whitespace-nowrap" onClick={send}>
              Send
            </button>
            <button type="button" className="act whitespace-nowrap" disabled={nothing} onClick={() => setKeeping(true)}>
              Keep as a test
            </button>
          </>
        }
      />
      {sent && (
        <p role="status" className="m-0 border-b border-hair bg-copper-tint px-6 py-2 text-[14px] break-all">
          {sent}
        </p>
      )}
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <aside
          className="px-4 py-2 lg:w-[308px] lg:shrink-0 lg:border-r lg:border-hair lg:pr-4 lg:pl-6"
          aria-label="Readings"
        >
          <h2 className="head m-0 pb-1">Readings</h2>
          <Readings typed={typed} onChange={setTyped} />
          {answer.check && (
            <p
              className={`mt-1 mb-0 border-t border-hair pt-1 text-[13px] ${Math.abs(answer.check.apart) > 0.25 ? 'font-semibold text-brass-ink' : 'text-second'}`}
            >
              Check: the pen speaks for {quantityWords(answer.check.dH, hardnessSymbol.dH)},{' '}
              {figure(Math.abs(answer.check.apart) * 100)} % {answer.check.apart >= 0 ? 'above' : 'below'} the drops
              {Math.abs(answer.check.apart) > 0.25
                ? ': is one of the two wrong, or is the water softened or salted?'
                : '.'}
            </p>
          )}
          <p className="mt-1 mb-0 border-t border-hair pt-1 text-[13px] text-second">
            Kits err by a drop and 5 %, and their reagent runs out. What is not measured is from memory, and said so.
          </p>
          {site && <Earlier page={page} today={today} />}
        </aside>
        <section
          className="min-w-0 flex-1 border-hair bg-enamel px-4 py-2 max-lg:border-t lg:px-5"
          aria-label="What this water does"
        >
          <h2 className="head m-0 pb-1">One hardness, five rulers</h2>
          <div ref={rulerRef} className="min-w-0 overflow-hidden">
            {nothing ? (
              <p className="m-0 py-6 text-second">
                Count the drops until the colour turns, or read a strip: the ruler, the curves and the scale follow.
                Until then a middling water stands in below.
              </p>
            ) : (
              <UnitRuler
                cursors={cursors(answer, readTest(typed.after) !== null ? afterOf(page, sample, today) : null)}
                width={width}
              />
            )}
            <div className={`mt-2 grid border-t border-hair pt-1.5 ${columns === 2 ? 'grid-cols-2' : 'grid-cols-1'}`}>
              {(['index', 'potential'] as const).map((of) => (
                <div key={of} className="min-h-[200px] min-w-0">
                  <h3 className="slim m-0 text-[14px]">
                    {of === 'index' ? 'Saturation index, above 0 lays scale' : 'Must fall out, mg/L CaCO₃'}{' '}
                    <span className="font-normal text-second">by {firmUnit('°C')}</span>
                  </h3>
                  <SaturationChart
                    of={of}
                    raw={answer.tap.water}
                    treated={answer.treated?.water ?? null}
                    width={Math.floor(width / columns)}
                  />
                </div>
              ))}
            </div>
            <p className="m-0 text-[13px] text-second">
              <b className="text-copper">Copper: the tap.</b>{' '}
              {answer.treated && <b className="text-deep">Blue: treated. </b>}
              Shaded: above 90 °C the constants are carried on beyond where they were measured.
            </p>
          </div>
          <div className="border-t border-hair">
            <WhatIfPart
              whatIf={whatIf}
              answer={answer}
              litresPerDay={litres}
              onChange={setWhatIf}
              onLitres={setLitres}
            />
          </div>
        </section>
        <aside
          className="px-4 py-2 max-lg:border-t max-lg:border-hair lg:w-[318px] lg:shrink-0 lg:border-l lg:border-hair lg:px-5"
          aria-label="Working"
        >
          <Answer answer={answer} />
          <div className="max-lg:hidden">
            <h2 className="head m-0 pt-3">
              <span className="text-copper">Working</span> Scale
            </h2>
            <WorkingColumn working={answer.working} onAdjust={setAdjusting} />
          </div>
          <button type="button" className="plain mt-2 w-full lg:hidden" onClick={() => setSheet(true)}>
            Working, {counted(answer.working.lines.length, 'line')}
          </button>
          <Sheet
            open={sheet}
            onOpenChange={setSheet}
            title="Working: scale"
            about={answer.working.why ?? ''}
            from="bottom"
          >
            <WorkingColumn working={answer.working} onAdjust={setAdjusting} />
          </Sheet>
        </aside>
      </div>
      {adjusting && (
        <AdjustSheet
          levels={waterLevels(site, page.firmId)}
          today={today}
          title="Water"
          line={adjusting}
          onClose={() => setAdjusting(null)}
          onSaved={async () => location.reload()}
        />
      )}
      {keeping && <KeepSheet page={page} sample={sample} today={today} onClose={() => setKeeping(false)} />}
    </div>
  )
}

/** What this water comes to, in the fewest words. */
function Answer({ answer }: { answer: BenchAnswer }) {
  const { tap, treated, warnings } = answer
  const now = treated ?? tap
  const row = (what: string, value: (does: WaterDoes) => string, note: string) => (
    <div className="border-t border-hair py-1">
      <div className="flex items-baseline gap-2">
        <span className="flex-1 font-semibold">{what}</span>
        <span className="mono font-semibold">{value(now)}</span>
      </div>
      <div className="text-[13px] text-second">{treated ? `${value(tap)} at the tap` : note}</div>
    </div>
  )
  const index = (at: 'brew' | 'steam') => (does: WaterDoes) => indexWords(does[at].si)
  return (
    <>
      <h2 className="head m-0 pb-1">What it does in a machine{treated && ', treated'}</h2>
      {row(
        'Flow heater, of 1,000 L',
        (does) => `${figure(does.flowGPer1000L)} g`,
        `sticks, ${figure(tap.flowGPer1000L / 6)} to ${figure((tap.flowGPer1000L * 5) / 3)} g by what is known of chalk`,
      )}
      {row(
        'Steam boiler, of 1,000 L',
        (does) => `${figure(does.steamGPer1000L)} g`,
        `sticks where all is steamed away, ${figure((tap.steamGPer1000L * 2) / 3)} to ${figure(tap.steamGPer1000L * 1.5)} g`,
      )}
      {row(`Index at ${quantityWords(brewC, '°C')}`, index('brew'), 'above 0 it lays scale, below it lays none')}
      {row(`Index at ${quantityWords(steamC, '°C')}`, index('steam'), 'extrapolated: a direction, not a figure')}
      {warnings.map((warning) => (
        <p
          key={warning.about}
          className={`m-0 border-l-4 pl-3 text-[14px] ${warning.grade === 'stop' ? 'border-seal' : 'border-brass'}`}
        >
          {warning.text}
        </p>
      ))}
      {now.brew.si !== undefined && now.brew.si < 0 && (
        <p className="m-0 text-[13px] text-second">Below 0 says nothing of corrosion of steel, copper or brass.</p>
      )}
    </>
  )
}

/** The site's own tests so far, so that a slip shows at once. */
function Earlier({ page, today }: { page: WaterBenchPage; today: string }) {
  const histories = effective(page.ledgers)
  const total = testsOf(histories, 'site', 'raw', 'total').slice(-5).reverse()
  const carbonate = testsOf(histories, 'site', 'raw', 'carbonate')
  if (total.length === 0) return null
  const shown = (mgL: number | undefined) => (mgL === undefined ? '–' : quantity(mgL, hardnessSymbol.mgL).value)
  return (
    <section className="mt-2">
      <h2 className="head m-0 flex items-baseline pb-1">
        Earlier here{' '}
        <span className="ml-auto text-[13px] font-normal text-second">
          total / carbonate, {firmUnit(hardnessSymbol.mgL)}
        </span>
      </h2>
      {total.map((test) => (
        <div key={test.on} className="flex border-t border-hair py-0.5 text-[14px]">
          <span className="flex-1">{dayNear(test.on, today)}</span>
          <span className="mono">
            {shown(test.value)} / {shown(carbonate.find(({ on }) => on === test.on)?.value)}
          </span>
        </div>
      ))}
    </section>
  )
}

function facts(page: WaterBenchPage, today: string): Fact[] {
  if (!page.site) return []
  const known = waterKnown(effective(page.ledgers))
  const last = known.raw
  return [
    ...(last
      ? [
          {
            label: 'Last test',
            value: `${quantity(last.value, hardnessSymbol.mgL).value} ${firmUnit(hardnessSymbol.mgL)}`,
            source: `${last.level === 'supply' ? 'the works' : 'at the tap'}, ${dayNear(last.on, today)}`,
          },
        ]
      : [{ label: 'Last test', value: 'none yet' }]),
    { label: 'Machines', value: page.machines },
    ...(page.litresPerDay === null
      ? []
      : [{ label: 'Draw', value: quantity(page.litresPerDay, 'L/open day').value, source: firmUnit('L/open day') }]),
    ...(page.softeners[0] ? [{ label: 'Softener', value: page.softeners[0].name }] : []),
  ]
}

/** The measured outlet as an interval: it is a test of its own. */
function afterOf(page: WaterBenchPage, sample: ReturnType<typeof readSample>, today: string): Interval | null {
  if (!sample.after) return null
  const { raw } = reckonSample(
    { sample: { total: sample.after }, whatIf: { kind: 'none' }, litresPerDay: 0 },
    today,
    page.ledgers,
  )
  return { low: raw.soft.hardnessMgL, value: raw.likely.hardnessMgL, high: raw.hard.hardnessMgL }
}

function cursors({ raw, treated, facts: { known } }: BenchAnswer, after: Interval | null): Cursor[] {
  const tap: Cursor = {
    words: known.raw ? 'tap' : known.rawCarbonate ? 'tap, from carbonate' : 'middling, from memory',
    tone: 'copper',
    mgL: { low: raw.soft.hardnessMgL, value: raw.likely.hardnessMgL, high: raw.hard.hardnessMgL },
    ...(!known.raw && { reckoned: true }),
  }
  const one = (value: number): Interval => ({ low: value, value, high: value })
  return [
    tap,
    ...(after ? [{ words: 'after softener', tone: 'water', mgL: after } satisfies Cursor] : []),
    ...(treated
      ? [{ words: 'treated', tone: 'water', mgL: one(treated.water.hardnessMgL), reckoned: true } satisfies Cursor]
      : []),
  ]
}

export const WaterIsland = fromPage(WaterBench)
