import { type HardnessUnit, hardnessSymbol, hardnessUnits } from '../../core/quantity/hardness.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { firmUnit } from '../../ui/quantity.ts'
import { type PenName, readTest, type TestName, type TypedSample, type TypedTest, wrongIn } from './typed-sample.ts'

interface Props {
  typed: TypedSample
  onChange: (typed: TypedSample) => void
}

const tests: [TestName, string, string][] = [
  ['total', 'Total hardness', ''],
  ['carbonate', 'Carbonate hardness', ''],
  ['after', 'After softener', 'total'],
]
const pens: [PenName, string, string][] = [
  ['pH', 'pH', ''],
  ['conductivityUsCm', 'Conductivity', 'µS/cm'],
  ['tempC', 'Temperature', '°C'],
  ['chlorideMgL', 'Chloride', 'mg/L'],
  ['silicaMgL', 'Silica', 'mg/L'],
]

/** What is in hand: drops of two kits, a strip's zone or a figure, and what pens and papers show. */
export function Readings({ typed, onChange }: Props) {
  return (
    <div>
      {tests.map(([name, label, hint]) => (
        <Test
          key={name}
          label={label}
          hint={hint}
          test={typed[name]}
          wrong={wrongIn(name, typed)}
          onChange={(test) => onChange({ ...typed, [name]: test })}
        />
      ))}
      <div className="grid grid-cols-1 gap-x-4 sm:grid-cols-2 lg:grid-cols-1">
        {pens.map(([name, label, unit]) => {
          const wrong = wrongIn(name, typed)
          return (
            <label key={name} className="flex flex-wrap items-center gap-x-2 border-t border-hair py-1 text-[14px]">
              <span className="min-w-0 flex-1">{label}</span>
              <NumberInput
                className="field mono w-[76px] text-right lg:min-h-[36px]"
                text={typed[name]}
                aria-invalid={wrong !== null}
                onText={(text) => onChange({ ...typed, [name]: text })}
              />
              <span className="w-[42px] text-[13px] text-second">{firmUnit(unit)}</span>
              {wrong && <b className="basis-full text-[13px] text-seal-ink">{wrong}</b>}
            </label>
          )
        })}
      </div>
    </div>
  )
}

const ways = { drops: 'drops', strip: 'strip', figure: 'figure' } as const

function Test({
  label,
  hint,
  test,
  wrong,
  onChange,
}: {
  label: string
  hint: string
  test: TypedTest
  wrong: string | null
  onChange: (test: TypedTest) => void
}) {
  const read = readTest(test)
  const symbol = hardnessSymbol[test.unit]
  const put = (part: Partial<TypedTest>) => onChange({ ...test, ...part })
  const field = (name: 'drops' | 'perDrop' | 'low' | 'high' | 'value', aria: string) => (
    <input
      className="field mono w-[54px] px-1.5 text-right lg:min-h-[36px]"
      inputMode={name === 'drops' ? 'numeric' : 'decimal'}
      aria-label={`${label}: ${aria}`}
      aria-invalid={wrong !== null}
      value={test[name]}
      onChange={(event) => put({ [name]: event.target.value })}
    />
  )
  return (
    <fieldset className="m-0 min-w-0 border-0 border-t border-hair p-0 py-1.5">
      <legend className="sr-only">{label}</legend>
      <div className="flex items-baseline gap-2">
        <span>
          {label} <span className="text-[13px] text-second">{hint}</span>
        </span>
        <span className="mono ml-auto text-[14px]" role="status">
          {read && (
            <>
              <b>{found(test)}</b> <span className="text-[13px] text-second">{symbol}</span>
            </>
          )}
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-1.5 pt-1 text-[14px] text-second">
        {test.by === 'drops' && (
          <>
            {field('drops', 'drops')} drops of {field('perDrop', 'one drop is worth')}
          </>
        )}
        {test.by === 'strip' && (
          <>
            {field('low', 'zone from')} to {field('high', 'zone to')}
          </>
        )}
        {test.by === 'figure' && field('value', 'figure')}
        <select
          className="field w-[84px] px-1 lg:min-h-[36px]"
          aria-label={`${label}: unit`}
          value={test.unit}
          onChange={(event) => put({ unit: event.target.value as HardnessUnit })}
        >
          {hardnessUnits.map((unit) => (
            <option key={unit} value={unit}>
              {hardnessSymbol[unit]}
            </option>
          ))}
        </select>
      </div>
      <div className="flex items-center gap-2 pt-0.5">
        {test.by === 'drops' && <DropRow count={Number(test.drops) || 0} />}
        {test.by === 'drops' && (
          <select
            className={`ml-auto min-h-[30px] bg-transparent text-[13px] font-semibold max-lg:min-h-[44px] ${test.factor === '1' ? 'text-second' : 'text-ink'}`}
            aria-label={`${label}: sample taken`}
            value={test.factor}
            onChange={(event) => put({ factor: event.target.value })}
          >
            {['1', '2', '5', '0.5'].map((factor) => (
              <option key={factor} value={factor}>
                sample × {factor}
              </option>
            ))}
          </select>
        )}
        <select
          className={`min-h-[30px] bg-transparent text-[13px] font-semibold text-copper max-lg:min-h-[44px] ${test.by === 'drops' ? '' : 'ml-auto'}`}
          aria-label={`${label}: by`}
          value={test.by}
          onChange={(event) => put({ by: event.target.value as TypedTest['by'] })}
        >
          {Object.entries(ways).map(([way, words]) => (
            <option key={way} value={way}>
              by {words}
            </option>
          ))}
        </select>
      </div>
      {wrong && (
        <b role="alert" className="text-[13px] text-seal-ink">
          {wrong}
        </b>
      )}
    </fieldset>
  )
}

function found(test: TypedTest): string {
  const read = readTest(test)!
  if (read.by === 'drops') return `= ${figure((read.drops * read.perDrop) / (read.sampleFactor ?? 1))}`
  return read.by === 'strip' ? `${figure(read.low)} to ${figure(read.high)}` : `= ${figure(read.value)}`
}

/** Drops in fives, so that an eye can count them. */
function DropRow({ count }: { count: number }) {
  const shown = Math.min(20, Math.max(0, Math.floor(count)))
  if (shown === 0) return null
  return (
    <svg width={shown * 5.6 + Math.floor((shown - 1) / 5) * 2 + 4} height={14} aria-hidden="true">
      {Array.from({ length: shown }, (_, i) => i).map((i) => (
        <path
          key={i}
          d={`M${4 + i * 5.6 + Math.floor(i / 5) * 2} 1q2.400 5 2.400 7.500a2.400 3 0 0 1 -4.800 0q0 -2.500 2.400 -7.500z`}
          fill="var(--water)"
        />
      ))}
    </svg>
  )
}
