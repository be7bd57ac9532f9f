import { useMemo, useState } from 'react'
import { type Kind, withOptions } from '../../core/kinds/kind.ts'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { dayLong, figure } from '../../ui/format.ts'
import { fetchedAtRest } from '../../ui/later.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { KindMoves, KindPage } from '../../views/kind-page.ts'
import { island } from '../island.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { KindDrawing } from './KindDrawing.tsx'
import { LimitsTable } from './LimitsTable.tsx'
import { isLimit } from './limit-text.ts'
import { PathEditor, stationField } from './PathEditor.tsx'
import { PromptsEditor } from './PromptsEditor.tsx'

const checks = fetchedAtRest(() => import('../../core/kinds/check-kind.ts'))

/** A copy of a kind under a name of its own, or the firm's own as it is. */
const ownOf = ({ kind, isOwn }: KindPage): Kind =>
  isOwn
    ? { ...kind, version: kind.version + 1 }
    : { ...kind, basedOn: kind.id, id: `our-${kind.id}`, name: `our ${kind.name}`, version: 1 }

const views = [
  ['limits', 'Parts and tasks'],
  ['path', 'Path'],
  ['prompts', 'What it shows'],
] as const

/**
 * A firm's own version of a kind: its name, limits, path and prompts in place, all of it as a file too; the drawing
 * follows, and what moves shows before anything is kept.
 */
function KindEditor({ page, today }: { page: KindPage; today: string }) {
  const [kind, setKind] = useState(() => ownOf(page))
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [issues, setIssues] = useState<Issue[]>([])
  const [moves, setMoves] = useState<KindMoves | null>(null)
  const [busy, setBusy] = useState('')
  const [view, setView] = useState<(typeof views)[number][0]>('limits')
  /** As it was before each step, the last at the end. */
  const [past, setPast] = useState<Kind[]>([])
  const [id] = useState(newId)
  const becomes = (next: Kind) => {
    setMoves(null)
    setKind(next)
  }
  /** A step that can be taken back. Rows move: what was typed is in the kind by now, or was no number. */
  const step = (next: Kind) => {
    setTyped({})
    setPast((before) => [...before, kind])
    becomes(next)
  }
  const back = () => {
    setTyped({})
    becomes(past.at(-1)!)
    setPast((before) => before.slice(0, -1))
  }
  const change = (part: Partial<Kind>) => becomes({ ...kind, ...part })
  const bring = async (chosen: File | undefined) => {
    if (!chosen) return
    setBusy('Reading the file …')
    try {
      const { checkKind } = await checks()
      const checked = checkKind(JSON.parse(await chosen.text()))
      if (!checked.ok) setIssues(checked.issues)
      else {
        setIssues([])
        const { name, about, id: itsId } = checked.value
        // A file of a kind that ships comes in as the copy that is being made.
        step({
          ...checked.value,
          id: kind.id,
          ...(kind.basedOn && { basedOn: kind.basedOn }),
          version: kind.version,
          name: itsId === kind.basedOn ? kind.name : name,
          about,
        } as Kind)
      }
    } catch (error) {
      setIssues([
        { path: '', code: 'json', message: error instanceof SyntaxError ? 'This file is not JSON.' : String(error) },
      ])
    }
    setBusy('')
  }
  const preview = async () => {
    setBusy('Reckoning every machine of this kind twice …')
    try {
      const answer = await fetch('/api/kinds/moves', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(kind),
      })
      const body = await answer.json()
      setIssues(answer.ok ? [] : body.issues)
      setMoves(answer.ok ? body : null)
    } catch {
      setIssues([{ path: '', code: 'network', message: 'No connection: this is reckoned on the server.' }])
    }
    setBusy('')
  }
  const save = async () => {
    setBusy('Saving …')
    const told = await writeFrom([makeEntry('firm', page.firmId, 'own-kind', { kind }, today, { id })])
    if (told.ok) return location.assign(`/kinds/${kind.id}`)
    setBusy('')
    setIssues(told.issues.map((issue) => ({ ...issue, path: issue.path.replace(/^body\.kind\.?/, '') })))
  }
  const drawn = useMemo(() => withOptions(kind, new Map()), [kind])
  const unreadable = Object.values(typed).some((text) => !isLimit(text))
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={kind.name}
        under={page.isOwn ? `our own, version ${kind.version}` : `a copy of ${page.kind.name}`}
        facts={[{ label: 'Parts and tasks', value: kind.tasks.length }]}
        action={
          <a href={`/kinds/${page.kind.id}`} className="plain inline-flex items-center whitespace-nowrap">
            Leave as it is
          </a>
        }
      />
      <div className="flex flex-wrap items-center gap-x-5 border-b border-hair bg-enamel px-4 lg:px-6">
        <div className="flex flex-wrap gap-x-5" role="tablist" aria-label="What to change">
          {views.map(([id, words]) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={view === id}
              className={`min-h-[48px] border-0 border-b-[3px] border-solid bg-transparent px-0 ${view === id ? 'border-copper font-semibold' : 'border-transparent text-second'}`}
              onClick={() => setView(id)}
            >
              {words}
            </button>
          ))}
        </div>
        <button type="button" className="plain my-1 ml-auto" disabled={past.length === 0} onClick={back}>
          Undo the last step
        </button>
      </div>
      {view === 'path' && (
        <KindDrawing
          kind={drawn}
          today={today}
          chosen={null}
          onChoose={(station) => document.getElementById(stationField(station))?.focus()}
        />
      )}
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <section className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6" aria-label="The kind">
          <div className="pt-3" role="tabpanel" aria-label={views.find(([id]) => id === view)![1]}>
            {view === 'limits' && (
              <>
                <div className="grid gap-3 md:grid-cols-2">
                  <label className="flex flex-col gap-0.5">
                    <span className="slim text-[14px]">Called</span>
                    <input
                      className="field"
                      value={kind.name}
                      onChange={(event) => change({ name: event.target.value })}
                    />
                  </label>
                  <label className="flex flex-col gap-0.5">
                    <span className="slim text-[14px]">Short name, in small letters</span>
                    <input
                      className="field mono"
                      value={kind.id}
                      disabled={page.isOwn}
                      onChange={(event) => change({ id: event.target.value })}
                    />
                  </label>
                  <label className="flex flex-col gap-0.5 md:col-span-2">
                    <span className="slim text-[14px]">What it is</span>
                    <input
                      className="field"
                      value={kind.about}
                      onChange={(event) => change({ about: event.target.value })}
                    />
                  </label>
                </div>
                <LimitsTable
                  kind={kind}
                  typed={typed}
                  onType={(key, text, next) => {
                    setTyped((now) => ({ ...now, [key]: text }))
                    if (next) becomes(next)
                    else setMoves(null)
                  }}
                  onChange={step}
                />
              </>
            )}
            {view === 'path' && <PathEditor kind={kind} onType={becomes} onChange={step} />}
            {view === 'prompts' && <PromptsEditor kind={kind} onType={becomes} onChange={step} />}
          </div>
          <label className="mt-4 flex max-w-[420px] min-w-0 flex-col gap-0.5 border-t border-hair pt-3">
            <span className="slim text-[14px]">All of it from a file, as “As a file” gave it</span>
            <FileInput accept="application/json,.json" className="field w-full min-w-0" onChosen={bring} />
          </label>
        </section>
        <aside className="shrink-0 border-hair px-5 pt-3 pb-8 lg:w-[440px] lg:border-l" aria-label="What this moves">
          <div className="lg:sticky lg:top-3">
            <h2 className="head m-0">What this moves</h2>
            <div className="flex flex-wrap gap-3 py-2">
              <button type="button" className="plain" disabled={busy !== '' || unreadable} onClick={preview}>
                Show what moves
              </button>
              <button type="button" className="act" disabled={busy !== '' || unreadable} onClick={save}>
                Keep it
              </button>
            </div>
            <p className="m-0 text-[14px] text-second" role="status">
              {busy || 'Kept, it reckons nothing until you choose it on its page.'}
            </p>
            {issues.length > 0 && (
              <ul role="alert" className="m-0 mt-2 list-none border-l-4 border-seal p-0 pl-3">
                {issues.slice(0, 12).map((issue) => (
                  <li key={`${issue.path} ${issue.message}`}>
                    <span className="mono text-[13px]">{placeOf(issue.path, kind)}</span> {issue.message}
                  </li>
                ))}
                {issues.length > 12 && <li>and {issues.length - 12} more</li>}
              </ul>
            )}
            {moves && <Moves moves={moves} />}
          </div>
        </aside>
      </div>
    </div>
  )
}

