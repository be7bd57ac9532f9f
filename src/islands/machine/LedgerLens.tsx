import { lazy, Suspense, useEffect, useMemo, useState } from 'react'
import { isFromPage } from '../../core/customers/origins.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { effectiveHistory, inOrder } from '../../core/ledger/effective-history.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { Jotting } from '../../core/ledger/entry-kinds.ts'
import { isInternal } from '../../core/ledger/photos-in.ts'
import { stationOf } from '../../core/ledger/station-of.ts'
import type { Flag, Reckoning } from '../../core/standing/standing.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { counted, dayFull, dayLong, figure } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { EntryPhotos } from '../EntryPhotos.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { usePrinting } from '../use-printing.ts'
import { MeasureSheet } from '../visits/MeasureSheet.tsx'
import { CorrectSheet } from './CorrectSheet.tsx'
import { flagWords } from './flag-words.ts'
import { kindOf } from './kind-of.ts'
import { ledgerNotes } from './ledger-notes.ts'
import { EarlierEntries, useWholeHistory } from './whole-history.tsx'

interface Props {
  bundle: MachineBundle
  reckoning: Reckoning | null
  today: string
  /** Only what touched this station; null for all. */
  station: string | null
  onSaved: () => Promise<void>
}

// The chart library is large and only this lens draws with it.
const CounterChart = lazy(() => import('./CounterChart.tsx').then((module) => ({ default: module.CounterChart })))

const pageSize = 40

