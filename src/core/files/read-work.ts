import { instances } from '../kinds/index.ts'
import type { Each, Kind, Part, Task } from '../kinds/kind.ts'
import type { Jotting } from '../ledger/entry-kinds.ts'
import { jot } from '../ledger/jot.ts'
import { plainWords } from './guess-kind.ts'
import { deeds, partWords, shortPartWords, shortTaskWords, taskWords } from './work-words.ts'

/** What past work can be on record as, besides a note. */
export type WorkEntry = 'fitted' | 'cleaned' | 'greased' | 'checked' | 'serviced' | 'descaled' | 'repaired'

/** What somebody says that a text means: which entry, of which part or task, and at which of several. */
export interface WorkMeaning {
  entry: WorkEntry
  id?: string
  group?: number | 'all'
}

/** A text of a service record, read. */
export interface ReadWork {
  work: Jotting[]
  /** What it may mean though it does not say so: "group gasket", and nothing about it. Nothing is written of it. */
  guess?: WorkMeaning
}

/**
 * Reads what was done from the words of an old service record. What matches no part or task of the machine is kept
 * as a note: nothing in the file is lost, and nothing is guessed that would move a date. Of several a machine has the
 * text, or a column, must say which; "both" and "all" are all of them.
 *
 * @param text - as it stands in the file: "group gasket group 1 replaced"
 * @param group - which of several, where a column says so
 * @example readWork(c2, 'Group gasket replaced', 1).work // [jot('fitted', { part: 'group-gasket', group: 1 })]
 * @example readWork(c2, 'gasket') // a note, with the guess { entry: 'fitted', id: 'group-gasket', group: 'all' }
 */
export function readWork(kind: Kind, text: string, group?: number): ReadWork {
  const words = plainWords(text)
  const which = group ?? groupNamed(words)
  const asNote = (guess?: WorkMeaning): ReadWork => ({ work: [jot('note', { text })], ...(guess && { guess }) })
  /** On record, where it is told at which of several; else a note, and what it may mean. */
  const told = (meaning: WorkMeaning, each: Each | undefined): ReadWork =>
    which === undefined && instances(kind, each) > 1
      ? asNote({ ...meaning, group: 'all' })
      : { work: workAs(kind, { ...meaning, ...(which !== undefined && { group: which }) }, text) }
  const fitted = (part: Part): WorkMeaning => ({
    entry: 'fitted',
    id: part.id,
    ...(instances(kind, part.each) > 1 && { group: which ?? 'all' }),
  })
  if (deeds.descaled.test(text) && kind.descale) return { work: [jot('descaled', { task: 'descale' })] }
  const short = shortNamed(kind.parts, words, shortPartWords)
  const part = longest(kind.parts, words, partWords) ?? (short?.isAll ? short.one : null)
  if (part && deeds.replaced.test(text)) return told({ entry: 'fitted', id: part.id }, part.each)
  const action = deeds.greased.test(text)
    ? 'grease'
    : deeds.cleaned.test(text)
      ? 'clean'
      : deeds.checked.test(text)
        ? 'check'
        : null
  const tasks = kind.tasks.filter((task) => task.action !== 'replace')
  const ofPart = part && action && tasks.find((task) => task.part === part.id && task.action === action)
  const service = shortNamed(tasks, words, shortTaskWords)
  const task = ofPart ?? longest(tasks, words, taskWords) ?? (service?.isAll ? service.one : null)
  if (task && (ofPart || task.action === action || task.action === 'service' || namedWhole(task, words)))
    return told({ entry: task.doneBy, id: task.id }, task.doneBy === 'serviced' ? undefined : task.each)
  if (deeds.repaired.test(text)) return { work: [jot('repaired', { text, ...(part && { part: part.id }) })] }
  if (deeds.faulty.test(text)) return { work: [jot('fault-reported', { text })] }
  if (part) return asNote(fitted(part))
  if (service) return asNote({ entry: service.one.doneBy, id: service.one.id })
  // "Steam valve gasket replaced": a gasket, but which?
  return asNote(short ? fitted(short.one) : undefined)
}

/**
 * A text as somebody said that it is meant; a note where this kind of machine has no such part or task.
 *
 * @example workAs(c2, { entry: 'fitted', id: 'group-gasket', group: 2 }, 'rubber') // [jot('fitted', { part: 'group-gasket', group: 2 })]
 */
