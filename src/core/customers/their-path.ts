import type { CareSheet } from '../care/care-terms.ts'
import type { CareDrawing, Rhythm } from '../kinds/care-words.ts'
import type { Kind, Station, StationSymbol } from '../kinds/kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'

/** A place on the machine's path that whoever works with it has to do with. */
export interface TheirStation {
  station: string
  name: string
  /** How often something of theirs comes round there, the most often first. */
  rhythms: Rhythm[]
  /** Of a softener they look after: when it is next; null: nobody has said. Absent of anything else. */
  dueOn?: LocalDay | null
  /** What of it is not for use, in words; absent where all of it is. */
  out?: string
}

/** Where coffee is made, whatever the machine. */
const makes: StationSymbol[] = ['group', 'brew-unit', 'pod-head']
/** What whoever works with it calls what is drawn so; a technician's names are of its parts. */
const called: Partial<Record<StationSymbol, string>> = {
  softener: 'Softener',
  tank: 'Water tank',
  group: 'Group',
  'brew-unit': 'Brew unit',
  'pod-head': 'Capsule head',
  basket: 'Basket',
  tray: 'Drip tray',
  hopper: 'Hopper',
  tap: 'Hot water',
}
/** What a line of the care sheet is about: the first of these that the machine has. */
const about: Record<CareDrawing, StationSymbol[]> = {
  knock: makes,
  wipe: makes,
  flush: makes,
  blind: makes,
  powder: makes,
  strokes: makes,
  soak: ['basket', ...makes],
  unit: ['brew-unit', ...makes],
  capsules: ['pod-head'],
  programme: makes,
  wand: ['wand'],
  milk: [],
  tray: ['tray'],
  tank: ['tank'],
  hopper: ['hopper'],
  // Of the boiler, but by its tap: nobody who works with it opens more.
  water: ['tap'],
}

/**
 * The places on a machine's path that are somebody's who works with it: what they clean and how often, the softener where
 * it is theirs, what is not for use. The rest of the path is ours, and says nothing here.
 *
 * @param softener - null where none is theirs to look after
 * @param held - what is not for use now: of a group, of the milk side, or of all of it
 * @returns in the order of the kind's stations
 */
export function theirPath(
  kind: Kind,
  {
    sheet,
    softener,
    held,
  }: {
    sheet: CareSheet
    softener: { dueOn: LocalDay | null } | null
    held: readonly { only?: 'milk' | undefined; group?: number | undefined }[]
  },
): TheirStation[] {
  const at = new Map<string, TheirStation>()
  const first = (symbols: readonly StationSymbol[]) =>
    symbols.map((symbol) => kind.stations.find((station) => station.symbol === symbol)).find(Boolean)
  const byId = (id: string) => kind.stations.find((station) => station.id === id)
  const milk = byId('milk-cooler') ?? byId('frother') ?? first(['wand'])
  const put = (station: Station | undefined, more: (one: TheirStation) => void) => {
    if (!station) return
    const one = at.get(station.id) ?? { station: station.id, name: nameOf(kind, station, milk), rhythms: [] }
    more(one)
    at.set(station.id, one)
  }
  for (const { rhythm, items } of sheet.rhythms)
    for (const { drawing } of items)
      put(drawing === 'milk' ? milk : first(about[drawing]), ({ rhythms }) => {
        if (rhythm !== 'said' && !rhythms.includes(rhythm)) rhythms.push(rhythm)
      })
  if (softener)
    put(first(['softener']), (one) => {
      one.dueOn = softener.dueOn
    })
  const groups = held.flatMap(({ group }) => (group ? [group] : []))
  if (groups.length > 0)
    put(first(makes), (one) => {
      const which = [...new Set(groups)].sort()
      one.out = kind.groups > 1 ? `group ${which.join(' and ')} not for use` : 'not for use'
    })
  if (held.some(({ only }) => only === 'milk'))
    put(milk, (one) => {
      one.out = 'not for use'
    })
  return kind.stations.flatMap(({ id }) => at.get(id) ?? [])
}

function nameOf(kind: Kind, station: Station, milk: Station | undefined): string {
  if (station === milk && station.symbol !== 'wand') return 'Milk side'
  if (station.id === 'frother') return 'Milk frother'
  // Where no hand holds it, steam comes out of the front.
  if (station.symbol === 'wand')
    return kind.stations.some(({ symbol }) => symbol === 'brew-unit') ? 'Steam outlet' : 'Steam wand'
  return station.symbol === 'group' && kind.groups > 1 ? 'Groups' : (called[station.symbol] ?? station.name)
}
