import { coolerGoodC, type MilkDay } from '../../core/care/milk-log.ts'
import { figure, weekdayShort } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'

interface Props {
  days: MilkDay[]
  /** As it is said, and the months beside it. */
  month: { words: string; before: string; after: string }
  machine: { id: string; name: string }
  site: string
  firm: string
  initials: Record<string, string>
}

/** A month of the milk side: what is on record stands in it, the rest is there to be written on. */
export function MilkLogView({ days, month, machine, site, firm, initials }: Props) {
  const here = `/machines/${machine.id}/milk-log`
  const stripped = days.filter((day) => day.stripped).length
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={`Milk log: ${machine.name}`}
        under={`${site}, ${month.words}`}
        facts={[{ label: 'Stripped, on record', value: stripped === 0 ? 'not yet' : `${stripped} ×` }]}
        action={
          <>
            <a className="plain inline-flex items-center" href={`${here}?month=${month.before}`}>
              Month before
            </a>
            <a className="plain inline-flex items-center" href={`${here}?month=${month.after}`}>
              Month after
            </a>
            <a className="plain inline-flex items-center whitespace-nowrap" href={`/machines/${machine.id}/care`}>
              Care sheet
            </a>
          </>
        }
      />
      <div className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="m-0 pb-2 text-[14px] text-second">
          To print and hang beside the machine. Milk at {coolerGoodC.from} to {coolerGoodC.to} °C; rinsed after use;
          cleaner through it every day; stripped, brushed and its air jet pricked every week. Out of the range, or left
          warm for two hours: thrown away. Local food rules come first.
        </p>
        <section
          className="overflow-x-auto"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide table scrolls, and the keyboard must reach it
          tabIndex={0}
          aria-label="The month, day by day"
        >
          <table className="w-full min-w-[560px] border-collapse text-[14px]">
            <thead>
              <tr className="slim text-left text-[13px] text-second">
                <th className="py-1 font-semibold">Day</th>
                <th className="font-semibold">Rinsed</th>
                <th className="font-semibold">Cleaner</th>
                <th className="font-semibold">Stripped, brushed</th>
                <th className="font-semibold">Cooler, °C</th>
                <th className="font-semibold">Who</th>
              </tr>
            </thead>
            <tbody>
              {days.map((row) => (
                <tr key={row.day} className="border-t border-hair">
                  <td className="mono h-[30px] w-[120px]">
                    {weekdayShort(row.day)} {Number(row.day.slice(8))}
                  </td>
                  <td className="border-l border-hair px-2" />
                  <td className="border-l border-hair px-2">{row.cleaned ? 'done' : ''}</td>
                  <td className="border-l border-hair px-2">{row.stripped ? 'done' : ''}</td>
                  <td className="mono border-l border-hair px-2">
                    {row.coolerC !== null && (
                      <>
                        {figure(row.coolerC)}
                        {(row.coolerC < coolerGoodC.from || row.coolerC > coolerGoodC.to) && (
                          <b className="text-seal-ink"> out of range</b>
                        )}
                      </>
                    )}
                  </td>
                  <td className="border-l border-hair px-2">{row.by.map((id) => initials[id] ?? '').join(', ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <p className="m-0 border-t border-hair pt-2 text-[13px] text-second">
          {firm}. Common practice, no source: the maker’s instructions and local food rules come first.
        </p>
      </div>
    </div>
  )
}
