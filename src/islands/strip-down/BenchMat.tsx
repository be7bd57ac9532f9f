import { inHand, type Sheet } from '../../core/strip-down/sheet.ts'
import { fastenerWords, lieWords } from '../../core/strip-down/thing.ts'
import { DriveMark, thingDrawings } from './thing-drawings.tsx'

interface Props {
  sheet: Sheet
  clock: (at: number) => string
  onTake: (index: number) => void
}

/** One slot a thing, in the order it came off; what is back in is a dashed outline, what is in the hand wears corners. */
export function BenchMat({ sheet, clock, onTake }: Props) {
  const hand = inHand(sheet)
  if (sheet.things.length === 0)
    return (
      <p className="m-0 border border-hair bg-tint/40 px-4 py-10 text-center text-[18px] text-second">
        The mat is empty. What comes off first lies at the left.
      </p>
    )
  return (
    <ol className="m-0 flex list-none overflow-x-auto border border-hair bg-[color-mix(in_srgb,var(--tint)_35%,var(--page))] p-0">
      {sheet.things.map(({ thing, offAt, inAt, photos }, index) => {
        const back = inAt !== null
        const held = index === hand
        return (
          <li
            key={`${offAt} ${thing.name}`}
            className="relative min-w-[150px] max-w-[240px] flex-1 border-r border-hair"
          >
            <button
              type="button"
              className="flex h-full min-h-[64px] w-full flex-col items-center gap-1 px-2 pt-2 pb-3 text-center"
              disabled={sheet.turnedAt === null || back}
              aria-pressed={held}
              onClick={() => onTake(index)}
            >
              {held && (
                <svg
                  className="absolute inset-1 h-[calc(100%-8px)] w-[calc(100%-8px)]"
                  preserveAspectRatio="none"
                  viewBox="0 0 100 100"
                  aria-hidden="true"
                >
                  <path
                    d="M0 8V0H12M88 0H100V8M100 92V100H88M12 100H0V92"
                    fill="none"
                    stroke="var(--copper)"
                    strokeWidth={3}
                    vectorEffect="non-scaling-stroke"
                  />
                </svg>
              )}
              <svg
                width={120}
                height={120}
                viewBox="-62 -62 124 124"
                aria-hidden="true"
                className={back ? 'text-second' : 'text-ink'}
                opacity={back ? 0.45 : 1}
                strokeDasharray={back ? '5 4' : undefined}
              >
                {thingDrawings[thing.symbol]}
              </svg>
              <b className={`text-[15px] leading-tight font-semibold ${back ? 'text-second' : ''}`}>
                {thing.trap && <span aria-hidden="true">△ </span>}
                {thing.name}
              </b>
              <span className="slim text-[14px] leading-tight text-second">{thing.where}</span>
              {lieWords(thing) && <span className="slim text-[14px] leading-tight">{lieWords(thing)}</span>}
              {(thing.fasteners.length > 0 ? thing.fasteners : [{ drive: 'by hand' as const, count: 0 }]).map(
                (fastener) => (
                  <span key={fastenerWords(fastener)} className="flex items-center gap-1.5 text-[14px]">
                    <DriveMark drive={fastener.drive} />
                    {fastener.count > 0 ? `${fastener.count} × ${fastenerWords(fastener)}` : fastener.drive}
                  </span>
                ),
              )}
              <span className="mono mt-auto pt-1 text-[13px] text-second">
                {index + 1} off {clock(offAt)}
                {back && <b className="block text-deep">in {clock(inAt)}</b>}
                {photos.length > 0 && (
                  <span className="block">{photos.length === 1 ? '1 photo' : `${photos.length} photos`}</span>
                )}
              </span>
            </button>
          </li>
        )
      })}
    </ol>
  )
}
