import type { Kind } from '../kinds/kind.ts'
import type { StopsAbout } from './stops.ts'

/** Which stops may be so on a kind of machine, by what it holds. */
export const stopsAbout = ({ vessels }: Kind): StopsAbout => ({
  water: vessels.length > 0,
  boils: vessels.some(({ heats }) => heats !== 'flow'),
})
