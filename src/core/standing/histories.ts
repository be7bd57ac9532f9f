import { type EffectiveHistory, effectiveHistory } from '../ledger/effective-history.ts'
import type { Entry } from '../ledger/entry.ts'
import type { Setting, SettingName } from '../ledger/entry-kinds.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import { type Opening, openDays } from '../usage/open-days.ts'

/** Where a default may be set, nearest first. */
const levels = ['machine', 'softener', 'site', 'customer', 'supply', 'firm'] as const
export type Level = (typeof levels)[number]

/** All entries that can move one machine or softener, by level, as the ledger keeps them. */
export type Ledgers = Partial<Record<Level, Entry[]>>

/** The same, effective. */
export type Histories = Partial<Record<Level, EffectiveHistory>>

export function effective(ledgers: Ledgers): Histories {
  const histories: Histories = {}
  for (const level of levels) if (ledgers[level]) histories[level] = effectiveHistory(ledgers[level])
  return histories
}

/** Entries that count at one level, in order. */
export const entriesAt = (histories: Histories, level: Level): Entry[] => histories[level]?.entries ?? []

/** Latest local day in any of the histories; null when all are empty. */
export function latestDay(histories: Histories): LocalDay | null {
  let latest: LocalDay | null = null
  for (const level of levels) {
    const last = entriesAt(histories, level).at(-1)
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
export function nearestSetting<K extends SettingName>(
  histories: Histories,
  name: K,
  matches: (body: Setting<K>) => boolean = () => true,
): Found<K> | null {
  for (const level of levels) {
    const entries = entriesAt(histories, level)
    for (let i = entries.length - 1; i >= 0; i -= 1) {
      const entry = entries[i]!
      if (entry.kind !== 'setting' || entry.body.setting !== name) continue
      const body = entry.body as unknown as Setting<K>
      if (matches(body)) return { body, level, on: entry.happenedOn }
    }
  }
  return null
}

/** Monday to Saturday, until a site says otherwise. From memory. */
const usualWeekdays = [1, 2, 3, 4, 5, 6]

export interface SiteOpening {
  opening: Opening
  openDays: ReturnType<typeof openDays>
  weekdaysFrom: Level | 'catalogue'
  /** Share of a week's days that are open. */
  shareOpen: number
}

/** When the place is open: the nearest weekdays, and every closure of the site and the machine. */
export function siteOpening(histories: Histories): SiteOpening {
  const found = nearestSetting(histories, 'opening')
  const closures = levels.flatMap((level) =>
    entriesAt(histories, level)
      .filter((entry) => entry.kind === 'setting' && entry.body.setting === 'closure')
      .map((entry) => entry.body as unknown as Setting<'closure'>),
  )
  const opening = { openWeekdays: found?.body.openWeekdays ?? usualWeekdays, closures }
  return {
    opening,
    openDays: openDays(opening),
    weekdaysFrom: found?.level ?? 'catalogue',
    shareOpen: new Set(opening.openWeekdays).size / 7,
  }
}
