import { useMemo, useState } from 'react'
import { kindById } from '../../core/kinds/index.ts'
import type { Issue } from '../../core/parse/parse-strict.ts'
import { copyWay, ownVersionOf, type StepPlace, withoutWay } from '../../core/procedures/change-procedure.ts'
import { checkOwnProcedure } from '../../core/procedures/check-procedure.ts'
import { lanesOf } from '../../core/procedures/lanes.ts'
import { planRun } from '../../core/procedures/plan.ts'
import type { Procedure } from '../../core/procedures/procedure.ts'
import { doseMeasures } from '../../core/standing/dose-measures.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ProcedurePage } from '../../views/procedure-page.ts'
import { island } from '../island.tsx'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { LanesPlan } from '../run/LanesPlan.tsx'
import { ChoiceField, TextField } from './Field.tsx'
import { issuePlace } from './issue-place.ts'
import { StepList } from './StepList.tsx'
import { StepPreview } from './StepPreview.tsx'
import { WayFields } from './WayFields.tsx'

const first: StepPlace = { way: 0, part: 0, step: 0 }
/** The first step of the way that is usual for some kind. */
const firstOf = ({ ways }: Procedure): StepPlace => ({
  ...first,
  way: Math.max(
    0,
    ways.findIndex(({ usualFor }) => usualFor.length > 0),
  ),
})
const measures = doseMeasures({})

