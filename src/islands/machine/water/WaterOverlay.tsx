import { hardnessSymbol } from '../../../core/quantity/hardness.ts'
import { toDay } from '../../../core/quantity/local-day.ts'
import { monthNames } from '../../../core/quantity/month-words.ts'
import type { WaterStretch } from '../../../core/standing/water/along-path.ts'
import type { VesselChalk } from '../../../core/standing/water/vessel-chalk.ts'
import { figure } from '../../../ui/format.ts'
import { quantity } from '../../../ui/quantity.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import type { PathLayout, PlacedStation } from '../../path/layout.ts'
import { waterOf } from './water-of.ts'

interface Props {
  bundle: MachineBundle
  layout: PathLayout
  today: string
}

/** Hardness, carbonate hardness and conductivity by stretch of the line, and the chalk where it settles. */
export function WaterOverlay({ bundle, layout, today }: Props) {
  const water = waterOf(bundle)
  if (!water) return null
  const { chalk, facts, stretches } = water
  const place = new Map(layout.stations.map((placed) => [placed.station.id, placed]))
  const shown = stretches.filter(({ from, to }) => place.has(from) || place.has(to))
  return (
    <g>
      {chalk.vessels.map((vessel) => {
        const at = place.get(vessel.vessel.station)
        const share =
          vessel.thicknessOf(vessel.gramsAt(Math.max(facts.asOfDay, toDay(today)))) / vessel.figures.limitMm.value
        return at && <ChalkIn key={vessel.vessel.id} at={at} vessel={vessel} share={Math.min(1, share)} />
      })}
      {shown.map((stretch, i) => (
        <Bracket
          key={stretch.id}
          stretch={stretch}
          from={place.get(stretch.from) ?? place.get(stretch.to)!}
          to={place.get(stretch.to) ?? place.get(stretch.from)!}
          layout={layout}
          room={roomAfter(shown, i, place, layout)}
        />
      ))}
      {/* Folded for a phone there is no room for it: figures and sheet say it. */}
      {layout.pleats.length === 0 && (
        <text
          x={layout.width - 4}
          y={layout.bandY + 66}
          fontSize={12.5}
          className="narrow"
          textAnchor="end"
          fill="var(--second)"
        >
          chalk is drawn as its share of the limit
        </text>
      )}
    </g>
  )
}

/** Room a stretch's figures have before the next one's begin. */
function roomAfter(
  stretches: WaterStretch[],
  i: number,
  place: Map<string, PlacedStation>,
  layout: PathLayout,
): number {
  const next = stretches[i + 1]
  const end = next ? leftOf(place.get(next.from) ?? place.get(next.to)!) : layout.width
  const here = stretches[i]!
  return end - leftOf(place.get(here.from) ?? place.get(here.to)!)
}

const halves: Partial<Record<string, number>> = {
  boiler: 80,
  thermoblock: 48,
  tank: 46,
  'small-boiler': 32,
  'full-boiler': 32,
}
const halfOf = ({ station }: PlacedStation) => halves[station.symbol] ?? 14
const leftOf = (placed: PlacedStation) => Math.max(2, placed.at.x - halfOf(placed))

/** Spans the stretch it speaks for; the figures hang below. */
function Bracket({
  stretch,
  from,
  to,
  layout,
  room,
}: {
  stretch: WaterStretch
  from: PlacedStation
  to: PlacedStation
  layout: PathLayout
  room: number
}) {
  const left = leftOf(from)
  const right = Math.max(left + 60, to.at.x + halfOf(to))
  const y = layout.bandY + 2
  const boiler = stretch.id === 'boiler'
  const middle = boiler
    ? from.at.x - (from.station.symbol === 'boiler' ? 30 : 0)
    : Math.min((left + right) / 2, left + 70)
  const reaches = boiler ? from.at.y + (from.station.symbol === 'boiler' ? 62 : 25) : layout.mainY + 8
  const rows = [
    { ...hardness(stretch.totalMgL.value), name: 'total' },
    { ...hardness(stretch.carbonateMgL.value), name: 'carbonate' },
    { value: figure(stretch.conductivityUsCm), unit: 'µS/cm', name: '' },
  ]
  const wide = room > 150
  return (
    <g>
      <path
        d={`M${left} ${y - 7}V${y}H${right}V${y - 7}M${middle} ${y}V${reaches}`}
        fill="none"
        stroke={boiler ? 'var(--copper)' : 'var(--deep)'}
        strokeWidth={1.25}
      />
      <text x={left} y={y + 15} fontSize={13} className="slim" fill={boiler ? 'var(--copper)' : 'var(--ink)'}>
        {stretch.name}
        {room > 250 && (
          <tspan dx={8} className="narrow" fill="var(--second)" fontWeight={400}>
            {stretch.said.replace(/\d{4}-(\d\d)-(\d\d)/g, dayIn)}
          </tspan>
        )}
      </text>
      {rows.map((row, i) => (
        <text
          key={row.unit + row.name}
          x={left + 44}
          y={y + 32 + i * 16}
          fontSize={13}
          className="mono"
          textAnchor="end"
          fill="var(--ink)"
          fontWeight={600}
        >
          {row.value}
          <tspan x={left + 49} textAnchor="start" fontWeight={500} fill="var(--second)" fontSize={12}>
            {row.unit}
          </tspan>
          {wide && row.name && (
            <tspan dx={6} textAnchor="start" fontWeight={400} fill="var(--second)" fontSize={12.5} className="narrow">
              {row.name}
            </tspan>
          )}
        </text>
      ))}
    </g>
  )
}