/** Where an issue stands, by the name of its row. @example placeOf('tasks[3].limits.shots', kind) */
function placeOf(path: string, kind: Kind): string {
  const row = /^(tasks|parts|stations|prompts)\[(\d+)\]\.?(.*)$/.exec(path)
  if (!row) return path
  const named = kind[row[1] as 'tasks'][Number(row[2])] as { name?: string; where?: string } | undefined
  return named ? `${named.name ?? named.where}${row[3] ? `, ${row[3]}` : ''}` : path
}

function Moves({ moves }: { moves: KindMoves }) {
  const day = (on: string | null) => (on ? dayLong(on) : 'over 10 years, or not there')
  return (
    <div className="pt-3">
      <p className="m-0">
        <b>
          {moves.moved === 0
            ? 'No date moves.'
            : `${figure(moves.moved)} dates at ${figure(moves.machines)} of ${figure(moves.read)} machines move.`}
        </b>
      </p>
      <ul className="m-0 list-none p-0 text-[14px]">
        {moves.rows.map((row) => (
          <li key={`${row.site} ${row.machine} ${row.name}`} className="border-t border-hair py-1">
            <b className="font-semibold">{row.name}</b>{' '}
            <span className="text-second">
              {row.machine}, {row.site}
            </span>
            <span className="mono block text-[13px]">
              {day(row.before)} <span className="text-copper">→</span> {day(row.after)}
            </span>
          </li>
        ))}
      </ul>
      {moves.moved > moves.rows.length && (
        <p className="m-0 text-[13px] text-second">and {figure(moves.moved - moves.rows.length)} more</p>
      )}
    </div>
  )
}

export const KindEditorIsland = island(KindEditor)
