/** A kind of machine in the list of them. */
export interface KindRow {
  id: string
  name: string
  about: string
  parts: number
  tasks: number
  machines: number
}
