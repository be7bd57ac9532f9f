import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { effective } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import { carbonBefore, treatmentBefore } from '../../core/standing/water/treatment-before.ts'
import { DueDefs } from '../../ui/DueBell.tsx'
import { dayNear } from '../../ui/format.ts'
import { Key } from '../../ui/Key.tsx'
import { fetchedAtRest, later } from '../../ui/later.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { WrittenSince } from '../../views/entry-verdict.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { AsideNote } from '../AsideNote.tsx'
import { fromPage } from '../from-page.tsx'
import type { ReckonedBundle } from '../machine/reckon-bundle.ts'
import { standingsOf } from '../machine/standings-of.ts'
import { kindOf } from '../machine/use-bundle.ts'
import { sendEntries } from '../send-entries.ts'
import { visitToday } from '../visit-today.ts'
import { Counters } from './Counters.tsx'
import { type Draft, entriesOfDraft, headerOf } from './draft.ts'
import { expectedCount } from './expected-count.ts'
import { lastApart } from './last-apart.ts'
import { Measurements } from './Measurements.tsx'
import { MovesHead } from './MovesHead.tsx'
import { PartsSeen } from './PartsSeen.tsx'
import { Stop } from './Stop.tsx'
import { TasksDone } from './TasksDone.tsx'
import { useDraft } from './use-draft.ts'
import { VisitFields } from './VisitFields.tsx'
import { WaterTests } from './WaterTests.tsx'

