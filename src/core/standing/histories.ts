import { affectsOf } from '../ledger/affects.ts'
import { type EffectiveHistory, effectiveHistory } from '../ledger/effective-history.ts'
import type { Entry, EntryOf } from '../ledger/entry.ts'
import type { EntryKind } from '../ledger/entry-kinds.ts'
import type { AnySetting, Setting, SettingName } from '../ledger/setting-kinds.ts'
import type { Programme } from '../procedures/key-patterns.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import type { AlongClock, Clock } from '../wear/limits.ts'

/** Where a default may be set, nearest first. */
const levels = ['machine', 'softener', 'site', 'customer', 'supply', 'firm'] as const
export type Level = (typeof levels)[number]

/** All entries that can move one machine or softener, by level, as the ledger keeps them. */
export type Ledgers = Partial<Record<Level, Entry[]>>

/** An effective history, found by what is asked of it: a reckoning asks thousands of times. */
export interface History extends EffectiveHistory {
  /** Entries of a kind, in order. */
  byKind: Map<EntryKind, Entry[]>
  /** Settings by name, in order. */
  settings: Map<string, EntryOf<'setting'>[]>
  /** Entries that name a part or a task, in order. */
  touching: Map<string, Entry[]>
}

/** The same, effective. */
export type Histories = Partial<Record<Level, History>>

export function effective(ledgers: Ledgers): Histories {
  const histories: Histories = {}
  for (const level of levels) {
    const ledger = ledgers[level]
    // A machine's own ledger is read once; a weak map of them all would keep the collector busy.
    if (ledger) histories[level] = level === 'machine' ? indexed(ledger) : remembered(ledger)
  }
  return histories
}

/** A site's ledger is read once for all its machines: the same list has the same history. */
function remembered(ledger: Entry[]): History {
  const known = histories.get(ledger)
  if (known && known.from === ledger.length) return known.history
  const history = indexed(ledger)
  histories.set(ledger, { history, from: ledger.length })
  return history
}

const histories = new WeakMap<Entry[], { history: History; from: number }>()

/** One subject's effective history with its indexes. */
function indexed(entries: Entry[]): History {
  const history = effectiveHistory(entries)
  const byKind: History['byKind'] = new Map()
  const settings: History['settings'] = new Map()
  const touching: History['touching'] = new Map()
  for (const entry of history.entries) {
    list(byKind, entry.kind).push(entry)
    // Half of a ledger is readings and tests, which touch neither.
    if (entry.kind === 'reading' || entry.kind === 'water-test') continue
    if (entry.kind === 'setting') {
      list(settings, entry.body.setting).push(entry)
      continue
    }
    const part = 'part' in entry.body ? entry.body.part : undefined
    const task = 'task' in entry.body ? entry.body.task : undefined
    if (part) list(touching, part).push(entry)
    if (task && task !== part) list(touching, task).push(entry)
  }
  return { ...history, byKind, settings, touching }
}

function list<K, E>(map: Map<K, E[]>, key: K): E[] {
  const there = map.get(key)
  if (there) return there
  const fresh: E[] = []
  map.set(key, fresh)
  return fresh
}

const none: Entry[] = []

/** Entries that count at one level, in order. */
const entriesAt = (histories: Histories, level: Level): Entry[] => histories[level]?.entries ?? none

/** Entries of one kind that count at one level, in order. */
export const ofKind = <K extends EntryKind>(histories: Histories, level: Level, kind: K): EntryOf<K>[] =>
  // The list is kept under its entries' own kind.
  (histories[level]?.byKind.get(kind) ?? none) as EntryOf<K>[]

/** Entries of one level that name a part or a task, in order. */
export const touching = (histories: Histories, level: Level, partOrTask: string): Entry[] =>
  histories[level]?.touching.get(partOrTask) ?? none

/**
 * The day of reckoning: the latest on which anything was written that may move a date here. A note or a visit's header
 * ages nothing, and what was done to a neighbour alone is no news here.
 *
 * @param own - the level that is reckoned
 * @returns null when nothing was
 */
export function latestDay(histories: Histories, own: Level): LocalDay | null {
  let latest: LocalDay | null = null
  for (const level of levels) {
    const last = entriesAt(histories, level).findLast((entry) => {
      const affects = affectsOf(entry)
      return affects === 'along' || (affects === 'itself' && level === own)
    })
    if (last && (latest === null || last.happenedOn > latest)) latest = last.happenedOn
  }
  return latest
}

export interface Found<K extends SettingName> {
  body: Setting<K>
  level: Level
  on: LocalDay
}

/**
 * The nearest level's latest setting of a name; the working names the level.
 * @returns null when nobody set it: the catalogue speaks
 */
