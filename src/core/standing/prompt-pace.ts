import { toDay } from '../quantity/local-day.ts'
import { ofKind } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'
import { litresBetween } from './water-budget.ts'

/** How often a machine itself asked for a task, by the count and by the water. */
export interface PromptPace {
  task: string
  /** Times it was noted. */
  times: number
  /** Drinks from one to the next, each. */
  drinks: number[]
  /** Litres from one to the next, each. */
  litres: number[]
  /** In the middle. */
  everyDrinks: number
  everyLitres: number
  /** Drinks it says it counts; absent where nobody said. */
  claims?: number
}

/** Two notes of one asking are nearer than this. */
const sameAskingDays = 3

/**
 * What the logged prompts say of each task: a machine may ask every 118 drinks and say it counts 200.
 *
 * @returns only tasks that were asked for twice or more
 */
export function promptPaces(facts: MachineFacts): PromptPace[] {
  const asked = new Map<string, number[]>()
  for (const entry of ofKind(facts.histories, 'machine', 'prompt-seen')) {
    const { task } = entry.body
    const days = asked.get(task) ?? []
    const day = toDay(entry.happenedOn)
    if (days.length === 0 || day - days.at(-1)! >= sameAskingDays) asked.set(task, [...days, day])
  }
  return [...asked].flatMap(([task, days]): PromptPace[] => {
    if (days.length < 2) return []
    const between = <T>(of: (from: number, to: number) => T) => days.slice(1).map((day, i) => of(days[i]!, day))
    const drinks = between((from, to) => Math.max(0, facts.use.totalAt(to) - facts.use.totalAt(from)))
    const litres = between((from, to) => Math.max(0, litresBetween(facts.budget, facts.use, from, to)))
    const claims = facts.kind.prompts.find(({ asksFor }) => asksFor === task)?.everyDrinks
    return [
      {
        task,
        times: days.length,
        drinks,
        litres,
        everyDrinks: middle(drinks),
        everyLitres: middle(litres),
        ...(claims !== undefined && { claims }),
      },
    ]
  })
}

function middle(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
