import { dayNear, figure } from '../../ui/format.ts'
import { Act, Part } from '../../ui/Part.tsx'
import type { SoftenerPage } from '../../views/softener-page.ts'

/** Chlorine before and behind the carbon: it is spent as soon as any is found behind it. */
export function ChlorineTests({
  chlorine,
  today,
  onMeasure,
}: {
  chlorine: NonNullable<SoftenerPage['chlorine']>
  today: string
  onMeasure: () => void
}) {
  const { tests, freeLimitMgL, totalLimitMgL } = chlorine
  const over = (value: number | undefined, limit: number) => value !== undefined && value > limit
  return (
    <Part title="Chlorine" action={<Act onClick={onMeasure}>Measure</Act>}>
      {tests.length === 0 ? (
        <p className="m-0 text-second">Never measured. Spent carbon tells nobody: a paper behind it does.</p>
      ) : (
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="slim text-left text-[13px] text-second">
              <th className="py-1 font-semibold">Day</th>
              <th className="font-semibold">Where</th>
              <th className="text-right font-semibold">Free, mg/L</th>
              <th className="text-right font-semibold">Total, mg/L</th>
            </tr>
          </thead>
          <tbody>
            {tests.map((test) => (
              <tr key={`${test.on} ${test.point}`} className="border-t border-hair">
                <td className="mono py-1 whitespace-nowrap">{dayNear(test.on, today)}</td>
                <td>{test.point === 'raw' ? 'before it' : 'behind it'}</td>
                {(
                  [
                    ['free', test.freeMgL, freeLimitMgL],
                    ['total', test.totalMgL, totalLimitMgL],
                  ] as const
                ).map(([name, value, limit]) => (
                  <td
                    key={name}
                    className={`mono text-right ${test.point === 'behind' && over(value, limit) ? 'font-semibold text-seal-ink' : ''}`}
                  >
                    {value === undefined ? '–' : figure(value)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-1 mb-0 text-[13px] text-second">
        Spent above {figure(freeLimitMgL)} mg/L free or {figure(totalLimitMgL)} mg/L total, from memory. Total that
        stays while free is gone is chloramine: catalytic carbon, or three times the contact time.
      </p>
    </Part>
  )
}
