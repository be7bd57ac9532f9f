import { useEffect, useState } from 'react'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import type { YearOfWater } from '../../core/standing/water/year-of-water.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { counted, figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { preferences } from '../../ui/preferences.ts'
import { firmUnit, quantity, quantityWords } from '../../ui/quantity.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { YearPage } from '../../views/year-page.ts'
import { fromPage } from '../from-page.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { typedNumber, wrongAt } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  page: YearPage
  today: string
}

interface Field {
  id: string
  label: string
  unit: string
  value: string
}

const treatments: { kind: string; name: string; fields: Field[] }[] = [
  { kind: 'none', name: 'nothing: raw water', fields: [] },
  { kind: 'hand', name: 'salt softener, by hand', fields: [{ id: 'resinL', label: 'Resin', unit: 'L', value: '12' }] },
  {
    kind: 'itself',
    name: 'salt softener, regenerates itself',
    fields: [
      { id: 'resinL', label: 'Resin', unit: 'L', value: '10' },
      { id: 'saltGPerL', label: 'Salt for a litre of resin', unit: 'g', value: '120' },
    ],
  },
  {
    kind: 'cartridge',
    name: 'decarbonising cartridge',
    fields: [
      { id: 'capacityG', label: 'Holds', unit: 'g CaCO₃', value: '875' },
      { id: 'bypass', label: 'Bypass, share', unit: '', value: '0.3' },
    ],
  },
  {
    kind: 'membrane',
    name: 'membrane, raw water mixed in',
    fields: [
      { id: 'rawShare', label: 'Raw water in it, share', unit: '', value: '0.25' },
      { id: 'rejectLPerL', label: 'Down the drain for a litre made', unit: 'L', value: '1' },
    ],
  },
]

/** As it is read; what is no number goes as it was typed, and the answer says so. */
const asSent = (text: string) => String(numberIn(text) ?? text)

