import { dayNear, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { Act, Part } from '../../ui/Part.tsx'
import type { SoftenerPage } from '../../views/softener-page.ts'

const PassageChart = later(
  () => import('./PassageChart.tsx').then((module) => module.PassageChart),
  () => <div className="h-[170px]" />,
)

const percent = (share: number) => figure(Math.round(share * 1000) / 10)

/** What a membrane let through of the feed, day by day, against the share at which it is changed. */
export function PassageTests({
  passage,
  today,
  onMeasure,
}: {
  passage: NonNullable<SoftenerPage['passage']>
  today: string
  onMeasure: () => void
}) {
  const { tests, limit } = passage
  return (
    <Part title="What it lets through" action={<Act onClick={onMeasure}>Measure</Act>}>
      {tests.length === 0 ? (
        <p className="m-0 text-second">
          Never measured. A worn membrane tells nobody: a pen before it and behind it does.
        </p>
      ) : (
        <>
          <PassageChart passage={passage} today={today} />
          <table className="w-full border-collapse text-[14px]">
            <thead>
              <tr className="slim text-left text-[13px] text-second">
                <th className="py-1 font-semibold">Day, µS/cm</th>
                <th className="text-right font-semibold">Before</th>
                <th className="text-right font-semibold">Behind</th>
                <th className="text-right font-semibold">Passage, %</th>
              </tr>
            </thead>
            <tbody>
              {tests.map((test) => (
                <tr key={`${test.on} ${test.fromBlend}`} className="border-t border-hair">
                  <td className="mono py-1 whitespace-nowrap">{dayNear(test.on, today)}</td>
                  <td className="mono text-right">
                    {!test.feedMeasured && <span title="not measured: as goes with hardness">≈ </span>}
                    {figure(Math.round(test.feedUsCm))}
                  </td>
                  <td className="mono text-right">
                    {test.fromBlend && <span title="told from the blend">≈ </span>}
                    {figure(Math.round(test.behindUsCm))}
                  </td>
                  <td className={`mono text-right ${test.passage.value >= limit ? 'font-semibold text-seal-ink' : ''}`}>
                    {percent(test.passage.value)}
                    <span className="text-second max-sm:hidden">
                      , {percent(test.passage.low)} to {percent(test.passage.high)}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <p className="mt-1 mb-0 text-[13px] text-second">
        Changed above {percent(limit)} % of the feed’s conductivity, or when it makes a third less water, from memory.
        {tests.some(({ fromBlend, feedMeasured }) => fromBlend || !feedMeasured) &&
          ' ≈ was told from the blend or from hardness: a pen at both taps is surer.'}
      </p>
    </Part>
  )
}
