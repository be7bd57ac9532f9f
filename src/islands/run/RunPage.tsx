import { useCallback, useEffect, useMemo, useState } from 'react'
import type { Chosen, Lane } from '../../core/procedures/lane.ts'
import { offeredTo } from '../../core/procedures/offered.ts'
import { startRun } from '../../core/procedures/run.ts'
import { toDay } from '../../core/quantity/local-day.ts'
import { acidNames } from '../../core/scale/acid.ts'
import { doseMeasures } from '../../core/standing/dose-measures.ts'
import { drinksMade } from '../../core/standing/drinks-made.ts'
import { effective, type Histories, nearestWay } from '../../core/standing/histories.ts'
import { libraryHere } from '../../core/standing/own-procedures.ts'
import { lastAcid } from '../../core/standing/water/machine-chalk.ts'
import { type TankDescale, tankDescale } from '../../core/standing/water/machine-descale.ts'
import { treatmentBefore } from '../../core/standing/water/treatment-before.ts'
import { browserNow } from '../../ui/clock.ts'
import { later } from '../../ui/later.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { AsideNote, lookAtMachine } from '../AsideNote.tsx'
import { fromPage } from '../from-page.tsx'
import { kindOf, missingStations } from '../machine/kind-of.ts'
import { waterOf } from '../machine/water/water-of.ts'
import { machineLevels } from '../setting/levels.ts'
import { visitToday } from '../visit-today.ts'
import { BeforeRun } from './BeforeRun.tsx'
import type { RunMeasures } from './DoseLine.tsx'
import { dropRun, type KeptRun, keepRun, readRun } from './kept-run.ts'
import { useModelKeys } from './model-keys.ts'
import { RunScreen } from './RunScreen.tsx'
import { useMuted } from './run-habits.ts'
import { useRun } from './use-run.ts'

/** At the end only: it puts what was done into words, and brings what that needs. */
const RunEnd = later(() => import('./RunEnd.tsx').then((module) => module.RunEnd))

interface Props {
  bundle: MachineBundle
  today: string
  me: string
  asked: { procedure: string; way: string | null } | null
}

/** A run at one machine: before it, in it, after it. What was begun here goes on here. */
function RunPage({ bundle, today, me, asked }: Props) {
  const [kept, setKept] = useState<{ run: KeptRun; seenAt: number } | null | undefined>(undefined)
  const [aside, setAside] = useState<string | null>(null)
  useEffect(() => {
    void readRun(bundle.machine.id).then((found) => {
      setKept(found.value)
      setAside(found.aside)
    })
  }, [bundle.machine.id])
  const histories = useMemo(() => effective(bundle.ledgers), [bundle])
  const kind = kindOf(bundle)
  const offered = useMemo(
    () => (kind ? offeredTo(kind, treatmentBefore(histories).kind, libraryHere(histories)) : []),
    [histories, kind],
  )
  const measures = useMemo((): RunMeasures => {
    const descale = acidHere(bundle, today)
    return { ...doseMeasures(histories), ...(descale && { descale }) }
  }, [bundle, histories, today])
  const wayHere = useCallback((procedure: string) => nearestWay(histories, procedure)?.body.way ?? null, [histories])
  const made = useMemo(() => drinksMade(histories), [histories])
  if (!kind) return <p className="p-6">The kind "{bundle.machine.kind}" is not known here.</p>
  if (kept === undefined) return <p className="p-6 text-second">Looking for what was begun here …</p>
  const place = `${bundle.machine.name}, ${bundle.site.name}`
  if (kept)
    return (
      <Going
        kept={kept}
        bundle={bundle}
        kind={kind}
        place={place}
        measures={measures}
        histories={histories}
        today={today}
        onThrowAway={() => {
          void dropRun(bundle.machine.id)
          setKept(null)
        }}
        visitId={visitToday(bundle, today, me)?.visitId}
      />
    )
  const start = (running: Chosen[], lanes: Lane[]) => {
    const at = browserNow().getTime()
    // Of the procedure only the way that is run is kept: it is what it was, whatever the library becomes.
    const run: KeptRun = {
      running: running.map(({ procedure, way }) => ({ procedure: { ...procedure, ways: [way] }, way })),
      lanes,
      state: startRun(lanes, at),
      ids: [],
      held: [],
    }
    void keepRun(bundle.machine.id, run, at)
    setKept({ run, seenAt: at })
  }
  return (
    <>
      <AsideNote what="A run" why={aside} look={lookAtMachine} />
      <BeforeRun
        machine={bundle.machine}
        place={place}
        kind={kind}
        offered={offered}
        asked={asked}
        measures={measures}
        wayHere={wayHere}
        made={made}
        levels={machineLevels(bundle)}
        today={today}
        onStart={start}
      />
    </>
  )
}

/** Acid for a descale from the tank, of the sort this machine had last. */
function acidHere(bundle: MachineBundle, today: string): TankDescale | null {
  const water = waterOf(bundle)
  const last = water && lastAcid(water.facts)?.acid
  const acid = acidNames.find((name) => name === last) ?? 'citric'
  return water && tankDescale(water.facts, water.chalk, acid, toDay(today))
}

interface GoingProps {
  kept: { run: KeptRun; seenAt: number }
  bundle: MachineBundle
  kind: NonNullable<ReturnType<typeof kindOf>>
  place: string
  measures: RunMeasures
  histories: Histories
  today: string
  onThrowAway: () => void
  visitId: string | undefined
}

function Going({ kept, bundle, kind, place, measures, histories, today, onThrowAway, visitId }: GoingProps) {
  const keys = useModelKeys(bundle, histories, today)
  const { muted, mute } = useMuted()
  const raised = useMemo(() => bundle.raisedTasks.map(({ id }) => id), [bundle])
  const run = useRun(bundle.machine.id, kept, muted, today)
  if (run.state.ended)
    return (
      <RunEnd
        run={{ ...kept.run, state: run.state }}
        machineId={bundle.machine.id}
        softenerId={bundle.softener?.id}
        place={place}
        kind={kind}
        timeZone={bundle.site.timeZone}
        visitId={visitId}
        raised={raised}
      />
    )
  return (
    <RunScreen
      machineId={bundle.machine.id}
      run={run}
      kind={kind}
      without={missingStations(bundle)}
      place={[bundle.machine.name, bundle.site.name]}
      measures={measures}
      keys={keys}
      onThrowAway={onThrowAway}
      muted={muted}
      onMute={() => mute(!muted)}
    />
  )
}

export const RunIsland = fromPage(RunPage)
