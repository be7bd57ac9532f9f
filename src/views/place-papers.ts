/** A paper of a place: what it is asked for by, what it is called, where it is opened. */
export interface PlacePaper {
  id: string
  name: string
  /** Where it stands under the machine’s own name. */
  short: string
  href: string
}

/** What can be put on paper of a place, beside its visits. */
export interface PlacePapers {
  siteId: string
  site: string
  customer: string
  timeZone: string
  /** Where letters to this customer go; empty where nobody said. */
  to: string
  ofPlace: PlacePaper[]
  machines: { id: string; name: string; papers: PlacePaper[] }[]
}
