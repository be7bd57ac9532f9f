import type { Crossing } from '../../core/ledger/crossed.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { dayNear, halfWidth } from '../../ui/format.ts'
import { spreadWords } from '../../ui/urgency.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { reckonBundle } from '../machine/reckon-bundle.ts'
import { standingsOf } from '../machine/standings-of.ts'
import { title } from '../standing-words.ts'
import { bundleWithout } from './expected-of.ts'

/** A date that stands elsewhere by each of the lines. */
export interface Moved {
  name: string
  dates: { line: RecordedEntry; said: string }[]
}

const most = 4

/** What falls due on another day according to which line counts, soonest first. */
export function whatItMoves({ lines }: Pick<Crossing, 'lines'>, bundle: MachineBundle, today: string): Moved[] {
  const by = lines.map((line) => {
    const others = lines.filter(({ id }) => id !== line.id)
    return { line, standings: standingsOf(reckonBundle(bundleWithout(bundle, others))) }
  })
  const [first, ...rest] = by
  return first!.standings
    .filter((standing) =>
      rest.some(({ standings }) => standings.find(({ key }) => key === standing.key)?.due?.p50 !== standing.due?.p50),
    )
    .slice(0, most)
    .map((standing) => ({
      name: title(standing),
      dates: by.map(({ line, standings }) => ({
        line,
        said: dateWords(
          standings.find(({ key }) => key === standing.key),
          today,
        ),
      })),
    }))
}

function dateWords(standing: Standing | undefined, today: string): string {
  if (!standing?.due) return 'over 10 years'
  const spread = halfWidth(standing.due)
  return `${dayNear(standing.due.p50, today)}${spread > 0 ? ` ${spreadWords(spread)}` : ''}`
}
