import { raisedTasks } from '../../../src/core/standing/tasks/index.ts'

/** Tasks that no kind lists, as a page hands them over. */
export const raisedIds = raisedTasks.flatMap(({ id, written }) => (written ? [id] : []))
