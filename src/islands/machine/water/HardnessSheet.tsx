import { useState } from 'react'
import type { HardnessClass } from '../../../core/kinds/kind.ts'
import { hardnessSymbol } from '../../../core/quantity/hardness.ts'
import { usualClasses } from '../../../core/scale/setting-advice.ts'
import { numberIn } from '../../../core/typed/read-as.ts'
import { NumberInput } from '../../../ui/NumberInput.tsx'
import { asReckoned, asTyped, firmUnit } from '../../../ui/quantity.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { machineLevels } from '../../setting/levels.ts'
import { SettingSheet } from '../../setting/SettingSheet.tsx'

interface Props {
  bundle: MachineBundle
  today: string
  classes: HardnessClass[]
  chosen: number
  onClose: () => void
  onSaved: () => Promise<void>
}

interface Row {
  upTo: string
  litres: string
}

const rowsOf = (classes: HardnessClass[]): Row[] =>
  classes.map(({ upToDh, litres }) => ({
    upTo: upToDh === undefined ? '' : asTyped(upToDh, hardnessSymbol.dH),
    litres: asTyped(litres, 'L'),
  }))

/** What hardness settings a machine offers, as its booklet prints them, and the one it stands at. */
export function HardnessSheet({ bundle, today, classes, chosen: first, onClose, onSaved }: Props) {
  const [rows, setRows] = useState<Row[]>(rowsOf(classes))
  const [chosen, setChosen] = useState(Math.min(first, classes.length))
  const number = (text: string, unit: string) => numberIn(text, { unit: firmUnit(unit) }) ?? Number.NaN
  const body = () => {
    const made = rows.map(({ upTo, litres }, i) => ({
      litres: asReckoned(number(litres, 'L'), 'L'),
      ...(i < rows.length - 1 && { upToDh: asReckoned(number(upTo, hardnessSymbol.dH), hardnessSymbol.dH) }),
    }))
    for (const [i, one] of made.entries()) {
      if (!(one.litres > 0)) return `Setting ${i + 1}: litres must be a number above 0.`
      if (i < made.length - 1 && !((one.upToDh ?? 0) > (made[i - 1]?.upToDh ?? 0)))
        return `Setting ${i + 1}: its hardness must be above that of the setting before.`
    }
    return { setting: 'hardness-setting' as const, classes: made, chosen }
  }
  const set = (i: number, part: Partial<Row>) => setRows(rows.map((row, at) => (at === i ? { ...row, ...part } : row)))
  return (
    <SettingSheet
      levels={machineLevels(bundle)}
      today={today}
      title="Its hardness setting"
      about="As the machine offers them; the litres are those after which it then asks to be descaled."
      body={body}
      onClose={onClose}
      onSaved={onSaved}
    >
      <label className="flex items-center gap-3">
        <span className="slim text-[14px]">Settings it has</span>
        <select
          className="field"
          value={rows.length}
          onChange={(event) => {
            const count = Number(event.target.value) as keyof typeof usualClasses
            setRows(rowsOf(usualClasses[count]))
            setChosen(Math.min(chosen, count))
          }}
        >
          {[2, 3, 4, 5].map((count) => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      <table className="mt-2 w-full border-collapse text-[14px]">
        <thead>
          <tr className="slim text-left text-[13px] text-second">
            <th className="font-semibold">Set now</th>
            <th className="font-semibold">Water up to, {firmUnit(hardnessSymbol.dH)}</th>
            <th className="font-semibold">Asks after, {firmUnit('L')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-t border-hair">
              <td className="py-1">
                <label className="flex min-h-[44px] items-center gap-2">
                  <input type="radio" name="chosen" checked={chosen === i + 1} onChange={() => setChosen(i + 1)} />
                  {i + 1}
                </label>
              </td>
              <td>
                {i < rows.length - 1 ? (
                  <NumberInput
                    className="field mono w-[96px] text-right"
                    aria-label={`Setting ${i + 1}: water up to`}
                    text={row.upTo}
                    onText={(text) => set(i, { upTo: text })}
                    reads={{ unit: firmUnit(hardnessSymbol.dH) }}
                  />
                ) : (
                  'harder'
                )}
              </td>
              <td>
                <NumberInput
                  className="field mono w-[96px] text-right"
                  aria-label={`Setting ${i + 1}: asks after`}
                  text={row.litres}
                  onText={(text) => set(i, { litres: text })}
                  reads={{ unit: firmUnit('L') }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </SettingSheet>
  )
}
