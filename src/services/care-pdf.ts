import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import pdfmake from 'pdfmake'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { careDrawings } from '../core/care/care-drawings.ts'
import type { CareSheet } from '../core/care/care-terms.ts'
import { rhythmNames } from '../core/care/rhythm-names.ts'

/** What stands at the head and the foot of the sheet. */
export interface CareHead {
  machine: string
  model: string
  site: string
  firm: string
  day: string
  traffic: string
}

const ink = '#10201e'
const second = '#4a5d5a'
const deep = '#0b4f59'

const fonts = join(dirname(fileURLToPath(import.meta.resolve('@fontsource/archivo/package.json'))), 'files')
const file = (weight: number) => join(fonts, `archivo-latin-${weight}-normal.woff`)
pdfmake.addFonts({
  Archivo: { normal: file(400), bold: file(600), italics: file(400), bolditalics: file(600) },
})
// Nothing is fetched, and nothing read but the fonts.
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts))

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
      layout: {
        hLineWidth: () => 0.5,
        vLineWidth: () => 0,
        hLineColor: () => '#c5d1ce',
        paddingTop: () => 3,
        paddingBottom: () => 3,
      },
    })
  }
  const document: TDocumentDefinitions = {
    pageSize: 'A4',
    pageMargins: [42, 42, 42, 48],
    defaultStyle: { font: 'Archivo', fontSize: 10.5, lineHeight: 1.15 },
    info: { title: `Care of ${head.machine}`, author: head.firm },
    content,
    footer: (page, pages) => ({
      text: `${head.firm} · ${head.day} · page ${page} of ${pages}. The maker’s instructions and local rules come first.`,
      fontSize: 8.5,
      color: second,
      margin: [42, 12, 42, 0],
    }),
    // A heading stays with what it heads.
    pageBreakBefore: (node, nodes) => node.headlineLevel === 1 && nodes.getFollowingNodesOnPage().length === 0,
  }
  return pdfmake.createPdf(document).getBuffer()
}
