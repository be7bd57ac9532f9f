import { makeTemplate } from './server-control.ts'

/** Once before all: the demo world that every worker's own database is copied from. */
export default makeTemplate
