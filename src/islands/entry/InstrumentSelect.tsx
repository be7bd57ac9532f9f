import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { type InstrumentState, instrumentOn } from '../../core/visits/instrument-on.ts'
import { dayLong } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

interface Props {
  label: string
  instruments: MachineBundle['instruments']
  chosen: string
  day: string
  onChoose: (id: string) => void
}

/** What a figure is taken with; one past its date says so, and can be used all the same. */
export function InstrumentSelect({ label, instruments, chosen, day, onChoose }: Props) {
  if (instruments.length === 0) return null
  const one = instruments.find(({ id }) => id === chosen)
  const state = one && instrumentOn(effectiveHistory(one.calibrations).entries, day)
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-3 text-[14px]">
      <label className="flex items-center gap-2">
        <span className="text-second">{label}</span>
        <select className="field" value={chosen} onChange={(event) => onChoose(event.target.value)}>
          <option value="">not said</option>
          {instruments.map(({ id, name, serial }) => (
            <option key={id} value={id}>
              {serial ? `${name}, ${serial}` : name}
            </option>
          ))}
        </select>
      </label>
      {state && (
        <span className={state.state === 'good' ? 'text-second' : 'font-semibold text-brass-ink'}>
          {instrumentWords(state)}
        </span>
      )}
    </div>
  )
}

const instrumentWords = (state: InstrumentState): string =>
  state.state === 'good'
    ? `good until ${dayLong(state.until)}`
    : state.state === 'expired'
      ? `expired ${dayLong(state.since)}: the figure is kept, and says so`
      : 'never calibrated here: the figure is kept, and says so'
