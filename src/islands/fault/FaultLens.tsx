import { useEffect, useMemo, useRef, useState } from 'react'
import { bookFor } from '../../core/faults/books.ts'
import { type Fault, type FaultBook, somethingElse } from '../../core/faults/fault.ts'
import { ownLooks } from '../../core/faults/own-looks.ts'
import { priorFactors, priorReasons } from '../../core/faults/prior-factors.ts'
import { otherThanAll } from '../../core/faults/rank-causes.ts'
import { readingsSeen } from '../../core/faults/readings-seen.ts'
import { isProved, repairNow } from '../../core/faults/repair-now.ts'
import { mayBeTested, newSearch, type SearchPress, searchStep, suspicion } from '../../core/faults/search.ts'
import { seenWords } from '../../core/faults/seen-words.ts'
import { leaderOf, suspectName } from '../../core/faults/shares.ts'
import { stopOfComplaint } from '../../core/faults/stops.ts'
import { suspectWorking } from '../../core/faults/suspect-working.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { faultEvidence } from '../../core/standing/fault-evidence.ts'
import type { Histories } from '../../core/standing/histories.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { openReport } from '../../core/visits/open-reports.ts'
import { browserNow } from '../../ui/clock.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { AsideNote } from '../AsideNote.tsx'
import { newId } from '../new-id.ts'
import { layOut } from '../path/layout.ts'
import { photoOf, sendWaiting } from './answer-photos.ts'
import { CareNoted } from './CareNoted.tsx'
import { FirstOfAll } from './FirstOfAll.tsx'
import { suspectedAt } from './halo.ts'
import { type AnswerPhoto, afterPress, type KeptSearch, keptSearches, strangeTo } from './kept-search.ts'
import { NextTest } from './NextTest.tsx'
import { OnRecord } from './OnRecord.tsx'
import { OnTelephone } from './OnTelephone.tsx'
import { pricesOf } from './prices-of.ts'
import { RepairPart } from './RepairPart.tsx'
import { shownShort } from './repair-entries.ts'
import { SearchBar } from './SearchBar.tsx'
import { SimilarCases } from './SimilarCases.tsx'
import { SomethingElse } from './SomethingElse.tsx'
import { StopBand } from './StopBand.tsx'
import { Suspects } from './Suspects.tsx'
import { SymptomPicker } from './SymptomPicker.tsx'
import { TestsDone } from './TestsDone.tsx'

/** What the drawing shows of a search. */
export interface FaultView {
  at: Map<string, number>
  next: string | null
  done: { station: string; n: number; shows?: string }[]
}

interface Props {
  bundle: MachineBundle
  kind: Kind
  without: Set<string>
  histories: Histories
  standings: Standing[]
  today: string
  me: string
  onShow: (view: FaultView | null) => void
  onSaved: () => Promise<void>
}

/** Finding a fault: complaint, halo, next best test, suspects with their reasons, repair and test-out. */
export function FaultLens(props: Props) {
  const book = bookFor(props.kind)
  if (!book)
    return (
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <h2 className="head m-0">Finding a fault</h2>
        <p className="m-0">
          The faults of this kind are not written yet. Walk the path from the supply, and write what it was as a repair
          in a new entry.
        </p>
      </div>
    )
  return <Searching {...props} book={book} />
}

