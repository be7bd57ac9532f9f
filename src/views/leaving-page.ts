/** Which visit is being closed, and where its machines are to be asked for: each bundle has the rest. */
export interface LeavingPage {
  firmId: string
  currency: string
  site: { id: string; name: string; area: string; timeZone: string }
  /** Null where nobody is on a visit there. */
  visitId: string | null
  /** What was worked on first, then what else shows the site’s and its softeners’ ledgers. */
  machineIds: string[]
}
