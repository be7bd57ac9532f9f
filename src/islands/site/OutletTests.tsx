import { dayNear, figure } from '../../ui/format.ts'
import { quantity } from '../../ui/quantity.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'

/** What its outlet was found to be, after how many litres, and what that says of it. */
export function OutletTests({ page, today }: { page: SoftenerPage; today: string }) {
  const { site, tests, capacity, softener } = page
  const isCartridge = softener.treatment === 'cartridge'
  return (
    <section aria-label="Outlet tests" className="pb-5">
      <div className="flex items-baseline gap-3">
        <h2 className="head m-0 pb-1">Outlet tests</h2>
        <a className="word ml-auto text-[14px]" href={`/water?site=${site.id}`}>
          Test it
        </a>
      </div>
      {tests.length === 0 ? (
        <p className="m-0 text-second">
          {isCartridge
            ? 'Its carbonate hardness was never tested: a spent cartridge tells nobody, a drop count does.'
            : 'Never tested. A spent softener tells nobody: three drops at its outlet do.'}
        </p>
      ) : (
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="slim text-left text-[13px] text-second">
              <th className="py-1 font-semibold">Day</th>
              <th className="font-semibold">Found</th>
              <th className="text-right font-semibold">After, L</th>
              <th className="text-right font-semibold max-sm:hidden">
                {isCartridge ? 'Taken up, g' : 'Taken up, g/L'}
              </th>
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
                      ? `spent far too early: ${isCartridge ? 'is its bypass set as said?' : 'regenerated well? bypass shut?'}`
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
  )
}

/** Less than half of what resin takes up: not the resin, but what was done to it. */
const isFarTooEarly = (test: SoftenerPage['tests'][number], capacity: SoftenerPage['capacity']): boolean =>
  test.takenUpGPerL !== null && capacity !== null && test.takenUpGPerL < capacity.usualGPerL / 2
