import { kindById } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import type { Body, Jotting } from '../../core/ledger/entry-kinds.ts'
import { jot, type OfFirstShape } from '../../core/ledger/jot.ts'
import type { SubjectKind } from '../../core/ledger/subject.ts'
import type { Unversioned } from '../../core/ledger/versions.ts'
import type { VisitTerms } from '../../core/ledger/visit-terms.ts'
import type { WaterFigureName } from '../../core/ledger/water-figure-names.ts'
import { type HardnessUnit, hardnessToMgL } from '../../core/quantity/hardness.ts'
import { instantAt, happenedAt as placedAt } from '../../core/quantity/site-time.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineKind } from '../../core/standing/machine-kind.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { asReckoned } from '../../ui/quantity.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { apartSlots, type Draft, measureReads, testSlots } from './draft.ts'

/** A figure that could not be read, at its field. */
export interface FieldIssue {
  slot: string
  message: string
}

/** Entries of a draft, each with the field it came from. */
export interface Made {
  entries: { slot: string; entry: Entry }[]
  issues: FieldIssue[]
}

/** A position's part and which of several. @example splitKey('group-gasket@2') // { id: 'group-gasket', group: 2 } */
function splitKey(key: string): { id: string; group?: number } {
  const [id = '', n] = key.split('@')
  return n ? { id, group: Number(n) } : { id }
}

/** A visit being put into entries: what it is about, and where each thing goes. */
interface Writing {
  draft: Draft
  bundle: MachineBundle
  kind: Kind
  add<K extends OfFirstShape>(slot: string, about: SubjectKind, kindOf: K, body: Unversioned<Body<K>>): void
  wrong(slot: string, message: string): void
}

/**
 * The entries a draft stands for. Pure, so that the preview and the save show the same thing.
 * @param idFor - the lasting id of a slot
 */
export function entriesOfDraft(
  draft: Draft,
  bundle: MachineBundle,
  idFor: (slot: string) => string,
  technicianId: string,
): Made {
  const made: Made = { entries: [], issues: [] }
  const subjects: Record<string, string | undefined> = {
    machine: bundle.machine.id,
    site: bundle.site.id,
    softener: bundle.softener?.id,
  }
  // A visit entered later keeps its own day; the hour is no longer known.
  const happenedAt = placedAt(bundle.site.timeZone, draft.happenedOn, new Date(draft.startedAt))
  const writing: Writing = {
    draft,
    bundle,
    kind: machineKind(effective(bundle.ledgers)) ?? kindById(bundle.machine.kind)!,
    add(slot, subjectKind, kindOf, body) {
      const subjectId = subjects[subjectKind]
      if (!subjectId) return
      const jotting: Jotting = jot(kindOf, body)
      const about = { id: idFor(slot), subjectKind, subjectId, visitId: draft.visitId }
      made.entries.push({ slot, entry: { ...about, ...jotting, happenedAt, happenedOn: draft.happenedOn } })
    },
    wrong: (slot, message) => made.issues.push({ slot, message }),
  }
  addCounters(writing)
  addTests(writing)
  for (const point of ['raw', 'permeate', 'softened'] as const) addFigures(writing, point)
  for (const key of draft.tasks) addTask(writing, key)
  for (const [key, part] of Object.entries(draft.parts)) addPart(writing, key, part)
  for (const state of ['found', 'left'] as const) addMeasures(writing, state)
  addWords(writing)
  addPhotos(writing)
  addHeader(writing, technicianId, made.entries.length > 0)
  return made
}

function addCounters({ draft, bundle, kind, add, wrong }: Writing): void {
  for (const [slot, counter, subject, text] of [
    ['counter', 'shots', 'machine', draft.counter],
    ['meter', 'litres', bundle.softener ? 'softener' : 'machine', draft.meter],
  ] as const) {
    const apart = slot === 'counter' ? countedApart(draft, kind, wrong) : {}
    if (!text.trim()) {
      if (Object.keys(apart).length > 0) wrong(slot, 'is missing: these are parts of it')
      continue
    }
    const count = numberIn(text, { whole: true })
    if (count === null) wrong(slot, 'is not a count: whole numbers, such as 184220')
    else
      add(slot, subject, 'reading', { counter, count: counter === 'litres' ? asReckoned(count, 'L') : count, ...apart })
  }
}

