import { useRef, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { type Clock, clocks, type School, schoolName, schools } from '../../core/wear/limits.ts'
import { dayLong, figure } from '../../ui/format.ts'
import { fetchedAtRest } from '../../ui/later.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { KindMoves, KindPage } from '../../views/kind-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../send-entries.ts'

const checks = fetchedAtRest(() => import('../../core/kinds/check-kind.ts'))

/** A copy of a kind under a name of its own, or the firm's own as it is. */
const ownOf = (kind: Kind): Kind =>
  kind.basedOn
    ? { ...kind, version: kind.version + 1 }
    : { ...kind, basedOn: kind.id, id: `our-${kind.id}`, name: `our ${kind.name}`, version: 1 }

const unitOf: Partial<Record<Clock, string>> = { litres: 'L', months: 'months', detergentCycles: 'detergent cycles' }

const limitOf = (text: string) => Number(text.trim().replace(',', '.'))
const isLimit = (text: string) => text.trim() !== '' && limitOf(text) > 0 && Number.isFinite(limitOf(text))

/** A firm's own version of a kind: its name, its limits in place, everything else as a file; what moves shows first. */
export function KindEditor({ page, today }: { page: KindPage; today: string }) {
  const [kind, setKind] = useState(() => ownOf(page.kind))
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [issues, setIssues] = useState<Issue[]>([])
  const [moves, setMoves] = useState<KindMoves | null>(null)
  const [busy, setBusy] = useState('')
  const [find, setFind] = useState('')
  const [id] = useState(newId)
  const file = useRef<HTMLInputElement>(null)
  const change = (part: Partial<Kind>) => {
    setMoves(null)
    setKind((now) => ({ ...now, ...part }))
  }
  const setLimit = (i: number, clock: Clock, school: School, text: string) => {
    setTyped((now) => ({ ...now, [`${i} ${clock} ${school}`]: text }))
    if (!isLimit(text)) return setMoves(null)
    const value = limitOf(text)
    const duties = kind.duties.map((duty, n) =>
      n === i ? { ...duty, limits: { ...duty.limits, [clock]: { ...duty.limits[clock]!, [school]: value } } } : duty,
    )
    change({ duties })
  }
  const bring = async (chosen: File | undefined) => {
    if (!chosen) return
    setBusy('Reading the file …')
    try {
      const { checkKind } = await checks()
      const checked = checkKind(JSON.parse(await chosen.text()))
      if (!checked.ok) setIssues(checked.issues)
      else {
        setIssues([])
        setTyped({})
        const { name, about, id: itsId } = checked.value
        // A file of a kind that ships comes in as the copy that is being made.
        setKind({
          ...checked.value,
          id: kind.id,
          basedOn: kind.basedOn,
          version: kind.version,
          name: itsId === kind.basedOn ? kind.name : name,
          about,
        } as Kind)
        setMoves(null)
      }
    } catch (error) {
      setIssues([
        { path: '', code: 'json', message: error instanceof SyntaxError ? 'This file is not JSON.' : String(error) },
      ])
    }
    setBusy('')
    if (file.current) file.current.value = ''
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
  const unreadable = Object.values(typed).some((text) => !isLimit(text))
  const shown = kind.duties
    .map((duty, i) => ({ duty, i }))
    .filter(({ duty }) => duty.name.toLowerCase().includes(find.trim().toLowerCase()))
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={kind.name}
        under={page.kind.basedOn ? `our own, version ${kind.version}` : `a copy of ${page.kind.name}`}
        facts={[{ label: 'Parts and tasks', value: kind.duties.length }]}
        action={
          <a href={`/kinds/${page.kind.id}`} className="plain inline-flex items-center whitespace-nowrap">
            Leave as it is
          </a>
        }
      />
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <section className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6" aria-label="The kind">
          <div className="grid gap-3 md:grid-cols-2">
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[14px]">Called</span>
              <input className="field" value={kind.name} onChange={(event) => change({ name: event.target.value })} />
            </label>
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[14px]">Short name, in small letters</span>
              <input
                className="field mono"
                value={kind.id}
                disabled={Boolean(page.kind.basedOn)}
                onChange={(event) => change({ id: event.target.value })}
              />
            </label>
            <label className="flex flex-col gap-0.5 md:col-span-2">
              <span className="slim text-[14px]">What it is</span>
              <input className="field" value={kind.about} onChange={(event) => change({ about: event.target.value })} />
            </label>
          </div>
          <div className="flex flex-wrap items-end gap-4 py-3">
            <label className="flex flex-col gap-0.5">
              <span className="slim text-[14px]">Find a part or task</span>
              <input className="field w-[220px]" value={find} onChange={(event) => setFind(event.target.value)} />
            </label>
            <label className="flex min-w-0 max-w-full flex-col gap-0.5">
              <span className="slim text-[14px]">All else as a file: path, parts, prompts, cleaning</span>
              <input
                ref={file}
                type="file"
                accept="application/json,.json"
                className="field w-full min-w-0"
                onChange={(event) => bring(event.target.files?.[0])}
              />
            </label>
          </div>
          <div className="relative overflow-x-auto">
            <table className="w-full border-collapse text-[14px]">
              <thead>
                <tr className="slim text-left text-[13px] text-second">
                  <th className="py-1 font-semibold">Part or task</th>
                  <th className="font-semibold">Clock</th>
                  {schools.map((school) => (
                    <th key={school} className="font-semibold">
                      {schoolName[school]}
                    </th>
                  ))}
                  <th>
                    <span className="sr-only">Leave out</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {shown.map(({ duty, i }) =>
                  clocks
                    .filter((clock) => duty.limits[clock])
                    .map((clock, n) => (
                      <tr key={`${duty.id} ${duty.variant ?? ''} ${clock}`} className="border-t border-hair">
                        <td className="py-1 pr-3 font-semibold">
                          {n === 0 && `${duty.name}${duty.variant ? `, ${duty.variant.replaceAll('-', ' ')}` : ''}`}
                          {n === 0 && duty.action !== 'replace' && (
                            <span className="font-normal text-second">, {duty.action}</span>
                          )}
                        </td>
                        <td className="pr-3 text-second">
                          {unitOf[clock] ?? (clock === 'shots' ? kind.counter.unit : clock)}
                        </td>
                        {schools.map((school) => {
                          const text = typed[`${i} ${clock} ${school}`] ?? String(duty.limits[clock]![school])
                          return (
                            <td key={school} className="py-0.5 pr-2">
                              <input
                                className="field mono h-[36px] w-[104px] text-right"
                                inputMode="decimal"
                                aria-label={`${duty.name}, ${clock}, ${schoolName[school]}`}
                                aria-invalid={!isLimit(text)}
                                value={text}
                                onChange={(event) => setLimit(i, clock, school, event.target.value)}
                              />
                              {!isLimit(text) && (
                                <span role="alert" className="block text-[13px] font-semibold text-seal-ink">
                                  a number over 0
                                </span>
                              )}
                            </td>
                          )
                        })}
                        <td>
                          {n === 0 && (
                            <button
                              type="button"
                              className="min-h-[44px] px-1 text-[13px] font-semibold text-copper"
                              aria-label={`Leave out ${duty.name}`}
                              onClick={() => {
                                // Rows move up: what was typed is in the kind by now, or was no number.
                                setTyped({})
                                change({ duties: kind.duties.filter((_, at) => at !== i) })
                              }}
                            >
                              leave out
                            </button>
                          )}
                        </td>
                      </tr>
                    )),
                )}
              </tbody>
            </table>
          </div>
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

/** Where an issue stands, by the name of its row. @example placeOf('duties[3].limits.shots', kind) */
function placeOf(path: string, kind: Kind): string {
  const row = /^(duties|parts|stations|prompts)\[(\d+)\]\.?(.*)$/.exec(path)
  if (!row) return path
  const named = kind[row[1] as 'duties'][Number(row[2])] as { name?: string; where?: string } | undefined
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
