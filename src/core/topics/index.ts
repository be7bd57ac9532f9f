import { blend } from './blend.ts'
import { cartridge } from './cartridge.ts'
import { concentrate } from './concentrate.ts'
import { descale } from './descale.ts'
import { dropkit } from './dropkit.ts'
import { fault } from './fault.ts'
import { hardness } from './hardness.ts'
import { langelier } from './langelier.ts'
import { lifetimes } from './lifetimes.ts'
import { replace } from './replace.ts'
import { round } from './round.ts'
import { saturation } from './saturation.ts'
import { scale } from './scale.ts'
import { softener } from './softener.ts'
import { steam } from './steam.ts'
import type { Topic } from './topic.ts'
import { usage } from './usage.ts'
import { visits } from './visits.ts'
import { wear } from './wear.ts'

/** Every question `bin/reckon` answers. */
export const topics: Topic[] = [
  hardness,
  dropkit,
  saturation,
  langelier,
  steam,
  scale,
  descale,
  softener,
  cartridge,
  blend,
  concentrate,
  usage,
  wear,
  lifetimes,
  replace,
  visits,
  round,
  fault,
]
