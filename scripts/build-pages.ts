import { buildIfNeeded } from './build.ts'

// `npm run build`: the pages and the reckoner, unless exactly these sources were built already.
buildIfNeeded()
