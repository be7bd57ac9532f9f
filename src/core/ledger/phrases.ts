import { exchangerParts } from '../softener/exchanger-parts.ts'
import { gradeWordsOf } from '../wear/grade-words.ts'
import type { Pen } from './entry-definition.ts'

/** A name in small letters, read as words. @example plain('group-gasket') // 'group gasket' */
export const plain = (id: string): string => id.replaceAll('-', ' ')
export const upper = (text: string): string => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`

/** What was added to a line, after a full stop. */
export const noteWords = ({ note }: { note?: string | undefined }): string => (note ? `. ${note}` : '')

/** Said of what is for the firm’s own eyes. */
export const forUsWords = ({ internal }: { internal?: boolean | undefined }): string =>
  internal ? ', for us alone' : ''

/** Which of several a line is about. */
export function whichWords(name: string, { group, part }: { group?: number | undefined; part?: string }, pen: Pen) {
  if (group === undefined) return name
  const each = pen.machine?.parts.find((candidate) => candidate.id === part)?.each ?? 'group'
  return `${name}, ${each === 'side' ? (group === 1 ? 'left' : 'right') : `group ${group}`}`
}

/** A part by its name on this kind of machine. */
export const partWords = (body: { part: string; group?: number | undefined }, pen: Pen): string =>
  whichWords(pen.machine?.parts.find(({ id }) => id === body.part)?.name ?? body.part, body, pen)

/** A task by its name on this kind of machine, or on a softener. */
export const taskWords = (body: { task: string; group?: number | undefined }, pen: Pen): string =>
  whichWords(
    pen.machine?.tasks.find(({ id }) => id === body.task)?.name ??
      exchangerParts.find(({ id }) => id === body.task)?.name.toLowerCase() ??
      plain(body.task),
    body,
    pen,
  )

/** How worn a part looked. @example conditionWords({ part: 'group-gasket', condition: 3 }) // ': 3 of 4, cracked' */
export const conditionWords = ({ part, condition }: { part: string; condition?: number | undefined }): string =>
  condition === undefined ? '' : `: ${condition} of 4, ${gradeWordsOf(part)[condition]}`

/** A part or task that a setting is about. */
export const taskName = (task: string, { machine }: Pen): string =>
  machine?.tasks.find(({ id }) => id === task)?.name ?? plain(task)
