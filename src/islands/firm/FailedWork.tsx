import { useState } from 'react'
import { dayLong } from '../../ui/format.ts'
import type { FailedWork as Failed } from '../../views/failed-work.ts'
import { send } from '../keep.ts'
import { useFetched } from '../use-fetched.ts'

const words = {
  reckon: 'Reckoning what waited: dates on the Round may be old',
  'bring-in': 'Writing a list that was brought in: it goes on where it stopped',
  tidy: 'Taking out what the firm keeps no longer',
}

/** What was done in the background and failed as often as it may: an owner asks for it again, or lets it be. */
export function FailedWork() {
  const [failed, setFailed] = useState<Failed['failed'] | null>(null)
  const [wrong, setWrong] = useState('')
  const lost = useFetched<Failed>('/api/background', (answer) => setFailed(answer.failed))
  const settle = async (id: string, what: 'again' | 'drop') => {
    const told = await send<object>('POST', `/api/background/${id}`, { what })
    if (told.ok) setFailed((now) => now?.filter((job) => job.id !== id) ?? null)
    else setWrong(told.issues[0]!.message)
  }
  return (
    <section className="pt-6" aria-label="Background work">
      <h2 className="head m-0 pb-1">Background work</h2>
      <p role="status" className="m-0 border-t border-hair pt-2 text-[14px] text-second">
        {failed === null
          ? lost
            ? 'No connection: whether anything failed is not known here.'
            : 'Looking …'
          : failed.length === 0
            ? 'Nothing failed. Reckoning, tidying and the nightly backup go on by themselves.'
            : 'This was tried again and again, later each time, and did not go through:'}
      </p>
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {failed?.map(({ id, what, failedAt, why }) => (
          <li key={id} className="border-t border-hair py-2">
            <b className="font-semibold">{words[what]}</b>{' '}
            <span className="text-[14px] text-second">since {dayLong(failedAt.slice(0, 10))}</span>
            <span className="mono block text-[13px] break-words text-second">{why}</span>
            <span className="flex gap-3 pt-1">
              <button type="button" className="plain" onClick={() => void settle(id, 'again')}>
                Try again
              </button>
              <button type="button" className="plain" onClick={() => void settle(id, 'drop')}>
                Take off the list
              </button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
