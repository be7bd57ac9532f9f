import { careKept, keptLookBackDays, keptWords } from '../../core/customers/care-kept.ts'
import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import type { Histories } from '../../core/standing/histories.ts'

/**
 * What those who work with the machine noted of its care: something to ask about, and no cause by itself. Nothing is
 * reckoned from it, for what nobody noted may well be done.
 */
export function CareNoted({ histories, today }: { histories: Histories; today: LocalDay }) {
  const kept = careKept(histories, fromDay(toDay(today) - keptLookBackDays), today)
  if (kept.length === 0) return null
  return (
    <section aria-label="Between visits" className="pt-3">
      <h3 className="m-0 text-[15px] font-[620]">Between visits, as they noted it</h3>
      <ul className="m-0 list-none p-0 text-[14px]">
        {kept.map((one) => (
          <li key={one.what} className="border-t border-hair py-1">
            {keptWords(one)}
          </li>
        ))}
      </ul>
      <p className="m-0 text-[13px] text-second">Not noted is not left undone: ask how it is done, before it counts.</p>
    </section>
  )
}
