import { useState } from 'react'
import type { Fault, FaultBook } from '../../core/faults/fault.ts'
import type { RepairNow } from '../../core/faults/repair-now.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { procedureForRepair } from '../../core/procedures/led-by.ts'
import type { FittedPart } from '../../core/procedures/run-state.ts'
import { sheetForFault } from '../../core/strip-down/sheet-for.ts'
import { browserNow } from '../../ui/clock.ts'
import { figure } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { PartPapers } from '../machine/papers/PartPapers.tsx'
import { writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { FittedSheet } from '../run/FittedSheet.tsx'
import { visitToday } from '../visit-today.ts'
import { sendWaiting } from './answer-photos.ts'
import { type KeptSearch, keptSearches } from './kept-search.ts'
import { MayAgree } from './MayAgree.tsx'
import { PartPrice } from './PartPrice.tsx'
import { repairEntries, type TestedOut } from './repair-entries.ts'
import { TestOut } from './TestOut.tsx'

interface Props {
  book: FaultBook
  fault: Fault
  /** Its share of all suspects; none for what is in no book. */
  p: number | null
  /** Why it is repaired now; null where somebody chose it. */
  repair: RepairNow | null
  /** Something that was seen speaks for it. */
  proved: boolean
  kept: KeptSearch
  bundle: MachineBundle
  kind: Kind
  me: string
  today: string
  /** Of its part, where somebody said. */
  price: number | null
  labourPerMinute: number | null
  onKeep: (kept: KeptSearch) => void
  /** @param text - what was done */
  onNotCured: (text: string, readings?: TestedOut['readings'], wasIt?: boolean) => void
}

/** Sure enough: what cures it, what it takes, and the test-out that closes it. */
export function RepairPart(props: Props) {
  const { book, fault, p, repair, proved, kept, bundle, kind, me, today, price, labourPerMinute, onKeep, onNotCured } =
    props
  const part = kind.parts.find(({ id }) => id === fault.part)
  const led = procedureForRepair(fault, kind.basedOn ?? kind.id)
  const sheet = sheetForFault(fault.id, kind.basedOn ?? kind.id)
  const [text, setText] = useState(fault.repair.say)
  const [testing, setTesting] = useState(false)
  const [fitting, setFitting] = useState(false)
  const [fitted, setFitted] = useState<FittedPart[]>([])
  const [says, setSays] = useState('')
  const { id: machineId } = bundle.machine
  const close = async (out: TestedOut) => {
    setSays('Saving …')
    // Ids are kept first: an answer that is lost is asked for again by the same ones.
    const visitId = visitToday(bundle, today, me)?.visitId
    const ids = { ...kept.ids }
    // What shows an answer that was taken back goes with it.
    const standing = kept.photos?.filter(({ of }) => kept.search.seen.some(({ at }) => at === of)) ?? []
    const sent = await sendWaiting(standing)
    onKeep({ ...kept, photos: sent.photos })
    if (sent.says) return setSays(sent.says)
    const entries = repairEntries({
      book,
      fault,
      text,
      fitted,
      kind,
      out,
      search: kept.search,
      photos: sent.photos,
      reportId: kept.reportId,
      ...(kept.onRecord !== undefined && { onRecord: kept.onRecord }),
      idOf: (name) => {
        ids[name] ??= newId()
        return ids[name]!
      },
      machineId,
      today,
      at: browserNow(),
      ...(visitId && { visitId }),
    })
    onKeep({ ...kept, photos: sent.photos, ids })
    const told = await writeFrom(entries)
    if (!told.ok) return setSays(told.issues.map(({ message }) => message).join('; '))
    await keptSearches.drop(machineId)
    location.assign(`/machines/${machineId}?lens=ledger&saved`)
  }
  return (
    <section aria-label="Repair" className="border-b border-hair bg-copper-tint px-4 py-3 lg:px-6">
      <h2 className="m-0 text-[18px] font-[640]">
        Repair: {fault.name} {p !== null && <span className="mono">{Math.round(100 * p)} %</span>}
      </h2>
      <p className="m-0 text-[14px]">
        {fault.repair.minutes > 0 && `${fault.repair.say}, about ${fault.repair.minutes} min. `}
        {repair === null
          ? `Chosen by you${proved ? '' : ': nothing that was seen here speaks for it yet. Before a part goes in, one test should'}.`
          : repair.testMinutes === null
            ? 'No test tells more.'
            : `Repaired now, ${figure(repair.wastedMinutes)} min of work for nothing are to be expected${repair.partMinutes > 0 ? `, its part counted as ${figure(repair.partMinutes)} min of labour` : ''}; one more test is expected to cost ${figure(repair.testingMinutes ?? repair.testMinutes)} min, what is left after it counted in.`}
      </p>
      {part && (
        <PartPrice
          key={part.id}
          firmId={bundle.firmId}
          kind={kind.basedOn ?? kind.id}
          part={part}
          price={price}
          labourPerMinute={labourPerMinute}
          today={today}
        />
      )}
      {part && <PartPapers bundle={bundle} kind={kind} part={part.id} today={today} />}
      <MayAgree
        payer={bundle.papers.payer}
        cost={
          labourPerMinute === null || (part && price === null)
            ? null
            : fault.repair.minutes * labourPerMinute + (part ? price! : 0)
        }
      />
      <div className="flex flex-wrap items-center gap-3 pt-2">
        {led && (
          <a className="plain inline-flex items-center" href={`/machines/${machineId}/run?procedure=${led}`}>
            Be led through it
          </a>
        )}
        {(sheet || fault.repair.minutes >= 20) && (
          <a
            className="plain inline-flex items-center"
            href={`/machines/${machineId}/strip-down${sheet ? `?of=${sheet.id}` : ''}`}
          >
            {sheet ? `Strip-down sheet: ${sheet.name.toLowerCase()}` : 'Strip-down sheet'}
          </a>
        )}
        {!testing && (
          <>
            <button type="button" className="act" onClick={() => setTesting(true)}>
              It is done: test out
            </button>
            <button type="button" className="plain" onClick={() => onNotCured(text)}>
              Done, still not right
            </button>
          </>
        )}
      </div>
      {testing && (
        <>
          <label className="mt-3 flex flex-col gap-0.5">
            <span className="slim text-[14px]">What was done</span>
            <input className="field" value={text} onChange={(event) => setText(event.target.value)} />
          </label>
          {part && (
            <p className="m-0 flex flex-wrap items-center gap-3 pt-2">
              <button type="button" className="plain" onClick={() => setFitting(true)}>
                {fitted.length > 0
                  ? `New: ${part.name.toLowerCase()}. Change …`
                  : `A new ${part.name.toLowerCase()} went in …`}
              </button>
              <span className="text-[14px] text-second">
                {fitted.length > 0 ? 'Its dates begin anew.' : 'Cleaned or set right: nothing to say here.'}
              </span>
            </p>
          )}
          {fitting && part && (
            <FittedSheet
              kind={kind}
              parts={[part.id]}
              place={null}
              onKeep={(one) => {
                setFitted(one)
                setFitting(false)
              }}
              onClose={() => setFitting(false)}
            />
          )}
          <TestOut
            bundle={bundle}
            kind={kind}
            today={today}
            onClose={close}
            onNotCured={(readings, wasIt) => onNotCured(text, readings, wasIt)}
            says={says}
          />
        </>
      )}
    </section>
  )
}
