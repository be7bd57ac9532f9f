import { useState } from 'react'
import { replacementAge } from '../../core/lifetimes/replacement-age.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { figure } from '../../ui/format.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import type { PartsPage } from '../../views/part-page.ts'

/** Stand in until the firm types its own; from memory. */
const usual = { trip: 55, breakdown: 180 }

/** The age at which to change it, since you are there and on a trip of its own. */
export function WhenToChange({ chosen }: { chosen: NonNullable<PartsPage['chosen']> }) {
  const { learned, row, minutes, labourPerMinute } = chosen
  const [typed, setTyped] = useState({
    work: String(Math.round(minutes * (labourPerMinute ?? 1))),
    trip: String(usual.trip),
    breakdown: String(usual.breakdown),
  })
  const [work, trip, breakdown] = [typed.work, typed.trip, typed.breakdown].map((text) => numberIn(text))
  const ok = [work, trip, breakdown].every((value) => value !== undefined && value !== null && value >= 0)
  const age = (planned: number) => replacementAge(learned.together, { planned, breakdown: breakdown! }).age
  const words = (value: number | undefined) =>
    value === undefined
      ? 'let it fail: a breakdown costs no more'
      : `${figure(Number(value.toPrecision(3)))} ${row.unit}`
  const field = (id: keyof typeof typed, label: string) => (
    <label className="flex flex-col gap-0.5 text-[14px]">
      <span className="slim">{label}</span>
      <NumberInput
        className="field mono w-[104px] text-right"
        text={typed[id]}
        onText={(text) => setTyped((now) => ({ ...now, [id]: text }))}
      />
    </label>
  )
  return (
    <section aria-label="When to change it">
      <h3 className="head m-0 pt-4 text-[16px]">When to change it, by cost</h3>
      <div className="flex flex-wrap gap-3 py-1">
        {field('work', 'Part and work')}
        {field('trip', 'A trip for it')}
        {field('breakdown', 'A breakdown, all in')}
      </div>
      {ok ? (
        <dl className="m-0">
          <div className="flex gap-3 border-t border-hair py-1 text-[14px]">
            <dt className="flex-1">Since you are there</dt>
            <dd className="mono m-0 font-semibold">{words(age(work!))}</dd>
          </div>
          <div className="flex gap-3 border-t border-hair py-1 text-[14px]">
            <dt className="flex-1">On a trip of its own</dt>
            <dd className="mono m-0 font-semibold">{words(age(work! + trip!))}</dd>
          </div>
        </dl>
      ) : (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          Costs are numbers, 0 or more.
        </p>
      )}
      <p className="m-0 text-[13px] text-second">
        The age of least cost per time, after Barlow and Hunter 1960. Only how the costs stand to each other matters;
        trip and breakdown stand in, from memory, until you type yours.
      </p>
    </section>
  )
}
