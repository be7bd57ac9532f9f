import { complaintsHeard, complaintsNamed } from '../../../core/faults/complaint.ts'
import type { FaultBook } from '../../../core/faults/fault.ts'

interface Props {
  /** Null before a machine is chosen, and where its faults are not written. */
  book: FaultBook | null
  text: string
  /** The complaint it is taken for. */
  symptom: string | null
  onText: (text: string) => void
  onSymptom: (symptom: string) => void
}

const mostOthers = 3

/** Their words, and the complaint they are taken for: what else it may be is one press away. */
export function WhatTheySay({ book, text, symptom, onText, onSymptom }: Props) {
  const said = text.trim()
  const heard = book && said ? complaintsHeard(book, said).map((one) => one.symptom) : []
  const named = book ? complaintsNamed(book, said) : []
  const byHearing = [...named].sort((a, b) => place(heard, a.id) - place(heard, b.id))
  const known = book?.symptoms.find(({ id }) => id === symptom)
  const others = (byHearing.length > 0 ? byHearing : (book?.symptoms ?? [])).filter(({ id }) => id !== symptom)
  const near = said ? others.slice(0, mostOthers) : others
  const all = book?.symptoms.filter(({ id }) => id !== symptom && !near.some((one) => one.id === id)) ?? []
  return (
    <div>
      <textarea
        className="field w-full"
        aria-label="What they say, in their words"
        rows={2}
        maxLength={2000}
        placeholder="It growls and then nothing comes …"
        value={text}
        onChange={(event) => onText(event.target.value)}
      />
      {book && (
        <p className="m-0 flex flex-wrap items-center gap-x-3 gap-y-1 pt-1 text-[15px]">
          {known ? (
            <span>
              taken as <b className="border-b-2 border-copper font-semibold">{known.name}</b>
            </span>
          ) : (
            <span className="text-second">{said ? 'None of its complaints is called so: is it' : 'What is it?'}</span>
          )}
          {known && near.length > 0 && <span className="text-second">or</span>}
          {(known || said ? near : near.slice(0, mostOthers)).map(({ id, name }) => (
            <button key={id} type="button" className="plain" onClick={() => onSymptom(id)}>
              {name}
            </button>
          ))}
          {(said ? all : others.slice(mostOthers)).length > 0 && (
            <select
              className="field max-w-[220px]"
              aria-label="Another complaint"
              value=""
              onChange={(event) => event.target.value && onSymptom(event.target.value)}
            >
              <option value="">another complaint …</option>
              {(said ? all : others.slice(mostOthers)).map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </p>
      )}
    </div>
  )
}

/** Where something stands; what is not there comes last. */
const place = (of: readonly string[], id: string): number => {
  const at = of.indexOf(id)
  return at < 0 ? of.length : at
}
