import { papersOfPlace } from '../../../../services/papers/papers-of-place.ts'
import { letterRoutes } from '../../../_letter-routes.ts'
import { paperWords } from '../../../_paper-words.ts'

/** Letters with papers of a place, and of its visits. */
export const { GET, POST } = letterRoutes(
  (siteId) => ({ siteId }),
  (locals, { firm }, siteId, papers) =>
    papersOfPlace(locals.db, firm, siteId, { papers, now: locals.now, words: paperWords(firm.name) }),
)
