import { careDrawings } from '../../core/care/care-drawings.ts'
import type { CareSheet } from '../../core/care/care-terms.ts'
import { rhythmNames } from '../../core/care/rhythm-names.ts'
import { type CareKept, keptWords } from '../../core/customers/care-kept.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'

interface Props {
  sheet: CareSheet
  machine: { id: string; name: string; model: string }
  site: string
  firm: string
  traffic: string
  /** Ways it can be backflushed; none where it is not. */
  ways: { id: string; name: string }[]
  chosen: string | null
  /** What they noted as done in the last quarter of a year. */
  kept: CareKept[]
  /** A log of the milk side belongs to it. */
  milk: boolean
}

/** What the customer does between visits, to be printed and hung beside the machine. */
export function CareView({ sheet, machine, site, firm, traffic, ways, chosen, kept, milk }: Props) {
  const keptOf = (name: string) => {
    const one = kept.find(({ what }) => what === name)
    return (
      one && <span className="block text-[14px] text-deep">{keptWords(one).slice(name.length + 2)}, in 13 weeks</span>
    )
  }
  const query = chosen ? `?backflush=${chosen}` : ''
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={`Between our visits: ${machine.name}`}
        under={[machine.model, site].filter(Boolean).join(', ')}
        facts={[{ label: 'Made for', value: traffic }]}
        action={
          <>
            <a href={`/machines/${machine.id}?lens=work`} className="plain inline-flex items-center whitespace-nowrap">
              Back to the machine
            </a>
            <a href="#their-page" className="plain inline-flex items-center whitespace-nowrap">
              Their page and label
            </a>
            {milk && (
              <a href={`/machines/${machine.id}/milk-log`} className="plain inline-flex items-center whitespace-nowrap">
                Milk log
              </a>
            )}
            <a
              href={`/api/machines/${machine.id}/care.pdf${query}`}
              className="act inline-flex items-center whitespace-nowrap"
            >
              As a PDF
            </a>
          </>
        }
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        {ways.length > 1 && (
          <form className="flex flex-wrap items-end gap-3 pb-3" data-noprint>
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[14px]">Backflushed by</span>
              <select className="field" name="backflush" defaultValue={chosen ?? ''}>
                {ways.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <button type="submit" className="plain">
              Show it so
            </button>
          </form>
        )}
        <div className="gap-x-10 lg:columns-2 print:columns-1">
          {sheet.rhythms.map(({ rhythm, items }) => (
            <section key={rhythm} aria-label={rhythmNames[rhythm]} className="break-inside-avoid-column pb-4">
              <h2 className="m-0 text-[18px] font-[640] text-deep">{rhythmNames[rhythm]}</h2>
              <ul className="m-0 list-none p-0">
                {items.map(({ say, how, drawing, caution, job }) => (
                  <li key={say} className="flex break-inside-avoid gap-3 border-t border-hair py-2">
                    <svg width={48} height={48} viewBox="0 0 48 48" aria-hidden="true" className="shrink-0">
                      <path
                        d={careDrawings[drawing]}
                        fill="none"
                        stroke="var(--deep)"
                        strokeWidth={1.8}
                        strokeLinecap="round"
                        strokeLinejoin="round"
                      />
                    </svg>
                    <span>
                      <b className="font-semibold">{say}</b>
                      {how && <span className="block text-[14px] text-second">{how}</span>}
                      {job && keptOf(job.name)}
                      {caution && <span className="block text-[14px] text-brass-ink">Caution: {caution}</span>}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
        <p className="m-0 border-t border-hair pt-2 text-[13px] text-second">
          {firm}. Common practice, no source, and in part from memory: the maker’s instructions and local rules come
          first.
        </p>
      </div>
    </div>
  )
}
