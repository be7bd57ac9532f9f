import {
  bathOf,
  type DoseAmount,
  type DoseMeasures,
  doseOf,
  doseSaid,
  scoopWords,
  type VesselUnit,
  vesselUnits,
} from '../../core/procedures/dose.ts'
import { acids } from '../../core/scale/acid.ts'
import type { ResinSalt } from '../../core/standing/dose-measures.ts'
import type { TankDescale } from '../../core/standing/water/machine-descale.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { figure } from '../../ui/format.ts'
import { money } from '../../ui/money.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { quantityWords } from '../../ui/quantity.ts'
import { useVessel } from './run-habits.ts'

/** What doses are measured with on a machine; of acid what is reckoned for it. */
export interface RunMeasures extends DoseMeasures {
  ownScoop: boolean
  descale?: TankDescale
  /** Of the softener that stands before it. */
  salt?: ResinSalt
}

interface Props {
  amount: DoseAmount
  measures: RunMeasures
}

/** A dose by weight, with the scoop drawn as full as it gets. */
export function DoseLine({ amount, measures }: Props) {
  const dose = doseOf(amount, measures)
  if (dose.tablets !== null)
    return (
      <p className="m-0 text-[22px]">
        <b>{dose.tablets}</b> {dose.tablets === 1 ? 'tablet' : 'tablets'}
        {dose.tabletPrice !== null && <span className="text-[15px] text-second"> {money(dose.tabletPrice)}</span>}
      </p>
    )
  if (amount.gramsPerL !== undefined || amount.oneTo !== undefined)
    return <BathDose amount={amount} measures={measures} />
  if (amount.of === 'descaler' && amount.litres !== undefined)
    return <AcidDose {...(measures.descale && { descale: measures.descale })} litres={amount.litres} />
  if (amount.of === 'salt' && measures.salt) return <SaltDose {...measures.salt} />
  if (dose.grams === null) return <p className="m-0 text-[20px]">{doseSaid(amount)}</p>
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <p className="m-0 text-[42px] leading-none font-[680]">
        {figure(dose.grams)} <span className="text-[26px]">g</span>
      </p>
      <Scoop share={dose.scoops! / Math.max(1, Math.ceil(dose.scoops!))} />
      <p className="m-0 text-[18px] leading-snug">
        {scoopWords(dose.scoops!)}
        <span className="block text-[15px] text-second">
          of {figure(measures.scoopG)} g{measures.ownScoop ? '' : ', from memory: weigh yours'}
        </span>
      </p>
      <p className="m-0 basis-full text-[15px] text-second">
        Its label first. Said as {doseSaid(amount)}.
        {dose.perTub !== null && ` A tub of ${figure(measures.tubG)} g holds ${figure(dose.perTub)}`}
        {dose.powderPrice !== null && `, ${money(dose.powderPrice)} each`}
        {dose.tabletPrice !== null && dose.powderPrice !== null && `; a tablet costs ${money(dose.tabletPrice)}`}
        {dose.perTub !== null && '.'}
      </p>
    </div>
  )
}

/** The softener's own litres of resin are known: so is its salt. */
function SaltDose({ resinL, gPerL, isOwn }: ResinSalt) {
  return (
    <div>
      <p className="m-0 text-[42px] leading-none font-[680]">
        {figure((resinL * gPerL) / 1000)} <span className="text-[26px]">kg</span>
      </p>
      <p className="m-0 pt-1 text-[15px] text-second">
        {figure(resinL)} L of resin, {figure(gPerL)} g of salt for each{isOwn ? '' : ', from memory: its leaflet first'}
        .
      </p>
    </div>
  )
}

const unitWords: Record<VesselUnit, string> = { mL: 'ml', L: 'L', flozUS: 'fl oz (US)', flozUK: 'fl oz (imp.)' }

/** A jug, a bucket, a brewing tank. */
const vesselReads = { to: 999 }