/** A firm's own version of a procedure: words, figures, steps and ways in place, with the run’s screen beside it. */
function ProcedureEditor({ page, today }: { page: ProcedurePage; today: string }) {
  const [procedure, setProcedure] = useState(() => ownVersionOf(page.procedure))
  const [place, setPlace] = useState(() => firstOf(page.procedure))
  /** As it was before each step, the last at the end. */
  const [past, setPast] = useState<Procedure[]>([])
  const [told, setTold] = useState<Issue[]>([])
  const [busy, setBusy] = useState('')
  const [kindId, setKindId] = useState(page.procedure.kinds[0]!)
  const [id] = useState(newId)
  /** Fields begin anew where something else stands in them. */
  const [round, setRound] = useState(0)
  const checked = useMemo(() => checkOwnProcedure(JSON.parse(JSON.stringify(procedure))), [procedure])
  const issues = checked.ok ? told : checked.issues
  const type = (next: Procedure) => {
    setTold([])
    setProcedure(next)
  }
  const step = (next: Procedure) => {
    setPast((before) => [...before, procedure])
    type(next)
  }
  const back = () => {
    type(past.at(-1)!)
    setPast((before) => before.slice(0, -1))
    setPlace(first)
    setRound(round + 1)
  }
  const bring = async (chosen: File | undefined) => {
    if (!chosen) return
    try {
      const read = JSON.parse(await chosen.text()) as Procedure
      const { id: own, basedOn, version } = procedure
      const brought = checkOwnProcedure({ ...read, id: own, basedOn, version })
      if (!brought.ok) setTold(brought.issues)
      else {
        step(brought.value)
        setPlace(first)
        setRound(round + 1)
      }
    } catch (error) {
      const message = error instanceof SyntaxError ? 'This file is not JSON.' : String(error)
      setTold([{ path: '', code: 'json', message }])
    }
  }
  const save = async () => {
    setBusy('Saving …')
    const sent = await writeFrom([
      makeEntry('firm', page.firmId, 'own-procedure', { procedure, inUse: true }, today, { id }),
    ])
    if (sent.ok) return location.assign(`/procedures/${procedure.id}`)
    setBusy('')
    setTold(sent.issues.map((issue) => ({ ...issue, path: issue.path.replace(/^body\.procedure\.?/, '') })))
  }
  const way = procedure.ways[place.way]!
  const kind = kindById(kindId)!
  const lanes = useMemo(() => (checked.ok ? lanesOf(procedure, way, kind) : []), [checked, kind, procedure, way])
  const plan = useMemo(() => (lanes.length > 0 ? planRun(lanes) : null), [lanes])
  const shown = way.parts[place.part]?.steps[place.step]
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name={procedure.name}
        under={page.procedure.basedOn ? `our own, version ${procedure.version}` : `a copy of ${page.procedure.name}`}
        facts={[{ label: 'Ways', value: procedure.ways.length }]}
        action={
          <a href={`/procedures/${page.procedure.id}`} className="plain inline-flex items-center whitespace-nowrap">
            Leave as it is
          </a>
        }
      />
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <section className="min-w-0 flex-1 bg-enamel px-4 py-3 lg:px-6" aria-label="The procedure" key={round}>
          <div className="grid gap-2 md:grid-cols-[1fr_2fr]">
            <TextField label="Called" value={procedure.name} onChange={(name) => type({ ...procedure, name })} />
            <TextField label="What it is" value={procedure.about} onChange={(about) => type({ ...procedure, about })} />
          </div>
          <div className="mt-3 flex flex-wrap items-end gap-3 border-t border-hair pt-2 pb-2">
            <ChoiceField
              label="Way"
              value={way.id}
              choices={procedure.ways.map(({ id: one, name }) => [one, name] as const)}
              onChange={(next) => setPlace({ ...first, way: procedure.ways.findIndex(({ id: one }) => one === next) })}
            />
            <button
              type="button"
              className="plain"
              onClick={() => {
                step(copyWay(procedure, place.way))
                setPlace({ ...first, way: place.way + 1 })
              }}
            >
              Copy this way
            </button>
            <button
              type="button"
              className="plain"
              disabled={procedure.ways.length === 1}
              onClick={() => {
                step(withoutWay(procedure, place.way))
                setPlace(first)
              }}
            >
              Leave it out
            </button>
            <button type="button" className="plain ml-auto" disabled={past.length === 0} onClick={back}>
              Undo the last step
            </button>
          </div>
          <WayFields key={way.id} procedure={procedure} at={place.way} onChange={type} />
          <StepList procedure={procedure} place={place} onPlace={setPlace} onType={type} onChange={step} />
          <label className="mt-4 flex max-w-[420px] min-w-0 flex-col gap-0.5 border-t border-hair pt-3">
            <span className="slim text-[14px]">All of it from a file, as “As a file” gave it</span>
            <FileInput accept="application/json,.json" className="field w-full min-w-0" onChosen={bring} />
          </label>
        </section>
        <aside
          className="shrink-0 border-hair px-5 pt-3 pb-8 lg:w-[480px] lg:border-l"
          aria-label="As the run shows it"
        >
          <div className="flex flex-col gap-3 lg:sticky lg:top-3">
            <h2 className="head m-0">As the run shows it</h2>
            {shown && <StepPreview step={shown} measures={measures} />}
            {plan && <LanesPlan lanes={lanes} plan={plan} />}
            {procedure.kinds.length > 1 && (
              <ChoiceField
                label="On"
                value={kindId}
                choices={procedure.kinds.map((one) => [one, kindById(one)?.name ?? one] as const)}
                onChange={setKindId}
              />
            )}
            {issues.length > 0 && (
              <ul role="alert" className="m-0 list-none border-l-4 border-seal p-0 pl-3">
                {issues.slice(0, 8).map((issue) => (
                  <li key={`${issue.path} ${issue.message}`}>
                    <b className="font-semibold">{issuePlace(issue.path, procedure)}</b> {issue.message}
                  </li>
                ))}
                {issues.length > 8 && <li>and {issues.length - 8} more</li>}
              </ul>
            )}
            <button type="button" className="act min-h-[52px]" disabled={busy !== '' || !checked.ok} onClick={save}>
              Keep it
            </button>
            <p className="m-0 text-[14px] text-second" role="status">
              {busy ||
                `Kept, it stands in for the one that ships, on every machine of the firm. A run that began keeps the version it began by.`}
            </p>
          </div>
        </aside>
      </div>
    </div>
  )
}

export const ProcedureEditorIsland = island(ProcedureEditor)
