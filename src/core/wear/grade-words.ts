/**
 * How the five grades of a part that was looked at are called: a screen does not harden, and a burr does not crack.
 * Common practice, no source.
 */
const words = {
  rubber: ['as new', 'set', 'hardening', 'cracked', 'failed'],
  hose: ['as new', 'discoloured', 'stiff or swollen', 'cracked', 'leaks'],
  passage: ['as new', 'a film on it', 'partly blocked', 'mostly blocked', 'blocked or torn'],
  burrs: ['sharp', 'less sharp', 'dull', 'worn round', 'chipped or worn out'],
  valve: ['as new', 'slight deposit', 'deposit, slow', 'drips or sticks', 'failed'],
  moving: ['as new', 'run in', 'some play or noise', 'much play or weak', 'failed'],
  electrical: ['as new', 'slight traces', 'discoloured', 'burnt or loose', 'failed'],
  metal: ['as new', 'slightly worn', 'worn', 'badly worn', 'failed'],
} as const satisfies Record<string, readonly [string, string, string, string, string]>

export type GradeWords = (typeof words)[keyof typeof words]

/** What a part is by its id; the first that fits. Of several things in one part the one that wears first tells. */
const made: [RegExp, keyof typeof words][] = [
  [/hose|pinch-tube/, 'hose'],
  [/gasket|seal|seat|ring(s|$)|sleeve|cleaning-disc|spring-plug|tank-coupling/, 'rubber'],
  [/screw|basket|portafilter|clips/, 'metal'],
  [/screen|strainer|jet|restrictor|filter|shower|steam-tip|passage|block$|pipes|sachet|brewing-tube/, 'passage'],
  [/^burrs$/, 'burrs'],
  [
    /coil|capacitor|contact|relay|board|pad|sensor|switch|fuse|cut-out|thermostat|heat|protector|probe|magnet/,
    'electrical',
  ],
  [/valve|breaker|preventer|reducer|leak-stop/, 'valve'],
  [/pump|motor|drive|cam|linkage|carrier|spindle|screw|guides|doser|whisk|mixer|meter|unit/, 'moving'],
]

/**
 * The words for the grades 0 to 4 of a part, whatever kind of machine it is of.
 * @example gradeWordsOf('shower-screen')[3] // 'mostly blocked'
 */
export const gradeWordsOf = (part: string): GradeWords => words[sortOf(part)]

/** What wears as rubber does, or a hose, or a screen: by the id of the part. @example sortOf('group-gasket') // 'rubber' */
export const sortOf = (part: string): keyof typeof words => made.find(([is]) => is.test(part))?.[1] ?? 'metal'
