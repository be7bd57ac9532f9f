import { CartesianGrid, Line, LineChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts'
import { saturation, type TestedWater } from '../../core/water/carbonate.ts'
import { measuredUpToC } from '../../core/water/equilibria.ts'
import { brewC, steamC } from '../../core/water/saturation-words.ts'
import { firmUnit, quantity } from '../../ui/quantity.ts'
import { roundTicks } from '../../ui/round-ticks.ts'

interface Props {
  raw: TestedWater
  treated: TestedWater | null
  of: 'index' | 'potential'
  width: number
}

const height = 178
const temps = Array.from({ length: 26 }, (_, i) => 5 + i * 5)

/** Saturation index, or what must fall out, against temperature: the tap's water and the treated one. */
export function SaturationChart({ raw, treated, of, width }: Props) {
  const value = (water: TestedWater, tempC: number) => {
    const at = saturation(water, tempC)
    return of === 'index' ? at.si : at.ccppMgL
  }
  const rows = temps.map((tempC) => ({
    tempC,
    tap: value(raw, tempC),
    treated: treated ? value(treated, tempC) : undefined,
  }))
  const seen = rows.flatMap(({ tap, treated: other }) => [tap ?? 0, other ?? 0])
  const ticks =
    of === 'index' ? wholeTicks(Math.min(0, ...seen), Math.max(0, ...seen)) : roundTicks(Math.max(10, ...seen))
  const label = (tempC: number) => `${quantity(tempC, '°C').value} ${firmUnit('°C')}`
  const title = of === 'index' ? 'Saturation index' : 'Must fall out, mg/L'
  const [brew, steam] = [value(raw, brewC), value(raw, steamC)]
  return (
    <div
      role="img"
      aria-label={`${title} of the tap water: ${brew?.toFixed(2) ?? 'none'} at ${label(brewC)}, ${steam?.toFixed(2) ?? 'none'} at ${label(steamC)}`}
    >
      <LineChart width={width} height={height} data={rows} margin={{ top: 18, right: 12, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--hair)" vertical={false} />
        <ReferenceArea x1={measuredUpToC} x2={130} fill="var(--hair)" fillOpacity={0.35} />
        <XAxis
          dataKey="tempC"
          type="number"
          domain={[5, 130]}
          ticks={[10, 30, 60, 90, 120]}
          tickFormatter={(tempC: number) => quantity(tempC, '°C').value}
          tick={{ fontSize: 12, fill: 'var(--second)', fontFamily: 'Spline Sans Mono' }}
          stroke="var(--second)"
        />
        <YAxis
          width={44}
          domain={[ticks[0]!, ticks.at(-1)!]}
          ticks={ticks}
          tickFormatter={(n: number) => String(n)}
          tick={{ fontSize: 12, fill: 'var(--second)', fontFamily: 'Spline Sans Mono' }}
          stroke="var(--second)"
        />
        {of === 'index' && <ReferenceLine y={0} stroke="var(--ink)" strokeWidth={1.25} />}
        <ReferenceLine
          x={brewC}
          stroke="var(--second)"
          strokeDasharray="3 3"
          label={{ value: 'brew', position: 'top', fontSize: 12, fill: 'var(--second)' }}
        />
        <ReferenceLine
          x={steamC}
          stroke="var(--second)"
          strokeDasharray="3 3"
          label={{ value: 'steam', position: 'top', fontSize: 12, fill: 'var(--second)' }}
        />
        <Line dataKey="tap" stroke="var(--copper)" strokeWidth={2} dot={false} isAnimationActive={false} />
        {treated && (
          <Line dataKey="treated" stroke="var(--water)" strokeWidth={2} dot={false} isAnimationActive={false} />
        )}
      </LineChart>
    </div>
  )
}

const wholeTicks = (least: number, most: number): number[] =>
  Array.from({ length: Math.ceil(most) - Math.floor(least) + 1 }, (_, i) => Math.floor(least) + i)
