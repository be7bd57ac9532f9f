import type { WaterFigureName } from '../../core/ledger/water-figure-names.ts'
import type { Treatment } from '../../core/standing/water/treatment-before.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { firmUnit } from '../../ui/quantity.ts'
import type { Draft } from './draft.ts'
import { measureReads } from './draft.ts'

/** What is read off a pen or a paper at one point of the water. */
interface PenRow {
  point: 'raw' | 'permeate' | 'softened'
  name: string
  figures: { figure: WaterFigureName; name: string; unit: string }[]
}

const conductivity = { figure: 'conductivityUsCm', name: 'conductivity', unit: 'µS/cm' } as const

/** What a pen or a paper can tell of this machine's water, in the order of the water. */
export const penRows = (treatment: Treatment['kind'], carbon: boolean): PenRow[] => [
  {
    point: 'raw',
    name: 'Raw, by pen',
    figures: [
      { figure: 'pH', name: 'pH', unit: 'pH' },
      { figure: 'testTempC', name: 'temperature', unit: '°C' },
      conductivity,
    ],
  },
  ...(treatment === 'membrane'
    ? [
        { point: 'permeate' as const, name: 'Behind membrane', figures: [conductivity] },
        { point: 'softened' as const, name: 'As it leaves', figures: [conductivity] },
      ]
    : []),
  ...(carbon
    ? [
        {
          point: 'softened' as const,
          name: 'After carbon',
          figures: [
            { figure: 'freeChlorineMgL' as const, name: 'free chlorine', unit: 'mg/L free' },
            { figure: 'totalChlorineMgL' as const, name: 'total chlorine', unit: 'mg/L total' },
          ],
        },
      ]
    : []),
]

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  rows: PenRow[]
  issues: Map<string, string>
}

/** Figures read off a pen or a paper; an empty one was not read. */
export function PenFigures({ draft, onChange, rows, issues }: Props) {
  return rows.map((row) => (
    <fieldset key={row.name} className="m-0 flex flex-wrap items-center gap-x-3 gap-y-1 border-0 p-0">
      <legend className="sr-only">{row.name}</legend>
      <span className="w-[130px]" aria-hidden="true">
        {row.name}
      </span>
      {row.figures.map(({ figure, name, unit }) => {
        const slot = `${row.point}:${figure}`
        const words = unit === '°C' ? firmUnit(unit) : unit
        return (
          <label key={slot} className="flex items-center gap-1.5 text-[14px] text-second">
            <NumberInput
              className="field mono w-[72px] text-right text-ink"
              aria-label={`${row.name}: ${name}`}
              text={draft.figures[slot] ?? ''}
              aria-invalid={issues.has(slot)}
              onText={(text) => onChange({ figures: { ...draft.figures, [slot]: text } })}
              reads={figure === 'testTempC' ? measureReads(unit) : {}}
            />
            {words}
            {issues.has(slot) && <b className="text-[13px] text-seal-ink">{issues.get(slot)}</b>}
          </label>
        )
      })}
    </fieldset>
  ))
}
