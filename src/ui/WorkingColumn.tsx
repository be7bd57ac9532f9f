import { useState } from 'react'
import type { Line, Working } from '../core/quantity/working.ts'
import { dayLong, dayNear } from './format.ts'
import { differenceFigure, firmUnit, quantity } from './quantity.ts'

interface Props {
  working: Working
  onAdjust?: (line: Line) => void
}

/**
 * The arithmetic behind a figure: numbered lines, inputs light, results bold with their formula. Line
 * numbers are references: pointing at one lights the lines it names.
 */
export function WorkingColumn({ working, onAdjust }: Props) {
  const [lit, setLit] = useState<number[]>([])
  return (
    <div>
      <ol className="m-0 list-none p-0">
        {working.lines.map((line, i) => {
          const n = i + 1
          const result = line.origin === 'reckoned'
          return (
            <li
              key={n}
              onMouseEnter={() => setLit(references(line))}
              onMouseLeave={() => setLit([])}
              className={`border-t border-hair py-[3px] ${lit.includes(n) ? 'bg-copper-tint' : ''}`}
            >
              <div className="flex items-baseline gap-2">
                <span className="mono w-5 shrink-0 text-[12px] text-second">{n}</span>
                <span className="narrow min-w-0 flex-1 text-[14px]">
                  <span className={result ? 'font-semibold' : ''}>{dated(line.what)}</span>
                  {line.source && <span className="text-[13px] text-second">, {dated(line.source)}</span>}
                  {line.adjust && onAdjust && (
                    <button
                      type="button"
                      className="ml-2 min-h-[24px] text-[13px] font-semibold text-copper underline-offset-2 hover:underline max-md:min-h-[44px]"
                      onClick={() => onAdjust(line)}
                    >
                      Change
                    </button>
                  )}
                </span>
                <span className="mono shrink-0 text-right text-[13px]">
                  <b className="font-semibold">{shown(line)}</b>
                  {line.unit && <span className="text-second"> {unitShown(line)}</span>}
                </span>
              </div>
              {line.formula && <div className="mono pl-7 text-[12px] text-second">{formula(line.formula)}</div>}
              {line.reference && <div className="pl-7 text-[12px] text-second">{line.reference}</div>}
            </li>
          )
        })}
      </ol>
      {working.why && <p className="m-0 border-t border-ink pt-1.5 text-[14px] text-second narrow">{working.why}</p>}
    </div>
  )
}

const unitShown = (line: Line): string =>
  typeof line.value === 'number' ? quantity(line.value, line.unit!).unit : firmUnit(line.unit!)

const shown = (line: Line): string => {
  const unit = line.unit ?? ''
  const value = typeof line.value === 'number' ? quantity(line.value, unit).value : dated(line.value)
  return line.spread ? `${value} ± ${differenceFigure(line.spread, unit)}` : value
}

/** Days inside a sentence, as a person writes them. */
const dated = (text: string) =>
  text.replace(/\d{4}-\d\d-\d\d/g, (day) => (text.length === 10 ? dayLong(day) : dayNear(day, '')))

const references = (line: Line): number[] =>
  [...(line.formula ?? '').matchAll(/\{(\d+)\}/g)].map((match) => Number(match[1]))
const formula = (text: string) => dated(text.replace(/\{(\d+)\}/g, '[$1]'))
