import type { ReactNode } from 'react'
import { kindById } from '../../core/kinds/index.ts'
import { type Procedure, shownFigures, type Way } from '../../core/procedures/procedure.ts'

/** The way that is usual here, and what makes it so. */
export interface Usual {
  id: string
  words: string
}

interface Props {
  procedure: Procedure
  chosen: string
  /** Usual on the machine at hand; where there is none, each says for which kinds it is. */
  usual: Usual | null
  onChoose: (id: string) => void
  children?: ReactNode
}

/** The ways of a procedure, figures side by side, each with its reason. */
export function WayChoice({ procedure, chosen, usual, onChoose, children }: Props) {
  const figures = new Map(procedure.ways.map((way) => [way.id, shownFigures(way)]))
  const names = [...new Set(procedure.ways.flatMap((way) => way.figures.map(({ name }) => name)))]
  const one = procedure.ways.length === 1
  return (
    <section className="pt-4" aria-label={`${procedure.name}: ways`}>
      <h2 className="head m-0">{procedure.name}: which way</h2>
      <ul className="m-0 list-none p-0 md:hidden">
        {procedure.ways.map((way) => (
          <li
            key={way.id}
            className={`border-t border-hair py-1.5 pl-3 ${way.id === chosen ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
          >
            <label className="flex min-h-[48px] items-center gap-3">
              <input
                type="radio"
                name={`way of ${procedure.id}, listed`}
                className={`h-6 w-6 shrink-0 ${one ? 'hidden' : ''}`}
                checked={way.id === chosen}
                onChange={() => onChoose(way.id)}
              />
              <span>
                <b className="font-semibold">{way.name}</b>
                {way.id === usual?.id && <span className="text-[14px] text-second"> {usual.words}</span>}
                <span className="block text-[14px] text-second">
                  {figures
                    .get(way.id)!
                    .filter(({ words }) => words !== 'none')
                    .map(({ name, words }) => `${name.toLowerCase()} ${words}`)
                    .join('; ')}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <section
        className="relative overflow-x-auto max-md:hidden"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide table scrolls, and the keyboard must reach it
        tabIndex={0}
        aria-label={`${procedure.name}, figures side by side`}
      >
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="slim text-left text-[13px] text-second">
              <th className="min-w-[180px] py-1 font-semibold">Way</th>
              {names.map((name) => (
                <th key={name} className="min-w-[92px] pr-3 font-semibold">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {procedure.ways.map((way) => (
              <tr
                key={way.id}
                className={`border-t border-hair align-top ${way.id === chosen ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
              >
                <td className="py-1.5 pr-3 pl-3">
                  {!one ? (
                    <label className="flex min-h-[44px] cursor-pointer items-center gap-2 font-semibold">
                      <input
                        type="radio"
                        name={`way of ${procedure.id}`}
                        className="h-5 w-5 shrink-0"
                        checked={way.id === chosen}
                        onChange={() => onChoose(way.id)}
                      />
                      <span>
                        {way.name}
                        {way.every && (
                          <span className="block text-[13px] font-normal text-second">{way.every.words}</span>
                        )}
                        {usual === null && way.usualFor.length > 0 && (
                          <span className="block text-[13px] font-normal text-second">
                            usual for {way.usualFor.map((id) => kindById(id)?.name ?? id).join('; ')}
                          </span>
                        )}
                        {usual === null && way.usualAt && (
                          <span className="block text-[13px] font-normal text-second">{useWords(way.usualAt)}</span>
                        )}
                        {way.id === usual?.id && (
                          <span className="block text-[13px] font-normal text-second">{usual.words}</span>
                        )}
                      </span>
                    </label>
                  ) : (
                    <>
                      <b className="font-semibold">{way.name}</b>
                      {way.every && <span className="block text-[13px] text-second">{way.every.words}</span>}
                    </>
                  )}
                </td>
                {names.map((name) => {
                  const figure = figures.get(way.id)!.find((candidate) => candidate.name === name)
                  return (
                    <td key={name} className="py-1.5 pr-3">
                      {figure?.words ?? ''}
                      {figure?.mark === 'M' && (
                        <span className="block text-[12.5px] text-second">in part from memory</span>
                      )}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <p className="m-0 pt-1 text-[14px]">
        <b>Why:</b> {procedure.ways.find(({ id }) => id === chosen)?.reason}
      </p>
      {children}
      <p className="m-0 text-[13px] text-second">Figures are common practice, no source, where nothing else is said.</p>
    </section>
  )
}

/** For whom a way is usual by how much is made, in words. */
function useWords({ kinds, fromDrinks, belowDrinks }: NonNullable<Way['usualAt']>): string {
  const names = kinds.map((id) => kindById(id)?.name ?? id).join('; ')
  const much = [fromDrinks !== undefined && `from ${fromDrinks}`, belowDrinks !== undefined && `below ${belowDrinks}`]
  return `usual ${much.filter(Boolean).join(' and ')} drinks a day for ${names} (from memory)`
}