export function nearestSetting<K extends SettingName>(histories: Histories, name: K): Found<K> | null {
  for (const level of levels) {
    const entry = histories[level]?.settings.get(name)?.at(-1)
    if (entry) return found(bodyNamed<K>(entry), entry, level)
  }
  return null
}

/** Somebody's own life or interval for a task on a clock, the nearest level's latest. */
export const ownLife = (histories: Histories, kind: string, task: string, clock: Clock): Found<'life'> | null =>
  nearestThat(
    histories,
    'life',
    (body) => body.task === task && body.clock === clock && (body.kind === undefined || body.kind === kind),
  )

/** The policy of when to act: of this part or task where somebody chose one for it, nearest level first, else of all. */
export const ownPolicy = (histories: Histories, task: string | null): Found<'policy'> | null =>
  (task === null ? null : nearestThat(histories, 'policy', (body) => body.task === task)) ??
  nearestThat(histories, 'policy', (body) => body.task === undefined)

/** Which version of a kind holds here. */
export const nearestKindAs = (histories: Histories, kind: string): Found<'kind-as'> | null =>
  nearestThat(histories, 'kind-as', (body) => body.kind === kind)

/** Somebody's own count of what goes along with the drinks. */
export const nearestAlong = (histories: Histories, clock: AlongClock): Found<'along-count'> | null =>
  nearestThat(histories, 'along-count', (body) => body.clock === clock)

/** Somebody's own figure in place of one from memory. */
export const ownFigure = (histories: Histories, figure: string): Found<'figure'> | null =>
  nearestThat(histories, 'figure', (body) => body.figure === figure)

/** The causes adopted for a kind of machine. */
export const nearestCauses = (histories: Histories, kind: string): Found<'causes'> | null =>
  nearestThat(histories, 'causes', (body) => body.kind === kind)

/** What a part of a kind costs, where somebody said. */
export const partPrice = (histories: Histories, kind: string, part: string): Found<'part-price'> | null =>
  nearestThat(histories, 'part-price', (body) => body.kind === kind && body.part === part)

/** How this model's keys start a programme, where the firm has said so. */
export const modelKeys = (
  histories: Histories,
  { maker, model, revision }: { maker: string; model: string; revision: string },
  programme: Programme,
): Found<'programme-keys'> | null =>
  nearestThat(
    histories,
    'programme-keys',
    (body) =>
      body.programme === programme &&
      (body.maker ?? '') === maker &&
      body.model === model &&
      (body.revision ?? '') === revision,
  )

/** The ways that hold here, one a procedure: the nearest level's latest of each. */
export function waysChosen(histories: Histories): Found<'way'>[] {
  const chosen = new Map<string, Found<'way'>>()
  for (const level of levels)
    for (const entry of (histories[level]?.settings.get('way') ?? []).toReversed()) {
      const way = found<'way'>(bodyNamed<'way'>(entry), entry, level)
      if (!chosen.has(way.body.procedure)) chosen.set(way.body.procedure, way)
    }
  return [...chosen.values()]
}

/** The way a procedure is done here, where somebody chose one. */
export const nearestWay = (histories: Histories, procedure: string): Found<'way'> | null =>
  nearestThat(histories, 'way', (body) => body.procedure === procedure)

function nearestThat<K extends SettingName>(
  histories: Histories,
  name: K,
  fits: (body: Setting<K>) => boolean,
): Found<K> | null {
  for (const level of levels) {
    const set = histories[level]?.settings.get(name)
    for (let i = (set?.length ?? 0) - 1; i >= 0; i -= 1) {
      const entry = set![i]!
      const body = bodyNamed<K>(entry)
      if (fits(body)) return found(body, entry, level)
    }
  }
  return null
}

const found = <K extends SettingName>(body: Setting<K>, { happenedOn }: Entry, level: Level): Found<K> => ({
  body,
  level,
  on: happenedOn,
})

/** What a setting says, taken from the list that is kept under its name. */
const bodyNamed = <K extends SettingName>({ body }: EntryOf<'setting'>): Setting<K> => body as AnySetting as Setting<K>

/** Every setting of a name at one level, in order: the last of a thing counts. */
export const settingsAt = <K extends SettingName>(histories: Histories, level: Level, name: K): Setting<K>[] =>
  (histories[level]?.settings.get(name) ?? []).map((entry) => bodyNamed<K>(entry))

/** Every setting of a name, of every level. */
export const settingsOf = <K extends SettingName>(histories: Histories, name: K): Setting<K>[] =>
  levels.flatMap((level) => settingsAt(histories, level, name))

/** Days a machine came to another site: what it made before says nothing of what it makes after. */
export const cameOn = (histories: Histories): number[] =>
  ofKind(histories, 'machine', 'moved')
    .filter((entry) => entry.body.fromSiteId !== entry.body.toSiteId && !entry.body.samePlace)
    .map((entry) => toDay(entry.happenedOn))
