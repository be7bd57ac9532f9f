import { type Electrical, type ElectricalId, electricalIds } from '../core/faults/test-out.ts'
import { type Figure, type FigureId, figures, type VesselFigure, vesselFigures } from '../core/figures/figures.ts'
import { kindById } from '../core/kinds/index.ts'
import type { Entry } from '../core/ledger/entry.ts'
import { type RemovalReason, removalWords } from '../core/ledger/removal.ts'
import type { Stage } from '../core/ledger/stage.ts'
import type { VisitTerms } from '../core/ledger/visit-terms.ts'
import { type WaterFigureName, waterFigureNames } from '../core/ledger/water-figure-names.ts'
import { type HeldReason, heldReasons } from '../core/procedures/held-reasons.ts'
import { type KeyPattern, patternWords } from '../core/procedures/key-patterns.ts'
import { type HardnessUnit, hardnessSymbol } from '../core/quantity/hardness.ts'
import { exchangerParts } from '../core/softener/exchanger-parts.ts'
import { type AlongClock, alongWords, type Clock, type School, schoolName } from '../core/wear/limits.ts'
import { gradeWords } from '../core/wear/seen-condition.ts'
import { dayLong, figure } from './format.ts'
import { limitWords } from './interval-words.ts'
import { busyMonths } from './month-words.ts'
import { quantityWords } from './quantity.ts'

// biome-ignore lint/suspicious/noExplicitAny: bodies of every kind meet here and are only put into words
type Loose = Record<string, any>

