import type { Flag } from '../../core/standing/standing.ts'

/** What is odd about a reading, on every screen. */
export const flagWords: Record<Flag['kind'], string> = {
  reset: 'lower than before: taken as a board swap',
  rollover: 'the counter rolled over',
  impossible: 'below its neighbours: kept, not used. A typing error?',
  outlier: 'far above what this machine makes: kept, not used. A typing error?',
}
