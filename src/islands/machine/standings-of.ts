import { byDue, type Standing } from '../../core/standing/standing.ts'
import type { ReckonedBundle } from './reckon-bundle.ts'

/** Machine and softener together, soonest first. */
export const standingsOf = ({ reckoning, softener }: ReckonedBundle): Standing[] =>
  [...(reckoning?.standings ?? []), ...(softener?.standings ?? [])].sort(byDue)
