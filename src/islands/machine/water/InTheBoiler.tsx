import type { Line } from '../../../core/quantity/working.ts'
import type { BoilerConcentrate } from '../../../core/standing/water/boiler-concentrate.ts'
import { dayNear, figure } from '../../../ui/format.ts'
import { quantityWords } from '../../../ui/quantity.ts'

interface Props {
  kept: BoilerConcentrate
  today: string
  onAdjust: (line: Line) => void
}

/** What a steam boiler keeps of its water, how often it wants freshening, or how much hot water does the same. */
export function InTheBoiler({ kept, today, onAdjust }: Props) {
  const { boiler, solutes, first, steady, everyDays, factorNow, hotWaterInstead } = kept
  return (
    <section aria-label="What stays in the boiler">
      <h2 className="head m-0 pb-1">What stays in the boiler</h2>
      <p className="m-0 text-[14px] text-second">
        {quantityWords(boiler.steamLPerDay, 'L/open day')} leave as steam, which takes no salts;{' '}
        {quantityWords(boiler.hotWaterLPerDay, 'L/open day')} drawn hot carry them off.
      </p>
      <table className="mt-1 w-full border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="py-1 font-semibold">Dissolved</th>
            <th className="text-right font-semibold">Comes in</th>
            <th className="text-right font-semibold">Now, × {figure(factorNow)}</th>
            <th className="text-right font-semibold">At most</th>
            <th className="pl-3 font-semibold">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {solutes.map((solute) => (
            <tr key={solute.name} className="border-t border-hair">
              <td className={`py-1 ${solute === first ? 'font-semibold' : ''}`}>
                {solute.name} <span className="text-[13px] text-second">{solute.unit}</span>
              </td>
              <td className="mono text-right">{figure(solute.feed)}</td>
              <td
                className={`mono text-right font-semibold ${solute.feed * factorNow > solute.limit.value ? 'text-seal-ink' : ''}`}
              >
                {figure(solute.feed * factorNow)}
              </td>
              <td className="mono text-right">{figure(solute.limit.value)}</td>
              <td className="pl-3 text-right">
                <button
                  type="button"
                  className="min-h-[28px] text-[13px] font-semibold text-copper max-md:min-h-[44px]"
                  aria-label={`Change: ${solute.name} at most`}
                  onClick={() => onAdjust(solute.limit.line())}
                >
                  Change
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 mb-0">
        {steady === null
          ? 'Nothing is drawn hot, so it grows without limit. '
          : `It settles at ${figure(steady)} times the feed. `}
        {everyDays === null ? (
          first.factor > 1 ? (
            <b>Enough is drawn hot: no flush is needed for what is dissolved.</b>
          ) : (
            <b className="text-seal-ink">
              The water itself has more {first.name} than the boiler may hold: no flush helps, the water must change.
            </b>
          )
        ) : (
          <>
            <b>
              Freshen half of it every {figure(everyDays)} open days
              {kept.flushed ? `, last ${dayNear(kept.since, today)}` : ''}
            </b>
            , or draw {quantityWords(hotWaterInstead, 'L')} hot a day, which does the same.
          </>
        )}
      </p>
      <p className="mt-2 mb-0 border-l-4 border-brass pl-3 text-[14px]">
        Through the hot-water tap, hot. Draining bares the element: only where a level probe locks the heater, otherwise
        off, cooled and refilled cold before it heats again. Boiling water and steam scald.
      </p>
    </section>
  )
}