const dayIn = (_: string, month: string, day: string) => `${Number(day)} ${monthNames[Number(month) - 1]}`

const hardness = (mgL: number) => quantity(mgL, hardnessSymbol.mgL)

/** Thickest band of chalk in a boiler, and in an exchanger's tube, at its limit: pixels of the drawing. */
const boilerBand = 11
const tubeBand = 7
const smallBand = 6

/** Chalk on the wetted walls of a symbol. */
function ChalkIn({ at, vessel, share }: { at: PlacedStation; vessel: VesselChalk; share: number }) {
  const { heats, name } = vessel.vessel
  const chalkFill = { fill: 'var(--chalk)', stroke: 'var(--brass)', strokeWidth: 0.75 } as const
  const words = `${name}: chalk at ${Math.round(share * 100)} % of its limit`
  if (share <= 0) return null
  if (at.station.symbol === 'small-boiler' || at.station.symbol === 'full-boiler') {
    const b = Math.max(1.5, share * smallBand)
    return (
      <g transform={`translate(${at.at.x} ${at.at.y})`}>
        <title>{words}</title>
        <path
          d={`M${-27 + b / 2} -6V14a9 9 0 0 0 9 ${9 - b / 2}H18a9 9 0 0 0 9 ${-9 + b / 2}V-6`}
          fill="none"
          stroke="var(--chalk)"
          strokeWidth={b}
        />
      </g>
    )
  }
  if (heats === 'steam') {
    const b = Math.max(1.5, share * boilerBand)
    return (
      <g transform={`translate(${at.at.x} ${at.at.y})`}>
        <title>{words}</title>
        <path
          d={`M-74.5 -24V46a14 14 0 0 0 14 14H60.5a14 14 0 0 0 14 -14V-24H${74.5 - b}V${46}a${Math.max(2, 14 - b)} ${Math.max(2, 14 - b)} 0 0 1 -${Math.max(2, 14 - b)} ${Math.max(2, 14 - b)}H-${60.5 - 1}a${Math.max(2, 14 - b)} ${Math.max(2, 14 - b)} 0 0 1 -${Math.max(2, 14 - b)} -${Math.max(2, 14 - b)}V-24Z`}
          {...chalkFill}
        />
        <path d="M-28 43.500H60" stroke="var(--chalk)" strokeWidth={Math.max(1, b * 0.6)} />
        <path d="M-28 43.500H60" stroke="var(--deep)" strokeWidth={1} />
      </g>
    )
  }
  if (heats === 'exchanger') {
    const b = Math.max(1.5, share * tubeBand)
    return (
      <g transform={`translate(${at.at.x} ${at.at.y})`}>
        <title>{words}</title>
        <rect x={-57} y={-10} width={114} height={b} {...chalkFill} />
        <rect x={-57} y={10 - b} width={114} height={b} {...chalkFill} />
      </g>
    )
  }
  // A path that has no channel drawn: chalk about its middle.
  if (at.station.symbol !== 'thermoblock')
    return (
      <g transform={`translate(${at.at.x} ${at.at.y})`}>
        <title>{words}</title>
        <circle r={Math.max(1.5, share * smallBand)} {...chalkFill} />
      </g>
    )
  const channel =
    'M-44 0H-34V-16a6 6 0 0 1 12 0V10a6 6 0 0 0 12 0V-16a6 6 0 0 1 12 0V10a6 6 0 0 0 12 0V-16a6 6 0 0 1 12 0V0H44'
  return (
    <g transform={`translate(${at.at.x} ${at.at.y})`}>
      <title>{words}</title>
      <path d={channel} fill="none" stroke="var(--chalk)" strokeWidth={5.5} />
      <path d={channel} fill="none" stroke="var(--tint)" strokeWidth={Math.max(0.5, 5 * (1 - share))} />
    </g>
  )
}
