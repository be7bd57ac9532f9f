import type { FoundLeft } from '../core/close-out/done-lines.ts'
import { quantity } from './quantity.ts'

/** In words, for who hears it and for paper. @example 'cracked → new, accepted to 2' */
export function foundLeftWords({ is, found, left, unit, foundWords, leftWords }: FoundLeft): string {
  if (is === 'grade') {
    if (left === undefined) return `${foundWords}, taken out`
    return foundWords && leftWords && foundWords !== leftWords ? `${foundWords} → ${leftWords}` : (leftWords ?? '')
  }
  const said = (value: number) => {
    const { value: figure, unit: name } = quantity(value, unit)
    return `${figure} ${name}`
  }
  if (left === undefined) return found.map(said).join(', ')
  return found.length > 0 && found[0] !== left ? `${said(found[0]!)} → ${said(left)}` : said(left)
}
