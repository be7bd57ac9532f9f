import type { ElectricalLimit } from '../../core/faults/test-out.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { InstrumentChoice } from '../entry/InstrumentChoice.tsx'

interface Props {
  limits: ElectricalLimit[]
  typed: Record<string, string>
  onType: (id: string, text: string) => void
  unsafe: ElectricalLimit[]
  testers: MachineBundle['instruments']
  tester: string
  today: string
  onTester: (id: string) => void
}

/** Earth, insulation and leakage as a tester shows them, against what is accepted where nothing stricter holds. */
export function ElectricalPart({ limits, typed, onType, unsafe, testers, tester, today, onTester }: Props) {
  return (
    <fieldset className="m-0 mt-2 border-0 border-l-4 border-solid border-brass p-0 pl-3">
      <legend className="head p-0 text-[15px]">Electrical safety</legend>
      <p className="m-0 text-[13px] text-second">
        Local rules and whoever is licensed come first. Plug out for earth and insulation; who is not qualified to test
        live leaves the currents to who is.
      </p>
      {limits.map(({ id, name, unit, least, most, mark }) => (
        <label key={id} className="flex min-h-[48px] items-center gap-2 border-t border-hair text-[14px]">
          <span className="min-w-0 flex-1">
            {name}
            <span className="block text-[13px] text-second">
              {least === undefined ? `at most ${figure(most!)}` : `at least ${figure(least)}`} {unit}
              {mark === 'M' ? ', from memory' : ', common practice'}
            </span>
          </span>
          <NumberInput
            className="field mono w-[84px] text-right"
            aria-label={`${name}, ${unit}`}
            aria-invalid={unsafe.some((one) => one.id === id)}
            text={typed[id] ?? ''}
            onText={(text) => onType(id, text)}
            reads={{ unit }}
          />
        </label>
      ))}
      {unsafe.length > 0 && (
        <p role="alert" className="m-0 pt-1 font-semibold text-seal-ink">
          Not safe: {unsafe.map(({ name }) => name.toLowerCase()).join(', ')}. It stays unplugged.
        </p>
      )}
      <InstrumentChoice label="Tester" instruments={testers} chosen={tester} day={today} onChoose={onTester} />
    </fieldset>
  )
}
