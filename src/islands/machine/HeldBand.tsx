import { useState } from 'react'
import { type HeldReason, heldReasons } from '../../core/procedures/held-reasons.ts'
import { heldNow } from '../../core/standing/held-now.ts'
import { effective } from '../../core/standing/histories.ts'
import { dayLong } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'

interface Props {
  bundle: MachineBundle
  today: string
  onSaved: () => void
}

/** What must be done before it is used again, and how it is signed off. */
function untilWords(why: HeldReason): { until: string; release: string } {
  if (why === 'vessel')
    return {
      until: 'No pressure on it before an inspector has passed it; then sign it off.',
      release: 'Passed by an inspector: release it',
    }
  if (why === 'pressure')
    return {
      until: 'Cold and at 0 bar before anything is opened. What let it rise or burst is mended, and seen tight hot.',
      release: 'Mended and seen at pressure: release it',
    }
  if (why === 'heating')
    return {
      until: 'Tested dead by a qualified person; then seen to fill and to switch off by itself, and sign it off.',
      release: 'Mended and seen to switch off: release it',
    }
  if (why === 'mould')
    return {
      until: 'Stripped where it grew, cleaned, sanitised, rinsed and dried; then sign it off.',
      release: 'Clean and dry: release it',
    }
  if (why === 'milk')
    return {
      until: 'Milk thrown away; cleaned with milk cleaner, rinsed, the cooler measured at 5 °C or below.',
      release: 'Clean and cold: release it',
    }
  if (why === 'place')
    return {
      until: 'Nobody goes in before the fire service or the gas supplier has let them.',
      release: 'Let in by those who may: release it',
    }
  return heldReasons[why].drink
    ? {
        until: 'Rinse until it runs clear and feels of nothing, then sign it off.',
        release: 'Rinsed and clear: release it',
      }
    : {
        until: 'Earth, insulation, leakage by a qualified person with a tester in date, then sign it off.',
        release: 'Tested and passed: release it',
      }
}

const upper = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`

/** Something is in the machine, or open on it, that forbids its use: said until somebody signs it off. */
export function HeldBand({ bundle, today, onSaved }: Props) {
  const held = heldNow(effective(bundle.ledgers))
  const [ids] = useState(() => new Map<string, string>())
  const [wrong, setWrong] = useState('')
  if (held.length === 0) return null
  const release = async (entryId: string) => {
    const id = ids.get(entryId) ?? newId()
    ids.set(entryId, id)
    const told = await writeFrom([
      makeEntry('machine', bundle.machine.id, 'released', { held: entryId }, today, { id }),
    ])
    if (!told.ok) return setWrong(told.issues[0]!.message)
    onSaved()
  }
  return (
    <section
      aria-label="Do not use"
      className="border-b border-hair border-l-[6px] border-l-seal bg-enamel px-4 py-2 lg:px-6"
    >
      {held.map((entry) => {
        const { why, group, only } = entry.body
        return (
          <p key={entry.id} role="alert" className="m-0 flex flex-wrap items-center gap-x-4 gap-y-1">
            <span className="min-w-0 flex-1">
              <b className="text-seal-ink">
                Do not use{only ? ` its ${only}` : group === undefined ? '' : ` group ${group}`}.
              </b>{' '}
              {upper(heldReasons[why].words)} since {dayLong(entry.happenedOn)}. {untilWords(why).until}
            </span>
            <button type="button" className="plain whitespace-nowrap" onClick={() => release(entry.id)}>
              {untilWords(why).release}
            </button>
          </p>
        )
      })}
      {wrong && <p className="m-0 font-semibold text-seal-ink">{wrong}</p>}
    </section>
  )
}