const plain = (id: unknown) => String(id).replaceAll('-', ' ')
const upper = (text: string) => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`

const verbs: Record<string, string> = {
  cleaned: 'Cleaned',
  greased: 'Greased',
  checked: 'Checked',
  serviced: 'Given',
}

/** An entry in the words of the trade. @example entryWords(entry, 'c2') // 'Counter 184,220' */
export function entryWords(entry: Entry, kindId: string): string {
  const body = entry.body as Loose
  const kind = kindById(kindId)
  const part = () => {
    const name = kind?.parts.find((candidate) => candidate.id === body.part)?.name ?? String(body.part)
    return which(name)
  }
  const which = (name: string) => {
    if (body.group === undefined) return name
    const each = kind?.parts.find((candidate) => candidate.id === body.part)?.each ?? 'group'
    return `${name}, ${each === 'side' ? (body.group === 1 ? 'left' : 'right') : `group ${body.group}`}`
  }
  const task = () =>
    which(
      kind?.duties.find((duty) => duty.id === body.task)?.name ??
        exchangerParts.find(({ id }) => id === body.task)?.name.toLowerCase() ??
        String(body.task).replaceAll('-', ' '),
    )
  const condition =
    body.condition === undefined ? '' : `: ${body.condition} of 4, ${gradeWords[Number(body.condition)]}`
  switch (entry.kind) {
    case 'commissioned':
      return `Taken on, parts ${body.partsNew ? 'new' : 'of unknown age'}`
    case 'reading':
      return `${body.counter === 'litres' ? 'Water meter' : 'Counter'} ${body.counter === 'litres' ? quantityWords(Number(body.count), 'L') : `${figure(Number(body.count))} ${kind?.counter.unit ?? ''}${apartWords(body)}`}`
    case 'water-test':
      return waterWords(body)
    case 'fitted':
      return `Fitted: ${part()}${body.variant ? `, ${String(body.variant).replaceAll('-', ' ')}` : ''}${body.size ? `, ${body.size}` : ''}${note(body)}`
    case 'removed':
      return `Took out: ${part()}${condition}${body.why ? `, ${removalWords[body.why as RemovalReason]}` : ''}${note(body)}`
    case 'inspected':
      return `Looked at: ${part()}${condition}${note(body)}`
    case 'cleaned':
    case 'greased':
    case 'checked':
    case 'serviced':
      return `${verbs[entry.kind]}: ${task()}`
    case 'water-figures':
      return sampleWords(body)
    case 'descaled':
      return `Descaled${body.acid ? ` with ${body.acid}` : ''}${body.grams ? `, ${figure(Number(body.grams))} g` : ''}${body.spent ? `; ${figure((body.spent.hardnessMgL * body.spent.litres) / 1000)} g of chalk in the spent solution` : ''}`
    case 'regenerated':
      return `Softener regenerated${body.saltKg ? ` with ${figure(Number(body.saltKg))} kg salt` : ''}`
    case 'salt-added':
      return `Salt filled up, ${figure(Number(body.kg))} kg`
    case 'cartridge-changed':
      return 'Cartridge changed'
    case 'membrane-changed':
      return `Membrane changed${note(body)}`
    case 'prefilter-changed':
      return `Carbon filter changed${note(body)}`
    case 'measured': {
      const measure = kind?.measures.find((candidate) => candidate.id === body.measure)
      return `${which(measure?.name ?? String(body.measure))} as ${body.state}: ${quantityWords(Number(body.value), measure?.unit ?? '')}`
    }
    case 'run':
      return runWords(body, kind?.groups ?? 1)
    case 'strip-down':
      return stripDownWords(body)
    case 'held':
      return which(`Not for use: ${heldReasons[body.why as unknown as HeldReason].words}`)
    case 'released':
      return `For use again${note(body)}`
    case 'prompt-seen':
      return `The machine asked: ${task()}`
    case 'fault-reported':
      return `Fault reported: ${body.text}`
    case 'test-seen':
      return `${body.said ? 'Said on the telephone' : 'Tested'}. ${body.words ?? `${upper(plain(body.test))}: ${plain(body.outcome)}`}${body.value === undefined ? '' : `, ${figure(Number(body.value))}`}`
    case 'repaired':
      return `Repaired: ${body.text}${body.cause ? `. Cause: ${body.cause}` : ''}${(body.cured as unknown) === false ? '. Not cured' : ''}`
    case 'tested-out':
      return `${body.passed ? 'Tested out: all right' : `Closed without a passed test-out: ${body.reason}`}${electricalWords(body.electrical as Electrical | undefined)}`
    case 'stage':
      return `${stageWords[body.stage as Stage]}${note(body)}`
    case 'moved':
      return `${movedWords(body)}${note(body)}`
    case 'visit':
      return `Visit${body.terms ? `, ${termsWords[body.terms as VisitTerms]}` : ''}${body.minutes ? `, ${body.minutes} min` : ''}`
    case 'remark':
      return `Left open: ${body.text}`
    case 'remark-closed':
      return `Closed what was left open${note(body)}`
    case 'calibrated':
      return `Calibrated, good until ${dayLong(String(body.dueOn))}${note(body)}`
    case 'note':
      return String(body.text)
    case 'withdrawn':
      return `Withdrawn${body.reason ? `: ${body.reason}` : ''}`
    case 'setting':
      return settingWords(body, kindId)
    case 'own-kind':
      return `Our own kind: ${(body.kind as unknown as { name: string }).name}`
    case 'own-procedure': {
      const { name, version } = body.procedure as unknown as { name: string; version: number }
      return `Our own procedure: ${name}, version ${version}${body.inUse ? '' : ', out of use'}`
    }
  }
}

/** What was done to a machine's life, on the day it was done. */
const stageWords: Record<Stage, string> = {
  working: 'Set going again',
  still: 'Switched off: stands still',
  winterised: 'Winterised: drained and put away',
  retired: 'Retired',
}

export const termsWords: Record<VisitTerms, string> = {
  contract: 'under contract',
  chargeable: 'chargeable',
  warranty: 'under warranty',
  goodwill: 'goodwill',
}

const movedWords = (body: Loose) => {
  if (body.fromSiteId === body.toSiteId) return body.toSoftenerId ? 'Put behind a softener' : 'Taken off the softener'
  return body.loan ? 'Moved here on loan' : 'Moved to another site'
}

const note = (body: Loose) => (body.note ? `. ${body.note}` : '')

const pointWords: Record<string, string> = { raw: 'raw', softened: 'after treatment', permeate: 'behind the membrane' }

function waterWords(body: Loose): string {
  const unit = hardnessSymbol[body.unit as HardnessUnit] ?? String(body.unit)
  const found =
    body.method === 'drops'
      ? `${body.drops} drops of ${body.perDrop} ${unit}`
      : body.method === 'strip'
        ? `strip, ${body.low}–${body.high} ${unit}`
        : `${body.value} ${unit}`
  return `Water ${pointWords[body.point as string]}, ${body.quantity === 'total' ? 'total' : 'carbonate'} hardness: ${found}`
}

/** How each figure of a sample is called, and its unit. */
export const sampleNames: Record<WaterFigureName, { name: string; unit: string }> = {
  pH: { name: 'pH', unit: '' },
  testTempC: { name: 'temperature', unit: '°C' },
  conductivityUsCm: { name: 'conductivity', unit: 'µS/cm' },
  calciumMgL: { name: 'calcium', unit: 'mg/L CaCO₃' },
  chlorideMgL: { name: 'chloride', unit: 'mg/L' },
  freeChlorineMgL: { name: 'free chlorine', unit: 'mg/L' },
  totalChlorineMgL: { name: 'total chlorine', unit: 'mg/L' },
  silicaMgL: { name: 'silica', unit: 'mg/L' },
  ironMgL: { name: 'iron', unit: 'mg/L' },
}

function sampleWords(body: Loose): string {
  const figures = waterFigureNames
    .filter((name) => body[name] !== undefined)
    .map((name) => `${sampleNames[name].name} ${quantityWords(Number(body[name]), sampleNames[name].unit)}`.trim())
  return `Water ${pointWords[body.point as string]}: ${figures.join(', ')}`
}

function stripDownWords(body: Loose): string {
  const things = body.things as unknown as { name: string; inS?: number; photos?: string[] }[]
  const out = things.filter(({ inS }) => inS === undefined)
  const photos = things.reduce((sum, one) => sum + (one.photos?.length ?? 0), 0)
  return `Stripped down: ${body.title}, ${things.length} ${things.length === 1 ? 'thing' : 'things'} off${
    out.length > 0
      ? `, left over: ${out.map(({ name }) => name.toLowerCase()).join(', ')} (${body.leftOver})`
      : ', all back in'
  }${photos > 0 ? `, ${photos} ${photos === 1 ? 'photo' : 'photos'}` : ''}`
}

function runWords(body: Loose, groups: number): string {
  // Their ids are words; the library itself is too large to come with every page.
  const steps = body.steps as unknown as { how: string; group?: number }[]
  const at = [...new Set(steps.flatMap(({ group }) => group ?? []))].sort()
  // Of several groups it says at which: a run may have left some out.
  const where = at.length === 0 || Math.max(groups, ...at) < 2 ? '' : `, group ${at.join(' and ')}`
  const skipped = steps.filter(({ how }) => how === 'skipped').length
  const ended = { done: 'done', stopped: 'stopped', left: 'left' }[String(body.ended)]
  return `Run, ${ended}: ${body.name ? String(body.name).toLowerCase() : plain(body.procedure)}, ${plain(body.school)}${where}, ${figure(Number(body.minutes))} min${skipped > 0 ? `, ${skipped} skipped` : ''}${body.why ? `; ${body.why}` : ''}`
}

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

const kindName = (id: unknown) => kindById(String(id))?.name ?? String(id)

const dutyName = (id: unknown, kindId: string): string =>
  kindById(kindId)?.duties.find((duty) => duty.id === id)?.name ?? String(id).replaceAll('-', ' ')

function settingWords(body: Loose, kindId: string): string {
  switch (body.setting as string) {
    case 'opening':
      return `Open ${(body.openWeekdays as unknown as number[]).map((day) => dayNames[day - 1]).join(', ')}`
    case 'closure':
      return `Closed ${dayLong(String(body.from))} to ${dayLong(String(body.to))}${body.name ? `, ${body.name}` : ''}`
    case 'way':
      return `${upper(String(body.procedure).replaceAll('-', ' '))}: ${body.name ?? String(body.school).replaceAll('-', ' ')}${body.rhythm ? `, ${(body.rhythm as unknown as { words: string }).words}` : ''}`
    case 'programme-keys':
      return `Keys of ${[body.maker, body.model].filter(Boolean).join(' ')}${body.revision ? `, revision ${body.revision}` : ''}: ${patternWords(body.pattern as unknown as KeyPattern)}`
    case 'part-price':
      return `Price of ${String(body.part).replaceAll('-', ' ')}: ${Number(body.price)}`
    case 'causes':
      return `Confirmed causes adopted: ${(body.counts as { n: number }[]).reduce((sum, { n }) => sum + n, 0)} repairs`
    case 'busy-months':
      return `Busy months: ${busyMonths(body.months as unknown as number[])}`
    case 'school':
      return `How early${body.duty ? `, ${dutyName(body.duty, kindId).toLowerCase()}` : ''}: ${schoolName[body.school as School]}`
    case 'kind-as':
      return body.own === body.kind ? `${kindName(body.kind)}: as it ships` : `${kindName(body.kind)}: our own version`
    case 'option': {
      const option = kindById(kindId)?.options.find(({ id }) => id === body.option)
      return `${option?.name ?? String(body.option).replaceAll('-', ' ')}: ${body.fitted ? 'has it' : 'has it not'}`
    }
    case 'along-count': {
      const { name, unit } = alongWords[body.clock as AlongClock]
      return `${name[0]!.toUpperCase()}${name.slice(1)}: ${figure(Number(body.perDrink))} a drink, ${figure(Number(body.perOpenDay))} ${unit} an open day besides`
    }
    case 'detergent':
      return body.everyDrinks
        ? `Cleaned with detergent every ${figure(Number(body.everyDrinks))} drinks`
        : `Cleaned with detergent ${figure(Number(body.perOpenDay))} times an open day`
    case 'hot-hours':
      return `Hot ${figure(Number(body.perOpenDay))} h on an open day, ${figure(Number(body.perClosedDay))} h on a closed one`
    case 'life': {
      return `${dutyName(body.duty, kindId)}: ${limitWords(body.clock as Clock, Number(body.value), 'shots')}`
    }
    case 'groups':
      return `${body.count} ${body.count === 1 ? 'group' : 'groups'}`
    case 'group-share':
      return `Shares of the groups: ${(body.shares as unknown as number[]).join(' / ')}`
    case 'budget':
      return `Water: ${body.mlPerDrink} ml a drink and ${quantityWords(Number(body.litresPerOpenDay), 'L')} an open day`
    case 'budget-factor':
      return `Counts × ${body.factor}: what the meter showed`
    case 'exchanger':
      return `Softener with ${body.resinL} L of resin${body.regenerates === 'itself' ? ', regenerates itself' : ''}`
    case 'cartridge':
      return `Cartridge of ${body.capacityG} g at ${Math.round(Number(body.bypass) * 100)} % bypass`
    case 'membrane':
      return `Membrane with ${Math.round(Number(body.rawShare) * 100)} % of raw water mixed in${body.dosed ? ', minerals dosed' : ''}`
    case 'prefilter':
      return body.fitted
        ? `Carbon filter before it${body.catalytic ? ', catalytic' : ''}${body.litres ? `, ${quantityWords(Number(body.litres), 'L')}` : ''}`
        : 'No carbon filter before it'
    case 'descale-prompt':
      return `The machine asks for a descale every ${quantityWords(Number(body.litres), 'L')}`
    case 'hardness-setting':
      return `Hardness setting ${body.chosen} of ${body.classes.length}: asks every ${quantityWords(Number(body.classes[body.chosen - 1]?.litres), 'L')}`
    case 'figure':
      return figureWords(String(body.figure), Number(body.value))
    case 'prices':
      return 'Prices of water work'
    default:
      return String(body.setting)
  }
}

function figureWords(id: string, value: number): string {
  if (Object.hasOwn(figures, id)) {
    const known: Figure = figures[id as FigureId]
    return `${known.name}: ${quantityWords(value, known.unit ?? '')}`
  }
  const [vessel, name] = id.split('.')
  const known = vesselFigures[name as VesselFigure]
  return `${String(vessel)}, ${known.name}: ${quantityWords(value, known.unit)}`
}

/** The station an entry touched, by the kind's parts and duties; null when it touched none. */
export function stationOf(entry: Entry, kindId: string): string | null {
  const kind = kindById(kindId)
  if (!kind) return null
  if (entry.subjectKind === 'softener') return 'softener'
  const { part, task, station } = entry.body as { part?: string; task?: string; station?: string }
  if (station && kind.stations.some(({ id }) => id === station)) return station
  if (part) return kind.parts.find((candidate) => candidate.id === part)?.station ?? null
  if (entry.kind === 'descaled' || task === 'descale') return kind.vessels[0]?.station ?? null
  if (task) return kind.duties.find((duty) => duty.id === task)?.station ?? null
  return null
}

/** What a reading told apart. @example apartWords({ groups: [640, 460], rinses: 12 }) // '; groups 640, 460; 12 rinses' */
function apartWords(body: Record<string, unknown>): string {
  const { groups, drinks, rinses } = body as {
    groups?: number[]
    drinks?: { name: string; count: number }[]
    rinses?: number
  }
  return [
    groups?.length ? `; groups ${groups.map((count) => figure(count)).join(', ')}` : '',
    drinks?.length ? `; ${drinks.map(({ name, count }) => `${figure(count)} ${name}`).join(', ')}` : '',
    rinses === undefined ? '' : `; ${figure(rinses)} rinses`,
  ].join('')
}

const electricalUnits: Record<ElectricalId, [name: string, unit: string]> = {
  earthOhm: ['earth', 'Ω'],
  insulationMOhm: ['insulation', 'MΩ'],
  protectiveMA: ['protective conductor', 'mA'],
  touchMA: ['touch current', 'mA'],
}

function electricalWords(measured: Electrical | undefined): string {
  const said = electricalIds.flatMap((id) => {
    const [name, unit] = electricalUnits[id]
    return measured?.[id] === undefined ? [] : [`${name} ${figure(measured[id])} ${unit}`]
  })
  return said.length > 0 ? `; ${said.join(', ')}` : ''
}
