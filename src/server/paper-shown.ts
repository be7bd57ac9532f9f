import type { LetterFile } from '../core/letters/letter.ts'

/** A paper as it is opened in the browser, and called where it is kept. */
export const paperShown = ({ name, mediaType, bytes }: LetterFile): Response =>
  new Response(new Uint8Array(bytes), {
    headers: { 'content-type': mediaType, 'content-disposition': `inline; filename="${name}"` },
  })

/** The same for a PDF by itself. @example pdfNamed(pdf, 'label-01939000') */
export const pdfNamed = (pdf: Buffer, name: string): Response =>
  paperShown({ name: `${name}.pdf`, mediaType: 'application/pdf', bytes: pdf })
