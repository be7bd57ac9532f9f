import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import pdfmake from 'pdfmake'
import type { CustomTableLayout, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { type Face, faceOf, inType } from './in-type.ts'

const fonts = join(dirname(fileURLToPath(import.meta.resolve('@fontsource/archivo/package.json'))), 'files')
const file = (weight: number, of = 'latin') => join(fonts, `archivo-${of}-${weight}-normal.woff`)
const family = (of: string) => ({
  normal: file(400, of),
  bold: file(600, of),
  italics: file(400, of),
  bolditalics: file(600, of),
})
// Letters of more languages come in a file of their own.
pdfmake.addFonts({ Archivo: family('latin'), 'Archivo more': family('latin-ext') })
const faces: [Face, Face] = [faceOf('Archivo', file(400)), faceOf('Archivo more', file(400, 'latin-ext'))]
// Nothing is fetched, and nothing read but the fonts.
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts))

const rules: CustomTableLayout = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => '#c5d1ce',
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
}

/** Colours of a paper, dark enough for a grey printer, and the hairlines between its rows. */
export const inks = { ink: '#10201e', second: '#4a5d5a', deep: '#0b4f59', seal: '#a3201a', rules }

/** What every paper has: its size, its type, its name for whoever reads it aloud, its foot. */
export const paper = ({
  title,
  author,
  foot,
}: {
  title: string
  author: string
  foot: string
}): Omit<TDocumentDefinitions, 'content'> => ({
  pageSize: 'A4',
  pageMargins: [42, 42, 42, 48],
  defaultStyle: { font: 'Archivo', fontSize: 10, lineHeight: 1.15 },
  info: { title, author },
  language: 'en',
  tagged: true,
  displayTitle: true,
  footer: (page, pages) => ({
    text: `${foot} · page ${page} of ${pages}`,
    fontSize: 8.5,
    color: inks.second,
    margin: [42, 12, 42, 0],
  }),
  // A heading stays with what it heads; a row is never cut.
  pageBreakBefore: (node, nodes) => node.headlineLevel === 1 && nodes.getFollowingNodesOnPage().length === 0,
})

/** A paper as the bytes of its file. */
export const bytesOf = ({ content, footer, ...document }: TDocumentDefinitions): Promise<Buffer> =>
  pdfmake
    .createPdf({
      ...document,
      content: inType(content, faces),
      ...(typeof footer === 'function' && {
        footer: (...page: Parameters<typeof footer>) => inType(footer(...page) ?? '', faces),
      }),
    })
    .getBuffer()
