import { fastenerWords, lieWords, type Thing } from '../../core/strip-down/thing.ts'
import { DriveMark } from './thing-drawings.tsx'

/** What to do or to look at, a line each. */
export const Lines = ({ lines }: { lines: string[] }) => (
  <ul className="m-0 mt-2 list-none p-0 text-[18px]">
    {lines.map((one) => (
      <li key={one} className="border-t border-hair py-1.5">
        {one}
      </li>
    ))}
  </ul>
)

/** The thing under the hands: what it is, where it sits, what turns it. */
export function Now({
  what,
  number,
  thing,
  words,
}: {
  what: string
  number: number
  thing: Thing
  words: string | undefined
}) {
  return (
    <>
      <p className="m-0 text-[16px]">
        <b className="text-copper">{what}</b> <b>{number}</b>
      </p>
      <p className="m-0 text-[clamp(26px,3vw,38px)] leading-tight font-[650]">{thing.name}</p>
      <p className="m-0 text-[18px] text-second">{[thing.where, lieWords(thing)].filter(Boolean).join('; ')}</p>
      {words && <p className="m-0 pt-2 text-[20px] leading-snug">{words}</p>}
      {thing.fasteners
        .filter(({ count }) => count > 0)
        .map((fastener) => (
          <p key={fastenerWords(fastener)} className="m-0 flex items-center gap-2 pt-2 text-[18px]">
            <DriveMark drive={fastener.drive} />
            <b>{fastenerWords(fastener)}</b> {fastener.count} ×
            {fastener.tight && <span className="text-second">{fastener.tight}</span>}
          </p>
        ))}
    </>
  )
}
