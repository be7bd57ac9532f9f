import { type Opening, openDays } from '../usage/open-days.ts'
import { type Histories, type Level, nearestSetting, settingsOf } from './histories.ts'
import { standstills } from './stages.ts'

/** Monday to Saturday, until a site says otherwise. From memory. */
const usualWeekdays = [1, 2, 3, 4, 5, 6]

export interface SiteOpening {
  opening: Opening
  openDays: ReturnType<typeof openDays>
  weekdaysFrom: Level | 'catalogue'
  /** Share of a week's days that are open. */
  shareOpen: number
}

/**
 * When a machine is used: the nearest weekdays, as busy as the nearest said of the months, less every closure of
 * the site and the machine, less the days it stood.
 */
export function siteOpening(histories: Histories): SiteOpening {
  const found = nearestSetting(histories, 'opening')
  const own = histories.machine ? 'machine' : 'softener'
  const closures = [...settingsOf(histories, 'closure'), ...standstills(histories, own)]
  const months = nearestSetting(histories, 'busy-months')?.body.months
  const opening = { openWeekdays: found?.body.openWeekdays ?? usualWeekdays, closures, ...(months && { months }) }
  return {
    opening,
    openDays: openDays(opening),
    weekdaysFrom: found?.level ?? 'catalogue',
    shareOpen: new Set(opening.openWeekdays).size / 7,
  }
}
