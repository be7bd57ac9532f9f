import { inSentence, type Stop, type StopId, stopsBefore } from '../../core/faults/stops.ts'
import { stopsAbout } from '../../core/faults/stops-about.ts'
import { stopsIn } from '../../core/faults/stops-said.ts'
import type { Kind } from '../../core/kinds/kind.ts'

interface Props {
  kind: Kind
  symptom: string
  /** What was said, in the customer's words, where it is on record. */
  said: string | null
  phone: boolean
  onStop: (stop: StopId | 'none') => void
}

/** Before anything is searched for: what must stop first, asked once for every complaint. */
export function FirstOfAll({ kind, symptom, said, phone, onStop }: Props) {
  const { first, rest } = stopsBefore(stopsAbout(kind), symptom)
  const heard = new Set(said ? stopsIn(said) : [])
  const named = [...first, ...rest].filter(({ id }) => heard.has(id))
  const asked = [...named, ...first.filter(({ id }) => !heard.has(id))]
  const others = rest.filter(({ id }) => !heard.has(id))
  const press = (stop: Stop) => (
    <button
      type="button"
      className="min-h-[48px] w-full border-2 border-seal px-3 py-1 text-left text-[16px] font-semibold"
      onClick={() => onStop(stop.id)}
    >
      {stop.name}
      {heard.has(stop.id) && <span className="font-normal text-seal-ink"> – it sounds so</span>}
    </button>
  )
  return (
    <section aria-label="First of all" className="flex-1 bg-enamel px-4 py-3 lg:px-6">
      <h2 className="head m-0">First of all: is any of this so?</h2>
      <p className="m-0 pb-2 text-[15px] text-second">
        {phone ? 'Ask it as it stands, before any other question.' : 'Then it stops here, before anything is tried.'}
      </p>
      <ul className="m-0 grid list-none gap-2 p-0 md:grid-cols-2">
        {asked.map((stop) => (
          <li key={stop.id}>{press(stop)}</li>
        ))}
      </ul>
      <details className="py-2">
        <summary className="min-h-[44px] cursor-pointer py-2 text-[15px]">
          <b>Nor:</b> {others.map(({ name }) => inSentence(name)).join('; ')}.{' '}
          <span className="word">One of these is so</span>
        </summary>
        <ul className="m-0 grid list-none gap-2 p-0 md:grid-cols-2">
          {others.map((stop) => (
            <li key={stop.id}>{press(stop)}</li>
          ))}
        </ul>
      </details>
      <button type="button" className="act min-h-[52px] text-[17px]" onClick={() => onStop('none')}>
        None of these: go on
      </button>
    </section>
  )
}
