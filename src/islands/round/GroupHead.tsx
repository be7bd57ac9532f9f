import { counted, dayShort, weekdayShort } from '../../ui/format.ts'
import { hoursWords } from '../../ui/hours.ts'
import type { RoundRow } from '../../views/round-page.ts'
import type { RoundFilter } from './FilterSentence.tsx'

export interface GroupHeadProps {
  row: RoundRow
  gather: RoundFilter['gather']
  names: Map<string, string>
}

/** What the rows under it have in common, and how much of it there is. */
export function GroupHead({ row, gather, names }: GroupHeadProps) {
  const { group, goes } = row
  if (!group) return null
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 border-t border-second px-4 pt-2.5 pb-1 lg:px-6">
      <h2 className="m-0 text-[15px] font-semibold md:pl-2.5">
        {gather === 'machine'
          ? `${row.machineName}, ${row.siteName}`
          : gather === 'site'
            ? row.siteName
            : group.isOpen || !goes
              ? 'On no visit yet'
              : `${weekdayShort(goes.on)} ${dayShort(goes.on)}, ${row.siteName}`}
      </h2>
      <span className="text-[14px] text-second">
        {gather === 'visit' && !group.isOpen && goes && (
          <>
            {names.get(goes.technicianId)?.split(' ')[0] ?? 'somebody who left'},{' '}
            {goes.state === 'taken' ? 'taken up' : goes.state}
            {goes.from && ` for ${goes.from}`}
            {', '}
          </>
        )}
        {goes && gather === 'visit' && !group.isOpen && goes.tasks > group.tasks
          ? `${group.tasks} of its ${goes.tasks} tasks`
          : counted(group.tasks, 'task')}
        , {hoursWords(group.minutes)} of work
      </span>
    </li>
  )
}