/** What goes into this vessel: its water is said once and kept on this device. */
function BathDose({ amount, measures }: Props) {
  const [vessel, set] = useVessel<VesselUnit>(amount.of, { text: '1', unit: 'L' })
  const many = numberIn(vessel.text, vesselReads) ?? 0
  const bath = many > 0 ? bathOf(amount, many * vesselUnits[vessel.unit]) : null
  const grams = bath && 'grams' in bath ? bath.grams : null
  const scoops = grams && doseOf({ of: amount.of, grams: { usual: grams } }, measures).scoops
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <p className="m-0 text-[42px] leading-none font-[680]">
        {bath ? figure('grams' in bath ? bath.grams : bath.ml) : '–'}{' '}
        <span className="text-[26px]">{amount.gramsPerL === undefined ? 'ml' : 'g'}</span>
      </p>
      <label className="flex flex-col gap-0.5 text-[15px]">
        Water in the vessel
        <span className="flex gap-1">
          <NumberInput
            className="field mono h-[64px] w-[96px] text-right text-[20px]"
            text={vessel.text}
            onText={(text) => set({ ...vessel, text })}
            reads={vesselReads}
          />
          <select
            className="field h-[64px]"
            aria-label="Unit of the vessel"
            value={vessel.unit}
            onChange={(event) => set({ ...vessel, unit: event.target.value as VesselUnit })}
          >
            {(Object.keys(unitWords) as VesselUnit[]).map((unit) => (
              <option key={unit} value={unit}>
                {unitWords[unit]}
              </option>
            ))}
          </select>
        </span>
      </label>
      <p className="m-0 basis-full text-[15px] text-second">
        Its label first. Said as {doseSaid(amount)}
        {amount.orTablets !== undefined &&
          `; or ${amount.orTablets === 1 ? 'one tablet' : `${amount.orTablets} tablets`} by its label`}
        .
        {scoops &&
          ` That is ${scoopWords(scoops)} of ${figure(measures.scoopG)} g${measures.ownScoop ? '' : ', from memory'}.`}
      </p>
    </div>
  )
}

/** What is poured: a bought descaler by its label, acid by the litre at its strength; the chalk reckoned is a check. */
function AcidDose({ descale, litres }: { descale?: TankDescale; litres: number }) {
  const water = quantityWords(litres, 'L')
  const bath = descale?.bath(litres)
  return (
    <div className="flex flex-col gap-1">
      <p className="m-0 text-[24px] leading-tight font-[640]">Bought descaler or tablet: by its label, for {water}</p>
      {bath && descale && !descale.forbidden && (
        <p className="m-0 text-[20px]">
          Acid by the litre: <b className="mono">{figure(bath.acidG)} g</b> {acids[descale.acid].name} in {water}
          <span className="block text-[15px] text-second">
            {figure(bath.strength.percent)} % ({figure(bath.strength.least)} to {figure(bath.strength.most)} %, from
            memory){bath.asBought && `; as ${figure(bath.asBought.percent)} % that is ${figure(bath.asBought.grams)} g`}
            . Lukewarm. {bath.contactMin.from} to {bath.contactMin.to} minutes of contact.
          </span>
        </p>
      )}
      {descale?.forbidden && <p className="m-0 text-[18px] font-semibold text-seal-ink">{descale.forbidden}</p>}
      {descale?.aluminium && (
        <p className="m-0 text-[16px]">
          <b>Aluminium inside:</b> no sulfamic or mineral acid, half an hour at the most.
        </p>
      )}
      {bath && (
        <p className="m-0 text-[15px] text-second">
          {descale!.scaleG === null || descale!.scaleG < 0.05
            ? 'Hardly any chalk is reckoned here.'
            : `Enough for ${figure(bath.takesUpG)} g of chalk; ${figure(descale!.scaleG)} g expected here.`}
          {bath.tooMuch
            ? ' More than baths take out: it is opened, or done on the bench.'
            : bath.baths > 1 && ` ${bath.baths} baths, a fresh one after the other.`}{' '}
          Spent, {figure(bath.bicarbonateG)} g of bicarbonate at most takes its bite.
        </p>
      )}
    </div>
  )
}

/** A spoon from the side, filled so far. */
function Scoop({ share }: { share: number }) {
  const y = 8 + (1 - share) * 24
  return (
    <svg width={72} height={38} viewBox="0 0 72 38" aria-hidden="true">
      <path
        d="M4 6h42l-6 26a4 4 0 0 1-4 3H14a4 4 0 0 1-4-3z"
        fill="var(--field)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      <clipPath id="scoop">
        <path d="M4 6h42l-6 26a4 4 0 0 1-4 3H14a4 4 0 0 1-4-3z" />
      </clipPath>
      <rect x={0} y={y} width={50} height={38} fill="var(--chalk)" clipPath="url(#scoop)" />
      <path d="M4 6h66" stroke="var(--ink)" strokeWidth={2.5} />
    </svg>
  )
}
