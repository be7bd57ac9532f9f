import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { LearnedLife } from '../../core/lifetimes/learned-life.ts'
import { ageAt, survivalAt } from '../../core/lifetimes/weibull.ts'
import { figure } from '../../ui/format.ts'

/** The share still good by age: steps are the firm's own, the full line what is learned, dashed the catalogue. */
export function SurvivalChart({ learned, unit }: { learned: LearnedLife; unit: string }) {
  const { steps, together, catalogue, usualLife } = learned
  const end = Math.max(ageAt(together, 0.97), ageAt(catalogue, 0.9), (steps.at(-1)?.t ?? 0) * 1.05)
  const curve = (life: { shape: number; scale: number }) =>
    Array.from({ length: 41 }, (_, i) => ({ t: (end * i) / 40, share: 100 * survivalAt(life, (end * i) / 40) }))
  const own = [{ t: 0, share: 100 }, ...steps.map(({ t, survival }) => ({ t, share: 100 * survival }))]
  return (
    <>
      <div
        className="h-[240px]"
        role="img"
        aria-label={`A fifth has failed by ${figure(Number(usualLife.value.toPrecision(3)))} ${unit}; by the catalogue ${figure(catalogue.usualLife)}`}
      >
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 440, height: 240 }}>
          <LineChart margin={{ top: 10, right: 14, bottom: 4, left: 0 }}>
            <CartesianGrid stroke="var(--hair)" />
            <XAxis
              dataKey="t"
              type="number"
              allowDuplicatedCategory={false}
              domain={[0, end]}
              tickFormatter={(value: number) => figure(Number(value.toPrecision(2)))}
              tick={{ fontSize: 12, fill: 'var(--second)' }}
              stroke="var(--second)"
            />
            <YAxis
              width={48}
              domain={[0, 100]}
              unit=" %"
              ticks={[0, 20, 40, 60, 80, 100]}
              tick={{ fontSize: 12, fill: 'var(--second)', fontFamily: 'Spline Sans Mono' }}
              stroke="var(--second)"
            />
            <ReferenceLine y={80} stroke="var(--copper)" strokeDasharray="2 3" />
            <ReferenceLine x={usualLife.value} stroke="var(--copper)" strokeWidth={1.5} />
            <Line
              data={curve(catalogue)}
              dataKey="share"
              stroke="var(--second)"
              strokeDasharray="5 4"
              dot={false}
              isAnimationActive={false}
            />
            <Line
              data={curve(together)}
              dataKey="share"
              stroke="var(--water)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
            {steps.length > 0 && (
              <Line
                data={own}
                dataKey="share"
                type="stepAfter"
                stroke="var(--ink)"
                strokeWidth={1.5}
                dot={false}
                isAnimationActive={false}
              />
            )}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <ul className="m-0 flex list-none flex-wrap gap-x-4 p-0 text-[13px] text-second">
        <li>Share still good, by {unit}:</li>
        {steps.length > 0 && <Legend stroke="var(--ink)" words="yours, as seen" />}
        <Legend stroke="var(--water)" words="learned" />
        <Legend stroke="var(--second)" dash="5 4" words="catalogue" />
        <Legend stroke="var(--copper)" words="a fifth has failed" />
      </ul>
    </>
  )
}

function Legend({ stroke, dash, words }: { stroke: string; dash?: string; words: string }) {
  return (
    <li className="flex items-center gap-1.5">
      <svg width={22} height={8} aria-hidden="true">
        <path d="M0 4H22" stroke={stroke} strokeWidth={2} strokeDasharray={dash} />
      </svg>
      {words}
    </li>
  )
}
