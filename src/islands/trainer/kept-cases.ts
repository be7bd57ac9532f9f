import type { Training } from '../../core/bench/training.ts'
import { shelf } from '../../device/shelf.ts'

/** One case is under way at a time, and one list of those that ended. */
const here = 'bench'
const mostKept = 10

/** A case that ended: whose minutes against the best. */
export interface PastCase {
  kind: string
  seed: number
  minutes: number
  bestMinutes: number
  found: boolean
}

const keptCase = shelf<Training>({
  name: 'case',
  version: 1,
  schema: async () => (await import('./case-schemas.ts')).caseSchema,
  former: () => 'evenshot-bench-case',
})
const keptPast = shelf<{ cases: PastCase[] }>({
  name: 'past-cases',
  version: 2,
  schema: async () => (await import('./case-schemas.ts')).pastSchema,
  // A list by itself at first.
  lift: { 1: (cases: PastCase[]) => ({ cases }) },
  former: () => 'evenshot-bench-last',
})

/** @param unfit - says why a case means nothing any more */
export const readCase = (unfit: (training: Training) => string | null) => keptCase.read(here, unfit)
export const keepCase = (training: Training): Promise<boolean> => keptCase.keep(here, training)
export const dropCase = (): Promise<void> => keptCase.drop(here)

/** The last ten, the newest first. */
export const pastCases = async (): Promise<PastCase[]> => (await keptPast.read(here)).value?.cases ?? []

/** A case counts once, however often its end is looked at. */
export async function addPast(one: PastCase): Promise<PastCase[]> {
  const others = (await pastCases()).filter(({ kind, seed }) => kind !== one.kind || seed !== one.seed)
  const cases = [one, ...others].slice(0, mostKept)
  await keptPast.keep(here, { cases })
  return cases
}
