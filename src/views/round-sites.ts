/** What is due at one site, summed up, and why it comes where it does. */
export interface SiteDue {
  siteId: string
  name: string
  area: string
  technician: string
  machines: number
  lines: number
  overdue: number
  /** Work, min; without the way there. */
  minutes: number
  firstDue: string
  danger: boolean
  hygiene: boolean
  /** Machines that stand. */
  stand: number
  group: 'danger' | 'stands' | 'rest'
}

/** Sites in the order they matter. */
export interface RoundSites {
  horizon: string
  /** Machines and softeners still to be reckoned: what is due of them is not in it yet. */
  waiting: number
  sites: SiteDue[]
}
