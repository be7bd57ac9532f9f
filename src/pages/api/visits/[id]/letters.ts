import { visitPapers } from '../../../../services/papers/visit-papers.ts'
import { letterRoutes } from '../../../_letter-routes.ts'
import { paperDrawings, paperWords } from '../../../_paper-words.ts'

/** Letters with papers of a visit. */
export const { GET, POST } = letterRoutes(
  (visitId) => ({ visitId }),
  (locals, { firm }, visitId, papers) =>
    visitPapers(locals.db, firm, visitId, {
      papers,
      now: locals.now,
      words: paperWords(firm.name),
      draw: paperDrawings,
    }),
)
