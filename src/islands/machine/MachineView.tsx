import { useCallback, useEffect, useMemo, useState } from 'react'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import type { Line } from '../../core/quantity/working.ts'
import { effective } from '../../core/standing/histories.ts'
import { kindHere } from '../../core/standing/own-kinds.ts'
import { stageEffect, stageName } from '../../core/standing/stages.ts'
import type { Reckoning, Standing } from '../../core/standing/standing.ts'
import { DueDefs } from '../../ui/DueBell.tsx'
import { dayLong, dayNear, dayShort, daysUntil, figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { quantity } from '../../ui/quantity.ts'
import { type Fact, TitleBlock } from '../../ui/TitleBlock.tsx'
import { meansItself, rowAfter } from '../../ui/typing.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { CrossedBand } from '../crossed/CrossedBand.tsx'
import type { FaultView } from '../fault/FaultLens.tsx'
import { fromPage } from '../from-page.tsx'
import { machineLevels } from '../setting/levels.ts'
import { title } from '../standing-words.ts'
import { useAddress } from '../use-address.ts'
import { ChangeButton } from './ChangeButton.tsx'
import { Fetching } from './Fetching.tsx'
import { HeldBand } from './HeldBand.tsx'
import { kindOf, missingStations } from './kind-of.ts'
import { hangingFor, keptStations } from './lens-path.ts'
import type { MachineSheet } from './MachineMenu.tsx'
import { PathPart } from './PathPart.tsx'
import { LoanBand } from './papers/LoanBand.tsx'
import type { ReckonedBundle } from './reckon-bundle.ts'
import { standingsOf } from './standings-of.ts'
import { useBundle } from './use-bundle.ts'
import { WearLens } from './WearLens.tsx'

const WorkLens = later(() => import('../run/WorkLens.tsx').then((module) => module.WorkLens))
const FaultLens = later(() => import('../fault/FaultLens.tsx').then((module) => module.FaultLens))
const LedgerLens = later(() => import('./LedgerLens.tsx').then((module) => module.LedgerLens))
const WaterLens = later(() => import('./water/WaterLens.tsx').then((module) => module.WaterLens))
const AdjustSheet = later(() => import('../setting/AdjustSheet.tsx').then((module) => module.AdjustSheet))
const PromptSheet = later(() => import('./PromptSheet.tsx').then((module) => module.PromptSheet))
const OptionsSheet = later(() => import('./OptionsSheet.tsx').then((module) => module.OptionsSheet))
const HabitsSheet = later(() => import('./HabitsSheet.tsx').then((module) => module.HabitsSheet))
const KindSheet = later(() => import('./KindSheet.tsx').then((module) => module.KindSheet))
const PapersSheet = later(() => import('./papers/PapersSheet.tsx').then((module) => module.PapersSheet))
const AgesSheet = later(() => import('./AgesSheet.tsx').then((module) => module.AgesSheet))
const sheets = () => import('./MachineSheets.tsx')
const NamesSheet = later(() => sheets().then((module) => module.NamesSheet))
const MoveSheet = later(() => sheets().then((module) => module.MoveSheet))
const StageSheet = later(() => sheets().then((module) => module.StageSheet))

const allLenses = [
  { id: 'wear', key: '1', name: 'Wear' },
  { id: 'water', key: '2', name: 'Water' },
  { id: 'work', key: '3', name: 'Work' },
  { id: 'fault', key: '4', name: 'Fault' },
  { id: 'ledger', key: '5', name: 'Ledger' },
]

interface Props {
  bundle: MachineBundle
  /** The bundle, reckoned as the page was made. */
  reckoned: ReckonedBundle
  today: string
  me: string
  lens: 'wear' | 'water' | 'work' | 'fault' | 'ledger'
  /** A standing to choose at once, when the page was opened from the Round. */
  chosenKey: string | null
  saved: boolean
}

/** One machine: its water path with a lens on it, what is due with the working, or its history. */
function MachineView({ bundle: first, reckoned, today, me, lens: firstLens, chosenKey, saved }: Props) {
  const { bundle, reload, reckoning, softener, failed } = useBundle(first, reckoned)
  const standings = useMemo(() => standingsOf({ reckoning, softener }), [reckoning, softener])
  const kind = kindOf(bundle)
  const lenses = useMemo(() => allLenses.filter(({ id }) => id !== 'water' || kind?.vessels.length), [kind])
  const [lens, setLens] = useState<string>(lenses.some(({ id }) => id === firstLens) ? firstLens : 'wear')
  const [key, setKey] = useState<string | null>(chosenKey ?? standings[0]?.key ?? null)
  const [station, setStation] = useState<string | null>(null)
  const [adjusting, setAdjusting] = useState<{ title: string; line: Line } | null>(null)
  const [asked, setOpen] = useState<MachineSheet | null>(null)
  // A sheet shows what is set and what was done: all of that must be here first.
  const open = bundle.atFirstSight ? null : asked
  const [work, setWork] = useState<{ procedure: string; stations: string[] } | null>(null)
  const [fault, setFault] = useState<FaultView | null>(null)
  // Who goes on to a run or an entry and comes back finds the lens and the row as they chose them; what nobody chose
  // leaves the address alone.
  const [opened] = useState(key)
  const task = key === opened ? chosenKey : key
  useAddress({ lens: lens === 'wear' ? '' : lens, task: (lens === 'wear' && task) || '' })
  const keep = useMemo(() => keptStations({ lens, standings, key, kind, fault }), [fault, key, kind, lens, standings])
  const histories = useMemo(() => effective(bundle.ledgers), [bundle])
  const chooseWork = useCallback((procedure: string, stations: string[]) => setWork({ procedure, stations }), [])
  const chosen = standings.find((standing) => standing.key === key) ?? null
  const without = useMemo(() => missingStations(bundle), [bundle])

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event)) return
      const found = lenses.find((candidate) => candidate.key === event.key)
      if (found) setLens(found.id)
      if (event.key === 'n') location.assign(`/machines/${bundle.machine.id}/entry`)
      if (lens === 'wear') {
        const at = standings.findIndex((standing) => standing.key === key)
        const next = standings[rowAfter(event.key, at, standings.length)]
        if (next) setKey(next.key)
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [bundle.machine.id, key, lens, lenses, standings])

  const hanging = useMemo(
    () => hangingFor({ lens, bundle, standings, kind, work: work?.stations ?? [], fault, today }),
    [bundle, fault, kind, lens, standings, today, work],
  )

  const hasOptions = (kindHere(histories, bundle.machine.kind)?.options.length ?? 0) > 0
  if (!kind) return <p className="p-6">The kind "{bundle.machine.kind}" is not known here.</p>
  const choose = (at: string, standing: Standing | null) => {
    if (standing && lens === 'wear') setKey(standing.key)
    if (lens !== 'wear') setStation((now) => (now === at ? null : at))
  }
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <DueDefs />
      <TitleBlock
        name={bundle.machine.name}
        under={
          <a href={`/sites/${bundle.site.id}`} className="hover:underline">
            {[bundle.site.name, bundle.site.area].filter(Boolean).join(', ')}
          </a>
        }
        facts={facts(bundle, reckoning, softener, today)}
        action={
          <>
            {kind.prompts.length > 0 && (
              <button type="button" className="plain whitespace-nowrap" onClick={() => setOpen('prompts')}>
                It shows …
              </button>
            )}
            <ChangeButton bundle={bundle} hasOptions={hasOptions} onOpen={setOpen} />
            <a href={`/machines/${bundle.machine.id}/entry`} className="act inline-flex items-center whitespace-nowrap">
              New entry
            </a>
          </>
        }
      />
      {saved && (
        <p role="status" className="m-0 border-b border-hair bg-copper-tint px-6 py-2 font-semibold">
          {bundle.unsent
            ? 'Kept on this device: it waits to be sent. The dates below are reckoned with it.'
            : 'Saved. The dates below are reckoned with it.'}
        </p>
      )}
      {failed && !bundle.atFirstSight && (
        <p role="alert" className="m-0 border-b border-hair bg-copper-tint px-6 py-2">
          What was saved is on record. This page shows what was before: reload it where there is signal.
        </p>
      )}
      <HeldBand bundle={bundle} today={today} onSaved={reload} />
      <CrossedBand bundle={bundle} today={today} me={me} onSaved={reload} />
      {!reckoning && !bundle.atFirstSight && (
        <p
          role="status"
          className="m-0 flex flex-wrap items-center gap-3 border-b border-hair bg-copper-tint px-6 py-2"
        >
          <span>
            <b>Not taken on:</b> nothing of it is dated.
          </span>
          <button type="button" className="act" onClick={() => setOpen('kind')}>
            Take it on
          </button>
        </p>
      )}
      <LoanBand papers={bundle.papers} />
      {reckoning && reckoning.stage !== 'working' && (
        <p role="status" className="m-0 border-b border-hair bg-copper-tint px-6 py-2">
          <b>{stageName[reckoning.stage]}</b> since {dayLong(reckoning.stageSince!)}. {stageEffect[reckoning.stage]}
        </p>
      )}
      <PathPart
        bundle={bundle}
        kind={kind}
        today={today}
        without={without}
        lenses={lenses}
        lens={lens}
        onLens={setLens}
        hanging={hanging}
        keep={keep}
        chosen={lens === 'wear' ? (chosen?.station ?? null) : lens === 'fault' ? (fault?.next ?? null) : station}
        onChoose={choose}
        work={work?.stations ?? []}
        fault={fault}
      />
      {lens === 'wear' ? (
        <WearLens
          bundle={bundle}
          kind={kind}
          reckoning={reckoning}
          standings={standings}
          today={today}
          chosen={chosen}
          failed={failed}
          onChoose={setKey}
          onAdjust={(standing, line) => setAdjusting({ title: title(standing), line })}
          onAges={() => setOpen('ages')}
          onSaved={reload}
        />
      ) : bundle.atFirstSight ? (
        <Fetching failed={failed} />
      ) : lens === 'water' ? (
        <WaterLens
          bundle={bundle}
          standings={standings}
          today={today}
          station={station}
          onAdjust={(title, line) => setAdjusting({ title, line })}
          onSaved={reload}
        />
      ) : lens === 'work' ? (
        <WorkLens
          machineId={bundle.machine.id}
          kind={kind}
          histories={histories}
          standings={standings}
          today={today}
          chosen={work?.procedure ?? null}
          onChoose={chooseWork}
        />
      ) : lens === 'fault' ? (
        <FaultLens
          bundle={bundle}
          kind={kind}
          without={without}
          histories={histories}
          standings={standings}
          today={today}
          me={me}
          onShow={setFault}
          onSaved={reload}
        />
      ) : (
        <LedgerLens bundle={bundle} reckoning={reckoning} today={today} station={station} onSaved={reload} />
      )}
      {adjusting && (
        <AdjustSheet
          levels={machineLevels(bundle)}
          today={today}
          {...adjusting}
          onClose={() => setAdjusting(null)}
          onSaved={reload}
        />
      )}
      {open === 'prompts' && (
        <PromptSheet
          bundle={bundle}
          kind={kind}
          standings={standings}
          today={today}
          onClose={() => setOpen(null)}
          onSaved={reload}
        />
      )}
      {open === 'options' && (
        <OptionsSheet bundle={bundle} today={today} onClose={() => setOpen(null)} onSaved={reload} />
      )}
      {open === 'habits' && (
        <HabitsSheet bundle={bundle} kind={kind} today={today} onClose={() => setOpen(null)} onSaved={reload} />
      )}
      {open === 'ages' && (
        <AgesSheet
          bundle={bundle}
          kind={kind}
          without={without}
          today={today}
          onClose={() => setOpen(null)}
          onSaved={reload}
        />
      )}
      {open === 'kind' && <KindSheet bundle={bundle} today={today} onClose={() => setOpen(null)} onSaved={reload} />}
      {open === 'papers' && (
        <PapersSheet bundle={bundle} kind={kind} today={today} onClose={() => setOpen(null)} onSaved={reload} />
      )}
      {open === 'names' && <NamesSheet bundle={bundle} onClose={() => setOpen(null)} onSaved={reload} />}
      {open === 'move' && <MoveSheet bundle={bundle} today={today} onClose={() => setOpen(null)} />}
      {open === 'stage' && (
        <StageSheet
          bundle={bundle}
          reckoning={reckoning}
          today={today}
          onClose={() => setOpen(null)}
          onSaved={reload}
        />
      )}
    </div>
  )
}

