import { kindById } from '../core/kinds/index.ts'
import { type Kind, withOptions } from '../core/kinds/kind.ts'

/** A kind that ships, with what most of its machines have. */
export const asUsual = (id: string): Kind => withOptions(kindById(id)!, new Map())