const WhatMoves = later(() => import('./WhatMoves.tsx').then((module) => module.WhatMoves), MovesHead)
const checks = fetchedAtRest(() => import('../../core/ledger/parse-entry.ts'))

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
  const going = visitToday(bundle, today, me)
  const { draft, setDraft, restored, ready, aside, idFor, clear } = useDraft(bundle.machine.id, today, going?.visitId)
  const [issues, setIssues] = useState(new Map<string, string>())
  const [problem, setProblem] = useState('')
  const [others, setOthers] = useState<WrittenSince[]>([])
  const [busy, setBusy] = useState(false)
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
  const apartBefore = useMemo(() => lastApart(bundle), [bundle])
  const [apartAsked, setApartAsked] = useState<boolean | null>(null)
  // Open where it was noted before.
  const apart = apartAsked ?? (apartBefore.size > 0 || Object.values(draft.apart).some(Boolean))
  const headed = headerOf(bundle, draft.visitId) !== undefined
  const lastVisit = (bundle.ledgers.machine ?? [])
    .filter((entry) => entry.visitId)
    .reduce<RecordedEntry | null>((last, entry) => (last && last.happenedOn >= entry.happenedOn ? last : entry), null)
  const change = (part: Partial<Draft>) => {
    setIssues(new Map())
    setDraft((now) => ({ ...now, ...part }))
  }

  const save = async (anyway = false) => {
    if (busy) return
    const now = entriesOfDraft(draft, bundle, idFor, me)
    const found = new Map(now.issues.map((issue) => [issue.slot, issue.message]))
    // Without signal since the page opened the server checks alone.
    const check = await checks().catch(() => null)
    for (const { slot, entry } of now.entries) {
      const parsed = check?.parseEntry(entry)
      if (parsed && !parsed.ok) found.set(slot, parsed.issues.map((issue) => issue.message).join('; '))
    }
    if (draft.happenedOn > today) found.set('day', `is in the future: today is ${today}`)
    setIssues(found)
    if (found.size > 0)
      return setProblem(
        `${found.size === 1 ? 'One field needs' : `${found.size} fields need`} another look; nothing was saved.`,
      )
    if (now.entries.length === 0) return setProblem('There is nothing to save yet.')
    setBusy(true)
    setProblem('')
    const about = [bundle.machine.id, ...(bundle.softener ? [bundle.softener.id] : [])]
    const sent = await sendEntries(
      now.entries.map(({ entry }) => entry),
      anyway ? undefined : { seq: bundle.seq, subjectIds: about },
    )
    if (sent.ok) {
      await clear()
      location.assign(`/machines/${bundle.machine.id}?saved`)
      return
    }
    setBusy(false)
    if (sent.why === 'written-since') return setOthers(sent.answer.writtenSince ?? [])
    if (sent.why !== 'refused') return setProblem(sent.message)
    const slotOf = new Map(now.entries.map(({ slot, entry }) => [entry.id, slot]))
    const taken = sent.issues.some((issue) => issue.code === 'taken')
    setIssues(
      new Map(
        sent.issues.map((issue) => [
          issue.path === 'happenedOn' ? 'day' : (slotOf.get(issue.entryId) ?? ''),
          issue.message,
        ]),
      ),
    )
    setProblem(
      taken
        ? 'This visit was saved before, with other figures. Correct it in the ledger.'
        : `Nothing was saved: ${sent.issues[0]?.message ?? 'it was refused'}`,
    )
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
      <TitleBlock
        name="New entry"
        under={`${bundle.machine.name}, ${bundle.site.name}`}
        facts={[
          {
            label: 'Maker, model',
            value: `${bundle.machine.maker} ${bundle.machine.model}`,
            source: bundle.machine.serial,
          },
          ...(lastVisit
            ? [
                {
                  label: 'Last visit',
                  value: dayNear(lastVisit.happenedOn, today),
                  source: bundle.technicians.find((person) => person.id === lastVisit.recordedBy)?.name.split(' ')[0],
                },
              ]
            : []),
          ...(bundle.site.accessNote
            ? [
                {
                  label: 'Access',
                  value: <span className="font-sans font-normal">{bundle.site.accessNote}</span>,
                },
              ]
            : []),
        ]}
        action={
          <a href={`/machines/${bundle.machine.id}`} className="plain inline-flex items-center whitespace-nowrap">
            To the machine
          </a>
        }
      />
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
          <AsideNote what="A draft" why={aside} />
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
              title="Counters"
              hint={
                <>
                  {expected ? 'shaded: what the days since should give' : ''}
                  {/* Ahead of the counter, which has the focus: the way on by keyboard stays as short as it was. */}
                  <button
                    type="button"
                    className="ml-3 min-h-[44px] font-semibold text-copper md:min-h-[24px]"
                    aria-expanded={apart}
                    onClick={() => setApartAsked(!apart)}
                  >
                    what it counts apart
                  </button>
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
                unit={kind.counter.unit}
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
              done={Boolean(draft.complaint || draft.repair || draft.terms || draft.minutes)}
            >
              <VisitFields draft={draft} onChange={change} issues={issues} headed={headed} />
            </Stop>
            {others.length > 0 && (
              <div role="alert" className="mt-3 border-l-4 border-seal pl-3">
                <b>Somebody else wrote here since you opened this form. Nothing of yours was saved yet.</b>
                {others.map((other) => (
                  <p key={other.seq} className="m-0 text-[14px]">
                    {other.by}: {other.said.join(', ')}
                  </p>
                ))}
                <div className="mt-2 flex gap-3">
                  <button type="button" className="act" onClick={() => save(true)}>
                    Save mine as well
                  </button>
                  <button
                    type="button"
                    className="plain"
                    onClick={() => location.assign(`/machines/${bundle.machine.id}?lens=ledger`)}
                  >
                    See theirs, keep my draft
                  </button>
                </div>
              </div>
            )}
            {problem && (
              <p role="alert" className="m-0 mt-3 border-l-4 border-seal pl-3 font-semibold text-seal-ink">
                {problem}
              </p>
            )}
            <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
              <button type="submit" className="act min-h-[48px] text-[17px]" disabled={busy}>
                {busy ? 'Saving …' : 'Save the entry'}
              </button>
              <span className="text-[14px] text-second">{made.entries.length} lines for the ledger</span>
              <span className="hidden gap-3 text-[13px] text-second md:flex">
                <span>
                  <Key>Tab</Key> next
                </span>
                <span>
                  <Key>Enter</Key> save
                </span>
                <span>the draft stays on this device</span>
              </span>
            </div>
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

export const EntryIsland = fromPage(EntryForm)
