import { scald } from './care-cautions.ts'
import { repeats } from './care-rhythm.ts'
import type { CareItem } from './care-terms.ts'

/** What a line of the routine says that a way has said already. */
export function saidAlready(what: string, procedures: Set<string>): boolean {
  const said: [words: RegExp, by: string[]][] = [
    [
      /backflush|programme with tablet|wash programme/i,
      ['detergent-backflush', 'wash-programme', 'tablet-programme', 'water-backflush'],
    ],
    [/wand (wiped|purged)|screen rinsed/i, ['wand-clean', 'steam-tip']],
    [/screens? (off|and channel)/i, ['parts-soak', 'group-clean']],
    [/steam tips?/i, ['steam-tip']],
  ]
  return said.some(([words, by]) => words.test(what) && by.some((id) => procedures.has(id)))
}

/** How a line of the routine is done, where its own words do not say, and how often where the heading does not. */
export function routineHow(what: string, every: string): { how?: string } {
  const told = [
    /sanitised/i.test(what) ? 'a sanitiser for drinking-water tanks by its label; never on a day with descaler' : null,
    repeats(every) ? every : null,
  ].filter(Boolean)
  return told.length > 0 ? { how: told.join('; ') } : {}
}

export const eachShot: CareItem[] = [
  { say: 'Knock the puck out', drawing: 'knock', mark: 'T' },
  {
    say: 'Wipe the basket dry',
    how: 'A wet wall lets water run down the side: uneven coffee.',
    drawing: 'wipe',
    mark: 'T',
  },
  {
    say: 'Run the group 2 to 3 seconds',
    how: 'It washes the grounds off the screen.',
    drawing: 'flush',
    caution: scald,
    mark: 'T',
  },
  { say: 'Wipe rim and lugs before locking in', drawing: 'wipe', mark: 'T' },
]

export const eachMilk: CareItem[] = [
  {
    say: 'Purge the wand at once, then wipe it',
    how: 'Two seconds of steam, then the cloth, the back too: milk is sucked in when the tap shuts.',
    drawing: 'wand',
    caution: 'Steam burns before it is seen: tip into the cloth.',
    mark: 'T',
  },
]