function facts(bundle: MachineBundle, reckoning: Reckoning | null, softener: Reckoning | null, today: string): Fact[] {
  const kind = kindOf(bundle)
  const list: Fact[] = [
    {
      label: 'Maker, model',
      value:
        [bundle.machine.maker, bundle.machine.model, bundle.machine.revision].filter(Boolean).join(' ') || 'not said',
    },
    { label: 'Serial', value: bundle.machine.serial || 'none on it' },
  ]
  if (kind && kind.groups > 1) list.push({ label: 'Groups', value: kind.groups })
  const { counter, use, litresPerOpenDay, water } = reckoning ?? {}
  if (counter) {
    const age = -daysUntil(counter.on, today)
    list.push({
      label: 'Counter',
      value: figure(counter.count),
      source: `${counter.unit}, read ${dayNear(counter.on, today)}`,
      ...(age > 60 && { tone: 'text-brass-ink' }),
    })
  } else list.push({ label: 'Counter', value: kind?.uncounted ? 'has none' : 'not read yet' })
  if (use && !kind?.uncounted)
    list.push({
      label: 'Use',
      value: `${figure(use.mean)} ± ${figure(use.sd)}`,
      source: use.assumed ? '/open day, assumed' : '/open day',
    })
  if (litresPerOpenDay) {
    const draw = quantity(litresPerOpenDay, 'L/open day')
    list.push({ label: 'Draw', value: draw.value, source: draw.unit })
  }
  const known = water?.softened ?? softener?.water?.softened ?? water?.raw
  if (known) {
    const hardness = quantity(known.value, hardnessSymbol.mgL)
    list.push({
      label: known.level === 'softener' ? 'After softener' : 'Raw water',
      value: hardness.value,
      source: `${hardness.unit}, ${dayShort(known.on)}`,
    })
  }
  return list
}

export const MachineIsland = fromPage(MachineView)
