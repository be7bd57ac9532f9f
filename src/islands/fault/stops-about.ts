import type { StopsAbout } from '../../core/faults/stops.ts'
import type { Kind } from '../../core/kinds/kind.ts'

/** Which stops may be so on a kind of machine, by what it holds. */
export const stopsAbout = ({ vessels }: Kind): StopsAbout => ({
  water: vessels.length > 0,
  boils: vessels.some(({ heats }) => heats !== 'flow'),
})
