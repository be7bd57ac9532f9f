import type { ReactNode } from 'react'
import type { InTheWay, WayKind } from '../../core/close-out/in-the-way.ts'

interface Props {
  way: InTheWay
  /** Null where it is no longer missing: it was said. */
  letter: string | null
  said: string
  /** Null where the visit is closed: what was said stands. */
  onSay: ((words: string) => void) | null
}

/** Where each of them is seen to. */
const where: Record<WayKind, (machineId: string) => string> = {
  gate: (id) => `/machines/${id}`,
  run: (id) => `/machines/${id}/run`,
  sheet: (id) => `/machines/${id}/strip-down`,
  'test-out': (id) => `/machines/${id}?lens=fault`,
  counter: (id) => `/machines/${id}/entry`,
}

export const wayHref = ({ what, subjectId }: InTheWay): string => where[what](subjectId)

/** One thing in the way: it leads there; where the visit may close over it, the word that it closes with. */
export function WayRow({ way, letter, said, onSay }: Props) {
  return (
    <li className="grid grid-cols-[24px_minmax(0,1fr)] gap-x-2 py-1">
      <Letter letter={letter} />
      <div className="min-w-0">
        <a
          className={`inline-flex min-h-[44px] items-center text-[14.5px] font-semibold lg:min-h-0 ${letter ? 'text-copper' : 'text-second'}`}
          href={wayHref(way)}
        >
          {way.title}
        </a>
        <span className="block text-[13.5px] text-second">{way.words}</span>
        {!onSay && said && (
          <span className="block text-[13.5px]">
            {way.closesAs === 'isolated' ? 'Isolated and tagged: ' : 'Left: '}
            {said}
          </span>
        )}
        {onSay && way.closesAs && <Instead said={said} onSay={onSay} {...instead[way.closesAs]} />}
      </div>
    </li>
  )
}

/** What is said where it is closed over. */
const instead = {
  isolated: {
    words: (
      <>
        Or it stays <b>isolated and tagged</b>: switched off and off the mains or the water by who may, a tag on it that
        says why. How:
      </>
    ),
    example: 'plug out and taped, water off, tag on the front',
  },
  reason: { words: 'Or why it is left:', example: 'its display is dark' },
}

function Instead({
  words,
  example,
  said,
  onSay,
}: {
  words: ReactNode
  example: string
  said: string
  onSay: (words: string) => void
}) {
  return (
    <label className="mt-1 block text-[13.5px]">
      <span className="block">{words}</span>
      <input
        className="field mt-0.5 w-full"
        maxLength={300}
        placeholder={example}
        value={said}
        onChange={(event) => onSay(event.target.value)}
      />
    </label>
  )
}

export const Letter = ({ letter }: { letter: string | null }) => (
  <span
    className={`flex h-[23px] w-[23px] shrink-0 items-center justify-center rounded-full border-2 text-[13px] font-[650] ${letter ? 'border-copper text-copper' : 'border-hair text-second'}`}
  >
    {letter ?? '✓'}
  </span>
)
