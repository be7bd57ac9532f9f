import { agreedUpTo, money } from '../../ui/money.ts'
import type { Papers } from '../../views/machine-bundle.ts'

interface Props {
  payer: Papers['payer']
  /** Of part and work, without the way there; null where a price is not known. */
  cost: number | null
}

/** Who may say yes to a repair before it is begun, and whether it is within what was agreed. */
export function MayAgree({ payer: { name, mayAgree, agreesUpTo, orderNumber }, cost }: Props) {
  if (!mayAgree && agreesUpTo === undefined && !orderNumber) return null
  const isAbove = cost !== null && agreesUpTo !== undefined && cost > agreesUpTo
  return (
    <p className="m-0 pt-2 text-[14px]">
      {cost !== null && <>Part and work come to about {money(Math.round(cost))}, the way there not counted. </>}
      {(mayAgree || agreesUpTo !== undefined) && (
        <>
          {mayAgree || name} may say yes{agreedUpTo({ ...(agreesUpTo !== undefined && { agreesUpTo }) })}
          {isAbove ? <b className="text-seal-ink">: ask before it is begun</b> : ''}.{' '}
        </>
      )}
      {orderNumber && (
        <>
          Order number <span className="mono">{orderNumber}</span>.
        </>
      )}
    </p>
  )
}
