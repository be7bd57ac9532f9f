import { dropCount } from '../../core/quantity/drop-kit.ts'
import { type HardnessUnit, hardnessSymbol, hardnessUnits } from '../../core/quantity/hardness.ts'
import type { Treatment } from '../../core/standing/water/treatment-before.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { type Draft, emptyTest, type TestDraft, testSlots } from './draft.ts'
import { InstrumentChoice } from './InstrumentChoice.tsx'
import { PenFigures, penRows } from './PenFigures.tsx'

/** No strip ends higher, in any unit. */
const stripReads = { to: 999 }

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  /** What stands before the machine: it says by which hardness its outlet is told. */
  treatment: Treatment['kind']
  /** Carbon stands before the machine. */
  carbon: boolean
  instruments: MachineBundle['instruments']
  issues: Map<string, string>
}

const outletSlot = {
  none: '',
  exchanger: 'softened',
  cartridge: 'softened-carbonate',
  membrane: 'softened',
  carbon: '',
} as const

/** Drop counts or strip zones, in any unit; a strip shows a zone, so it stays a range. */
export function WaterTests({ draft, onChange, treatment, carbon, instruments, issues }: Props) {
  const slots = Object.entries(testSlots).filter(
    ([slot, { point }]) => point === 'raw' || slot === outletSlot[treatment],
  )
  const change = (slot: string, part: Partial<TestDraft>) =>
    onChange({ tests: { ...draft.tests, [slot]: { ...emptyTest, ...draft.tests[slot], ...part } } })
  return (
    <div className="flex flex-col gap-2 pt-2">
      {slots.map(([slot, about]) => {
        const name = treatment === 'membrane' && slot === 'softened' ? 'After membrane' : about.name
        const test = draft.tests[slot] ?? emptyTest
        return (
          <div key={slot} className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <span className="w-[130px]">{name}</span>
            {test.method === 'drops' ? (
              <>
                <NumberInput
                  className="field mono w-[72px] text-right"
                  aria-label={`${name}: drops`}
                  text={test.drops}
                  aria-invalid={issues.has(slot)}
                  onText={(text) => change(slot, { drops: text })}
                  onKeyDown={(event) => oneDrop(event, test, (drops) => change(slot, { drops }))}
                  reads={{ whole: true }}
                />
                <Drops count={numberIn(test.drops, { whole: true }) ?? 0} />
              </>
            ) : (
              <span className="flex items-center gap-1.5">
                <NumberInput
                  className="field mono w-[72px] text-right"
                  aria-label={`${name}: zone from`}
                  text={test.low}
                  aria-invalid={issues.has(slot)}
                  onText={(text) => change(slot, { low: text })}
                  reads={stripReads}
                />
                to
                <NumberInput
                  className="field mono w-[72px] text-right"
                  aria-label={`${name}: zone to`}
                  text={test.high}
                  aria-invalid={issues.has(slot)}
                  onText={(text) => change(slot, { high: text })}
                  reads={stripReads}
                />
              </span>
            )}
            <span className="text-[14px]" role="status">
              {issues.has(slot) ? (
                <b className="text-seal-ink">{issues.get(slot)}</b>
              ) : (
                <Found test={test} draft={draft} />
              )}
            </span>
            <button
              type="button"
              className="ml-auto min-h-[44px] px-1 text-[13px] font-semibold text-copper"
              onClick={() => change(slot, { method: test.method === 'drops' ? 'strip' : 'drops' })}
            >
              {test.method === 'drops' ? 'by strip' : 'by drops'}
            </button>
          </div>
        )
      })}
      <div className="flex flex-wrap items-center gap-3 text-[14px] text-second">
        <label className="flex items-center gap-2">
          One drop is
          <NumberInput
            className="field mono w-[64px] text-right"
            aria-label="One drop is worth"
            text={draft.perDrop}
            onText={(text) => onChange({ perDrop: text })}
          />
        </label>
        <label>
          <span className="sr-only">Unit of hardness</span>
          <select className="field" value={draft.unit} onChange={(event) => onChange({ unit: event.target.value })}>
            {hardnessUnits.map((unit) => (
              <option key={unit} value={unit}>
                {hardnessSymbol[unit]}
              </option>
            ))}
          </select>
        </label>
        <span>kept for next time</span>
      </div>
      <PenFigures draft={draft} onChange={onChange} rows={penRows(treatment, carbon)} issues={issues} />
      <InstrumentChoice
        label="Reagent"
        instruments={instruments.filter(({ kind }) => kind === 'reagent')}
        chosen={draft.reagent}
        day={draft.happenedOn}
        onChoose={(reagent) => onChange({ reagent })}
      />
    </div>
  )
}

/** Up and down count a drop more or less, so that the other hand can hold the vial. */
function oneDrop(event: React.KeyboardEvent, test: TestDraft, set: (drops: string) => void) {
  if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
  event.preventDefault()
  set(String(Math.max(0, (numberIn(test.drops, { whole: true }) ?? 0) + (event.key === 'ArrowUp' ? 1 : -1))))
}

function Found({ test, draft }: { test: TestDraft; draft: Draft }) {
  const unit = hardnessSymbol[draft.unit as HardnessUnit]
  const perDrop = numberIn(draft.perDrop)
  const drops = numberIn(test.drops, { whole: true })
  if (test.method === 'drops' && drops !== null && perDrop !== null) {
    const { low, high } = dropCount(drops, perDrop)
    return (
      <>
        <span className="mono">{figure(high)}</span> {unit},{' '}
        <span className="text-second">
          {figure(low)} to {figure(high)}
        </span>
      </>
    )
  }
  const [from, to] = [numberIn(test.low, stripReads), numberIn(test.high, stripReads)]
  if (test.method === 'strip' && from !== null && to !== null)
    return <>{`${figure(from)} to ${figure(to)} ${unit}: a range, not a point`}</>
  return null
}

/** Drops in fives, so that an eye can count them. */
function Drops({ count }: { count: number }) {
  const shown = Math.min(40, Math.max(0, Math.floor(count)))
  if (shown === 0) return null
  return (
    <svg
      width={shown * 9 + Math.floor((shown - 1) / 5) * 6 + 4}
      height={16}
      className="max-sm:hidden"
      aria-hidden="true"
    >
      {Array.from({ length: shown }, (_, i) => i).map((i) => (
        <path
          key={i}
          d={`M${4 + i * 9 + Math.floor(i / 5) * 6} 2q4 6 4 8.500a4 4 0 0 1 -8 0q0 -2.500 4 -8.500z`}
          fill="var(--water)"
        />
      ))}
    </svg>
  )
}
