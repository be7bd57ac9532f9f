import { useState } from 'react'
import { numberIn } from '../../core/typed/read-as.ts'
import { money } from '../../ui/money.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { preferences } from '../../ui/preferences.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'

interface Props {
  firmId: string
  kind: string
  part: { id: string; name: string }
  price: number | null
  labourPerMinute: number | null
  today: string
}

/** What the part costs, so that throwing one away is weighed against another test. */
export function PartPrice({ firmId, kind, part, price, labourPerMinute, today }: Props) {
  const [text, setText] = useState('')
  const [id] = useState(newId)
  const [said, setSaid] = useState('')
  const value = numberIn(text)
  const keep = async () => {
    if (value === null) return setSaid('Type a price.')
    const body = { setting: 'part-price' as const, kind, part: part.id, price: value }
    const told = await writeFrom([makeEntry('firm', firmId, 'setting', body, today, { id })])
    setSaid(told.ok ? `Kept: ${part.name.toLowerCase()} ${money(value)}.` : told.issues[0]!.message)
  }
  return (
    <div className="flex flex-wrap items-center gap-3 text-[14px]">
      {price !== null ? (
        <span>
          {part.name}: {money(price)}
          {labourPerMinute === null && (
            <>
              {' '}
              – what a minute costs is set with the{' '}
              <a className="word" href="/firm">
                firm
              </a>
            </>
          )}
        </span>
      ) : (
        <>
          <label className="flex min-h-[44px] items-center gap-2">
            {part.name} costs, {preferences().currency}
            <NumberInput className="field mono w-[88px] text-right" text={text} onText={setText} />
          </label>
          <button type="button" className="plain" disabled={value === null || value < 0} onClick={keep}>
            Keep the price
          </button>
        </>
      )}
      {said && <span role="status">{said}</span>}
    </div>
  )
}
