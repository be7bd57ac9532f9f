import { useState } from 'react'
import type { Kind, Measure } from '../../core/kinds/kind.ts'
import { quantityWords } from '../../ui/quantity.ts'
import type { TestedOut } from './repair-entries.ts'

interface Props {
  kind: Kind
  says: string
  onClose: (out: TestedOut) => void
  onNotCured: () => void
}

/** What is looked at after any repair, whatever was mended. */
const looks = [
  ['complaint', 'What was complained of is gone'],
  ['outlets', 'Every outlet runs: groups, hot water, steam, milk'],
  ['dry', 'Dry on paper, ten minutes hot at pressure (five where it is small)'],
  ['electrical', 'Electrical safety as local rules ask, with a tester in calibration'],
] as const

/** The test-out: readings as left against what is accepted, and four looks; passed, or closed with a reason. */
export function TestOut({ kind, says, onClose, onNotCured }: Props) {
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [ticked, setTicked] = useState<string[]>([])
  const [reason, setReason] = useState('')
  const rows = kind.measures.flatMap((measure): { key: string; measure: Measure; group?: number }[] =>
    measure.each === 'group' && kind.groups > 1
      ? Array.from({ length: kind.groups }, (_, i) => ({ key: `${measure.id} ${i + 1}`, measure, group: i + 1 }))
      : [{ key: measure.id, measure }],
  )
  const read = rows.flatMap(({ key, measure, group }) => {
    const text = (typed[key] ?? '').replace(',', '.').trim()
    const value = Number(text)
    return text !== '' && Number.isFinite(value)
      ? [{ measure, value, ...(group !== undefined && { group }), right: isGood(measure, value) }]
      : []
  })
  const out = read.filter(({ right }) => !right)
  const missing = looks.filter(([id]) => !ticked.includes(id))
  const passed = missing.length === 0 && out.length === 0
  return (
    <section aria-label="Test-out" className="pt-3">
      <h3 className="head m-0">Test-out</h3>
      <ul className="m-0 list-none p-0">
        {looks.map(([id, words]) => (
          <li key={id} className="border-t border-hair">
            <label className="flex min-h-[44px] items-center gap-3">
              <input
                type="checkbox"
                className="h-5 w-5 shrink-0"
                checked={ticked.includes(id)}
                onChange={() => setTicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))}
              />
              {words}
            </label>
          </li>
        ))}
      </ul>
      <div className="grid gap-x-5 sm:grid-cols-2">
        {rows.map(({ key, measure, group }) => {
          const found = read.find((one) => one.measure === measure && one.group === group)
          return (
            <label key={key} className="flex min-h-[48px] items-center gap-2 border-t border-hair text-[14px]">
              <span className="min-w-0 flex-1">
                {measure.name}
                {group !== undefined && `, group ${group}`}
                <span className="block text-[13px] text-second">
                  {quantityWords(measure.good.from, '')} to {quantityWords(measure.good.to, measure.unit)}
                </span>
              </span>
              <input
                className="field mono w-[84px] text-right"
                inputMode="decimal"
                aria-invalid={found && !found.right}
                value={typed[key] ?? ''}
                onChange={(event) => setTyped((now) => ({ ...now, [key]: event.target.value }))}
              />
            </label>
          )
        })}
      </div>
      {out.length > 0 && (
        <p role="alert" className="m-0 pt-1 font-semibold text-seal-ink">
          Out of range: {out.map(({ measure }) => measure.name.toLowerCase()).join(', ')}.
        </p>
      )}
      {!passed && (
        <label className="mt-2 flex flex-col gap-0.5">
          <span className="slim text-[14px]">Not passed: why it is closed all the same</span>
          <input className="field" value={reason} onChange={(event) => setReason(event.target.value)} />
        </label>
      )}
      <div className="flex flex-wrap items-center gap-3 pt-3">
        <button
          type="button"
          className="act"
          disabled={!passed && reason.trim() === ''}
          onClick={() =>
            onClose({
              passed,
              ...(!passed && { reason: reason.trim() }),
              readings: read.map(({ measure, value, group }) => ({
                measure: measure.id,
                value,
                ...(group !== undefined && { group }),
              })),
            })
          }
        >
          {passed ? 'Passed: close it' : 'Close it with the reason'}
        </button>
        <button type="button" className="plain" onClick={onNotCured}>
          Not right: search on
        </button>
        <span role="status" className="text-[14px]">
          {says || (missing.length > 0 ? `${missing.length} still to be looked at.` : '')}
        </span>
      </div>
    </section>
  )
}

const isGood = ({ good }: Measure, value: number): boolean => value >= good.from && value <= good.to