export function workAs(kind: Kind, { entry, id, group }: WorkMeaning, text: string): Jotting[] {
  const part = kind.parts.find((one) => one.id === id)
  if (entry === 'fitted' && part) return each(kind, part.each, group, (at) => jot('fitted', { part: part.id, ...at }))
  if (entry === 'repaired') return [jot('repaired', { text, ...(part && { part: part.id }) })]
  if (entry === 'descaled' && kind.descale) return [jot('descaled', { task: 'descale' })]
  const task = kind.tasks.find(
    (one) =>
      entry !== 'fitted' && one.doneBy === entry && (one.id === id || (one.part !== undefined && one.part === id)),
  )
  if (!task) return [jot('note', { text })]
  return each(kind, entry === 'serviced' ? undefined : task.each, group, (at) =>
    jot(task.doneBy as 'cleaned', { task: task.id, ...at }),
  )
}

/** One entry at each of several that is meant; all of them where nobody says which. */
function each<T>(
  kind: Kind,
  of: Each | undefined,
  group: number | 'all' | undefined,
  made: (at: { group?: number }) => T,
): T[] {
  const many = instances(kind, of)
  if (many === 1) return [made({})]
  if (typeof group === 'number') return [made({ group: Math.min(group, many) })]
  return Array.from({ length: many }, (_, i) => made({ group: i + 1 }))
}

/** A short text that is a task's name and nothing besides: "PAT test". */
const namedWhole = (task: Task, words: string) =>
  [task.name, ...(taskWords[task.id] ?? [])].some((name) => plainWords(name) === words)

/** The part or task whose name stands in the words, each of them whole; of several the longest. */
function longest<T extends { id: string; name: string }>(
  list: T[],
  words: string,
  called: Record<string, readonly string[]>,
): T | null {
  const holds = (name: string) =>
    plainWords(name)
      .split(' ')
      .every((word) => stands(word, words))
  const length = (one: T) =>
    Math.max(0, ...[one.name, ...(called[one.id] ?? [])].filter(holds).map((name) => name.length))
  const sized = list.map((one) => ({ one, length: length(one) })).filter((row) => row.length > 2)
  return sized.sort((a, b) => b.length - a.length)[0]?.one ?? null
}

/** Whether a word stands in a text, in the singular or the plural of whichever language. */
const stands = (word: string, words: string): RegExpExecArray | null =>
  new RegExp(`(?:^| )${word.replace(/s$/, '')}(?:s|es|en|n|e)?(?= |$)`, 'u').exec(words)

/** What may stand beside a short word and speaks of no other thing. */
const besideWords =
  /^(the|both|all|each|new|old|of|on|at|and|was|were|done|left|right|group|groups|gruppe|groupe|gruppo|grupo|groep|gr|nr|no|beide[nr]?|alle[rn]?|neue?[rns]?|links|rechts|linke\w*|rechte\w*|gauche|droite|de|du|la|le|les|der|die|das|und|et|e|il|lo|nuov\w*|neuf|nouve\w*|x|\d+|yearly|annual|full|big|major|planned|scheduled|routine|monthly|quarterly|große|kleine|annuel\w*)$/u

/** What is named by its short word, and whether the text speaks of nothing else. */
function shortNamed<T extends { id: string }>(
  list: T[],
  words: string,
  called: Record<string, readonly string[]>,
): { one: T; isAll: boolean } | null {
  for (const one of list)
    for (const short of called[one.id] ?? []) {
      const found = stands(short, words)
      if (!found) continue
      const rest = words.replace(found[0], ' ').split(' ').filter(Boolean)
      const isDeed = (word: string) => Object.values(deeds).some((deed) => deed.test(word))
      return { one, isAll: rest.every((word) => besideWords.test(word) || isDeed(word)) }
    }
  return null
}

function groupNamed(words: string): number | 'all' | undefined {
  const group = /(?:^| )(?:group|gruppe|groupe|gruppo|grupo|groep|gr) ?([1-4])(?: |$)/.exec(words)
  if (group) return Number(group[1])
  if (/(?:^| )(both|all|each|beide[nr]?|alle[rn]?|deux|tous|toutes|entrambi|tutti|ambos|todos)(?: |$)/.test(words))
    return 'all'
  if (/(?:^| )(left|links|linke\w*|gauche|sinistr\w*|izquierd\w*)(?: |$)/.test(words)) return 1
  return /(?:^| )(right|rechts|rechte\w*|droite?|destr\w*|derech\w*)(?: |$)/.test(words) ? 2 : undefined
}
