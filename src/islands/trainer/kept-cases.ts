import type { Training } from '../../core/bench/training.ts'

const caseKey = 'evenshot-bench-case'
const lastKey = 'evenshot-bench-last'
const mostKept = 10

/** A case that ended: whose minutes against the best. */
export interface PastCase {
  kind: string
  seed: number
  minutes: number
  bestMinutes: number
  found: boolean
}

function read<T>(key: string): T | null {
  try {
    const text = localStorage.getItem(key)
    return text ? JSON.parse(text) : null
  } catch (error) {
    console.info('What was kept of the bench cannot be read', error)
    return null
  }
}

function keep(key: string, value: unknown): void {
  try {
    localStorage.setItem(key, JSON.stringify(value))
  } catch (error) {
    console.info('The bench keeps nothing on this device', error)
  }
}

export const readCase = (): Training | null => read<Training>(caseKey)
export const keepCase = (training: Training): void => keep(caseKey, training)
export const dropCase = (): void => localStorage.removeItem(caseKey)

/** The last ten, the newest first. */
export const pastCases = (): PastCase[] => read<PastCase[]>(lastKey) ?? []

/** A case counts once, however often its end is looked at. */
export function addPast(one: PastCase): PastCase[] {
  const others = pastCases().filter(({ kind, seed }) => kind !== one.kind || seed !== one.seed)
  const all = [one, ...others].slice(0, mostKept)
  keep(lastKey, all)
  return all
}