function addTests({ draft, add, wrong }: Writing): void {
  for (const [slot, test] of Object.entries(draft.tests)) {
    const about = testSlots[slot as keyof typeof testSlots]
    const typed = test.method === 'drops' ? [test.drops] : [test.low, test.high]
    if (!about || typed.every((text) => !text.trim())) continue
    const figures = typed.map((text) => numberIn(text, test.method === 'drops' ? { whole: true } : { to: 999 }))
    const perDrop = numberIn(draft.perDrop)
    if (figures.some((figure) => figure === null))
      wrong(slot, test.method === 'drops' ? 'is not a number of drops' : 'needs both ends of the zone')
    else if (test.method === 'drops' && perDrop === null) wrong(slot, 'what one drop is worth is missing')
    else {
      const [first, second] = figures.map((figure) => figure ?? undefined)
      const found =
        test.method === 'drops' ? { drops: first, perDrop: perDrop ?? undefined } : { low: first, high: second }
      add(slot, about.subject, 'water-test', {
        point: about.point,
        quantity: about.quantity,
        method: test.method,
        unit: draft.unit as HardnessUnit,
        ...(draft.reagent && { instrument: draft.reagent }),
        ...found,
      })
    }
  }
}

/** One sample a point: all that was read off it goes into one entry. */
function addFigures({ draft, add, wrong }: Writing, point: 'raw' | 'permeate' | 'softened'): void {
  const found: Partial<Record<WaterFigureName, number>> = {}
  for (const [slot, text] of Object.entries(draft.figures)) {
    const [at, name = ''] = slot.split(':')
    if (at !== point || !text.trim()) continue
    const value = numberIn(text, name === 'testTempC' ? measureReads('°C') : {})
    if (value === null || value < 0) wrong(slot, 'is not a number')
    else found[name as WaterFigureName] = name === 'testTempC' ? asReckoned(value, '°C') : value
  }
  if (Object.keys(found).length > 0)
    add(`figures:${point}`, point === 'raw' ? 'site' : 'softener', 'water-figures', { point, by: 'pen', ...found })
}

function addTask({ draft, bundle, kind, add, wrong }: Writing, key: string): void {
  const { id, group } = splitKey(key)
  const raised = bundle.raisedTasks.find((task) => task.id === id)
  const task = kind.tasks.find((candidate) => candidate.id === id)
  if (raised?.kind === 'descaled')
    add(`task:${key}`, raised.about, 'descaled', { ...raised.body, ...descaled(draft, wrong) })
  else if (raised) add(`task:${key}`, raised.about, raised.kind, raised.body)
  else if (task)
    add(`task:${key}`, 'machine', task.doneBy, {
      task: id,
      ...(group && task.doneBy !== 'serviced' && { group }),
    })
}

function addPart({ add }: Writing, key: string, part: Draft['parts'][string]): void {
  const { id, group } = splitKey(key)
  const about = { part: id, ...(group && { group }) }
  if (part.changed) {
    add(`part:${key}:removed`, 'machine', 'removed', {
      ...about,
      ...(part.condition !== undefined && { condition: part.condition }),
      ...(part.why && { why: part.why }),
    })
    add(`part:${key}:fitted`, 'machine', 'fitted', {
      ...about,
      ...(part.variant && { variant: part.variant }),
      ...(part.size && { size: part.size }),
      ...(part.warrantyUntil && { warrantyUntil: part.warrantyUntil }),
    })
  } else if (part.condition !== undefined) {
    add(`part:${key}:inspected`, 'machine', 'inspected', { ...about, condition: part.condition })
  }
}

function addMeasures({ draft, kind, add, wrong }: Writing, state: 'found' | 'left'): void {
  for (const [key, text] of Object.entries(draft[state])) {
    if (!text.trim()) continue
    const { id, group } = splitKey(key)
    const unit = kind.measures.find((measure) => measure.id === id)?.unit ?? ''
    const value = numberIn(text, measureReads(unit))
    if (value === null) wrong(`measure:${key}:${state}`, 'is not a number')
    else
      add(`measure:${key}:${state}`, 'machine', 'measured', {
        measure: id,
        ...(group && { group }),
        state,
        value: asReckoned(value, unit),
        ...(draft.instrument && { instrument: draft.instrument }),
      })
  }
}

const says = (text: string) => text.trim() !== ''

/** What was wrong, what was done about it, what is left to say. */
function addWords({ draft, add, wrong }: Writing): void {
  if (says(draft.complaint)) add('complaint', 'machine', 'fault-reported', { text: draft.complaint.trim() })
  if (says(draft.repair)) {
    const cause = says(draft.cause) ? { cause: draft.cause.trim() } : {}
    // One part changed is the part repaired; of several, nobody can tell which it was.
    const changed = Object.entries(draft.parts).filter(([, part]) => part.changed)
    const part = changed.length === 1 ? splitKey(changed[0]![0]) : null
    const about = part && { part: part.id, ...(part.group && { group: part.group }) }
    add('repair', 'machine', 'repaired', { text: draft.repair.trim(), ...cause, ...about })
  } else if (says(draft.cause)) wrong('repair', 'is missing: say what was done about the cause')
  if (says(draft.remark))
    add('remark', 'machine', 'remark', { text: draft.remark.trim(), ...(draft.remarkInternal && { internal: true }) })
  if (says(draft.note))
    add('note', 'machine', 'note', { text: draft.note.trim(), ...(draft.noteInternal && { internal: true }) })
}

