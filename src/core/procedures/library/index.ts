import type { Procedure } from '../procedure.ts'
import { detergentBackflush } from './detergent-backflush.ts'
import { groupClean } from './group-clean.ts'
import { washProgramme } from './wash-programme.ts'
import { waterBackflush } from './water-backflush.ts'

/** Every procedure that ships. */
export const procedures: Procedure[] = [detergentBackflush, waterBackflush, washProgramme, groupClean]

export const procedureById = (id: string): Procedure | null => procedures.find((one) => one.id === id) ?? null