/** Litres, salt, chalk, acid and money of a site's year, as it is and with another treatment. */
function YearView({ page, today }: Props) {
  const { site, machines, year, now } = page
  const [kind, setKind] = useState('itself')
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [after, setAfter] = useState<{ year: YearOfWater | null; wrong: string; waits: boolean }>({
    year: null,
    wrong: '',
    waits: true,
  })
  const [pricing, setPricing] = useState(false)
  const treatment = treatments.find((one) => one.kind === kind)!
  const query = new URLSearchParams({
    kind,
    ...Object.fromEntries(treatment.fields.map(({ id, value }) => [id, asSent(typed[`${kind} ${id}`] ?? value)])),
  }).toString()
  useEffect(() => {
    if (!year) return
    const stop = new AbortController()
    setAfter((before) => ({ ...before, waits: true }))
    const wait = setTimeout(async () => {
      try {
        const answer = await fetch(`/api/sites/${site.id}/year?${query}`, { signal: stop.signal })
        const body = await answer.json()
        setAfter(
          answer.ok
            ? { year: body, wrong: '', waits: false }
            : { year: null, wrong: body.issues[0].message, waits: false },
        )
      } catch (error) {
        if (!stop.signal.aborted)
          setAfter({
            year: null,
            wrong: error instanceof TypeError ? 'No connection: this is reckoned on the server.' : String(error),
            waits: false,
          })
      }
    }, 200)
    return () => {
      clearTimeout(wait)
      stop.abort()
    }
  }, [query, site.id, year])
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="A year of water"
        under={
          <a href={`/sites/${site.id}`} className="hover:underline">
            {[site.name, site.area].filter(Boolean).join(', ')}
          </a>
        }
        facts={[
          { label: 'Machines', value: machines.length },
          ...(year
            ? [
                {
                  label: 'Draw',
                  value: quantity(Math.round(year.litres), 'L').value,
                  source: `${firmUnit('L')} a year`,
                },
              ]
            : []),
          { label: 'Now', value: now },
        ]}
        action={
          <>
            <a className="plain inline-flex items-center whitespace-nowrap" href={`/api/sites/${site.id}/water.pdf`}>
              Water report, PDF
            </a>
            <button type="button" className="plain whitespace-nowrap" onClick={() => setPricing(true)}>
              Prices
            </button>
          </>
        }
      />
      <div className="grid flex-1 gap-x-8 bg-enamel px-4 py-3 lg:grid-cols-[1fr_340px] lg:px-6">
        <section className="min-w-0" aria-label="Before and after">
          {!year ? (
            <p className="m-0 text-second">
              No machine here draws water yet: add one on the site’s page, and read its counter.
            </p>
          ) : (
            <>
              <div className="flex flex-wrap items-end gap-x-4 gap-y-2 pb-3">
                <label className="flex flex-col gap-0.5">
                  <span className="slim text-[14px]">Every machine behind</span>
                  <select className="field" value={kind} onChange={(event) => setKind(event.target.value)}>
                    {treatments.map((one) => (
                      <option key={one.kind} value={one.kind}>
                        {one.name}
                      </option>
                    ))}
                  </select>
                </label>
                {treatment.fields.map(({ id, label, unit, value }) => (
                  <label key={`${kind} ${id}`} className="flex flex-col gap-0.5">
                    <span className="slim text-[14px]">
                      {label} {unit && <span className="font-normal text-second">{unit}</span>}
                    </span>
                    <NumberInput
                      className="field mono w-[110px] text-right"
                      text={typed[`${kind} ${id}`] ?? value}
                      onText={(text) => setTyped({ ...typed, [`${kind} ${id}`]: text })}
                    />
                  </label>
                ))}
              </div>
              {after.wrong && (
                <p role="alert" className="m-0 font-semibold text-seal-ink">
                  {after.wrong}
                </p>
              )}
              <Table before={year} after={after.year} waits={after.waits} />
              <p className="mt-2 mb-0 text-[13px] text-second">
                Reckoned from the counts, the tests and the figures from memory of each machine. Staff regenerate by
                hand, a technician descales and changes cartridges. Acid: citric, twice what the arithmetic asks. A
                large boiler is not descaled in place: its chalk is in the grams, not in the descales.
              </p>
            </>
          )}
        </section>
        <section className="max-lg:pt-5" aria-label="Who draws it">
          <h2 className="head m-0 pb-1">Who draws it</h2>
          <ul className="m-0 list-none p-0 text-[14px]">
            {machines.map((machine) => (
              <li key={machine.id} className="flex min-h-[40px] flex-wrap items-center gap-x-3 border-t border-hair">
                <a href={`/machines/${machine.id}?lens=water`} className="min-w-0 flex-1 font-semibold hover:underline">
                  {machine.name}
                </a>
                <span className="mono">{quantityWords(Math.round(machine.litresAYear), 'L')}</span>
                <span className="basis-full text-[13px] text-second">{machine.behind ?? 'on raw water'}</span>
              </li>
            ))}
          </ul>
        </section>
      </div>
      {pricing && <PricesSheet page={page} today={today} onClose={() => setPricing(false)} />}
    </div>
  )
}

