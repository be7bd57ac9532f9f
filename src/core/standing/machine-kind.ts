import { type Kind, withGroups, withOptions } from '../kinds/kind.ts'
import { type Histories, nearestSetting, ofKind, settingsAt } from './histories.ts'
import { kindHere } from './own-kinds.ts'

/** The kind it was taken on as, with this machine's own number of groups; null where no such kind ships. */
export function machineKind(histories: Histories): Kind | null {
  const taken = ofKind(histories, 'machine', 'commissioned')[0]
  const kind = taken ? kindHere(histories, taken.body.kind) : null
  if (!kind) return null
  const groups = nearestSetting(histories, 'groups')
  const shows = settingsAt(histories, 'machine', 'counter-counts').at(-1)
  const fitted = withOptions(kind, optionsSaid(histories))
  const here = shows
    ? { ...fitted, counter: { ...fitted.counter, shows: { unit: shows.unit, each: shows.each } } }
    : fitted
  return groups ? withGroups(here, groups.body.count) : here
}

/** What somebody said this machine has or has not, of all that only some of its kind have. */
export const optionsSaid = (histories: Histories): Map<string, boolean> =>
  new Map(settingsAt(histories, 'machine', 'option').map(({ option, fitted }) => [option, fitted]))
