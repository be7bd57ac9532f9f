import { useState } from 'react'
import { dayNear } from '../../ui/format.ts'
import type { CausesPage } from '../../views/causes-page.ts'

interface Props {
  row: CausesPage['rows'][number]
  percent: (share: number) => string
  today: string
}

/** One cause with its shares, and on which machines it was found. */
export function CauseRow({ row, percent, today }: Props) {
  const [open, setOpen] = useState(false)
  const moved = row.ownShare / row.bookShare
  return (
    <>
      <tr className="border-t border-hair">
        <td className="py-0.5">
          <button
            type="button"
            className="flex min-h-[44px] items-center gap-2 text-left font-semibold"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            <span aria-hidden="true" className="text-copper">
              {open ? '▾' : '▸'}
            </span>
            {row.name}
          </button>
        </td>
        <td className="mono pr-3 text-right whitespace-nowrap">{row.cured.length}</td>
        <td className="mono pr-3 text-right max-sm:hidden">{row.notCured}</td>
        <td className="mono pr-3 text-right whitespace-nowrap">{percent(row.bookShare)}</td>
        <td className={`mono text-right whitespace-nowrap ${moved > 1.2 ? 'font-semibold text-copper' : ''}`}>
          {percent(row.ownShare)}
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={5} className="pb-2 pl-6 text-[14px]">
            {row.cured.map(({ machine, on }) => (
              <a
                key={`${machine.id} ${on}`}
                className="flex min-h-[32px] items-center gap-3 hover:underline"
                href={`/machines/${machine.id}?lens=ledger`}
              >
                <span className="mono w-[92px]">{dayNear(on, today)}</span>
                {machine.name}, {machine.site}
              </a>
            ))}
            {row.cured.length === 0 && <span className="text-second">Repaired, and it was not it.</span>}
          </td>
        </tr>
      )}
    </>
  )
}
