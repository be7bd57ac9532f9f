import type { Standing } from './standing.ts'

/** What is due, with what is done to it where that is not that it is replaced. @example 'Dispersion block, group 1: clean' */
export const standingTitle = ({
  name,
  instance,
  part,
  action,
}: Pick<Standing, 'name' | 'instance' | 'part' | 'action'>): string =>
  `${name}${instance ? `, ${instance}` : ''}${part && action !== 'replace' ? `: ${action}` : ''}`