/** What was photographed: one line for all that shows the same. Those that wait for their names are not in it yet. */
function addPhotos({ draft, add }: Writing): void {
  const shown = new Map<string, Draft['photos']>()
  for (const photo of draft.photos) {
    if (!photo.name) continue
    const key = `${photo.part} ${photo.text.trim()}`
    shown.set(key, [...(shown.get(key) ?? []), photo])
  }
  for (const photos of shown.values()) {
    const [{ id, part, text }] = photos as [Draft['photos'][number]]
    const { id: partId, group } = splitKey(part)
    add(`photo ${id}`, 'machine', 'pictured', {
      photos: [...new Set(photos.map(({ name }) => name!))],
      ...(partId && { part: partId }),
      ...(group && { group }),
      ...(says(text) && { text: text.trim() }),
    })
  }
}

/** One header a call: the second machine of the same call finds it there. */
function addHeader({ draft, bundle, add, wrong }: Writing, technicianId: string, hasEntries: boolean): void {
  const minutes = says(draft.minutes) ? numberIn(draft.minutes, { unit: 'min' }) : undefined
  if (minutes === null) wrong('minutes', 'is not a number of minutes')
  const [arrivedAt, leftAt] = [draft.arrived, draft.went].map((time) =>
    /^\d\d:\d\d$/.test(time) ? instantAt(bundle.site.timeZone, draft.happenedOn, time) : undefined,
  )
  const backwards = Boolean(arrivedAt && leftAt && leftAt < arrivedAt)
  if (backwards) wrong('went', 'is before arrival')
  if ((hasEntries || draft.terms || minutes || says(draft.orderNumber)) && !headerOf(bundle, draft.visitId))
    add('visit', 'site', 'visit', {
      technicianIds: [technicianId],
      ...(arrivedAt && { arrivedAt }),
      ...(leftAt && !backwards && { leftAt }),
      ...(minutes && { minutes }),
      ...(draft.terms && { terms: draft.terms as VisitTerms }),
      ...(says(draft.orderNumber) && { orderNumber: draft.orderNumber.trim() }),
    })
}

/** A spent solution is diluted so many times before its drops are counted. */
const spentDilution = 100

/** What is known of a descale besides that it was done. */
function descaled(
  draft: Draft,
  wrong: (slot: string, message: string) => void,
): Pick<Body<'descaled'>, 'acid' | 'grams' | 'spent'> {
  const read = (slot: 'acidGrams' | 'spentDrops' | 'spentLitres') => {
    if (!draft[slot].trim()) return undefined
    const value = numberIn(draft[slot])
    if (value === null || value < 0) wrong(slot, 'is not a number')
    return value ?? undefined
  }
  const [grams, drops, litres, perDrop] = [
    read('acidGrams'),
    read('spentDrops'),
    read('spentLitres'),
    numberIn(draft.perDrop),
  ]
  if (drops !== undefined && !litres) wrong('spentLitres', 'is missing: how much solution there was')
  const mgL =
    drops === undefined || perDrop === null ? null : hardnessToMgL(drops * perDrop, draft.unit as HardnessUnit)
  return {
    ...(draft.acid && { acid: draft.acid }),
    ...(grams !== undefined && { grams }),
    ...(mgL !== null &&
      litres && { spent: { hardnessMgL: Math.round(mgL * spentDilution * 10) / 10, litres: asReckoned(litres, 'L') } }),
  }
}

/** The header of a visit that is in the ledger already. */
export const headerOf = (bundle: MachineBundle, visitId: string) =>
  (bundle.ledgers.site ?? []).find((entry) => entry.kind === 'visit' && entry.visitId === visitId)

/** What was typed of it; groups and drinks only whole, since a share needs all of them. */
function countedApart(
  draft: Draft,
  kind: Kind,
  wrong: (slot: string, message: string) => void,
): Record<string, unknown> {
  const typed = (slot: string) => {
    const text = draft.apart[slot] ?? ''
    if (!text.trim()) return null
    const count = numberIn(text, { whole: true })
    if (count === null) wrong(`apart ${slot}`, 'is not a count: whole numbers')
    return count
  }
  const all = (starting: string) => {
    const slots = apartSlots(kind).filter(({ slot }) => slot.startsWith(starting))
    const counts = slots.map(({ slot }) => typed(slot))
    if (counts.every((count) => count === null)) return null
    const missing = slots.find((_, i) => counts[i] === null)
    if (!missing) return counts as number[]
    wrong(`apart ${missing.slot}`, 'is missing: shares need all of them')
    return null
  }
  const [groups, drinks, rinses] = [all('group '), all('drink '), typed('rinses')]
  const names = kind.budget.drinks.map(({ name }) => name)
  return {
    ...(groups && { groups }),
    ...(drinks && { drinks: drinks.map((count, i) => ({ name: names[i], count })) }),
    ...(rinses !== null && { rinses }),
  }
}
