/** What another machine of the same kind once had. */
export interface AlikeCase {
  machine: { id: string; name: string; site: string }
  on: string
  /** The complaint by its name in the kind's book, and in the words it was kept in. */
  symptom?: string
  told?: string
  /** What it turned out to be, as it was written. */
  cause: string
  /** The same by its name in the book, where it has one. */
  fault?: string
  cured: boolean
}
