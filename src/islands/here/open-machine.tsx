import { dayAt } from '../../core/quantity/site-time.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { EntryIsland } from '../entry/EntryForm.tsx'
import { TriageIsland } from '../fault/TriagePage.tsx'
import type { HandedTo } from '../from-page.tsx'
import { MachineIsland } from '../machine/MachineView.tsx'
import { reckonBundle } from '../machine/reckon-bundle.ts'
import { RunIsland } from '../run/RunPage.tsx'
import { SheetIsland } from '../strip-down/SheetPage.tsx'
import type { Opening, PageHere } from './page-here.ts'

async function bundleOf({ id, ask, now }: Opening) {
  const bundle = await ask<MachineBundle>(`/api/machines/${id}/bundle`)
  const { timeZone } = bundle.site
  return { bundle, timeZone, today: dayAt(timeZone, now) }
}

type Noted = Pick<HandedTo<typeof SheetIsland>, 'noted'>

const lenses = ['wear', 'water', 'work', 'fault', 'ledger'] as const

export async function openMachine(opening: Opening): Promise<PageHere> {
  const { bundle, timeZone, today } = await bundleOf(opening)
  const { searchParams } = opening.url
  const data = {
    bundle,
    reckoned: reckonBundle(bundle),
    today,
    me: opening.about.technician.id,
    lens: lenses.find((lens) => lens === searchParams.get('lens')) ?? 'wear',
    chosenKey: searchParams.get('task'),
    saved: searchParams.has('saved'),
  }
  return { title: `${bundle.machine.name}, ${bundle.site.name}`, timeZone, view: <MachineIsland handed={() => data} /> }
}

export async function openEntry(opening: Opening): Promise<PageHere> {
  const { bundle, timeZone, today } = await bundleOf(opening)
  const data = { bundle, reckoned: reckonBundle(bundle), today, me: opening.about.technician.id }
  return { title: `New entry, ${bundle.machine.name}`, timeZone, view: <EntryIsland handed={() => data} /> }
}

export async function openRun(opening: Opening): Promise<PageHere> {
  const { bundle, timeZone, today } = await bundleOf(opening)
  const procedure = opening.url.searchParams.get('procedure')
  const asked = procedure ? { procedure, way: opening.url.searchParams.get('way') } : null
  const data = { bundle, today, me: opening.about.technician.id, asked }
  return { title: `Run, ${bundle.machine.name}`, timeZone, view: <RunIsland handed={() => data} /> }
}

export async function openStripDown(opening: Opening): Promise<PageHere> {
  const { bundle, timeZone, today } = await bundleOf(opening)
  // What others noted helps; without it the sheet is a sheet.
  const { noted } = await opening.ask<Noted>(`/api/machines/${opening.id}/noted`).catch((): Noted => ({ noted: [] }))
  const data = { bundle, noted, today, me: opening.about.technician.id, asked: opening.url.searchParams.get('of') }
  return { title: `Strip-down, ${bundle.machine.name}`, timeZone, view: <SheetIsland handed={() => data} /> }
}

export async function openTriage(opening: Opening): Promise<PageHere> {
  const { bundle, timeZone, today } = await bundleOf(opening)
  const data = { bundle, symptom: opening.url.searchParams.get('symptom'), today }
  return { title: `On the telephone, ${bundle.machine.name}`, timeZone, view: <TriageIsland handed={() => data} /> }
}