/** The history of one machine: who wrote what when, corrections visible as corrections. */
export function LedgerLens({ bundle, reckoning, today, station, onSaved }: Props) {
  const [shown, setShown] = useState(pageSize)
  const [correcting, setCorrecting] = useState<RecordedEntry | null>(null)
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState('')
  const printing = usePrinting()
  // Drawn in the browser only: a suspended island would need inline scripts, which the policy forbids.
  const [mounted, setMounted] = useState(false)
  useEffect(() => setMounted(true), [])
  const past = useWholeHistory(bundle)
  const all = useMemo(() => latestFirst(past.whole ?? historyHere(bundle)), [bundle, past.whole])
  const histories = useMemo(() => {
    const put = new Map<string, string>()
    const rivals = new Set<string>()
    for (const about of new Set(all.map(({ subjectId }) => subjectId))) {
      const history = effectiveHistory(all.filter(({ subjectId }) => subjectId === about))
      for (const [id, by] of history.putAside) put.set(id, by)
      if (about === bundle.machine.id) for (const id of history.rivals) rivals.add(id)
    }
    return { putAside: put, rivals }
  }, [all, bundle.machine.id])
  const names = new Map(bundle.technicians.map((person) => [person.id, person.name.split(' ')[0]!]))
  const byId = new Map(all.map((entry) => [entry.id, entry]))
  const flags = new Map<string, Flag['kind']>((reckoning?.flags ?? []).map((flag) => [flag.entryId, flag.kind]))
  const notes = useMemo(() => ledgerNotes(bundle, all), [bundle, all])
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const kind = useMemo(() => kindOf(bundle), [bundle])
  const matching = all.filter((entry) => {
    if (station && stationOf(entry, kind) !== station) return false
    const said = `${entryWords(entry, kind)} ${names.get(entry.recordedBy)} ${dayLong(entry.happenedOn)}`.toLowerCase()
    return words.every((word) => said.includes(word))
  })
  /** Photos that were added to an entry stand beside it. */
  const added = useMemo(() => {
    const by = new Map<string, RecordedEntry[]>()
    for (const entry of all)
      if (entry.kind === 'pictured' && entry.body.of && !histories.putAside.has(entry.id))
        by.set(entry.body.of, [...(by.get(entry.body.of) ?? []), entry])
    return by
  }, [all, histories])
  const addPhoto = async (entry: RecordedEntry, file: File) => {
    const { id, subjectKind, subjectId, visitId } = entry
    setWrong('Making the photo smaller …')
    const { noPicture, sendPhoto, smaller } = await import('../photos.ts')
    const image = await smaller(file).catch(() => null)
    if (image === null) return setWrong(noPicture(file))
    const sent = await sendPhoto(image)
    if (!sent.ok) return setWrong(sent.message)
    // What is for the firm's own eyes stays so with its photo.
    const body = { photos: [sent.name], of: id, ...(isInternal(entry) && { internal: true }) }
    const told = await writeFrom([
      makeEntry(subjectKind, subjectId, 'pictured', body, today, { ...(visitId && { visitId }) }),
    ])
    setWrong(told.ok ? '' : (told.issues[0]?.message ?? 'It was not saved.'))
    if (told.ok) await onSaved()
  }
  /** It happened after all: the same is written again in the place of its withdrawal. */
  const bringBack = async ({ id }: RecordedEntry, was: RecordedEntry) => {
    const { kind: what, body, happenedAt, happenedOn, subjectKind, subjectId, visitId } = was
    const told = await writeFrom([
      {
        ...({ kind: what, body } as Jotting),
        id: newId(),
        subjectKind,
        subjectId,
        happenedAt,
        happenedOn,
        supersedes: id,
        ...(visitId && { visitId }),
      },
    ])
    setWrong(told.ok ? '' : (told.issues[0]?.message ?? 'It was not saved.'))
    if (told.ok) await onSaved()
  }
  const days = groupByDay(printing ? matching : matching.slice(0, shown))
  const measured = (bundle.ledgers.machine ?? []).filter((entry) => entry.kind === 'measured').length
  const stationName = kind?.stations.find((candidate) => candidate.id === station)?.name

  return (
    <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
      <section className="min-w-0 flex-1 px-4 pt-2 pb-6 lg:px-6" aria-label="Ledger">
        <div className="flex flex-wrap items-center gap-3">
          <h2 className="head m-0">Ledger</h2>
          <span className="text-[13px] text-second">
            {figure(matching.length)} of {figure(all.length + (past.leftOut?.entries ?? 0))} entries
            {stationName ? ` touched: ${stationName}` : ''}. Nothing is rubbed out: a correction stands beside what it
            corrects.
          </span>
          <input
            className="field ml-auto min-h-[36px] w-[220px] text-[14px] max-md:ml-0 max-md:min-h-[44px] max-md:w-full"
            placeholder="Find in the ledger"
            aria-label="Find in the ledger"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        {kind && measured > 0 && (
          <details className="mt-2 border-t border-hair" open={printing || undefined}>
            <summary className="flex min-h-[36px] cursor-default items-center gap-2 max-md:min-h-[44px]">
              <span className="font-semibold text-copper">As found and as left</span>
              <span className="text-[13px] text-second">
                {counted(measured, 'measurement')}, and what is good for this machine
              </span>
            </summary>
            <MeasureSheet kind={kind} ledger={bundle.ledgers.machine ?? []} today={today} />
          </details>
        )}
        {wrong && (
          <p role="alert" className="m-0 font-semibold text-seal-ink">
            {wrong}
          </p>
        )}
        {matching.length === 0 && (
          <p className="text-second">
            {words.length > 0
              ? `Nothing that is here has these words.${past.leftOut ? ' Older entries can be fetched below.' : ''}`
              : `No entry here yet. ${station ? 'Choose the station again to see all.' : 'Write the first with "New entry".'}`}
          </p>
        )}
        <ol className="m-0 mt-2 list-none p-0">
          {days.map(([day, entries]) => (
            <li key={day} className="grid border-t border-hair py-1 md:grid-cols-[130px_1fr]">
              <h3 className="mono m-0 py-1 text-[13px] font-semibold">{dayFull(day)}</h3>
              <ul className="m-0 list-none p-0">
                {entries.map((entry) => (
                  <EntryRow
                    key={entry.id}
                    entry={entry}
                    words={entryWords(entry, kind)}
                    by={isFromPage(entry) ? 'sent' : (names.get(entry.recordedBy) ?? 'someone')}
                    late={
                      entry.recordedAt.slice(0, 10) !== entry.happenedOn ? dayLong(entry.recordedAt.slice(0, 10)) : null
                    }
                    putAsideBy={byId.get(histories.putAside.get(entry.id) ?? '') ?? null}
                    corrects={entry.supersedes ? (byId.get(entry.supersedes) ?? null) : null}
                    rival={histories.rivals.has(entry.id)}
                    flag={flags.get(entry.id) ?? null}
                    warnings={notes.warnings.get(entry.id) ?? []}
                    origin={notes.origins.get(entry.id) ?? null}
                    kind={kind}
                    added={added.get(entry.id) ?? []}
                    waits={bundle.unsent?.includes(entry.id) ?? false}
                    onPhoto={(file) => void addPhoto(entry, file)}
                    onCorrect={() => setCorrecting(entry)}
                    onBringBack={(was) => void bringBack(entry, was)}
                  />
                ))}
              </ul>
            </li>
          ))}
        </ol>
        {!printing && matching.length > shown && (
          <button type="button" className="plain mt-2" onClick={() => setShown(shown + 100)}>
            {matching.length - shown} earlier entries
          </button>
        )}
        {past.leftOut && matching.length <= shown && <EarlierEntries past={past} leftOut={past.leftOut} />}
      </section>
      <aside
        className="shrink-0 border-hair px-5 pt-2 pb-6 max-lg:order-first lg:w-[380px] lg:border-l"
        aria-label="Counter"
      >
        {mounted && !kind?.uncounted && (
          <Suspense fallback={<p className="text-second">Drawing the counter …</p>}>
            <CounterChart
              bundle={bundle}
              flags={reckoning?.flags ?? []}
              unit={reckoning?.counter?.unit ?? 'drinks'}
              onCorrect={setCorrecting}
            />
          </Suspense>
        )}
      </aside>
      {correcting && (
        <CorrectSheet
          bundle={bundle}
          today={today}
          entry={correcting}
          onClose={() => setCorrecting(null)}
          onSaved={onSaved}
        />
      )}
    </div>
  )
}

