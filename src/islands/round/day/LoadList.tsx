import type { CarryLine } from '../../../core/rounds/carry.ts'

interface Props {
  lines: CarryLine[]
  loaded: ReadonlySet<string>
  /** Numbers of stops before the first that is still to come. */
  after: number
  onToggle: (id: string) => void
}

const groups = [
  { id: 'parts', name: 'Parts' },
  { id: 'materials', name: 'What goes in' },
  { id: 'tools', name: 'Tools out of the ordinary' },
] as const

/** What the van needs today, and why; ticked when it is loaded. */
export function LoadList({ lines, loaded, after, onToggle }: Props) {
  return (
    <section aria-label="Load">
      <h2 className="head m-0">
        Load{' '}
        <span className="text-[14px] font-normal text-second">
          {lines.length === 0
            ? 'nothing beside the usual'
            : `${lines.filter(({ id }) => loaded.has(id)).length} of ${lines.length} in the van`}
        </span>
      </h2>
      <div className="print:columns-3 print:gap-4">
        {groups.map(({ id: group, name }) => {
          const here = lines.filter((line) => line.group === group)
          if (here.length === 0) return null
          return (
            <div key={group}>
              <h3 className="slim m-0 pt-2 text-[13px] text-second">{name}</h3>
              <ul className="m-0 list-none p-0">
                {here.map((line) => (
                  <li key={line.id} className="border-t border-hair">
                    <label className="flex min-h-[44px] items-center gap-2.5 py-0.5 leading-tight print:min-h-0 print:gap-1.5 print:text-[11.5px]">
                      <input
                        type="checkbox"
                        className="h-5 w-5 shrink-0 print:h-3 print:w-3"
                        checked={loaded.has(line.id)}
                        onChange={() => onToggle(line.id)}
                        data-load={line.id}
                      />
                      <span className="min-w-0 flex-1">
                        {line.name}{' '}
                        <span className="text-[13px] text-second print:text-[10px]">
                          {stopsWords(line.stops, after)}
                        </span>
                        <span className="block text-[13px] text-second print:text-[10px]">
                          {line.chance !== undefined && (
                            <b className="font-semibold text-brass-ink">
                              may need it, {Math.round(line.chance * 100)} in 100.{' '}
                            </b>
                          )}
                          {line.why}
                        </span>
                      </span>
                      {line.pieces !== undefined && (
                        <span className="mono shrink-0 text-[14px] print:text-[11px]">{line.pieces}</span>
                      )}
                    </label>
                  </li>
                ))}
              </ul>
            </div>
          )
        })}
      </div>
      <p className="m-0 pt-2 text-[13px] text-second print:pt-1 print:text-[10px]">
        From what is due, the usual way of each service, and what reported faults most likely need by the complaint
        alone. What the van has is not counted here. Ticks stay on this device.
      </p>
    </section>
  )
}

const stopsWords = (stops: number[], after: number): string =>
  `${stops.length === 1 ? 'stop' : 'stops'} ${stops.map((n) => n + 1 + after).join(', ')}`
