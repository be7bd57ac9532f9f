import { hardnessToMgL } from '../quantity/hardness.ts'
import type { Entry, EntryOf } from './entry.ts'
import { canonical } from './same-body.ts'
import { waterFigureNames } from './water-figure-names.ts'

/** How two lines stand to each other that two people wrote of one thing. */
export type Agreement = 'same' | 'differs'

/** How fast a counter runs here: per day, of what was read before; null where it is not known. */
export type Pace = (counter: string) => number | null

/** Settings that are added one to another: two of them never speak of one thing. */
const added = new Set<string>(['closure', 'absence', 'road', 'waits', 'warranty'])
/** What a setting is of, beside its name. */
const settingOf = [
  'task',
  'clock',
  'kind',
  'part',
  'procedure',
  'programme',
  'figure',
  'option',
  'maker',
  'model',
] as const

/**
 * What an entry speaks of, spelled so that two that speak of one thing are spelled alike.
 *
 * @returns null where two of a kind are two things: faults, notes, photos, salt that was filled up twice
 * @example thingOf(reading) // 'reading shots'
 */
export function thingOf(entry: Entry): string | null {
  const { kind, body } = entry
  // Two that put the same line right speak of that line, whatever they say.
  if (entry.supersedes) return `line ${entry.supersedes}`
  switch (kind) {
    case 'reading':
      return `${kind} ${body.counter}`
    case 'measured':
      return `${kind} ${body.measure} ${body.group ?? ''} ${body.state}`
    case 'inspected':
    case 'removed':
    case 'fitted':
      return `${kind} ${body.part} ${body.group ?? ''}`
    case 'water-test':
      return `${kind} ${body.point} ${body.quantity}`
    case 'water-figures':
      return `${kind} ${body.point}`
    case 'setting':
      return added.has(body.setting)
        ? null
        : `${kind} ${body.setting} ${settingOf.map((field) => String((body as Record<string, unknown>)[field] ?? '')).join(' ')}`
    case 'cleaned':
    case 'greased':
    case 'checked':
    case 'serviced':
    case 'descaled':
      return `${kind} ${body.task} ${'group' in body ? (body.group ?? '') : ''}`
    case 'regenerated':
    case 'cartridge-changed':
    case 'membrane-changed':
    case 'prefilter-changed':
    case 'commissioned':
    case 'taken-over':
    case 'stage':
    case 'moved':
      return kind
    default:
      return null
  }
}

/** What holds from its day on, however far apart two said it. */
const lasting = new Set<string>(['setting', 'stage', 'moved', 'commissioned', 'taken-over'])
const dayMs = 86_400_000

/**
 * How two lines of one thing stand to each other.
 *
 * @param pace - how fast the counters of this machine run
 * @returns null where they were of two occasions, and each says its own
 */
export function agreementOf(a: Entry, b: Entry, pace: Pace): Agreement | null {
  if (a.supersedes && a.supersedes === b.supersedes) return sameBody(a, b)
  if (a.kind !== b.kind) return null
  const isOneOccasion = Math.abs(Date.parse(a.happenedAt) - Date.parse(b.happenedAt)) < dayMs
  // A counter that fell is wrong however long after.
  if (a.kind === 'reading' && b.kind === 'reading') return readings(a, b, pace, isOneOccasion)
  if (lasting.has(a.kind)) return sameBody(a, b)
  if (!isOneOccasion) return null
  if (a.kind === 'measured' && b.kind === 'measured') return near(a.body.value, b.body.value)
  if (a.kind === 'inspected' && b.kind === 'inspected') return told(a.body.condition === b.body.condition)
  if (a.kind === 'removed' && b.kind === 'removed')
    return told((a.body.condition ?? b.body.condition) === (b.body.condition ?? a.body.condition))
  if (a.kind === 'water-test' && b.kind === 'water-test') return told(overlap(zoneMgL(a), zoneMgL(b)))
  if (a.kind === 'water-figures' && b.kind === 'water-figures') {
    const [one, other] = [a.body, b.body]
    const both = waterFigureNames.filter((name) => one[name] !== undefined && other[name] !== undefined)
    return told(both.every((name) => near(one[name]!, other[name]!, waterLeeway) === 'same'))
  }
  // Both say that it was done: it is counted once.
  return 'same'
}

const told = (isSame: boolean): Agreement => (isSame ? 'same' : 'differs')

/** Where and from which day on, and what exactly: a word beside it is no other fact. */
const sameBody = (a: Entry, b: Entry): Agreement =>
  told(a.kind === b.kind && canonical({ ...a.body, note: undefined }) === canonical({ ...b.body, note: undefined }))

/** Two who read one gauge read it so far apart; pens and papers of two makes are a tenth apart. Common practice, no source. */
const gaugeLeeway = 0.02
const waterLeeway = 0.1

const near = (a: number, b: number, leeway = gaugeLeeway): Agreement =>
  told(Math.abs(a - b) <= leeway * Math.max(Math.abs(a), Math.abs(b)))

/** More no counter of a machine rises in a day. Common practice, no source. */
const mostADay = 3000

function readings(a: EntryOf<'reading'>, b: EntryOf<'reading'>, pace: Pace, isOneOccasion: boolean): Agreement | null {
  const [first, last] = Date.parse(a.happenedAt) <= Date.parse(b.happenedAt) ? [a, b] : [b, a]
  const rise = last.body.count - first.body.count
  const days = (Date.parse(last.happenedAt) - Date.parse(first.happenedAt)) / dayMs
  const perDay = pace(a.body.counter)
  // A day of three times the usual is a fair; what was read within minutes may still be a morning's drinks apart.
  const most = perDay === null ? mostADay * (days + 0.1) : 3 * perDay * (days + 1)
  if (rise < 0 || rise > most) return 'differs'
  return isOneOccasion ? 'same' : null
}

/** Between which the hardness lies as it was found: a drop is counted over or under, figures are a tenth apart. */
function zoneMgL({ body }: EntryOf<'water-test'>): [number, number] {
  const { method, unit, drops = 0, perDrop = 0, sampleFactor = 1, low = 0, high = 0, value = 0 } = body
  const mgL = (found: number) => hardnessToMgL(found, unit)
  if (method === 'drops')
    return [mgL(((drops - 1) * perDrop) / sampleFactor), mgL(((drops + 1) * perDrop) / sampleFactor)]
  if (method === 'strip') return [mgL(low), mgL(high)]
  return [mgL(value * (1 - waterLeeway)), mgL(value * (1 + waterLeeway))]
}

const overlap = ([a, b]: [number, number], [c, d]: [number, number]): boolean => a <= d && c <= b
