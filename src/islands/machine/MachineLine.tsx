import { stageName } from '../../core/standing/stages.ts'
import { dayNear, daysUntil, figure } from '../../ui/format.ts'
import { urgencyOf, urgencyText } from '../../ui/urgency.ts'
import type { MachineRow } from '../../views/machine-page.ts'

interface Props {
  row: MachineRow
  today: string
  kinds: { id: string; name: string }[]
  withPlace: boolean
}

/** A machine in a list: what it is, its last reading, what is due next. */
export function MachineLine({ row, today, kinds, withPlace }: Props) {
  const urgency = urgencyOf(row.nextDue ? { p10: row.nextDue, p50: row.nextDue, p90: row.nextDue } : undefined, today)
  const age = row.counter ? -daysUntil(row.counter.on, today) : null
  const columns = withPlace ? 'md:grid-cols-[1fr_1.3fr_1.9fr_1.2fr_0.8fr]' : 'md:grid-cols-[1fr_1.9fr_1.4fr_0.9fr]'
  return (
    <li className="border-t border-hair">
      <a
        href={`/machines/${row.id}`}
        className={`grid min-h-[44px] grid-cols-2 items-center gap-x-4 py-1.5 hover:bg-copper-tint ${columns}`}
      >
        <span className="font-semibold">{row.name}</span>
        {withPlace && (
          <span className="narrow max-md:text-right">
            {row.siteName}
            {row.area && <span className="text-second">, {row.area}</span>}
          </span>
        )}
        <span className={`narrow text-[14px] ${withPlace ? '' : 'max-md:order-3 max-md:col-span-2'}`}>
          {[row.maker, row.model].filter(Boolean).join(' ')}{' '}
          <span className="text-second">
            {(row.maker || row.model) && '· '}
            {kinds.find(({ id }) => id === row.kind)?.name ?? row.kind}
          </span>
        </span>
        <span className="mono text-[13px] max-md:hidden">
          {row.counter ? (
            <>
              {figure(row.counter.count)}{' '}
              <span className={age! > 60 ? 'text-brass-ink' : 'text-second'}>
                {row.counter.unit}, {dayNear(row.counter.on, today)}
              </span>
            </>
          ) : (
            !row.uncounted && <span className="text-brass-ink">not read yet</span>
          )}
        </span>
        <span className={`mono text-right text-[13px] ${urgencyText[urgency]}`}>
          {row.stage !== 'working' && row.stage !== 'still'
            ? stageName[row.stage]
            : row.nextDue
              ? urgency === 'overdue'
                ? `overdue ${-daysUntil(row.nextDue, today)} d`
                : `next ${dayNear(row.nextDue, today)}`
              : 'nothing due'}
        </span>
      </a>
    </li>
  )
}
