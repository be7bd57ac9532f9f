import type { DynamicBackground } from 'pdfmake/interfaces.js'
import { inks } from './paper.ts'

export const page = { width: 595.28, height: 841.89 }
/** The frame of the sheet, and what lies inside of it. */
export const frame = { left: 30, top: 28, right: page.width - 30, bottom: page.height - 28 }
export const inner = { left: 42, right: page.width - 42 }
const columns = 8
const rows = 'ABCDEFGH'

/** Frame, zones and centre marks: thick where it is cut, thin where it is counted. */
export const background: DynamicBackground = () => {
  const { left, top, right, bottom } = frame
  const [w, h] = [(right - left) / columns, (bottom - top) / rows.length]
  const [midX, midY] = [(left + right) / 2, (top + bottom) / 2]
  const ticks = [
    ...Array.from({ length: columns - 1 }, (_, i) => left + (i + 1) * w).map(
      (x) => `M${x} ${top - 10}V${top}M${x} ${bottom}V${bottom + 10}`,
    ),
    ...Array.from({ length: rows.length - 1 }, (_, i) => top + (i + 1) * h).map(
      (y) => `M${left - 10} ${y}H${left}M${right} ${y}H${right + 10}`,
    ),
  ].join('')
  const letter = (text: string, x: number, y: number) =>
    `<text x="${x}" y="${y}" font-family="Archivo" font-size="7" text-anchor="middle" fill="${inks.second}">${text}</text>`
  const names = [
    ...Array.from({ length: columns }, (_, i) => [
      letter(String(i + 1), left + (i + 0.5) * w, top - 3),
      letter(String(i + 1), left + (i + 0.5) * w, bottom + 8),
    ]).flat(),
    ...[...rows].flatMap((row, i) => [
      letter(row, left - 5, top + (i + 0.5) * h + 2.5),
      letter(row, right + 5, top + (i + 0.5) * h + 2.5),
    ]),
  ].join('')
  return {
    svg: `<svg width="${page.width}" height="${page.height}" viewBox="0 0 ${page.width} ${page.height}">
<rect x="${left}" y="${top}" width="${right - left}" height="${bottom - top}" fill="none" stroke="${inks.ink}" stroke-width="1.4"/>
<rect x="${left - 10}" y="${top - 10}" width="${right - left + 20}" height="${bottom - top + 20}" fill="none" stroke="${inks.second}" stroke-width="0.5"/>
<path d="${ticks}" stroke="${inks.second}" stroke-width="0.5"/>
<path d="M${midX} ${top - 14}V${top + 4}M${midX} ${bottom - 4}V${bottom + 14}M${left - 14} ${midY}H${left + 4}M${right - 4} ${midY}H${right + 14}" stroke="${inks.ink}" stroke-width="1.2"/>
${names}</svg>`,
  }
}

/** The zone a point of the page lies in. @example zoneAt(40, 40) // 'A1' */
export function zoneAt(x: number, y: number): string {
  const column = Math.floor(((x - frame.left) / (frame.right - frame.left)) * columns)
  const row = Math.floor(((y - frame.top) / (frame.bottom - frame.top)) * rows.length)
  return `${rows[Math.min(rows.length - 1, Math.max(0, row))]}${Math.min(columns, Math.max(1, column + 1))}`
}
