import { ofKind } from '../../../core/standing/histories.ts'
import type { WaterFigure } from '../../../core/standing/standing.ts'
import { fedFigures } from '../../../core/standing/water/feed-water.ts'
import { takeFigure } from '../../../core/standing/water/set-figure.ts'
import { steamReading } from '../../../core/steam/disagreement.ts'
import { saturation } from '../../../core/water/carbonate.ts'
import { langelier } from '../../../core/water/langelier.ts'
import { brewC, indexWords } from '../../../core/water/saturation-words.ts'
import { waterLimits, waterWarnings } from '../../../core/water/warnings.ts'
import { dayNear, daysUntil, figure } from '../../../ui/format.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import type { MachineWater } from './water-of.ts'

/** A year and a month: what the works print for longer is old. */
const oldDays = 396

/** How old and how sure the water is, what else it does, and the simplified index beside the full one. */
export function WaterCheck({ water, bundle, today }: { water: MachineWater; bundle: MachineBundle; today: string }) {
  const { facts, chalk, kept } = water
  const { known, sample, passing } = chalk.facts
  const { likely } = chalk.water.fed
  const rawPh = chalk.water.raw.likely.pH
  const full = saturation(likely, brewC)
  const tds = takeFigure(facts.histories, 'tds-per-us-cm').value * likely.conductivityUsCm
  const simple = langelier({
    pH: likely.pH,
    tdsMgL: Math.max(10, tds),
    tempC: brewC,
    calciumMgL: Math.max(1e-6, likely.hardnessMgL * likely.calciumShare),
    alkalinityMgL: Math.max(1e-6, likely.alkalinityMgL),
  })
  const limits = waterLimits((id) => takeFigure(facts.histories, id).value)
  const feed = fedFigures(chalk.facts, chalk.water)
  const warnings = waterWarnings(feed, kept ? 'copper' : 'stainless', kept?.factorNow ?? 1, limits)
  const tested = [known.raw, known.rawCarbonate, known.softened].filter((one) => one !== undefined)
  const steam = steamOf(facts.histories, today, bundle.site.altitudeM ?? 0)
  return (
    <section aria-label="How sure the water is">
      <h2 className="head m-0 pb-1">How sure the water is</h2>
      {tested.length === 0 && (
        <p className="m-0">
          Nobody tested it: a middling water stands in.{' '}
          <a className="word" href={`/water?site=${bundle.site.id}`}>
            Count the drops
          </a>{' '}
          and every date here is of this water.
        </p>
      )}
      <ul className="m-0 list-none p-0 text-[14px]">
        {known.raw && <Age what="Total hardness" figure={known.raw} today={today} />}
        {known.rawCarbonate && <Age what="Carbonate hardness" figure={known.rawCarbonate} today={today} />}
        {known.softened && <Age what="After the softener" figure={known.softened} today={today} />}
        {known.softenedCarbonate && (
          <Age what="After the cartridge, carbonate" figure={known.softenedCarbonate} today={today} />
        )}
        {passing?.test && (
          <li className="border-t border-hair py-1">
            The membrane lets through{' '}
            <b className="mono">{figure(Math.round(passing.test.passage.value * 1000) / 10)} %</b>{' '}
            <span className="text-second">of the feed, {dayNear(passing.test.on, today)}</span>
          </li>
        )}
        <li className="border-t border-hair py-1">
          pH {figure(Math.round(rawPh * 10) / 10)}{' '}
          <span className="text-second">
            {Math.abs(rawPh - likely.pH) > 0.05 && `raw, ${figure(Math.round(likely.pH * 10) / 10)} as it is fed; `}
            {sample.pH
              ? `${sample.pH.by === 'works' ? 'the works' : 'measured'}, ${dayNear(sample.pH.on, today)}`
              : 'not measured: from memory, balance with chalk is not assumed. Ask the works, or use a pen.'}
          </span>
        </li>
        <li className="border-t border-hair py-1">
          Index at {brewC} °C <b className="mono">{indexWords(full.si)}</b>
          <span className="text-second">
            {full.extrapolated && ' extrapolated above 90 °C;'} simplified after Langelier{' '}
            <span className="mono">{indexWords(simple.lsi)}</span>. Below 0 no scale is laid; it says nothing of
            corrosion.
          </span>
        </li>
        {warnings.map((warning) => (
          <li key={warning.about} className="border-t border-hair py-1 font-semibold text-brass-ink">
            {warning.text}{' '}
            <span className="mono text-[13px]">
              ({figure(warning.value)}, from {figure(warning.limit)} on)
            </span>
          </li>
        ))}
        {steam && (
          <li className={`border-t border-hair py-1 ${steam.says ? 'font-semibold text-brass-ink' : ''}`}>
            Steam boiler {figure(steam.bar)} bar and {figure(steam.tempC)} °C on {dayNear(steam.on, today)}: boils at{' '}
            {figure(steam.boilsAtC)} °C. {steam.says ?? 'Gauge and thermometer agree.'}
          </li>
        )}
      </ul>
      <p className="mt-2 mb-0 text-[14px]">
        <a className="word" href={`/water?site=${bundle.site.id}`}>
          Take this water to the bench
        </a>
      </p>
    </section>
  )
}

function Age({ what, figure: known, today }: { what: string; figure: WaterFigure; today: string }) {
  const days = -daysUntil(known.on, today)
  if (known.assumed)
    return (
      <li className="border-t border-hair py-1">
        {what}: {known.said}, <span className="mono">{dayNear(known.on, today)}</span>. A drop count there says it.
      </li>
    )
  const who = known.level === 'supply' ? 'the works' : known.level === 'softener' ? 'at its outlet' : 'at the tap'
  return (
    <li className={`border-t border-hair py-1 ${days > oldDays ? 'text-brass-ink' : ''}`}>
      {what}: {known.said}, {who}, <span className="mono">{figure(days)} d old</span>
      {days > oldDays && ': old, test again'}
    </li>
  )
}

/** Pressure and temperature of the steam boiler, if both were read on one day. */
function steamOf(histories: MachineWater['facts']['histories'], today: string, altitudeM: number) {
  const of = (measure: string) =>
    ofKind(histories, 'machine', 'measured').findLast(
      (entry) => entry.body.measure === measure && entry.happenedOn <= today,
    )
  const [pressure, temperature] = [of('steam-pressure'), of('steam-temperature')]
  if (!pressure || !temperature || pressure.happenedOn !== temperature.happenedOn) return null
  const [bar, tempC] = [pressure.body.value, temperature.body.value]
  return { bar, tempC, on: pressure.happenedOn, ...steamReading(bar, tempC, altitudeM) }
}
