import { inCup, inHand, onBench, type Sheet } from '../../core/strip-down/sheet.ts'
import { fastenerWords, lieWords } from '../../core/strip-down/thing.ts'
import { thingDrawings } from './thing-drawings.tsx'

/** What is off and not back, the next to go in on top, and the screws that belong to it. */
export function BenchList({ sheet }: { sheet: Sheet }) {
  const bench = onBench(sheet)
  const hand = inHand(sheet)
  const cup = inCup(sheet)
  const screws = cup.reduce((sum, { count }) => sum + count, 0)
  const refitting = sheet.turnedAt !== null
  return (
    <>
      <h2 className="m-0 pb-1 text-[16px] font-[620]">Still on the bench</h2>
      {bench.length === 0 && <p className="m-0 text-second">Nothing.</p>}
      <ul className="m-0 list-none p-0">
        {[...bench].reverse().map(({ index, off }) => (
          <li
            key={`${off.offAt} ${index}`}
            className={`flex items-center gap-3 border-t border-hair py-1 ${index === hand ? 'bg-copper-tint shadow-[inset_4px_0_0_var(--copper)]' : ''}`}
          >
            <svg width={44} height={44} viewBox="-62 -62 124 124" aria-hidden="true" className="ml-2 shrink-0">
              {thingDrawings[off.thing.symbol]}
            </svg>
            <span>
              <b className="font-semibold">
                {index + 1} {off.thing.name}
              </b>
              <span className="block text-[14px] text-second">
                {[
                  index === hand && refitting && 'now',
                  ...off.thing.fasteners
                    .filter(({ count }) => count > 0)
                    .map((one) => `${one.count} ${fastenerWords(one)}`),
                  lieWords(off.thing),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            </span>
          </li>
        ))}
      </ul>
      <p className="m-0 border-t border-hair pt-2 text-[16px]">
        <b>Screw cup: {screws === 0 ? 'empty' : `${screws} left`}.</b>{' '}
        {cup.map(({ words, count }) => `${count} ${words}`).join(', ')}
      </p>
      <p className="m-0 text-[14px] text-second">The sheet closes on an empty mat and an empty cup, or with a word.</p>
    </>
  )
}
