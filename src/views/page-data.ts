/** What a page hands to its island, without the page around it: what a device keeps of it. */
export interface PageData<Handed = unknown> {
  title: string
  /** Of the place the page is about. */
  timeZone: string
  handed: Handed
}