/** The machine's own entries and those of its softener and site that move it, as far as they are at hand. */
function historyHere({ ledgers: { machine = [], softener = [], site = [] } }: MachineBundle): RecordedEntry[] {
  return [...machine, ...softener, ...site]
}

const latestFirst = (entries: RecordedEntry[]) => [...entries].sort((a, b) => inOrder(b, a))

function groupByDay(entries: RecordedEntry[]): [string, RecordedEntry[]][] {
  const days = new Map<string, RecordedEntry[]>()
  for (const entry of entries) days.set(entry.happenedOn, [...(days.get(entry.happenedOn) ?? []), entry])
  return [...days]
}

interface RowProps {
  entry: RecordedEntry
  words: string
  by: string
  late: string | null
  putAsideBy: RecordedEntry | null
  corrects: RecordedEntry | null
  rival: boolean
  flag: Flag['kind'] | null
  warnings: string[]
  origin: string | null
  kind: Kind | null
  /** Photos that were added to it. */
  added: RecordedEntry[]
  /** It is on this device alone yet. */
  waits: boolean
  onPhoto: (file: File) => void
  onCorrect: () => void
  /** Of a withdrawal: what it took back counts again. */
  onBringBack: (was: RecordedEntry) => void
}

function EntryRow(props: RowProps) {
  const { entry, words, by, late, putAsideBy, corrects, rival, flag, warnings, origin, kind } = props
  const { added, waits, onPhoto, onCorrect, onBringBack } = props
  const aside = putAsideBy !== null
  return (
    <li className="flex min-h-[28px] items-baseline gap-2 py-0.5 max-md:min-h-[44px]">
      <span className="min-w-0 flex-1">
        <span className={aside ? 'text-second line-through' : ''}>{words}</span>
        {corrects && entry.kind === 'withdrawn' && <span className="text-second"> “{entryWords(corrects, kind)}”</span>}
        {corrects && entry.kind !== 'withdrawn' && (
          <span className="text-copper"> corrects “{entryWords(corrects, kind)}”</span>
        )}
        {aside && (
          <span className="text-copper">
            {' '}
            {putAsideBy.kind === 'withdrawn' ? 'withdrawn' : `corrected ${dayLong(putAsideBy.recordedAt.slice(0, 10))}`}
          </span>
        )}
        {rival && (
          <span className="font-semibold text-brass-ink">
            {' '}
            two corrections of one entry: the later-made counts, check which is right
          </span>
        )}
        {flag && !aside && <span className="font-semibold text-brass-ink"> {flagWords[flag]}</span>}
        {!aside &&
          warnings.map((warning) => (
            <span key={warning} className="font-semibold text-brass-ink">
              {' '}
              {warning}
            </span>
          ))}
        {waits && (
          <a href="/waits" className="font-semibold text-copper">
            {' '}
            waits to be sent
          </a>
        )}
        {origin && <span className="text-[13px] text-second"> · from {origin}</span>}
        {entry.subjectKind !== 'machine' && <span className="text-[13px] text-second"> · {entry.subjectKind}</span>}
        {!aside && !(entry.kind === 'pictured' && entry.body.of) && <EntryPhotos entry={entry} />}
        {!aside && added.map((one) => <EntryPhotos key={one.id} entry={one} />)}
      </span>
      <span className="text-[13px] whitespace-nowrap text-second">
        {by}
        {late ? `, written ${late}` : ''}
      </span>
      {!aside && entry.kind !== 'withdrawn' && entry.kind !== 'pictured' && (
        <label className="cursor-pointer px-1 text-[13px] font-semibold text-copper has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper max-md:inline-flex max-md:min-h-[44px] max-md:items-center print:hidden">
          Photo
          <FileInput
            accept="image/*"
            className="sr-only"
            aria-label={`Photo to add to: ${words}`}
            onChosen={(file) => file && onPhoto(file)}
          />
        </label>
      )}
      {!aside && entry.kind !== 'withdrawn' && (
        <button
          type="button"
          className="px-1 text-[13px] font-semibold text-copper max-md:min-h-[44px] print:hidden"
          aria-label={`Correct: ${words}`}
          onClick={onCorrect}
        >
          Correct
        </button>
      )}
      {!aside && entry.kind === 'withdrawn' && corrects && (
        <button
          type="button"
          className="px-1 text-[13px] font-semibold text-copper max-md:min-h-[44px] print:hidden"
          aria-label={`Bring back: ${entryWords(corrects, kind)}`}
          onClick={() => onBringBack(corrects)}
        >
          Bring back
        </button>
      )}
    </li>
  )
}
