import { buildIfNeeded } from './build.ts'

// `npm run build`: the pages and the programs that serve and work, unless exactly these sources were built already.
buildIfNeeded()
