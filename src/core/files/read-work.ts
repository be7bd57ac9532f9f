import type { Kind } from '../kinds/kind.ts'
import type { Jotting } from '../ledger/entry-kinds.ts'
import { jot } from '../ledger/jot.ts'

const changed = /\b(chang|replac|new|fit|renew|swap|exchang)/i
const looked = /\b(check|look|inspect|test|ok)\b/i
const greased = /\bgreas|\blubric/i
const cleaned = /\bclean|\bsoak|\brins|\bback-?flush|\bdetergent/i
const descaled = /\bde-?scal/i
const repaired = /\brepair|\bmend|\bfixed/i
const faulty = /\bfault|\bcomplain|\bleak|\bdoes not|\bdoesn't|\bno (coffee|steam|water|power)/i
const serviced = /\bservice(d|s)?\b/i

/**
 * Reads what was done from the words of an old service record. What matches no part or task of the machine
 * is kept as a note: nothing in the file is lost, and nothing is guessed that would move a date.
 *
 * @param text - as it stands in the file: "group gasket group 1 replaced"
 * @param group - which of several, where a column says so
 * @example readWork(c2, 'Group gasket replaced', 1) // jot('fitted', { part: 'group-gasket', group: 1 })
 */
export function readWork(kind: Kind, text: string, group?: number): Jotting {
  const words = text.toLowerCase()
  const which = group ?? numbered(words)
  const part = longest(kind.parts, words)
  const note = jot('note', { text })
  if (descaled.test(text) && kind.descale) return jot('descaled', { task: 'descale' })
  if (part && changed.test(text)) return jot('fitted', { part: part.id, ...of(kind, part.each, which) })
  const action = greased.test(text) ? 'grease' : cleaned.test(text) ? 'clean' : looked.test(text) ? 'check' : null
  const tasks = kind.tasks.filter((task) => task.action !== 'replace')
  const ofPart = part && action && tasks.find((task) => task.part === part.id && task.action === action)
  const task = ofPart ?? longest(tasks, words)
  if (task && (ofPart || task.action === action || task.action === 'service')) {
    const many = task.doneBy === 'serviced' ? {} : of(kind, task.each, which)
    return jot(task.doneBy, { task: task.id, ...many })
  }
  if (serviced.test(text)) {
    const service = tasks.find((one) => one.action === 'service')
    if (service) return jot('serviced', { task: service.id })
  }
  if (repaired.test(text)) return jot('repaired', { text, ...(part && { part: part.id }) })
  if (faulty.test(text)) return jot('fault-reported', { text })
  return note
}

/** The part or task whose name stands in the words, all of it; of several the longest. */
function longest<T extends { name: string }>(list: T[], words: string): T | null {
  const found = list.filter(({ name }) =>
    name
      .toLowerCase()
      .split(/[^a-z0-9]+/)
      .filter(Boolean)
      .every((word) => words.includes(word.replace(/s$/, ''))),
  )
  return found.sort((a, b) => b.name.length - a.name.length)[0] ?? null
}

function numbered(words: string): number | undefined {
  const group = /\bgroup\s*([1-4])\b/.exec(words)
  if (group) return Number(group[1])
  return /\bleft\b/.test(words) ? 1 : /\bright\b/.test(words) ? 2 : undefined
}

/** Which of several, where the machine has several; the first where nobody said. */
const of = (kind: Kind, each: 'group' | 'side' | undefined, which: number | undefined) => {
  const many = each === 'group' ? kind.groups : each === 'side' ? kind.sides : 1
  return many > 1 ? { group: Math.min(which ?? 1, many) } : {}
}