function Table({ before, after, waits }: { before: YearOfWater; after: YearOfWater | null; waits: boolean }) {
  const { currency } = preferences()
  const money = new Intl.NumberFormat('en-GB', { style: 'currency', currency, maximumFractionDigits: 0 })
  const rows: [string, (year: YearOfWater) => string, boolean?][] = [
    ['Total hardness fed, on average', ({ fed }) => quantityWords(fed.hardnessMgL, hardnessSymbol.mgL)],
    ['Carbonate hardness fed, on average', ({ fed }) => quantityWords(fed.alkalinityMgL, hardnessSymbol.mgL)],
    ['Water drawn', ({ litres }) => quantityWords(Math.round(litres), 'L')],
    ['Down the drain for it', ({ wasteL }) => quantityWords(Math.round(wasteL), 'L')],
    ['Regenerations', ({ regenerations }) => figure(Math.round(regenerations))],
    ['Salt', ({ saltKg }) => `${figure(saltKg)} kg`],
    ['Cartridges', ({ cartridges }) => figure(cartridges)],
    ['Chalk laid down', ({ chalkG }) => `${figure(chalkG)} g`],
    ['Descales in place', ({ descales }) => figure(descales)],
    ['Acid', ({ acidG }) => `${figure(acidG)} g`],
    ['Technician', ({ minutes }) => counted(Math.round(minutes), 'minute')],
  ]
  const named = [...new Set([before, ...(after ? [after] : [])].flatMap(({ costs }) => costs.map(({ name }) => name)))]
  return (
    <table className="w-full max-w-[760px] border-collapse text-[14px]" aria-busy={waits}>
      <thead>
        <tr className="slim text-left text-[13px] text-second">
          <th className="py-1 font-semibold">A year</th>
          <th className="text-right font-semibold">As it is</th>
          <th className="text-right font-semibold text-copper">{waits ? 'Reckoning …' : 'With it'}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([what, value]) => (
          <tr key={what} className="border-t border-hair">
            <th scope="row" className="py-1 text-left font-normal">
              {what}
            </th>
            <td className="mono text-right">{value(before)}</td>
            <td className="mono text-right font-semibold">{after ? value(after) : '–'}</td>
          </tr>
        ))}
        {named.map((name) => {
          const of = (year: YearOfWater) => money.format(year.costs.find((cost) => cost.name === name)?.amount ?? 0)
          return (
            <tr key={name} className="border-t border-hair text-second">
              <th scope="row" className="py-1 pl-3 text-left font-normal">
                {name}
              </th>
              <td className="mono text-right">{of(before)}</td>
              <td className="mono text-right">{after ? of(after) : '–'}</td>
            </tr>
          )
        })}
        <tr className="border-t border-ink font-semibold">
          <th scope="row" className="py-1.5 text-left font-semibold">
            {named.length > 0 ? 'Cost' : 'Cost: no prices yet'}
          </th>
          <td className="mono text-right">{named.length > 0 ? money.format(before.total) : '–'}</td>
          <td className="mono text-right text-copper">
            {named.length > 0 && after
              ? `${money.format(after.total)}, ${after.total >= before.total ? '+' : '−'}${money.format(Math.abs(after.total - before.total))}`
              : '–'}
          </td>
        </tr>
      </tbody>
    </table>
  )
}

const priced = [
  ['saltPerKg', 'Salt, a kilogram'],
  ['acidPerKg', 'Citric acid, a kilogram'],
  ['cartridge', 'Cartridge, each'],
  ['waterPerM3', 'Water and drain, a cubic metre'],
  ['labourPerMinute', 'A technician’s minute'],
  ['detergentTub', 'Backflush detergent, a tub'],
  ['cleaningTablet', 'Cleaning tablet, each'],
] as const

function PricesSheet({ page, today, onClose }: { page: YearPage; today: string; onClose: () => void }) {
  const [id] = useState(newId)
  const { currency } = preferences()
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="Prices"
      about="For the whole firm. What has no price is not counted."
    >
      <SheetForm
        fields={priced.map(([name, label]) => ({
          id: name,
          label,
          kind: 'number' as const,
          unit: currency,
          half: true,
          paths: [`body.${name}`],
        }))}
        values={Object.fromEntries(
          priced.map(([name]) => [name, page.prices[name] === undefined ? '' : String(page.prices[name])]),
        )}
        save="Save"
        onCancel={onClose}
        onSave={async (values) => {
          const prices: Record<string, number> = {}
          for (const [name] of priced) {
            const value = typedNumber(values, name)
            if (value !== undefined && !(value >= 0)) return wrongAt(name, 'must be a number from 0 on')
            if (value !== undefined) prices[name] = value
          }
          const told = await writeFrom([
            makeEntry('firm', page.firmId, 'setting', { setting: 'prices', ...prices }, today, { id }),
          ])
          if (told.ok) location.reload()
          return told
        }}
      />
    </Sheet>
  )
}

export const YearIsland = fromPage(YearView)
