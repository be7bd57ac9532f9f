import { useMemo, useState } from 'react'
import { fromDay, toDay } from '../../../core/quantity/local-day.ts'
import type { Line } from '../../../core/quantity/working.ts'
import { type Acid, acidGPerG, acidNames, acids } from '../../../core/scale/acid.ts'
import { forbidden } from '../../../core/scale/descale-bath.ts'
import type { Standing } from '../../../core/standing/standing.ts'
import { lastAcid } from '../../../core/standing/water/machine-chalk.ts'
import { chargeOf, grantedFor, vesselBath, vesselScaleG } from '../../../core/standing/water/machine-descale.ts'
import type { VesselChalk } from '../../../core/standing/water/vessel-chalk.ts'
import { numberIn } from '../../../core/typed/read-as.ts'
import { counted, dayLong, dayNear, figure } from '../../../ui/format.ts'
import { NumberInput } from '../../../ui/NumberInput.tsx'
import { quantityWords } from '../../../ui/quantity.ts'
import { WorkingColumn } from '../../../ui/WorkingColumn.tsx'
import { cautionWords } from '../../caution-words.ts'
import type { MachineWater } from './water-of.ts'

interface Props {
  water: MachineWater
  vessel: VesselChalk
  standing: Standing | undefined
  today: string
  onAdjust: (line: Line) => void
}

/** One charge of a descaler: no machine takes more. */
const chargeReads = { unit: 'L', to: 200 }

/** The next descale, reckoned before anything is poured: acid, charges, gas, what takes its bite, the rinse. */
export function DescalePart({ water, vessel, standing, today, onAdjust }: Props) {
  const { facts, chalk } = water
  const granted = useMemo(() => grantedFor(facts.histories), [facts.histories])
  const { aluminium } = vessel.vessel
  const [acid, setAcid] = useState<Acid>('citric')
  const [typed, setTyped] = useState(String(chargeOf(vessel.vessel)))
  const litres = numberIn(typed, chargeReads)
  const volumeL = litres !== null && litres > 0 ? litres : null
  const due = standing?.due ? Math.max(toDay(today), toDay(standing.due.p50)) : null
  const grams = vesselScaleG(vessel, due ?? facts.asOfDay)
  const bath = volumeL ? vesselBath(grams, acid, volumeL, vessel.vessel, granted) : null
  const stop = forbidden(acid, aluminium ? { aluminium } : {})
  const last = lastAcid(facts)
  return (
    <section aria-label="The next descale">
      <h2 className="head m-0 pb-1">The next descale</h2>
      <p className="m-0 text-[14px] text-second">
        {figure(grams)} g of chalk {due === null ? 'now' : `by ${dayNear(fromDay(due), today)}`}
        {vessel.share < 1 && ', all groups'}. Nothing dissolves gypsum or glassy silica: that wants a strip.
      </p>
      <div className="flex flex-wrap items-end gap-3 py-2">
        <label className="flex flex-col gap-0.5 text-[14px]">
          <span className="slim">Acid</span>
          <select className="field" value={acid} onChange={(event) => setAcid(event.target.value as Acid)}>
            {acidNames.map((name) => (
              <option key={name} value={name}>
                {acids[name].name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-0.5 text-[14px]">
          <span className="slim">One charge, L</span>
          <NumberInput
            className="field mono w-[84px] text-right"
            text={typed}
            aria-invalid={volumeL === null}
            onText={setTyped}
            reads={chargeReads}
          />
        </label>
      </div>
      {stop && (
        <p role="alert" className="m-0 mb-2 border-l-4 border-seal pl-3 font-semibold text-seal-ink">
          {stop}
        </p>
      )}
      {bath && !stop && (
        <dl className="m-0">
          <Row
            what="Acid, one bath"
            value={`${figure(bath.acidG)} g`}
            note={`${figure(bath.strength.percent)} %, ${figure(bath.strength.least)} to ${figure(bath.strength.most)} (from memory)${
              bath.asBought ? `; as ${figure(bath.asBought.percent)} % bought, ${figure(bath.asBought.grams)} g` : ''
            }; a bought descaler by its label`}
          />
          <Row
            what="Takes up"
            value={`${figure(bath.takesUpG)} g of chalk`}
            note={
              bath.tooMuch
                ? 'more is here than baths take out: opened, or on the bench'
                : bath.baths > 1
                  ? `${counted(bath.baths, 'bath')}, a fresh one after the other`
                  : 'one is enough'
            }
            tone={bath.baths > 1}
          />
          <Row
            what="Contact"
            value={`${bath.contactMin.from} to ${bath.contactMin.to} min`}
            note="every wall, whatever the deposit"
          />
          <Row
            what="Gas, one bath"
            value={quantityWords(bath.gasL, 'L')}
            note="outlets open, window open, no lid; never in a cellar"
          />
          <Row
            what="To take its bite"
            value={`${figure(bath.bicarbonateG)} g`}
            note="bicarbonate of soda at most, to pH 6–9; then as local rules allow"
          />
          <Row what="Rinse" value="as its way says" note="until a strip shows the tap’s colour at each outlet" />
        </dl>
      )}
      <p className="mt-2 mb-0 border-l-4 border-brass pl-3 text-[14px]">
        {cautionWords.acid} Never closed: steam tap open, acid in portions. Citric cold, never above 50 °C.
      </p>
      <details className="mt-2 border-t border-hair">
        <summary className="min-h-[36px] cursor-pointer py-1.5 text-[14px] font-semibold max-md:min-h-[44px]">
          What this plan takes from memory
        </summary>
        <WorkingColumn working={{ lines: Object.values(granted).map((one) => one.line()) }} onAdjust={onAdjust} />
      </details>
      <Removed chalk={chalk} last={last} today={today} />
    </section>
  )
}

function Row({ what, value, note, tone }: { what: string; value: string; note: string; tone?: boolean }) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-3 border-t border-hair py-1">
      <dt className="w-[118px] font-semibold">{what}</dt>
      <dd className="mono m-0 text-[14px] font-semibold">{value}</dd>
      <dd className={`m-0 text-[13px] ${tone ? 'font-semibold text-brass-ink' : 'text-second'}`}>{note}</dd>
    </div>
  )
}

/** What earlier descales took off, and what that taught. */
function Removed({
  chalk,
  last,
  today,
}: {
  chalk: MachineWater['chalk']
  last: ReturnType<typeof lastAcid>
  today: string
}) {
  const { learned } = chalk
  if (!learned) {
    return (
      <p className="mt-2 mb-0 text-[14px] text-second">
        {last?.acid &&
          last.acid in acids &&
          `The ${figure(last.grams)} g of ${last.acid} on ${dayNear(last.on, today)} could dissolve ${figure(last.grams / acidGPerG(last.acid as Acid))} g at the most. `}
        Test the hardness of the spent solution, one part in a hundred, and note it with the descale: this machine then
        has its own share that sticks.
      </p>
    )
  }
  return (
    <p className="mt-2 mb-0 text-[14px]">
      {learned.descales.map(({ on, removedG, reckonedG }) => (
        <span key={on}>
          {dayLong(on)}: {figure(removedG)} g came off, {figure(reckonedG)} g were reckoned.{' '}
        </span>
      ))}
      So {figure(learned.value)} times the usual share sticks here.
    </p>
  )
}
