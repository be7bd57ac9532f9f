import { useState } from 'react'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { Line } from '../../core/quantity/working.ts'
import { effective } from '../../core/standing/histories.ts'
import { takeFigure } from '../../core/standing/water/set-figure.ts'
import { type Figure, type FigureId, figures } from '../../core/trade/figures.ts'
import { later } from '../../ui/later.tsx'
import { quantity } from '../../ui/quantity.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { fromPage } from '../from-page.tsx'

const AdjustSheet = later(() => import('../setting/AdjustSheet.tsx').then((module) => module.AdjustSheet))

interface Props {
  firmId: string
  firm: string
  ledger: RecordedEntry[]
  today: string
}

const ids = Object.keys(figures) as FigureId[]

/** Every figure about water that is from memory, with what it may be, and the firm's own where one is set. */
function FigureList({ firmId, firm, ledger, today }: Props) {
  const [adjusting, setAdjusting] = useState<Line | null>(null)
  const histories = effective({ firm: ledger })
  const own = ids.filter((id) => takeFigure(histories, id).level === 'firm').length
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name="Figures from memory"
        under={firm}
        facts={[
          { label: 'Figures', value: ids.length },
          { label: 'Your own', value: own },
        ]}
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="mt-0 mb-2 max-w-[760px]">
          What the reckoning takes for granted of water, chalk and softeners. None of it is a maker’s figure. Set your
          own here for the whole firm, or in a working for one site or machine: the nearest wins, and each working says
          which.
        </p>
        <ul className="m-0 list-none p-0">
          {ids.map((id) => {
            const known: Figure = figures[id]
            const set = takeFigure(histories, id)
            const unit = known.unit ?? ''
            const shown = quantity(set.value, unit)
            return (
              <li key={id} className="flex min-h-[44px] flex-wrap items-center gap-x-4 border-t border-hair py-1">
                <span className="min-w-[240px] flex-1">
                  <b className="font-semibold">{known.name}</b>
                  <span className="block text-[13px] text-second">{known.about}</span>
                </span>
                <span className="mono w-[150px] text-right">
                  <b>{shown.value}</b> <span className="text-[13px] text-second">{shown.unit}</span>
                </span>
                <span
                  className={`w-[220px] text-[13px] ${set.level === 'firm' ? 'font-semibold text-copper' : 'text-second'}`}
                >
                  {set.level === 'firm'
                    ? `your own, in place of ${quantity(known.value, unit).value}`
                    : `${quantity(known.low, unit).value} to ${quantity(known.high, unit).value}, ${known.mark === 'T' ? 'common practice' : 'from memory'}`}
                </span>
                <button
                  type="button"
                  className="min-h-[44px] font-semibold text-copper"
                  aria-label={`Change: ${known.name}`}
                  onClick={() => setAdjusting(set.line())}
                >
                  Change
                </button>
              </li>
            )
          })}
        </ul>
      </div>
      {adjusting && (
        <AdjustSheet
          levels={[{ level: 'firm', words: 'the whole firm', id: firmId }]}
          today={today}
          title="Figure"
          line={adjusting}
          onClose={() => setAdjusting(null)}
          onSaved={async () => location.reload()}
        />
      )}
    </div>
  )
}

export const FigureIsland = fromPage(FigureList)
