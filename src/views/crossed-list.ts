/** A machine at which two wrote of one thing without knowing of each other, and what they say differs. */
export interface CrossedLine {
  machineId: string
  machineName: string
  siteName: string
  /** What they speak of, by how many lines differ. */
  differs: number
  /** Names of whoever wrote. */
  by: string[]
}
