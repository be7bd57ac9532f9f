import { blend } from './blend.ts'
import { cartridge } from './cartridge.ts'
import { dropkit } from './dropkit.ts'
import { hardness } from './hardness.ts'
import { softener } from './softener.ts'
import type { Topic } from './topic.ts'
import { usage } from './usage.ts'
import { wear } from './wear.ts'

/** Every question `bin/reckon` answers. */
export const topics: Topic[] = [hardness, dropkit, usage, wear, softener, cartridge, blend]
