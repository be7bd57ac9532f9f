/** A machine somebody may be ringing about. */
export interface CallerMachine {
  machineId: string
  machineName: string
  model: string
  serial: string
  kind: string
  siteId: string
  siteName: string
  area: string
  customer: string
  contact: string
  phone: string
}
