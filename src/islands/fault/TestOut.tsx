import { useMemo, useState } from 'react'
import { type Electrical, electricalLimits, electricallyOut, testOutLooks } from '../../core/faults/test-out.ts'
import { instances } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { instrumentOn } from '../../core/visits/instrument-on.ts'
import { measureHistories } from '../../core/visits/measure-history.ts'
import { asReckoned, firmUnit } from '../../ui/quantity.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { ElectricalPart } from './ElectricalPart.tsx'
import { LeftReadings, type LeftRow } from './LeftReadings.tsx'
import type { TestedOut } from './repair-entries.ts'

interface Props {
  bundle: MachineBundle
  kind: Kind
  today: string
  says: string
  onClose: (out: TestedOut) => void
  /** With what was read: a second fault shows itself there. */
  onNotCured: (readings: TestedOut['readings'], wasIt: boolean) => void
}

/** The test-out: every outlet, readings as left, electrical safety; passed, or closed with a reason. */
export function TestOut({ bundle, kind, today, says, onClose, onNotCured }: Props) {
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [ticked, setTicked] = useState<string[]>([])
  const [electrical, setElectrical] = useState<Record<string, string>>({})
  const [tester, setTester] = useState('')
  const [reason, setReason] = useState('')
  const looks = useMemo(() => testOutLooks(kind), [kind])
  const limits = useMemo(() => electricalLimits(kind), [kind])
  const rows = useMemo(() => rowsOf(kind, bundle), [bundle, kind])
  const readings = rows.flatMap(({ key, measure, group }) => {
    const value = numberIn(typed[key] ?? '', { unit: firmUnit(measure.unit) })
    if (value === null) return []
    const reckoned = asReckoned(value, measure.unit)
    return [{ measure, value: reckoned, ...(group !== undefined && { group }) }]
  })
  const out = readings.filter(({ measure: { good }, value }) => value < good.from || value > good.to)
  const measured: Electrical = Object.fromEntries(
    limits.flatMap(({ id, unit }) => {
      const value = numberIn(electrical[id] ?? '', { unit })
      return value === null ? [] : [[id, value]]
    }),
  )
  const unsafe = electricallyOut(limits, measured)
  const testers = bundle.instruments.filter((one) => one.kind === 'tester')
  const chosen = testers.find(({ id }) => id === tester)
  const state = chosen && instrumentOn(effectiveHistory(chosen.calibrations).entries, today)
  const doubtful = state !== undefined && state.state !== 'good'
  const missing = looks.filter(({ id }) => !ticked.includes(id))
  const passed = missing.length === 0 && out.length === 0 && unsafe.length === 0 && !doubtful
  const read = readings.map(({ measure, value, group }) => ({
    measure: measure.id,
    value,
    ...(group !== undefined && { group }),
  }))
  const close = () =>
    onClose({
      passed,
      ...(!passed && { reason: reason.trim() }),
      looks: ticked,
      readings: read,
      ...(Object.keys(measured).length > 0 && { electrical: { ...measured, ...(tester && { instrument: tester }) } }),
    })
  return (
    <section aria-label="Test-out" className="pt-3">
      <h3 className="head m-0">Test-out</h3>
      <ul className="m-0 list-none p-0">
        {looks.map(({ id, words, caution }) => (
          <li key={id} className="border-t border-hair">
            <label className="flex min-h-[44px] items-center gap-3 py-1">
              <input
                type="checkbox"
                className="h-5 w-5 shrink-0"
                checked={ticked.includes(id)}
                onChange={() => setTicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))}
              />
              <span>
                {words}
                {caution && <span className="block text-[13px] text-brass-ink">{caution}</span>}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <LeftReadings rows={rows} typed={typed} onType={(key, text) => setTyped((now) => ({ ...now, [key]: text }))} />
      {out.length > 0 && (
        <p role="alert" className="m-0 pt-1 font-semibold text-seal-ink">
          Out of range: {out.map(({ measure }) => measure.name.toLowerCase()).join(', ')}. Something else may be wrong:
          the search goes on with what was read.
        </p>
      )}
      <ElectricalPart
        limits={limits}
        typed={electrical}
        onType={(id, text) => setElectrical((now) => ({ ...now, [id]: text }))}
        unsafe={unsafe}
        testers={testers}
        tester={tester}
        today={today}
        onTester={setTester}
      />
      {!passed && (
        <label className="mt-2 flex flex-col gap-0.5">
          <span className="slim text-[14px]">Not passed: why it is closed all the same</span>
          <input className="field" value={reason} onChange={(event) => setReason(event.target.value)} />
        </label>
      )}
      <div className="flex flex-wrap items-center gap-3 pt-3">
        <button type="button" className="act" disabled={!passed && reason.trim() === ''} onClick={close}>
          {passed ? 'Passed: close it' : 'Close it with the reason'}
        </button>
        <button type="button" className="plain" onClick={() => onNotCured(read, true)}>
          This is right, something else is not: search on
        </button>
        <button type="button" className="plain" onClick={() => onNotCured(read, false)}>
          Still the same: search on
        </button>
        <span role="status" className="text-[14px]">
          {says || (missing.length > 0 ? `${missing.length} still to be looked at.` : '')}
        </span>
      </div>
    </section>
  )
}

/** What the kind measures, with what this machine had as it was left before. */
function rowsOf(kind: Kind, bundle: MachineBundle): LeftRow[] {
  const before = measureHistories(effectiveHistory(bundle.ledgers.machine ?? []).entries)
  return kind.measures.flatMap((measure) => {
    const many = instances(kind, measure.each)
    return Array.from({ length: many }, (_, i): LeftRow => {
      const group = many > 1 ? i + 1 : undefined
      const history = before.find((one) => one.measure === measure.id && one.group === group)
      const left = history?.values.findLast((once) => once.left !== undefined)
      return {
        key: group === undefined ? measure.id : `${measure.id} ${group}`,
        measure,
        ...(group !== undefined && { group }),
        ...(left && { last: { value: left.left!, on: left.on } }),
        own: history?.own ?? null,
      }
    })
  })
}
