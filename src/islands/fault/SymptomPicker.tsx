import { useState } from 'react'
import { circumstancesHeard, type Told } from '../../core/faults/circumstances-heard.ts'
import { complaintsHeard, complaintsNamed, heardBeside, soundsLike } from '../../core/faults/complaint.ts'
import type { FaultBook } from '../../core/faults/fault.ts'
import { complaintNear, inSentence, type StopId, stopOf } from '../../core/faults/stops.ts'
import { stopsIn } from '../../core/faults/stops-said.ts'
import { anotherComplaint } from '../../core/faults/symptoms-of-all.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { PromptsMeant } from './PromptsMeant.tsx'

interface Props {
  book: FaultBook
  /** As this machine has it. */
  kind: Kind
  machineId: string
  /** The customer's last words that are on record, where there are any. */
  reported: string | null
  /** `also`: what else was heard as clearly; `told`: how it comes and goes, as answers that were told. */
  onPick: (symptom: string, stop?: StopId, also?: string[], words?: string, told?: Told[]) => void
}

/** What is complained of, found by any words. */
export function SymptomPicker({ book, kind, machineId, reported, onPick }: Props) {
  const [text, setText] = useState('')
  const found = complaintsNamed(book, text)
  const [unsaid, setUnsaid] = useState<string[]>([])
  const told = circumstancesHeard(book, text).filter(({ test }) => !unsaid.includes(test))
  const by = new Map(complaintsHeard(book, text).map(({ symptom, words }) => [symptom, words]))
  const heard = stopsIn(text.trim() || (reported ?? ''))
  const sounds = reported ? soundsLike(book, reported) : null
  const pick = (id: string) => onPick(id, undefined, heardBeside(book, text, id), undefined, told)
  return (
    <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
      <h2 className="head m-0">What is complained of?</h2>
      {reported && (
        <p className="m-0 text-[15px]">
          <span className="text-second">On record, in the customer’s words:</span> “{reported}”{' '}
          {sounds && (
            <button type="button" className="plain ml-2" onClick={() => onPick(sounds.id)}>
              Sounds like: {sounds.name.toLowerCase()}
            </button>
          )}
        </p>
      )}
      <label className="mt-2 flex max-w-[480px] flex-col gap-0.5">
        <span className="slim text-[14px]">In any words</span>
        <input
          className="field"
          value={text}
          placeholder="drips, cold, leaks at the handle …"
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && found[0] && pick(found[0].id)}
        />
      </label>
      {told.length > 0 && (
        <p className="m-0 mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-[14px]">
          <span className="text-second">Told besides:</span>
          {told.map(({ test, outcome, words }) => (
            <button
              key={test}
              type="button"
              className="plain"
              aria-label={`Not told: ${answerWords(book, test, outcome)}`}
              onClick={() => setUnsaid([...unsaid, test])}
            >
              {answerWords(book, test, outcome)} <mark className="bg-copper-tint text-ink">{words}</mark> ×
            </button>
          ))}
        </p>
      )}
      {heard.length > 0 && (
        <ul className="m-0 mt-3 flex list-none flex-col gap-2 p-0" aria-label="What must stop first">
          {heard.map((id) => (
            <li key={id}>
              <button
                type="button"
                className="min-h-[52px] w-full border-2 border-l-[8px] border-seal px-3 text-left text-[16px] font-semibold"
                onClick={() => onPick(found[0]?.id ?? complaintNear(book.symptoms, id), id, [], undefined, told)}
              >
                <span className="text-seal-ink">Stop first:</span> {inSentence(stopOf(id).name)}
              </button>
            </li>
          ))}
        </ul>
      )}
      <PromptsMeant kind={kind} machineId={machineId} said={text.trim() || (reported ?? '')} />
      <ul className="m-0 mt-3 grid list-none gap-x-6 p-0 md:grid-cols-2 xl:grid-cols-3">
        {found.map(({ id, name, words: also }) => (
          <li key={id} className="border-t border-hair">
            <button type="button" className="min-h-[56px] w-full px-1 py-1.5 text-left" onClick={() => pick(id)}>
              <b className="block font-semibold">{name}</b>
              <span className="block text-[13px] text-second">
                {text.trim() !== '' && by.get(id) ? (
                  <>
                    heard: <mark className="bg-copper-tint text-ink">{by.get(id)!.join(', ')}</mark>
                  </>
                ) : (
                  also.join(', ')
                )}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {found.length === 0 && heard.length === 0 && (
        <p className="m-0 pt-2" role="status">
          Nothing is called so. Fewer words find more; every complaint is listed when the field is empty.
          <button
            type="button"
            className="plain mt-2 block"
            onClick={() => onPick(anotherComplaint, undefined, [], text.trim(), told)}
          >
            It is just that: search with these words
          </button>
        </p>
      )}
    </div>
  )
}

const answerWords = (book: FaultBook, test: string, outcome: string): string =>
  book.tests.find(({ id }) => id === test)!.outcomes.find(({ id }) => id === outcome)!.words
