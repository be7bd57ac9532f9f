/** What keys start or set, by what it does; each model has its own way in. */
export const programmes = {
  clean: { name: 'cleaning programme', lamp: 'its cleaning lamp' },
  descale: { name: 'descaling programme', lamp: 'its descaling lamp' },
  rinse: { name: 'rinse', lamp: null },
  empty: { name: 'emptying', lamp: null },
  milk: { name: 'milk cleaning', lamp: null },
  'manual-movement': { name: 'manual movement of the unit', lamp: null },
  hardness: { name: 'water hardness', lamp: null },
  temperature: { name: 'brew temperature', lamp: null },
  dose: { name: 'drink volume', lamp: null },
  energy: { name: 'switching itself off', lamp: null },
  'factory-reset': { name: 'return to factory settings', lamp: null },
} as const satisfies Record<string, { name: string; lamp: string | null }>

export type Programme = keyof typeof programmes
export const programmeIds = Object.keys(programmes) as Programme[]

/** How keys are worked. */
export const keyWays = {
  hold: 'held together',
  press: 'pressed',
  'hold-on': 'held while it is switched on',
  'hold-plug': 'held while the plug goes in',
  menu: 'chosen in its menu',
} as const
export type KeyWay = keyof typeof keyWays

/** From which state keys are worked. */
export const keyStarts = { off: 'switched off', ready: 'ready', unlocked: 'ready, head closed but unlocked' } as const
export type KeyStart = keyof typeof keyStarts

/**
 * How a model's keys start a programme: from which state, which keys, how, what answers, and the press that follows.
 * Keys are named as they are written on the machine.
 */
export interface KeyPattern {
  from: KeyStart
  keys: string[]
  way: KeyWay
  /** How long they are held, s. */
  seconds?: number
  /** How often within how long. */
  times?: number
  withinS?: number
  /** What shows that it took. */
  answers: string
  /** The press that follows: to start, to go on, to rinse. */
  next?: string
}

const listed = (keys: string[]) =>
  keys.length < 2 ? (keys[0] ?? '') : `${keys.slice(0, -1).join(', ')} and ${keys.at(-1)}`

/**
 * A pattern as it is done.
 * @example patternWords({ from: 'off', keys: ['one cup', 'steam'], way: 'hold', seconds: 5, answers: 'both light up', next: 'press one cup to start' })
 * // 'From switched off: one cup and steam held together for 5 s. Both light up. Then press one cup to start.'
 */
export function patternWords({ from, keys, way, seconds, times, withinS, answers, next }: KeyPattern): string {
  const how =
    way === 'press'
      ? `${listed(keys)} pressed${times && times > 1 ? ` ${times} times` : ''}${withinS ? ` within ${withinS} s` : ''}`
      : way === 'menu'
        ? `“${keys.join('” › “')}” in its menu`
        : way === 'hold'
          ? `${listed(keys)} held${keys.length > 1 ? ' together' : ''}${seconds ? ` for ${seconds} s` : ''}`
          : `${listed(keys)} ${keyWays[way]}${seconds ? `, for ${seconds} s` : ''}`
  const upper = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`
  return [`From ${keyStarts[from]}: ${how}.`, `${upper(answers)}.`, next ? `Then ${next}.` : '']
    .filter(Boolean)
    .join(' ')
}

/** Whether two patterns are worked alike: what would start one starts the other. */
export const samePattern = (a: KeyPattern, b: KeyPattern): boolean =>
  a.from === b.from &&
  a.way === b.way &&
  [...a.keys].sort().join('+') === [...b.keys].sort().join('+') &&
  (a.way !== 'press' || (a.times ?? 1) === (b.times ?? 1))
