import { useEffect, useMemo } from 'react'
import type { FaultBook } from '../../../core/faults/fault.ts'
import { otherThanAll } from '../../../core/faults/rank-causes.ts'
import type { Search, SearchPress, Suspicion } from '../../../core/faults/search.ts'
import { enoughQuestions } from '../../../core/faults/triage.ts'
import type { Kind } from '../../../core/kinds/kind.ts'
import { meansItself } from '../../../ui/typing.ts'
import { FirstOfAll } from '../../fault/FirstOfAll.tsx'
import { NextTest } from '../../fault/NextTest.tsx'
import { layOut } from '../../path/layout.ts'
import { CallStop } from './CallStop.tsx'

interface Props {
  book: FaultBook
  kind: Kind
  without: Set<string>
  search: Search
  now: Suspicion
  said: string
  isHeld: boolean
  busy: boolean
  onPress: (press: SearchPress) => void
  onHold: () => void
}

/** What to ask on the telephone: first what must stop, then the questions that say most, each with what it would mean. */
export function AskNow({ book, kind, without, search, now, said, isHeld, busy, onPress, onHold }: Props) {
  const layout = useMemo(() => layOut(kind, without), [kind, without])
  const asked = search.seen.filter((seen) => seen.said)
  const isEnough = asked.length >= enoughQuestions
  const worth = now.next[0]
  const test = worth && book.tests.find(({ id }) => id === worth.test)
  const open = search.stop === 'none' && !isEnough ? test : undefined
  useEffect(() => {
    if (!open) return
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event) || !/^[a-h]$/.test(event.key)) return
      const answer = open.outcomes[event.key.charCodeAt(0) - 97]
      if (!answer) return
      event.preventDefault()
      event.stopImmediatePropagation()
      onPress({ type: 'seen', test: open.id, outcome: answer.id })
    }
    // Before the keys of the page: an answer is never another page.
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [onPress, open])
  if (search.stop === undefined)
    return (
      <div className="-mx-4 lg:-mx-6">
        <FirstOfAll
          kind={kind}
          symptom={search.symptom}
          said={said || null}
          phone
          onStop={(stop) => onPress({ type: 'stop', stop })}
        />
      </div>
    )
  if (search.stop !== 'none')
    return (
      <CallStop
        stop={search.stop}
        isHeld={isHeld}
        busy={busy}
        onHold={onHold}
        onNotSo={() => onPress({ type: 'stop', stop: 'none' })}
      />
    )
  return (
    <div>
      {asked.length > 0 && (
        <ul className="m-0 list-none p-0" aria-label="What they told">
          {asked.map(({ test: id, outcome, at, words }) => {
            const of = book.tests.find((one) => one.id === id)!
            return (
              <li key={`${id} ${at}`} className="flex flex-wrap gap-x-3 border-t border-hair py-1 text-[14px]">
                <span className="min-w-0 flex-1 basis-[240px] text-second">{book.phone[id] ?? of.say}</span>
                <b className="font-semibold">
                  {words ?? of.outcomes.find((one) => one.id === outcome)?.words ?? 'something else'}
                </b>
              </li>
            )
          })}
        </ul>
      )}
      {open && worth ? (
        <div className="-mx-4 lg:-mx-6">
          <NextTest
            book={book}
            search={search}
            suspicion={now}
            worth={worth}
            test={open}
            layout={layout}
            other={false}
            proves={null}
            onSeen={(outcome, value, times) =>
              onPress({
                type: 'seen',
                test: open.id,
                outcome,
                ...(value !== undefined && { value }),
                ...(times && { times }),
              })
            }
            onOther={(words) => onPress({ type: 'seen', test: open.id, outcome: otherThanAll, words })}
            onCannot={() => onPress({ type: 'cannot', test: open.id })}
            onBack={() => onPress({ type: 'back' })}
          />
        </div>
      ) : (
        <p className="m-0 flex flex-wrap items-center gap-3 pt-1 text-[14px]" role="status">
          {isEnough ? 'That is enough: more only keeps them on the line.' : 'Nothing more to ask that tells anything.'}
          {asked.length > 0 && (
            <button type="button" className="plain" onClick={() => onPress({ type: 'back' })}>
              Take the last answer back
            </button>
          )}
        </p>
      )}
    </div>
  )
}
