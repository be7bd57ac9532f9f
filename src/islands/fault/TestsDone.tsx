import type { FaultBook } from '../../core/faults/fault.ts'
import { leastBits, type Worth } from '../../core/faults/next-test.ts'
import type { Search } from '../../core/faults/search.ts'
import { figure } from '../../ui/format.ts'
import { AnswerPhotos } from './AnswerPhotos.tsx'
import type { AnswerPhoto } from './kept-search.ts'
import { doubtCleared } from './test-words.ts'

interface Props {
  book: FaultBook
  search: Search
  /** Places of answers that a repair explains. */
  aside: number[]
  /** Every test that may be done, by worth. */
  all: Worth[]
  /** How likely each fault is now. */
  belief: Float64Array
  timeZone: string
  photos: AnswerPhoto[]
  onPhoto: (of: number, file: File) => void
  onLeaveOut: (id: string) => void
  onOther: (test: string) => void
}

/** What was tried and what it showed; what else can be, with its worth. */
export function TestsDone({ book, search, aside, all, belief, timeZone, photos, onPhoto, onLeaveOut, onOther }: Props) {
  const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone })
  const testOf = (id: string) => book.tests.find((test) => test.id === id)!
  return (
    <>
      <h2 className="head m-0 pt-4">Tests done so far</h2>
      {search.seen.length === 0 && <p className="m-0 text-[14px] text-second">None yet.</p>}
      <ol className="m-0 list-none p-0 text-[14px]">
        {search.seen.map(({ test, outcome, value, words, at, said, times }, i) => (
          <li key={i} className="grid grid-cols-[22px_48px_1fr] gap-2 border-t border-hair py-1">
            <span className="mono text-second">{i + 1}</span>
            <span className="mono text-second">{clock.format(at)}</span>
            <span>
              {testOf(test).say}:{' '}
              <b className="font-semibold">
                {testOf(test).outcomes.find(({ id }) => id === outcome)?.words ?? `Something else: ${words ?? ''}`}
              </b>
              {times && `, ${times.n} of ${times.of} times`}
              {said && ' (told)'}
              {aside.includes(i) && ' (set aside: what was repaired explains it)'}
              {value !== undefined && ` (${figure(value)} ${testOf(test).reads?.unit ?? ''})`}
              {!said && testOf(test).by !== 'word' && (
                <AnswerPhotos
                  photos={photos.filter(({ of }) => of === at)}
                  shows={testOf(test).outcomes.find(({ id }) => id === outcome)?.words ?? words ?? testOf(test).say}
                  onAdd={(file) => onPhoto(at, file)}
                  onLeaveOut={onLeaveOut}
                />
              )}
            </span>
          </li>
        ))}
      </ol>
      <details className="mt-3">
        <summary className="flex min-h-[44px] cursor-pointer items-center font-semibold text-copper">
          Another test, {all.length} to choose from
        </summary>
        <ul className="m-0 list-none p-0 text-[14px]">
          {all.map(({ test, bits, minutes }) => (
            <li key={test} className="border-t border-hair">
              <button
                type="button"
                className="flex min-h-[44px] w-full items-baseline gap-3 py-1 text-left"
                onClick={() => onOther(test)}
              >
                <span className="min-w-0 flex-1">{testOf(test).say}</span>
                <span className="mono whitespace-nowrap text-second">
                  {bits < leastBits ? 'tells nothing now' : doubtCleared(bits, belief)}, {figure(minutes)} min
                </span>
              </button>
            </li>
          ))}
        </ul>
      </details>
    </>
  )
}
