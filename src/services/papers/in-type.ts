import { readFileSync } from 'node:fs'
import { create, type Font } from 'fontkit'
import type { Content } from 'pdfmake/interfaces.js'

/** What the type of the papers cannot set, said with what it can. */
const saidWith: Record<string, string> = {
  ' → ': ', now ',
  '→': ', now ',
  MΩ: 'Mohm',
  Ω: 'ohm',
  '₂': '2',
  '₃': '3',
  '≤': 'at most ',
  '≥': 'at least ',
  '⌀': 'diameter ',
}
const toSay = new RegExp(Object.keys(saidWith).join('|'), 'g')

/** A typeface by its name among the fonts of the papers, and which characters it has. */
export interface Face {
  name: string
  has(char: string): boolean
}

/** @param path - of the font’s file */
export function faceOf(name: string, path: string): Face {
  const font = create(readFileSync(path)) as Font
  return { name, has: (char) => font.hasGlyphForCodePoint(char.codePointAt(0)!) }
}

type Run = { text: string; font?: string }

/**
 * Text in runs of one typeface each: what the first lacks is set in the next that has it; a letter that none has loses
 * its accents, and what is left of that is shown as a question mark, never as nothing.
 *
 * @example runsOf('Łódź', [latin, latinExt]) // [{ text: 'Ł', font: 'ext' }, { text: 'ód' }, { text: 'ź', font: 'ext' }]
 */
export function runsOf(text: string, [first, ...others]: [Face, ...Face[]]): Run[] {
  const runs: Run[] = []
  const add = (char: string, font?: string) => {
    const last = runs.at(-1)
    if (last && last.font === font) last.text += char
    else runs.push({ text: char, ...(font && { font }) })
  }
  for (const char of text.normalize('NFC').replaceAll(toSay, (found) => saidWith[found]!)) {
    const other = char === '\n' || first.has(char) ? null : others.find((face) => face.has(char))
    if (other === null) add(char)
    else if (other) add(char, other.name)
    else for (const bare of char.normalize('NFKD').replaceAll(/\p{Mark}/gu, '')) add(first.has(bare) ? bare : '?')
  }
  return runs
}

/**
 * Content whose every text can be set by these faces. What is set already is handed back itself: a paper may ask a node of
 * its own where it was laid.
 */
export function inType(content: Content, faces: [Face, ...Face[]]): Content {
  const setText = (text: string): string | Run[] => {
    const runs = runsOf(text, faces)
    return runs.every(({ font }) => !font) ? runs.map((run) => run.text).join('') : runs
  }
  // biome-ignore lint/suspicious/noExplicitAny: content nests in as many shapes as a paper has
  const walk = (node: any): any => {
    if (typeof node === 'string') {
      const set = setText(node)
      return typeof set === 'string' ? set : { text: set }
    }
    if (Array.isArray(node)) {
      const all = node.map(walk)
      return all.every((one, i) => one === node[i]) ? node : all
    }
    if (node === null || typeof node !== 'object') return node
    const changed: Record<string, unknown> = {}
    for (const within of ['text', 'stack', 'columns', 'ul', 'ol'] as const) {
      const of = node[within]
      if (of === undefined) continue
      const set = typeof of === 'string' ? setText(of) : walk(of)
      if (set !== of) changed[within] = set
    }
    const body = node.table && walk(node.table.body)
    if (body !== node.table?.body) changed.table = { ...node.table, body }
    return Object.keys(changed).length > 0 ? { ...node, ...changed } : node
  }
  return walk(content)
}
