import { part } from '../../../kinds/build.ts'
import type { Option, Part, PathLine, Station, Task } from '../../../kinds/kind.ts'

const supply = { with: 'supply' } as const

/** What stands between the stop-cock and a plumbed machine, besides its water treatment. */
export const supplyOption: Option = {
  id: 'supply',
  name: 'Supply set looked after by us',
  standard: true,
  howToTell: [
    { look: 'A braided hose, a reducer or a leak stop between stop-cock and machine that nobody else tends', means: 'fitted' },
    { look: 'The house plumber keeps everything up to the machine', means: 'not fitted' },
  ],
  mark: 'T',
}

export const supplyStations: Station[] = [
  { id: 'backflow', name: 'Backflow preventer', symbol: 'valve', ...supply },
  { id: 'reducer', name: 'Pressure reducer', symbol: 'valve', ...supply },
  { id: 'inlet-hose', name: 'Inlet hose', symbol: 'joint', ...supply },
  { id: 'leak-stop', name: 'Leak stop', symbol: 'sensor', ...supply },
]

export const supplyLine: PathLine = {
  id: 'supply',
  medium: 'water',
  lane: 3,
  stations: supplyStations.map(({ id }) => id),
  label: 'supply, before the path',
  ...supply,
}

export const supplyParts: { part: Part; tasks: Task[] }[] = [
  part('backflow-preventer', 'Backflow preventer', 'backflow', null, { ...supply, beta: 1.3, min: 15, mark: 'T', other: 'local rules first', caution: 'pressure' }, { upkeep: { check: { months: [12, 12, 12] } } }),
  part('pressure-reducer', 'Pressure reducer', 'reducer', { months: [36, 84, 120] }, { ...supply, beta: 1.5, min: 20, caution: 'pressure' }),
  part('inlet-hose', 'Braided inlet hose', 'inlet-hose', { months: [36, 60, 84] }, { ...supply, beta: 2.5, min: 15, mark: 'T', other: 'at once on rust, kink or swelling', caution: 'pressure' }),
  part('leak-stop', 'Leak stop, leak-detector battery', 'leak-stop', null, { ...supply, beta: 2, min: 5 }, { upkeep: { check: { months: [6, 12, 12] } } }),
]
