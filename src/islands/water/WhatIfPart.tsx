import { hardnessSymbol, mgLPer } from '../../core/quantity/hardness.ts'
import type { WhatIf } from '../../core/sample/sample.ts'
import { usualWhatIf } from '../../core/sample/sample-address.ts'
import type { BenchAnswer } from '../../core/sample/sample-reckoning.ts'
import { brewC, indexWords } from '../../core/water/saturation-words.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { firmUnit, quantity, quantityWords } from '../../ui/quantity.ts'

interface Props {
  whatIf: WhatIf
  answer: BenchAnswer
  litresPerDay: string
  onChange: (whatIf: WhatIf) => void
  onLitres: (text: string) => void
}

const kinds: [WhatIf['kind'], string][] = [
  ['none', 'As it is'],
  ['softener', 'Salt softener'],
  ['cartridge', 'Cartridge'],
  ['blend', 'Membrane, blended'],
  ['minerals', 'Membrane, minerals'],
]

/** What a treatment would make of this water, by sliders, live. */
export function WhatIfPart({ whatIf, answer, litresPerDay, onChange, onLitres }: Props) {
  return (
    <section aria-label="What if">
      <fieldset className="m-0 flex flex-wrap gap-x-1 border-0 p-0">
        <legend className="sr-only">Treatment</legend>
        {kinds.map(([kind, name]) => (
          <label
            key={kind}
            className={`flex min-h-[44px] cursor-pointer items-center border-b-2 px-2 has-focus-visible:outline-2 ${whatIf.kind === kind ? 'border-copper font-semibold' : 'border-transparent text-second'}`}
          >
            <input
              type="radio"
              name="treatment"
              className="sr-only"
              checked={whatIf.kind === kind}
              onChange={() => onChange(kind === 'none' ? { kind } : usualWhatIf(kind))}
            />
            {name}
          </label>
        ))}
      </fieldset>
      {whatIf.kind !== 'none' && (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-1 pt-1 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <div>
            <Sliders whatIf={whatIf} onChange={onChange} answer={answer} />
            {(whatIf.kind === 'softener' || whatIf.kind === 'cartridge') && (
              <label className="flex items-center gap-2 py-1 text-[14px]">
                <span className="flex-1">Drawn</span>
                <NumberInput
                  className="field mono w-[84px] text-right lg:min-h-[36px]"
                  text={litresPerDay}
                  onText={(text) => onLitres(text)}
                />
                <span className="w-[64px] text-[13px] text-second">{firmUnit('L')} a day</span>
              </label>
            )}
          </div>
          <Result answer={answer} whatIf={whatIf} />
        </div>
      )}
    </section>
  )
}

function Sliders({ whatIf, answer, onChange }: Pick<Props, 'whatIf' | 'answer' | 'onChange'>) {
  const hardness = firmUnit(hardnessSymbol.mgL)
  const mgL = (value: number) => quantity(value, hardnessSymbol.mgL).value
  switch (whatIf.kind) {
    case 'softener':
      return (
        <>
          <Slider
            label="Lets through"
            unit={hardness}
            shown={mgL(whatIf.outMgL)}
            value={whatIf.outMgL}
            from={0}
            to={Math.max(120, Math.min(300, answer.raw.likely.hardnessMgL))}
            step={mgLPer.dH / 4}
            onChange={(outMgL) => onChange({ ...whatIf, outMgL: Math.round(outMgL * 10) / 10 })}
          />
          <Slider
            label="Resin"
            unit="L"
            shown={figure(whatIf.resinL)}
            value={whatIf.resinL}
            from={4}
            to={60}
            step={1}
            onChange={(resinL) => onChange({ ...whatIf, resinL })}
          />
        </>
      )
    case 'cartridge':
      return (
        <>
          <Slider
            label="Bypass"
            unit="%"
            shown={String(Math.round(whatIf.bypass * 100))}
            value={whatIf.bypass}
            from={0}
            to={0.7}
            step={0.05}
            onChange={(bypass) => onChange({ ...whatIf, bypass: Math.round(bypass * 100) / 100 })}
          />
          <Slider
            label="Holds"
            unit="g CaCO₃"
            shown={figure(whatIf.capacityG)}
            value={whatIf.capacityG}
            from={50}
            to={1500}
            step={25}
            onChange={(capacityG) => onChange({ ...whatIf, capacityG })}
          />
        </>
      )
    case 'blend':
      return (
        <Slider
          label="Raw water in it"
          unit="%"
          shown={String(Math.round(whatIf.rawShare * 100))}
          value={whatIf.rawShare}
          from={0}
          to={1}
          step={0.01}
          onChange={(rawShare) => onChange({ ...whatIf, rawShare: Math.round(rawShare * 100) / 100 })}
        />
      )
    case 'minerals':
      return (
        <>
          {(['calciumMgL', 'magnesiumMgL', 'bicarbonateMgL'] as const).map((name, i) => (
            <Slider
              key={name}
              label={['Calcium dosed', 'Magnesium dosed', 'Bicarbonate dosed'][i]!}
              unit={hardness}
              shown={mgL(whatIf[name])}
              value={whatIf[name]}
              from={0}
              to={150}
              step={1}
              onChange={(value) => onChange({ ...whatIf, [name]: value })}
            />
          ))}
        </>
      )
    default:
      return null
  }
}

