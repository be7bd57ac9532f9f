import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { inks } from './paper.ts'

/** How the firm is reached, and its logo as a picture that goes into the paper (a data address). */
export type Letterhead =
  | (Pick<Setting<'letterhead'>, 'phone' | 'email' | 'address' | 'numbers' | 'logo'> & { picture?: string })
  | null

/** Room for a logo at the head of a paper, points: no firm's mark is taller than its name and two lines. */
const logoFit: [number, number] = [170, 48]

/** What stands at the left of a head, with the logo at its right where there is one. */
export const besideLogo = (stack: Content[], picture: string | undefined): Content =>
  picture
    ? {
        columns: [
          { width: '*', stack },
          { width: 'auto', stack: [{ image: picture, fit: logoFit }] },
        ],
        columnGap: 16,
      }
    : { stack }

/** How the firm is reached, in one line, and its numbers in another. */
function letterheadLines(letterhead: Letterhead): Content[] {
  const { phone, email, address, numbers } = letterhead ?? {}
  return [[phone, email, address].filter(Boolean).join(' · '), numbers ?? '']
    .filter((line) => line !== '')
    .map((text) => ({ text, fontSize: 9, color: inks.second }))
}

/** The head of a paper: who writes, what it is, and its facts, each with its name. */
export const paperHead = ({
  firm,
  letterhead,
  title,
  warning,
  facts,
}: {
  firm: string
  letterhead: Letterhead
  title: string
  /** Said before anything else is read. */
  warning?: string
  facts: readonly (readonly [name: string, value: string])[]
}): Content => ({
  stack: [
    besideLogo(
      [{ text: firm, fontSize: 17, bold: true, color: inks.ink }, ...letterheadLines(letterhead)],
      letterhead?.picture,
    ),
    { text: title, fontSize: 13, bold: true, color: inks.deep, margin: [0, 6, 0, 6] },
    ...(warning
      ? [{ text: warning, bold: true, color: inks.seal, margin: [0, 0, 0, 4] as [number, number, number, number] }]
      : []),
    {
      table: {
        widths: [76, '*'],
        body: facts
          .filter(([, value]) => value !== '')
          .map(([name, value]): TableCell[] => [{ text: name, color: inks.second }, { text: value }]),
      },
      layout: 'noBorders',
    },
  ],
  margin: [0, 0, 0, 6],
})

/** The head of a part of a paper; it stays with what it heads. */
export const partHead = {
  bold: true,
  fontSize: 12.5,
  color: inks.deep,
  margin: [0, 10, 0, 2] as [number, number, number, number],
  headlineLevel: 1,
}
