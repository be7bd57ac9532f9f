import type { FaultBook } from '../../core/faults/fault.ts'
import type { Search, SearchPress } from '../../core/faults/search.ts'

interface Props {
  book: FaultBook
  search: Search
  /** This device keeps nothing. */
  lost: boolean
  onPress: (press: SearchPress) => void
  onLeave: () => void
}

/** What is complained of, who is here, whether it is the telephone. */
export function SearchBar({ book, search, lost, onPress, onLeave }: Props) {
  const { symptom, also = [], words } = search
  const nameOf = (id: string): string => book.symptoms.find((one) => one.id === id)!.name
  const others = book.symptoms.filter(({ id }) => id !== symptom && !also.includes(id))
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair px-4 py-1.5 lg:px-6">
      <label className="flex items-center gap-2">
        <span className="slim text-[14px] text-second">Symptom</span>
        <select
          className="field w-[270px] max-w-full font-semibold"
          value={symptom}
          onChange={(event) => onPress({ type: 'symptom', symptom: event.target.value })}
        >
          {book.symptoms.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {words && <span className="text-[15px]">“{words}”</span>}
      <label className="flex items-center gap-2">
        <span className="slim text-[14px] text-second">and also</span>
        <select
          className="field w-[150px]"
          value=""
          onChange={(event) => onPress({ type: 'also', symptoms: [...also, event.target.value] })}
        >
          <option value="">nothing else</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {also.map((id) => (
        <button
          key={id}
          type="button"
          className="plain"
          aria-label={`Not complained of: ${nameOf(id)}`}
          onClick={() => onPress({ type: 'also', symptoms: also.filter((one) => one !== id) })}
        >
          {nameOf(id)} ×
        </button>
      ))}
      <label className="flex min-h-[44px] items-center gap-2 text-[14px]">
        <input
          type="checkbox"
          className="h-5 w-5"
          checked={search.gates.includes('live')}
          onChange={(event) => onPress({ type: 'gates', gates: event.target.checked ? ['live'] : [] })}
        />
        I am qualified to test live
      </label>
      <label className="flex min-h-[44px] items-center gap-2 text-[14px]">
        <input
          type="checkbox"
          className="h-5 w-5"
          checked={search.phone === true}
          onChange={(event) => onPress({ type: 'phone', on: event.target.checked })}
        />
        on the telephone, before driving
      </label>
      <button type="button" className="plain ml-auto" onClick={onLeave}>
        Begin anew
      </button>
      {lost && (
        <b role="status" className="text-seal-ink">
          This device keeps nothing: do not close the page.
        </b>
      )}
    </div>
  )
}
