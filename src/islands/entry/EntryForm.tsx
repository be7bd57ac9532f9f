import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { instanceName, instances } from '../../core/kinds/index.ts'
import { type Kind, shownUnit } from '../../core/kinds/kind.ts'
import { effective } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { carbonBefore, treatmentBefore } from '../../core/standing/water/treatment-before.ts'
import { expectedCount } from '../../core/usage/expected-count.ts'
import { DueDefs } from '../../ui/DueBell.tsx'
import { later } from '../../ui/later.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { fromPage } from '../from-page.tsx'
import { kindOf } from '../machine/kind-of.ts'
import type { ReckonedBundle } from '../machine/reckon-bundle.ts'
import { standingsOf } from '../machine/standings-of.ts'
import { visitIdToday } from '../visit-today.ts'
import { Counters } from './Counters.tsx'
import type { Draft } from './draft.ts'
import { EntryTitle } from './EntryTitle.tsx'
import { entriesOfDraft, headerOf } from './entries-of-draft.ts'
import { lastApart } from './last-apart.ts'
import { Measurements } from './Measurements.tsx'
import { MovesHead } from './MovesHead.tsx'
import { PartsSeen } from './PartsSeen.tsx'
import { SavingPart } from './SavingPart.tsx'
import { Stop } from './Stop.tsx'
import { TasksDone } from './TasksDone.tsx'
import { useDraft } from './use-draft.ts'
import { usePhotos } from './use-photos.ts'
import { useSave } from './use-save.ts'
import { VisitFields } from './VisitFields.tsx'
import { WaterTests } from './WaterTests.tsx'

const AsideNote = later(() => import('../AsideNote.tsx').then((module) => module.AsideNote))
const PhotosTaken = later(() => import('./PhotosTaken.tsx').then((module) => module.PhotosTaken))
const WhatMoves = later(() => import('./WhatMoves.tsx').then((module) => module.WhatMoves), MovesHead)

interface Props {
  bundle: MachineBundle
  /** The bundle as it stands, reckoned as the page was made. */
  reckoned: ReckonedBundle
  today: string
  me: string
}

