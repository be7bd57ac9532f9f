/** How long a part lasted, or has lasted so far. */
export interface Lifetime {
  time: number
  /** It failed or was worn out; else it was still good when it was last known. */
  failed: boolean
  /** Times it counts; a pseudo-observation may count less than one. */
  weight?: number
}
