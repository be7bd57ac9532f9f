import type { FaultBook } from '../../core/faults/fault.ts'
import type { PriorReason } from '../../core/faults/prior-factors.ts'
import type { Suspicion } from '../../core/faults/search.ts'
import { sharesOf, suspectName } from '../../core/faults/shares.ts'

interface Props {
  book: FaultBook
  now: Suspicion
  chosen: string
  reasons: Record<string, PriorReason[]>
  onChoose: (fault: string) => void
}

const shown = 9

/** Who is suspected, how much, and what the records have to do with it. */
export function Suspects({ book, now, chosen, reasons, onChoose }: Props) {
  const ranked = sharesOf(now.network, now.belief)
    .map(({ fault: id, p }, i) => ({ id, station: book.faults[i]?.station, p }))
    .sort((a, b) => b.p - a.p)
  const rest = ranked.slice(shown).reduce((sum, { p }) => sum + p, 0)
  return (
    <section className="min-w-0 border-hair px-4 py-3 lg:border-l" aria-label="Suspects">
      <h2 className="head m-0">
        Suspects <span className="text-[14px] font-normal text-second">shares of 100 %</span>
      </h2>
      <ul className="m-0 list-none p-0">
        {ranked.slice(0, shown).map(({ id, station, p }) => {
          const on = id === chosen
          return (
            <li key={id} className="border-t border-hair">
              <button
                type="button"
                aria-pressed={on}
                className={`flex min-h-[48px] w-full items-baseline gap-3 px-2 py-1.5 text-left ${on ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
                onClick={() => onChoose(id)}
              >
                <span className="min-w-0 flex-1">
                  <b className="block text-[15px] leading-tight font-semibold">{suspectName(book, id)}</b>
                  <span className="block text-[13px] text-second">
                    {[...(reasons[id] ?? []).map(({ words }) => words), station === null ? 'outside the machine' : null]
                      .filter(Boolean)
                      .join('; ')}
                  </span>
                </span>
                <span className="mono text-[15px] font-semibold">{percent(p)}</span>
              </button>
            </li>
          )
        })}
      </ul>
      {rest > 0.005 && (
        <p className="m-0 border-t border-hair py-1.5 text-[14px] text-second">
          {ranked.length - shown} others together {percent(rest)}
        </p>
      )}
    </section>
  )
}

const percent = (p: number): string => (p < 0.005 ? '< 1 %' : `${Math.round(100 * p)} %`)
