import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** A PDF read back by another library: the text of each page in the order it was drawn, and what it says of itself. */
export async function readPdf(
  bytes: Uint8Array,
): Promise<{ pages: string[]; title: string; isTagged: boolean; fonts: number; images: number }> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const { info } = await document.getMetadata()
  const marks = await document.getMarkInfo()
  const pages: string[] = []
  let images = 0
  for (let n = 1; n <= document.numPages; n += 1) {
    const page = await document.getPage(n)
    images += (await page.getOperatorList()).fnArray.filter((drawn) => drawn === OPS.paintImageXObject).length
    const { items } = await page.getTextContent()
    pages.push(
      items
        .map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : ''))
        .join('')
        .replaceAll(/[ \t]+/g, ' '),
    )
  }
  const text = Buffer.from(bytes).toString('latin1')
  return {
    pages,
    title: (info as { Title?: string }).Title ?? '',
    isTagged: marks !== null && (marks as { Marked?: boolean }).Marked === true,
    fonts: text.split('/FontFile').length - 1,
    images,
  }
}
