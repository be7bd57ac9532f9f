import { decimalOf, type Minor } from '../../core/money/minor.ts'
import { agreedUpTo } from '../../ui/money.ts'
import type { Papers } from '../../views/machine-bundle.ts'

interface Props {
  /** Whoever pays for the machines of the visit. */
  payers: readonly Papers['payer'][]
  /** What is charged, before tax. */
  netMinor: Minor
  currency: string
}

/** Who may say yes to what is charged, up to which sum, and the order it goes by. */
export function WhoMayAgree({ payers, netMinor, currency }: Props) {
  const told = payers.filter(
    ({ mayAgree, agreesUpTo, orderNumber }) => mayAgree || agreesUpTo !== undefined || orderNumber,
  )
  if (told.length === 0) return null
  return (
    <ul className="m-0 list-none p-0 pb-1 text-[14px]">
      {told.map(({ id, name, mayAgree, agreesUpTo, orderNumber }) => {
        const isAbove = agreesUpTo !== undefined && Number(decimalOf(netMinor, currency)) > agreesUpTo
        return (
          <li key={id}>
            {(mayAgree || agreesUpTo !== undefined) && (
              <>
                {mayAgree || name} may say yes{agreedUpTo({ ...(agreesUpTo !== undefined && { agreesUpTo }) })}
                {isAbove ? <b className="text-seal-ink">: this is more, ask first</b> : ''}.{' '}
              </>
            )}
            {orderNumber && (
              <>
                Order number <span className="mono">{orderNumber}</span>.
              </>
            )}
          </li>
        )
      })}
    </ul>
  )
}