/** A whole visit in one form: counters, water, tasks, parts, measurements, a note; and what it moves. */
function EntryForm({ bundle, reckoned: before, today, me }: Props) {
  const kind = kindOf(bundle)!
  const going = visitIdToday(bundle, today, me)
  const { draft, setDraft, restored, ready, aside, idFor, clear } = useDraft(bundle.machine.id, today, going)
  const photos = usePhotos(draft, setDraft)
  const { issues, forgetIssues, problem, others, busy, save } = useSave({
    bundle,
    draft,
    idFor,
    today,
    me,
    sendPhotos: photos.send,
    clear,
  })
  const standings = useMemo(() => standingsOf(before), [before])
  const settled = useDeferredValue(draft)
  const made = useMemo(() => entriesOfDraft(settled, bundle, idFor, me), [settled, bundle, idFor, me])
  const open = useMemo(() => siteOpening(effective(bundle.ledgers)).openDays, [bundle])
  const { counter, use } = before.reckoning ?? {}
  const expected =
    counter && use && counter.on <= draft.happenedOn ? expectedCount(counter, use, open, draft.happenedOn) : null
  const water = useMemo(() => {
    const histories = effective(bundle.ledgers)
    return bundle.softener
      ? { treatment: treatmentBefore(histories).kind, carbon: carbonBefore(histories) }
      : { treatment: 'none' as const, carbon: false }
  }, [bundle])
  const positions = useMemo(() => positionsOf(kind), [kind])
  const apartBefore = useMemo(() => lastApart(bundle), [bundle])
  const [apartAsked, setApartAsked] = useState<boolean | null>(null)
  // Open where it was noted before.
  const apart = apartAsked ?? (apartBefore.size > 0 || Object.values(draft.apart).some(Boolean))
  const headed = headerOf(bundle, draft.visitId) !== undefined
  const change = (part: Partial<Draft>) => {
    forgetIssues()
    setDraft((now) => ({ ...now, ...part }))
  }

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault()
        document.querySelector<HTMLFormElement>('#entry')?.requestSubmit()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])

  const tests =
    Object.values(draft.tests).some((test) => test.drops || test.low) || Object.values(draft.figures).some(Boolean)
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <EntryTitle bundle={bundle} today={today} />
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <form
          id="entry"
          className="min-w-0 flex-1 bg-enamel px-4 pb-8 lg:pl-5"
          noValidate
          onSubmit={(event) => {
            event.preventDefault()
            void save()
          }}
        >
          {aside !== null && <AsideNote what="A draft" why={aside} />}
          {restored && (
            <p
              role="status"
              className="m-0 mt-2 flex flex-wrap items-center gap-3 border-l-4 border-brass pl-3 text-[14px]"
            >
              This draft was kept on this device.
              <button type="button" className="min-h-[44px] font-semibold text-copper" onClick={clear}>
                Throw it away
              </button>
            </p>
          )}
          <fieldset disabled={!ready} className="contents">
            <Stop
              number={1}
              title={kind.uncounted ? 'The day' : 'Counters'}
              hint={
                <>
                  {expected ? 'shaded: what the days since should give' : ''}
                  {/* Ahead of the counter, which has the focus: the way on by keyboard stays as short as it was. */}
                  {!kind.uncounted && (
                    <button
                      type="button"
                      className="ml-3 min-h-[44px] font-semibold text-copper md:min-h-[24px]"
                      aria-expanded={apart}
                      onClick={() => setApartAsked(!apart)}
                    >
                      what it counts apart
                    </button>
                  )}
                </>
              }
              done={Boolean(draft.counter || draft.meter)}
            >
              <label className="float-right flex items-center gap-2 text-[14px] max-md:float-none max-md:pt-1">
                <span className="text-second">Visited</span>
                <input
                  type="date"
                  className="field mono text-[14px]"
                  max={today}
                  value={draft.happenedOn}
                  aria-invalid={issues.has('day')}
                  onChange={(event) => event.target.value && change({ happenedOn: event.target.value })}
                />
                {issues.has('day') && <b className="text-[13px] text-seal-ink">{issues.get('day')}</b>}
              </label>
              <Counters
                draft={draft}
                onChange={change}
                name={kind.counter.name}
                unit={shownUnit(kind)}
                expected={expected}
                issues={issues}
                kind={kind}
                apartBefore={apartBefore}
                apartOpen={apart}
                ready={ready}
                meterName={bundle.softener ? `${bundle.softener.name}, meter` : 'Water meter'}
              />
            </Stop>
            <Stop number={2} title="Water" hint={<>arrow up and down count a drop</>} done={tests}>
              <WaterTests draft={draft} onChange={change} {...water} instruments={bundle.instruments} issues={issues} />
            </Stop>
            <Stop
              number={3}
              title="Done"
              hint="the letter ticks; what is due comes first"
              done={draft.tasks.length > 0}
            >
              <TasksDone draft={draft} onChange={change} standings={standings} today={today} issues={issues} />
            </Stop>
            <Stop
              number={4}
              title="Parts changed or looked at"
              hint="how the one that came out looked, 0 to 4"
              done={Object.keys(draft.parts).length > 0}
            >
              <PartsSeen
                draft={draft}
                onChange={change}
                standings={standings}
                kind={kind}
                bundle={bundle}
                today={today}
              />
            </Stop>
            <Stop
              number={5}
              title="Measured"
              hint="as found and as left"
              done={Object.values({ ...draft.found, ...draft.left }).some(Boolean)}
            >
              <Measurements
                draft={draft}
                onChange={change}
                kind={kind}
                instruments={bundle.instruments}
                issues={issues}
              />
            </Stop>
            <Stop
              number={6}
              title="The visit"
              hint={headed ? 'goes on from the last machine' : 'what was wrong, and on whose account'}
              done={Boolean(draft.complaint || draft.repair || draft.terms || draft.orderNumber || draft.minutes)}
            >
              <VisitFields
                draft={draft}
                onChange={change}
                issues={issues}
                headed={headed}
                payer={bundle.papers.payer}
              />
            </Stop>
            <Stop
              number={7}
              title="Photos"
              hint="kept with the visit, seen later with the part"
              done={draft.photos.length > 0}
            >
              <PhotosTaken
                photos={draft.photos}
                parts={positions}
                says={photos.says}
                onAdd={(file) => void photos.add(file)}
                onChange={photos.become}
              />
            </Stop>
            <SavingPart
              machineId={bundle.machine.id}
              others={others}
              problem={problem}
              busy={busy}
              lines={made.entries.length + draft.photos.filter(({ name }) => !name).length}
              onSave={() => save(true)}
            />
          </fieldset>
        </form>
        <aside className="shrink-0 border-hair px-5 pt-3 pb-8 lg:w-[464px] lg:border-l" aria-label="What this moves">
          <div className="lg:sticky lg:top-3">
            <WhatMoves bundle={bundle} before={before} made={made} today={today} />
          </div>
        </aside>
      </div>
    </div>
  )
}

/** Every part where it sits, by key and name. @example ['group-gasket@2', 'Group gasket, group 2'] */
const positionsOf = (kind: Kind): [string, string][] =>
  kind.parts.flatMap(({ id, name, each }) => {
    const many = instances(kind, each)
    if (!each || many < 2) return [[id, name] as [string, string]]
    return Array.from({ length: many }, (_, n): [string, string] => [
      `${id}@${n + 1}`,
      `${name}, ${instanceName(each, n + 1)}`,
    ])
  })

export const EntryIsland = fromPage(EntryForm)