function Searching({
  bundle,
  kind,
  without,
  histories,
  standings,
  today,
  me,
  onShow,
  onSaved,
  book,
}: Props & { book: FaultBook }) {
  const machineId = bundle.machine.id
  const [kept, setKept] = useState<KeptSearch | null | undefined>(undefined)
  const [lost, setLost] = useState(false)
  const [suspect, setSuspect] = useState<string | null>(null)
  const [other, setOther] = useState<string | null>(null)
  /** What somebody chose to repair, whatever leads. */
  const [decided, setDecided] = useState<Fault | null>(null)
  const [aside, setAside] = useState<string | null>(null)
  const [photoSays, setPhotoSays] = useState('')
  useEffect(() => {
    void keptSearches
      .read(machineId, (found) => strangeTo(book, found))
      .then((found) => {
        setKept(found.value)
        setAside(found.aside)
      })
  }, [book, machineId])
  const latest = useRef(kept)
  useEffect(() => {
    latest.current = kept
  }, [kept])
  const keep = (next: KeptSearch) => {
    latest.current = next
    setKept(next)
    void keptSearches.keep(machineId, next).then((isKept) => setLost(!isKept))
  }
  const become = (next: KeptSearch) => {
    keep(next)
    setOther(null)
  }
  const press = (...events: SearchPress[]) => {
    if (!kept) return
    const at = browserNow().getTime()
    const search = events.reduce((now, event) => searchStep(now, { ...event, at }), kept.search)
    if (search === kept.search) return
    setDecided(null)
    become(afterPress(kept, search))
  }
  /** Kept on this device at once, sent where there is signal; answers given meanwhile stay. */
  const addPhoto = async (of: number, file: File) => {
    setPhotoSays('Making the photo smaller …')
    const made = await photoOf(file, of)
    if (typeof made === 'string') return setPhotoSays(made)
    const keepPhotos = (change: (photos: AnswerPhoto[]) => AnswerPhoto[]) => {
      if (latest.current) keep({ ...latest.current, photos: change(latest.current.photos ?? []) })
    }
    keepPhotos((photos) => [...photos, made])
    const { photos, says } = await sendWaiting([made])
    keepPhotos((now) => now.map((photo) => (photo.id === made.id ? photos[0]! : photo)))
    setPhotoSays(says)
  }
  const layout = useMemo(() => layOut(kind, without), [kind, without])
  const reasons = useMemo(
    () => priorReasons(book, faultEvidence(kind, histories, standings, today)),
    [book, histories, kind, standings, today],
  )
  const search = kept?.search ?? null
  const now = useMemo(() => (search ? suspicion(book, search, priorFactors(reasons)) : null), [book, reasons, search])
  const prices = useMemo(() => pricesOf(book, kind, histories), [book, histories, kind])
  const repair = useMemo(
    () => (search && now ? repairNow(book, search, now, prices.minutes) : null),
    [book, now, prices, search],
  )
  const proof = search?.phone ? null : (repair?.proof ?? null)
  const worth = now?.all.find(({ test }) => test === other) ?? proof ?? now?.next[0] ?? null
  const test = worth ? book.tests.find(({ id }) => id === worth.test)! : null
  useEffect(() => {
    if (!now || !search) return onShow(null)
    onShow({
      at: suspectedAt(book, now.belief).at,
      // Before it was asked what must stop, nothing is to be tried.
      next: search.stop === undefined ? null : (test?.station ?? null),
      // What was told was looked at nowhere.
      done: search.seen.flatMap(({ said, ...seen }, i) =>
        said
          ? []
          : [
              {
                station: book.tests.find(({ id }) => id === seen.test)!.station,
                n: i + 1,
                shows: shownShort(book, seen),
              },
            ],
      ),
    })
  }, [book, now, onShow, search, test])
  useEffect(() => () => onShow(null), [onShow])
  // On a phone a question has the screen to itself, as a run has.
  const searching = search !== null
  useEffect(() => {
    if (!searching) return
    document.documentElement.dataset.busy = 'searching'
    return () => {
      delete document.documentElement.dataset.busy
    }
  }, [searching])
  const reported = openReport(histories.machine?.entries ?? [])
  if (kept === undefined) return <p className="flex-1 bg-enamel p-6 text-second">Looking for what was begun here …</p>
  if (!kept || !search || !now)
    return (
      <>
        <AsideNote what="A search" why={aside} />
        <OnRecord book={book} entries={histories.machine?.entries ?? []} today={today} onGoOn={become} />
        <SymptomPicker
          book={book}
          kind={kind}
          machineId={machineId}
          reported={reported ? String(reported.body.text) : null}
          onPick={(symptom, heard, also = [], words, told = []) => {
            const stop = heard ?? [symptom, ...also].map(stopOfComplaint).find((one) => one !== undefined)
            become({
              search: {
                ...newSearch(symptom, browserNow().getTime(), told),
                ...(stop && { stop }),
                ...(also.length > 0 && { also }),
                ...(words && { words }),
              },
              reportId: newId(),
              ids: {},
            })
          }}
        />
      </>
    )
  const known = book.symptoms.find(({ id }) => id === search.symptom)!
  const top = leaderOf(now.network, now.belief).fault
  const chosen = suspect ?? top
  const mended = decided ?? (proof ? null : (book.faults.find(({ id }) => id === repair?.fault) ?? null))
  const leader = book.faults.find(({ id }) => id === top)
  const needsLive =
    search.gates.length === 0 &&
    leader !== undefined &&
    ownLooks(book, leader).some((id) => book.tests.find((one) => one.id === id)?.gate !== undefined)
  const unexplained = now.elseLeads && !search.phone && !decided
  const shareOf = (id: string): number => now.belief[now.network.faults.indexOf(id)]!
  const leave = () => {
    void keptSearches.drop(machineId)
    setKept(null)
    setSuspect(null)
    setDecided(null)
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col bg-enamel">
      <SearchBar book={book} search={search} lost={lost} onPress={press} onLeave={leave} />
      {search.stop === undefined && (
        <FirstOfAll
          kind={kind}
          symptom={search.symptom}
          said={reported ? String(reported.body.text) : null}
          phone={search.phone === true}
          onStop={(stop) => press({ type: 'stop', stop })}
        />
      )}
      {search.stop !== undefined && search.stop !== 'none' && (
        <StopBand
          key={search.stop}
          bundle={bundle}
          stop={search.stop}
          complaint={known.name}
          phone={search.phone === true}
          provedDead={search.provedDead === true}
          isReported={kept.onRecord !== undefined}
          today={today}
          onProved={(on) => press({ type: 'proved dead', on })}
          onNotSo={() => press({ type: 'stop', stop: 'none' })}
          onSaved={onSaved}
        />
      )}
      {now.contradicts && (
        <p role="alert" className="m-0 border-b border-hair border-l-4 border-l-seal px-4 py-2">
          What was seen hardly fits any one fault. Doubtful:{' '}
          {now.doubtful.map((seen) => seenWords(book, seen)).join('; ')}. It may be two faults, a wrong look, or
          something else.
        </p>
      )}
      {search.stop !== undefined && (search.stop === 'none' || mayBeTested(search) !== 'nothing') && (
        <div className="grid min-w-0 flex-1 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,0.95fr)]">
          <div className="min-w-0">
            {search.phone && <OnTelephone machineId={machineId} book={book} search={search} now={now} />}
            {unexplained && (
              <SomethingElse
                machineId={machineId}
                book={book}
                search={search}
                now={now}
                histories={histories}
                today={today}
                onAgain={setOther}
                onDescribe={(cause) => setDecided(inWords(cause))}
              />
            )}
            {mended && !search.phone && (
              <RepairPart
                key={mended.id}
                book={book}
                fault={mended}
                p={mended.id === somethingElse ? null : shareOf(mended.id)}
                repair={decided ? null : repair}
                proved={mended.id === somethingElse || isProved(book, search, now, mended.id)}
                kept={kept}
                bundle={bundle}
                kind={kind}
                me={me}
                today={today}
                price={prices.of(mended.id)}
                labourPerMinute={prices.labourPerMinute}
                onKeep={become}
                onNotCured={(text, readings = [], wasIt = false) => {
                  setDecided(null)
                  press(
                    mended.id === somethingElse
                      ? { type: 'not cured in words', cause: mended.name, text }
                      : { type: 'not cured', fault: mended.id, ...(wasIt && { wasIt }) },
                    // What the test-out read goes on into the search, as seen after the repair.
                    ...readingsSeen(book, readings).map((seen) => ({ type: 'seen' as const, ...seen })),
                  )
                }}
              />
            )}
            {test && worth ? (
              <NextTest
                book={book}
                search={search}
                suspicion={now}
                worth={worth}
                test={test}
                layout={layout}
                other={test.id === other}
                proves={test.id === proof?.test ? suspectName(book, repair!.fault) : null}
                onSeen={(outcome, value, times) =>
                  press({
                    type: 'seen',
                    test: test.id,
                    outcome,
                    ...(value !== undefined && { value }),
                    ...(times && { times }),
                  })
                }
                onOther={(words) => press({ type: 'seen', test: test.id, outcome: otherThanAll, words })}
                onCannot={() => press({ type: 'cannot', test: test.id })}
                onBack={() => press({ type: 'back' })}
              />
            ) : (
              <p className="m-0 px-4 py-3 lg:px-6">
                {search.phone
                  ? 'Nothing more can be asked that tells anything. On site the search goes on from here.'
                  : `No test is left that tells anything more.${needsLive ? ' What would tell is a live test, for whoever is qualified.' : ''}`}
              </p>
            )}
          </div>
          <Suspects book={book} now={now} chosen={chosen} reasons={reasons} onChoose={setSuspect} />
          <section className="min-w-0 border-hair px-4 py-3 lg:border-l" aria-label="Working">
            <h2 className="m-0 text-[16px] font-[620]">
              <span className="text-copper">Working</span> {suspectName(book, chosen)}
            </h2>
            {chosen !== mended?.id && chosen !== somethingElse && !search.phone && (
              <button
                type="button"
                className="plain my-1"
                onClick={() => setDecided(book.faults.find(({ id }) => id === chosen)!)}
              >
                I know that it is this: repair it
              </button>
            )}
            <WorkingColumn working={suspectWorking(book, search, now.seen, reasons, chosen)} />
            <TestsDone
              book={book}
              search={search}
              aside={now.aside}
              all={now.all}
              belief={now.belief}
              timeZone={bundle.site.timeZone}
              photos={kept.photos ?? []}
              onPhoto={(of, file) => void addPhoto(of, file)}
              onLeaveOut={(id) => keep({ ...kept, photos: kept.photos?.filter((photo) => photo.id !== id) ?? [] })}
              onOther={(id) => setOther(id)}
            />
            {photoSays && (
              <p role="status" className="m-0 text-[14px] font-semibold text-brass-ink">
                {photoSays}
              </p>
            )}
            <CareNoted histories={histories} today={today} />
            {!unexplained && <SimilarCases machineId={machineId} search={search} histories={histories} today={today} />}
          </section>
        </div>
      )}
    </div>
  )
}

/** A cause that is in no book, as somebody says it. */
const inWords = (cause: string): Fault => ({
  id: somethingElse,
  name: cause,
  station: null,
  per100: 0,
  complaints: {},
  repair: { say: cause, minutes: 0 },
})
