import type { Content } from 'pdfmake/interfaces.js'
import { careDrawings } from '../core/care/care-drawings.ts'
import type { CareSheet } from '../core/care/care-terms.ts'
import { rhythmNames } from '../core/care/rhythm-names.ts'
import { bytesOf, inks, paper } from './papers/paper.ts'

const { ink, second, deep } = inks

/** What stands at the head and the foot of the sheet. */
export interface CareHead {
  machine: string
  model: string
  site: string
  firm: string
  day: string
  traffic: string
}

/** The customer's care sheet as a PDF of A4 pages. */
export function carePdf(sheet: CareSheet, head: CareHead): Promise<Buffer> {
  const content: Content[] = [
    { text: `Between our visits: ${head.machine}`, fontSize: 20, bold: true, color: ink },
    { text: [head.model, head.site, head.traffic].filter(Boolean).join(' · '), color: second, margin: [0, 2, 0, 8] },
  ]
  for (const { rhythm, items } of sheet.rhythms) {
    content.push({
      text: rhythmNames[rhythm],
      fontSize: 13,
      bold: true,
      color: deep,
      margin: [0, 8, 0, 3],
      headlineLevel: 1,
    })
    content.push({
      table: {
        widths: [34, '*'],
        dontBreakRows: true,
        body: items.map(({ say, how, drawing, caution }) => [
          {
            svg: `<svg viewBox="0 0 48 48" width="28" height="28"><path d="${careDrawings[drawing]}" fill="none" stroke="${deep}" stroke-width="2.2" stroke-linecap="round" stroke-linejoin="round"/></svg>`,
            width: 28,
          },
          {
            stack: [
              { text: say, bold: true, color: ink },
              ...(how ? [{ text: how, color: second }] : []),
              ...(caution ? [{ text: `Caution: ${caution}`, color: ink }] : []),
            ],
          },
        ]),
      },
      layout: inks.rules,
    })
  }
  return bytesOf({
    ...paper({
      title: `Care of ${head.machine}`,
      author: head.firm,
      foot: `${head.firm} · ${head.day} · The maker’s instructions and local rules come first`,
    }),
    content,
  })
}
