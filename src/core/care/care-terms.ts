import type { CareDrawing, Rhythm } from '../kinds/care-words.ts'
import type { Procedure } from '../procedures/procedure.ts'
import type { Mark } from '../quantity/working.ts'
import type { Policy } from '../wear/limits.ts'

export interface CareItem {
  say: string
  /** Figures and the one thing to look for. */
  how?: string
  drawing: CareDrawing
  /** What may hurt. */
  caution?: string
  /** It comes round so often, days, and less often than daily: who does it can say so, by this name. */
  job?: { name: string; everyDays: number }
  mark: Mark
}

export interface CareSheet {
  rhythms: { rhythm: Rhythm; items: CareItem[] }[]
}

export interface CareTerms {
  drinksPerOpenDay: number
  policy: Policy
  /** The way each procedure is done, by its name in the library; its kind's usual one where nobody chose. */
  ways?: Record<string, string>
  /** Anybody may read it: how much a place sells is not told. */
  isPublic?: boolean
  /** What the firm works by, see `libraryHere`; what ships where nothing is said. */
  library?: Procedure[]
}
