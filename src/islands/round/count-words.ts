import { figure } from '../../ui/format.ts'
import { mostCounted } from '../../views/round-page.ts'

/** A count as a person reads it; past the last counted, only that there are more. */
export const countWords = (count: number): string => (count > mostCounted ? `${figure(mostCounted)}+` : figure(count))
