import type { Kind } from '../../core/kinds/kind.ts'
import type { Chosen, Lane } from '../../core/procedures/lane.ts'
import type { Item } from '../../core/procedures/procedure.ts'
import { CautionBand } from './CautionBand.tsx'
import { DoseLine, type RunMeasures } from './DoseLine.tsx'
import { wakeSound } from './signals.ts'

interface Props {
  machineId: string
  kind: Kind
  running: Chosen[]
  lanes: Lane[]
  measures: RunMeasures
  ticked: Set<string>
  onTick: (what: string) => void
  /** All of it is left out: at no group is anything done. */
  nowhere: boolean
  /** It can be done as it is chosen. */
  ready: boolean
  onStart: () => void
}

/** What to have at hand, what goes in, what to see to first, what may hurt; and the button. */
export function AtHand(props: Props) {
  const { machineId, kind, running, lanes, measures, ticked, onTick, nowhere, ready, onStart } = props
  const first = running.flatMap(({ procedure }) => procedure.mustFinish?.first ?? [])
  const missing = first.filter((one) => !ticked.has(one))
  const doses = running.flatMap(({ way }) =>
    way.parts.flatMap((part) =>
      part.steps.flatMap((step) =>
        step.act === 'dose' ? [{ dose: step.dose, each: part.each === 'group' && kind.groups > 1 }] : [],
      ),
    ),
  )
  const cautions = [
    ...new Map(
      lanes.flatMap(({ steps }) =>
        steps.flatMap(({ caution, besides = [] }) =>
          [...(caution ? [caution] : []), ...besides].map((one) => [one.say, one] as const),
        ),
      ),
    ).values(),
  ]
  return (
    <aside className="shrink-0 border-hair px-5 py-3 lg:w-[440px] lg:border-l" aria-label="At hand">
      <h2 className="head m-0">At hand</h2>
      <ul className="m-0 list-none p-0">
        {itemsOf(running).map(({ name, why }) => (
          <li key={name} className="border-t border-hair">
            <label className="flex min-h-[44px] items-center gap-3">
              <input type="checkbox" className="h-5 w-5" checked={ticked.has(name)} onChange={() => onTick(name)} />
              <span>
                {name} {why && <span className="text-[14px] text-second">{why}</span>}
              </span>
            </label>
          </li>
        ))}
      </ul>
      {doses.length > 0 && (
        <h2 className="head m-0 pt-3">{doses.some(({ each }) => each) ? 'Dose, each group' : 'Dose'}</h2>
      )}
      {doses.map(({ dose }) => (
        <DoseLine key={JSON.stringify(dose)} amount={dose} measures={measures} />
      ))}
      {doses.some(({ dose }) => dose.of === 'descaler') && (
        <p className="m-0 pt-2 text-[15px]">
          How that comes about, and other acids, on its{' '}
          <a className="word" href={`/machines/${machineId}?lens=water`}>
            Water lens
          </a>
          .
        </p>
      )}
      {first.length > 0 && (
        <fieldset className="m-0 mt-3 border-0 border-l-4 border-solid border-brass p-0 pl-3">
          <legend className="head p-0">Before it starts</legend>
          <p className="m-0 text-[14px]">
            {running.find(({ procedure }) => procedure.mustFinish)?.procedure.mustFinish?.why}
          </p>
          {first.map((one) => (
            <label key={one} className="flex min-h-[48px] items-center gap-3">
              <input type="checkbox" className="h-6 w-6" checked={ticked.has(one)} onChange={() => onTick(one)} />
              {one}
            </label>
          ))}
        </fieldset>
      )}
      <button
        type="button"
        className="act mt-4 min-h-[64px] w-full text-[20px]"
        disabled={!ready || missing.length > 0}
        onClick={() => {
          wakeSound()
          onStart()
        }}
      >
        Start
      </button>
      <p className="m-0 pt-1 text-[14px] text-second" role="status">
        {lanes.length === 0
          ? 'Choose what is done.'
          : nowhere
            ? 'Choose at which group.'
            : missing.length > 0
              ? `${missing.length} of the list above still to be seen to.`
              : 'It is kept on this device from the first step: a reload or a flat battery loses nothing.'}
      </p>
      {cautions.length > 0 && (
        <section className="pt-4" aria-label="Cautions">
          <h2 className="head m-0 pb-1">What may hurt</h2>
          {cautions.map((caution) => (
            <CautionBand key={caution.say} caution={caution} small />
          ))}
          <p className="m-0 pt-2 text-[14px] text-second">
            Local rules and the makers’ instructions come first; mains, gas and pressure vessels belong to those
            licensed for them.
          </p>
        </section>
      )}
    </aside>
  )
}

/** Tools and materials of all that is run, once each. */
function itemsOf(running: Chosen[]): Item[] {
  const all = running.flatMap(({ way }) => [...way.tools, ...way.materials])
  return [...new Map(all.map((item) => [item.name, item])).values()]
}