function Slider({
  label,
  unit,
  shown,
  value,
  from,
  to,
  step,
  onChange,
}: {
  label: string
  unit: string
  shown: string
  value: number
  from: number
  to: number
  step: number
  onChange: (value: number) => void
}) {
  return (
    <label className="block py-1 text-[14px]">
      <span className="flex items-baseline gap-2">
        <span className="flex-1">{label}</span>
        <span className="mono font-semibold">{shown}</span>
        <span className="w-[64px] text-[13px] text-second">{unit}</span>
      </span>
      <input
        type="range"
        className="block min-h-[32px] w-full accent-[var(--copper)] max-lg:min-h-[44px]"
        min={from}
        max={to}
        step={step}
        value={value}
        aria-valuetext={`${shown} ${unit}`}
        onChange={(event) => onChange(Number(event.target.value))}
      />
    </label>
  )
}

function Result({ answer, whatIf }: { answer: BenchAnswer; whatIf: WhatIf }) {
  const { treated, gives, blend } = answer
  if (!treated) return null
  const { water } = treated
  const rows: [string, string][] = [
    ['Total hardness', quantityWords(water.hardnessMgL, hardnessSymbol.mgL)],
    ['Carbonate hardness', quantityWords(water.alkalinityMgL, hardnessSymbol.mgL)],
    ['pH, conductivity', `${water.pH.toFixed(1)}, ${figure(water.conductivityUsCm)} µS/cm`],
    [`Index at ${quantityWords(brewC, '°C')}`, indexWords(treated.brew.si)],
    ...(gives
      ? ([
          [
            whatIf.kind === 'softener' ? 'Between regenerations' : 'Until it is spent',
            `${quantityWords(gives.litres, 'L')}${Number.isFinite(gives.days) ? `, ${figure(gives.days)} days` : ''}`,
          ],
        ] as [string, string][])
      : []),
    ...(treated.sodiumMgL > 0 ? ([['Sodium added', `${figure(treated.sodiumMgL)} mg/L`]] as [string, string][]) : []),
  ]
  return (
    <div>
      <dl className="m-0">
        {rows.map(([what, value]) => (
          <div
            key={what}
            className="flex flex-wrap items-baseline justify-end gap-x-3 border-t border-hair py-0.5 text-[14px]"
          >
            <dt className="flex-1">{what}</dt>
            <dd className="mono m-0 font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 mb-0 text-[13px] text-second">{notes[whatIf.kind]}</p>
      {whatIf.kind === 'cartridge' && whatIf.bypass < 0.2 && (
        <p className="m-0 text-[13px] font-semibold text-brass-ink">
          Below 20 % bypass the sour water attacks brass: from memory.
        </p>
      )}
      {blend && (
        <p className={`m-0 text-[13px] ${blend.share ? '' : 'font-semibold text-brass-ink'}`}>
          {blend.share
            ? `${Math.round(blend.share.from * 100)} to ${Math.round(blend.share.to * 100)} % raw water keeps hardness, carbonate and chloride all in range for coffee.`
            : `No share keeps all in range: ${blend.conflict!.map((name) => names[name]).join(' and ')} ask for different ones.`}
        </p>
      )}
    </div>
  )
}

const names = {
  hardnessMgL: 'total hardness',
  alkalinityMgL: 'carbonate hardness',
  chlorideMgL: 'chloride',
  conductivityUsCm: 'conductivity',
} as const

const notes: Record<WhatIf['kind'], string> = {
  none: '',
  softener:
    'Carbonate stays and conductivity hardly changes: a pen cannot tell a spent softener, a drop count can. In a boiler the pH rises to 10 or 11.',
  cartridge:
    'Takes carbonate hardness only and leaves its carbonic acid behind, so the pH falls. Over-removes when fresh, fades slowly; twelve months at the most.',
  blend: 'Carbonic acid passes the membrane. Never below 80 µS/cm where a level probe must see the water.',
  minerals: 'What is dosed is added: it is not a blend. Bicarbonate brings its sodium along.',
}
