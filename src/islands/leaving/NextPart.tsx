import { type ComesNext, tenths } from '../../core/close-out/comes-next.ts'
import { dayFull, dayShort, halfWidth } from '../../ui/format.ts'
import { Part } from '../../ui/Part.tsx'
import { spreadWords } from '../../ui/urgency.ts'
import type { Leaving } from './leaving.ts'

interface Props {
  leaving: Leaving
  rows: ComesNext[]
}

/** When somebody comes again, and what falls due at the machines of this visit until then and after. */
export function NextPart({ leaving, rows }: Props) {
  const { next, subjects } = leaving
  return (
    <Part title="What comes next">
      <p className="m-0 pb-1 text-[14.5px]">
        {next ? (
          <>
            Back <b>{dayFull(next.on)}</b>
            {next.from && `, ${next.from}`}
            {next.isAgreed ? '.' : ', proposed and not agreed yet.'}
          </>
        ) : (
          <span className="text-second">No next visit is agreed.</span>
        )}
      </p>
      <ul className="m-0 list-none p-0">
        {rows.map(({ key, name, machine, due, before }) => (
          <li key={key} className="flex items-baseline gap-3 border-t border-hair py-1 text-[14.5px]">
            <span className="min-w-0 flex-1 leading-tight">
              {name}
              <span className="block text-[13px] text-second">{machine}</span>
            </span>
            <span className="text-right">
              <span className="mono">
                {dayShort(due.p50)} {spreadWords(halfWidth(due))}
              </span>
              {before !== null && next && (
                <span className="block text-[13px] text-second">
                  due by {dayShort(next.on)}: {tenths(before)}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
      {rows.length === 0 && subjects.length > 0 && (
        <p className="m-0 text-[14px] text-second">Nothing falls due at these machines within four months.</p>
      )}
    </Part>
  )
}
