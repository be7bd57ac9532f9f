import { instances } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { asReckoned, quantity } from '../../ui/quantity.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { type Draft, measureReads } from './draft.ts'
import { InstrumentChoice } from './InstrumentChoice.tsx'

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  kind: Kind
  instruments: MachineBundle['instruments']
  issues: Map<string, string>
}

/** Flow, pressure, temperature as found and as left, by the kind's own list, against what is good. */
export function Measurements({ draft, onChange, kind, instruments, issues }: Props) {
  const rows = kind.measures.flatMap((measure) => {
    const many = instances(kind, measure.each)
    return Array.from({ length: many }, (_, i) => ({
      measure,
      key: many > 1 ? `${measure.id}@${i + 1}` : measure.id,
      name: many > 1 ? `${measure.name}, group ${i + 1}` : measure.name,
    }))
  })
  const field = (state: 'found' | 'left', key: string, name: string, unit: string) => (
    <NumberInput
      className="field mono w-full min-w-0 text-right"
      aria-label={`${name}, as ${state}`}
      aria-invalid={issues.has(`measure:${key}:${state}`)}
      text={draft[state][key] ?? ''}
      onText={(text) => onChange({ [state]: { ...draft[state], [key]: text } })}
      reads={measureReads(unit)}
    />
  )
  const filled = rows.filter(({ key }) => draft.found[key] || draft.left[key]).length
  return (
    <details className="pt-1" open={filled > 0}>
      <summary className="min-h-[44px] cursor-pointer py-2.5 text-[14px]">
        {filled > 0 ? `${filled} of ${rows.length} measured` : `${rows.length} measurements of this kind of machine`}
      </summary>
      <div className="grid max-w-[560px] grid-cols-[1fr_76px_76px_118px] items-center gap-x-3 gap-y-1">
        <span className="slim text-[13px] text-second">Measured</span>
        <span className="slim text-right text-[13px] text-second">as found</span>
        <span className="slim text-right text-[13px] text-second">as left</span>
        <span className="slim text-[13px] text-second">good</span>
        {rows.map(({ measure, key, name }) => {
          const typed =
            numberIn(draft.left[key] ?? '', measureReads(measure.unit)) ??
            numberIn(draft.found[key] ?? '', measureReads(measure.unit))
          const last = typed === null ? null : asReckoned(typed, measure.unit)
          const [from, to] = [quantity(measure.good.from, measure.unit), quantity(measure.good.to, measure.unit)]
          const outside = last !== null && (last < measure.good.from || last > measure.good.to)
          return (
            <div key={key} className="contents">
              <span className="narrow leading-tight">{name}</span>
              {field('found', key, name, measure.unit)}
              {field('left', key, name, measure.unit)}
              <span
                className={`mono text-[13px] whitespace-nowrap ${outside ? 'font-semibold text-brass-ink' : 'text-second'}`}
              >
                {from.value}–{to.value} {to.unit}
                {outside && <span className="block font-sans">outside</span>}
              </span>
            </div>
          )
        })}
      </div>
      <InstrumentChoice
        label="Measured with"
        instruments={instruments.filter(({ kind: what }) => what !== 'reagent')}
        chosen={draft.instrument}
        day={draft.happenedOn}
        onChoose={(instrument) => onChange({ instrument })}
      />
      <p className="m-0 mt-1 text-[13px] text-second">
        Good figures: common practice and from memory. What is good for this machine shows in its own ledger.
      </p>
    </details>
  )
}
