import type { Offered } from '../../core/procedures/offered.ts'

interface Props {
  offered: Offered[]
  /** What was asked for stands at the top, chosen or not. */
  first: Set<string>
  chosen: string[]
  onChoose: (chosen: string[]) => void
}

/** Which procedures are done together, and why others are not. */
export function WhatIsDone({ offered, first, chosen, onChoose }: Props) {
  const row = ({ procedure, refused }: Offered) => (
    <label key={procedure.id} className="flex min-h-[48px] items-center gap-3 border-t border-hair py-1">
      <input
        type="checkbox"
        className="h-6 w-6 shrink-0"
        disabled={refused !== null}
        checked={chosen.includes(procedure.id)}
        onChange={() =>
          onChoose(
            chosen.includes(procedure.id) ? chosen.filter((id) => id !== procedure.id) : [...chosen, procedure.id],
          )
        }
      />
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{procedure.name}</b>
        <span className="block text-[14px] text-second">
          {refused
            ? `${refused.why}${refused.instead ? ` Instead: ${refused.instead.name.toLowerCase()}.` : ''}`
            : procedure.about}
        </span>
      </span>
    </label>
  )
  return (
    <fieldset className="m-0 border-0 p-0">
      <legend className="head p-0">What is done</legend>
      {offered.filter(({ procedure }) => first.has(procedure.id)).map(row)}
      <details>
        <summary className="flex min-h-[48px] cursor-pointer items-center border-t border-hair font-semibold text-copper">
          Something beside it: hands go on while it soaks or runs by itself
        </summary>
        {offered.filter(({ procedure }) => !first.has(procedure.id)).map(row)}
      </details>
    </fieldset>
  )
}
