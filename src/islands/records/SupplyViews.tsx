import { useState } from 'react'
import type { Kept } from '../../core/firm/records.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { waterFigureWords } from '../../core/ledger/water-figure-names.ts'
import { hardnessFromMgL, hardnessSymbol, hardnessToMgL } from '../../core/quantity/hardness.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { dayLong, daysUntil, figure } from '../../ui/format.ts'
import { preferences } from '../../ui/preferences.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { RecordPage } from '../../views/record-page.ts'
import { fromPage } from '../from-page.tsx'
import { island } from '../island.tsx'
import { keep } from '../keep.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { ByMistake } from './ByMistake.tsx'
import { typedNumber, typedText, wrongAt } from './form-values.ts'
import { RecordList } from './RecordList.tsx'
import { retired, supplyFields, texts, typed } from './record-fields.ts'
import { SheetForm } from './SheetForm.tsx'

/** @example ageWords('2026-11-27', '2026-11-28') // 'yesterday' */
const ageWords = (on: string, today: string) => {
  const days = -daysUntil(on, today)
  return days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${figure(days)} d old`
}

/** Water zones: what the works deliver to many sites. */
function SupplyList({ first, firm, today }: { first: RecordPage<'supply'>; firm: string; today: string }) {
  const [adding, setAdding] = useState(false)
  const [id] = useState(newId)
  return (
    <>
      <RecordList
        kind="supply"
        first={first}
        title="Water zones"
        under={firm}
        today={today}
        href={(row) => `/supplies/${row.id}`}
        describe={(row: { id: string } & Kept<'supply'>) => row.note}
        empty={
          <p className="m-0">
            A water zone is what one waterworks delivers to many sites. Its yearly figures speak for every site in it
            until somebody tests at the tap.
          </p>
        }
        action={
          <button type="button" className="act whitespace-nowrap" onClick={() => setAdding(true)}>
            Add a zone
          </button>
        }
      />
      {adding && (
        <Sheet
          open
          onOpenChange={() => setAdding(false)}
          title="Add a water zone"
          about="Its analyses are added on its own page."
        >
          <SheetForm
            fields={supplyFields}
            values={{ name: '', note: '' }}
            save="Add it"
            onCancel={() => setAdding(false)}
            onSave={async (values) => {
              const told = await keep('supply', id, 0, texts(values, ['name', 'note']))
              if (told.ok) location.assign(`/supplies/${id}`)
              return told
            }}
          />
        </Sheet>
      )}
    </>
  )
}

interface Props {
  supply: { id: string; version: number } & Kept<'supply'>
  ledger: RecordedEntry[]
  sites: { id: string; name: string; area: string }[]
  today: string
}

/** One water zone: its analyses over time, and the sites that get this water. */
function SupplyView({ supply, ledger, sites, today }: Props) {
  const [open, setOpen] = useState<'edit' | 'analysis' | null>(null)
  const [ids] = useState(() => [newId(), newId(), newId()] as const)
  const unit = preferences().hardnessUnit
  const symbol = hardnessSymbol[unit]
  const close = () => setOpen(null)
  const days = analyses(ledger)
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name={supply.name}
        under="Water zone"
        facts={[
          { label: 'Sites', value: sites.length },
          { label: 'Analyses', value: days.length },
          ...(days[0] ? [{ label: 'Last', value: dayLong(days[0].on), source: ageWords(days[0].on, today) }] : []),
        ]}
        action={
          <>
            <a
              className="plain inline-flex items-center whitespace-nowrap"
              href={`/import/analyses?supply=${supply.id}`}
            >
              From CSV
            </a>
            <button type="button" className="plain" onClick={() => setOpen('edit')}>
              Edit
            </button>
            <button type="button" className="act whitespace-nowrap" onClick={() => setOpen('analysis')}>
              Add an analysis
            </button>
          </>
        }
      />
      <div className="grid flex-1 gap-x-8 bg-enamel px-4 py-3 lg:grid-cols-[1fr_360px] lg:px-6">
        <section className="min-w-0">
          <h2 className="head m-0 pb-1">Analyses</h2>
          {supply.note && <p className="mt-0 mb-2 text-second">{supply.note}</p>}
          {days.length === 0 ? (
            <p className="m-0 text-second">None yet. The works print them once a year, often by quarter.</p>
          ) : (
            <table className="w-full border-collapse text-[14px]">
              <thead>
                <tr className="slim text-left text-[13px] text-second">
                  <th className="py-1 font-semibold">Day</th>
                  <th className="py-1 text-right font-semibold">Total, {symbol}</th>
                  <th className="py-1 text-right font-semibold">Carbonate, {symbol}</th>
                  <th className="py-1 pl-4 font-semibold">Besides</th>
                </tr>
              </thead>
              <tbody>
                {days.map(({ on, total, carbonate, besides }) => (
                  <tr key={on} className="border-t border-hair">
                    <td className="mono py-1.5 whitespace-nowrap">{dayLong(on)}</td>
                    <td className="mono py-1.5 text-right">
                      {total === undefined ? '–' : figure(hardnessFromMgL(total, unit))}
                    </td>
                    <td className="mono py-1.5 text-right">
                      {carbonate === undefined ? '–' : figure(hardnessFromMgL(carbonate, unit))}
                    </td>
                    <td className="py-1.5 pl-4 text-second">{besides}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <section className="max-lg:pt-5">
          <h2 className="head m-0 pb-1">Sites on this water</h2>
          {sites.length === 0 && <p className="m-0 text-second">None yet: a site names its zone on its own page.</p>}
          <ul className="m-0 list-none p-0">
            {sites.map((site) => (
              <li key={site.id} className="border-t border-hair">
                <a href={`/sites/${site.id}`} className="flex min-h-[40px] items-center gap-3 hover:bg-copper-tint">
                  {site.name} <span className="text-[14px] text-second">{site.area}</span>
                </a>
              </li>
            ))}
          </ul>
        </section>
      </div>
      {open === 'analysis' && (
        <Sheet
          open
          onOpenChange={close}
          title="Add an analysis"
          about="It moves every site of the zone that was not tested at its own tap since."
        >
          <SheetForm
            fields={[
              { id: 'on', label: 'Day', kind: 'day', half: true, paths: ['happenedOn'] },
              { id: 'total', label: 'Total hardness', kind: 'number', unit: symbol, half: true, paths: ['body.value'] },
              {
                id: 'carbonate',
                label: 'Carbonate hardness',
                hint: 'if printed',
                kind: 'number',
                unit: symbol,
                half: true,
              },
              ...besides.map(([id, label, unit]) => ({
                id,
                label,
                kind: 'number' as const,
                half: true,
                hint: 'if printed',
                ...(unit && { unit }),
                paths: [`body.${id}`],
              })),
            ]}
            values={{ on: today, total: '', carbonate: '', ...Object.fromEntries(besides.map(([id]) => [id, ''])) }}
            save="Add it"
            onCancel={close}
            onSave={async (values) => {
              const [total, carbonate] = [typedNumber(values, 'total'), typedNumber(values, 'carbonate')]
              if (total === undefined || !(total >= 0)) return wrongAt('total', 'must be a number')
              if (Number.isNaN(carbonate)) return wrongAt('carbonate', 'is not a number')
              if (carbonate !== undefined && carbonate > total) return wrongAt('carbonate', 'cannot be above the total')
              const rest: Record<string, number> = {}
              for (const [id] of besides) {
                const value = typedNumber(values, id)
                if (value !== undefined && !(value >= 0)) return wrongAt(id, 'must be a number from 0 on')
                if (value !== undefined) rest[id] = value
              }
              const on = typedText(values, 'on') || today
              const test = (quantity: 'total' | 'carbonate', value: number, id: string) => {
                const body = { point: 'raw' as const, quantity, method: 'figure' as const, unit, value }
                return makeEntry('supply', supply.id, 'water-test', body, on, { id })
              }
              const told = await writeFrom([
                test('total', total, ids[0]),
                ...(carbonate === undefined ? [] : [test('carbonate', carbonate, ids[1])]),
                ...(Object.keys(rest).length > 0
                  ? [
                      makeEntry('supply', supply.id, 'water-figures', { point: 'raw', by: 'works', ...rest }, on, {
                        id: ids[2],
                      }),
                    ]
                  : []),
              ])
              if (told.ok) location.reload()
              return told
            }}
          />
        </Sheet>
      )}
      {open === 'edit' && (
        <Sheet open onOpenChange={close} title="Edit the zone" about="What is changed is kept in the firm's log.">
          <SheetForm
            fields={supplyFields}
            values={typed(supply)}
            save="Save"
            onCancel={close}
            onSave={async (values) => {
              const record = { ...texts(values, ['name', 'note']), ...retired(typed(supply)) }
              const told = await keep('supply', supply.id, supply.version, record)
              if (told.ok) location.reload()
              return told
            }}
          />
          <ByMistake kind="supply" id={supply.id} name={supply.name} after="/supplies" />
        </Sheet>
      )}
    </div>
  )
}

/** What works print beside hardness, and in which unit. */
const besides = (['pH', 'conductivityUsCm', 'chlorideMgL', 'silicaMgL'] as const).map(
  (name) => [name, waterFigureWords[name].name, waterFigureWords[name].unit] as const,
)

interface AnalysisDay {
  on: string
  total?: number
  carbonate?: number
  /** pH, conductivity and the like, in words. */
  besides?: string
}

/** What was found by day, the latest first; mg/L CaCO3. */
function analyses(ledger: RecordedEntry[]): AnalysisDay[] {
  const days = new Map<string, AnalysisDay>()
  for (const entry of effectiveHistory(ledger).entries) {
    const day = days.get(entry.happenedOn) ?? { on: entry.happenedOn }
    if (isKind('water-test')(entry)) {
      const { quantity, unit, value } = entry.body
      if (value === undefined) continue
      day[quantity] = hardnessToMgL(value, unit)
    } else if (isKind('water-figures')(entry)) day.besides = entryWords(entry, null).replace('Water raw: ', '')
    else continue
    days.set(entry.happenedOn, day)
  }
  return [...days.values()].reverse()
}

export const SupplyIsland = fromPage(SupplyView)

export const SupplyListIsland = island(SupplyList)
