import { useMemo, useState } from 'react'
import { bookFor } from '../../core/faults/books.ts'
import { priorFactors, priorReasons } from '../../core/faults/prior-factors.ts'
import { inSentence } from '../../core/faults/stops.ts'
import { stopsAbout } from '../../core/faults/stops-about.ts'
import { triageCard } from '../../core/faults/triage.ts'
import { faultEvidence } from '../../core/standing/fault-evidence.ts'
import { effective } from '../../core/standing/histories.ts'
import { reckonMachine } from '../../core/standing/reckon-machine.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { fromPage } from '../from-page.tsx'
import { kindOf } from '../machine/kind-of.ts'

interface Props {
  bundle: MachineBundle
  symptom: string | null
  today: string
}

/** The card beside the telephone: five questions, what the customer can safely do, what to take along. */
function TriagePage({ bundle, symptom, today }: Props) {
  const kind = kindOf(bundle)
  const book = kind && bookFor(kind)
  const [chosen, setChosen] = useState(symptom)
  const factors = useMemo(() => {
    if (!kind || !book) return {}
    const standings = reckonMachine(bundle.ledgers, { showWorking: false })?.standings ?? []
    return priorFactors(priorReasons(book, faultEvidence(kind, effective(bundle.ledgers), standings, today)))
  }, [book, bundle, kind, today])
  if (!book) return <p className="p-6">No faults of this kind of machine are written.</p>
  const known = book.symptoms.find(({ id }) => id === chosen) ?? book.symptoms[0]!
  const card = triageCard(book, known.id, factors, stopsAbout(kind))
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="Before driving"
        under={`${bundle.machine.name}, ${bundle.site.name}`}
        facts={[]}
        action={
          <>
            <a className="plain inline-flex items-center" href={`/machines/${bundle.machine.id}?lens=fault`}>
              Search on the machine
            </a>
            <button type="button" className="act" onClick={() => window.print()}>
              Print
            </button>
          </>
        }
      />
      <div className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6">
        <div className="max-w-[860px]">
          <label className="flex flex-wrap items-center gap-2" data-noprint>
            <span className="slim text-[14px] text-second">What is complained of</span>
            <select
              className="field font-semibold"
              value={known.id}
              onChange={(event) => setChosen(event.target.value)}
            >
              {book.symptoms.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <h2 className="m-0 pt-2 text-[20px] font-[640]">“{known.name}”</h2>
          <p className="m-0 text-[14px] text-second">
            What is said on the telephone is wrong one time in five. Nobody is asked to open a machine, to reach into
            it, or to switch anything on again that fell.
          </p>
          <section aria-label="First of all" className="mt-2 break-inside-avoid border-2 border-seal px-3 py-2">
            <h3 className="m-0 text-[16px] font-[640] text-seal-ink">
              First of all: is any of this so? Then only this.
            </h3>
            <ul className="m-0 list-none p-0">
              {card.stops.first.map(({ id, name, now }) => (
                <li key={id} className="border-t border-hair py-1 text-[15px]">
                  <b>{name}.</b> {now.join(' ')}
                </li>
              ))}
            </ul>
            <p className="m-0 border-t border-hair pt-1 text-[14px]">
              <b>Nor:</b> {card.stops.rest.map(({ name }) => inSentence(name)).join('; ')}. Off from a dry place, hands
              away, nothing switched on again; call back.
            </p>
          </section>
          <ol className="m-0 list-none p-0 pt-2">
            {card.questions.map(({ test, ask }, i) => (
              <li key={test.id} className="grid break-inside-avoid grid-cols-[32px_1fr] border-t border-hair py-2">
                <span className="mono text-[18px] font-semibold text-deep">{i + 1}</span>
                <span>
                  <b className="block text-[16px] font-semibold">{ask}</b>
                  <span className="flex flex-wrap gap-x-5 text-[15px]">
                    {test.outcomes.map(({ id, words }) => (
                      <label key={`${known.id} ${id}`} className="flex min-h-[44px] items-center gap-2">
                        <input type="checkbox" className="h-5 w-5 shrink-0" />
                        {words}
                      </label>
                    ))}
                  </span>
                </span>
              </li>
            ))}
          </ol>
          {card.safe.length > 0 && (
            <section aria-label="The customer can safely" className="break-inside-avoid pt-2">
              <h3 className="head m-0 text-[16px]">The customer can safely</h3>
              <ul className="m-0 list-none p-0">
                {card.safe.map(({ name, say }) => (
                  <li key={name} className="border-t border-hair py-1.5 text-[15px]">
                    {say} <span className="text-[13px] text-second">{name.toLowerCase()}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {card.along.length > 0 && (
            <p className="m-0 border-t border-hair pt-2 text-[15px]">
              <b>Take along for:</b> {card.along.map((name) => name.toLowerCase()).join('; ')}.
            </p>
          )}
        </div>
      </div>
    </div>
  )
}

export const TriageIsland = fromPage(TriagePage)
