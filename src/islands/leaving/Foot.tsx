import type { InTheWay } from '../../core/close-out/in-the-way.ts'
import { Letter, wayHref } from './WayRow.tsx'

interface Props {
  missing: InTheWay[]
  letters: Map<string, string>
  nameOf: (subjectId: string) => string
  onSign: () => void
}

/** What is missing, each with where it is done and how long it takes; then the button that turns the page to the customer. */
export function Foot({ missing, letters, nameOf, onSign }: Props) {
  const n = missing.length
  return (
    <div
      className="sticky bottom-[60px] z-10 grid gap-x-4 gap-y-2 border-t border-deep bg-enamel px-4 py-3 md:bottom-0 lg:grid-cols-[minmax(0,1fr)_minmax(0,440px)] lg:px-6"
      data-noprint
    >
      <div className="flex min-w-0 flex-wrap items-center gap-x-6 gap-y-1">
        <p className="m-0 max-lg:hidden">
          <b>{n === 0 ? 'Nothing is missing' : n === 1 ? 'One thing first' : `${n} things first`}</b>
          <span className="block text-[13.5px] text-second">
            {n === 0
              ? 'it closes with a signature, or with why there is none'
              : 'the letter opens each; then it closes'}
          </span>
        </p>
        <p className="m-0 text-[14px] lg:hidden">
          <b>{n === 0 ? 'Nothing is missing.' : n === 1 ? 'One thing first:' : `${n} things first:`}</b>{' '}
          {n > 0 && missing[0] && (
            <a className="word" href={wayHref(missing[0])}>
              {missing[0].title}, {nameOf(missing[0].subjectId)}
            </a>
          )}
        </p>
        <ul className="m-0 flex list-none flex-wrap gap-x-6 gap-y-1 p-0 max-lg:hidden">
          {missing.slice(0, 4).map((way) => (
            <li key={way.key} className="flex items-start gap-2">
              <Letter letter={letters.get(way.key)!} />
              <span className="leading-tight">
                <a className="font-semibold text-copper" href={wayHref(way)}>
                  {way.title}
                </a>
                <span className="block text-[13px] text-second">
                  {nameOf(way.subjectId)}, {way.minutes} min
                </span>
              </span>
            </li>
          ))}
          {n > 4 && <li className="self-center text-[13.5px] text-second">and {n - 4} more</li>}
        </ul>
      </div>
      {n === 0 ? (
        <button type="button" className="act min-h-[56px] w-full text-[17px]" onClick={onSign}>
          Turn it to the customer
        </button>
      ) : (
        <p className="m-0 flex min-h-[56px] items-center justify-center gap-3 border-2 border-dashed border-second text-second">
          <b className="text-[17px]">Close the visit</b> after {[...letters.values()].slice(0, 6).join(', ')}
        </p>
      )}
    </div>
  )
}
