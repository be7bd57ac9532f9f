import { type DoseAmount, type DoseMeasures, doseOf, doseSaid, scoopWords } from '../../core/procedures/dose.ts'
import { figure } from '../../ui/format.ts'
import { preferences } from '../../ui/preferences.ts'

interface Props {
  amount: DoseAmount
  measures: DoseMeasures & { ownScoop: boolean }
}

/** A dose by weight, with the scoop drawn as full as it gets. */
export function DoseLine({ amount, measures }: Props) {
  const dose = doseOf(amount, measures)
  const money = new Intl.NumberFormat('en-GB', { style: 'currency', currency: preferences().currency })
  if (dose.tablets !== null)
    return (
      <p className="m-0 text-[22px]">
        <b>{dose.tablets}</b> {dose.tablets === 1 ? 'tablet' : 'tablets'}
        {dose.tabletPrice !== null && (
          <span className="text-[15px] text-second"> {money.format(dose.tabletPrice)}</span>
        )}
      </p>
    )
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
        Said as {doseSaid(amount)}.
        {dose.perTub !== null && ` A tub of ${figure(measures.tubG)} g holds ${figure(dose.perTub)}`}
        {dose.powderPrice !== null && `, ${money.format(dose.powderPrice)} each`}
        {dose.tabletPrice !== null && dose.powderPrice !== null && `; a tablet costs ${money.format(dose.tabletPrice)}`}
        {dose.perTub !== null && '.'}
      </p>
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
