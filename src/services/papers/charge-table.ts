import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { type ChargeLine, comesTo, totalsOf } from '../../core/close-out/charge-line.ts'
import { chargeUnitWords } from '../../core/close-out/charge-terms.ts'
import { inks } from './paper.ts'
import type { PaperWords } from './paper-words.ts'

interface Charged {
  lines: readonly ChargeLine[]
  taxBp: number
  currency: string
}

/** What is charged, line by line, with the tax and the sum; null where nothing is. */
export function chargeTable({ lines: all, taxBp, currency }: Charged, words: PaperWords): Content | null {
  const charged = all.filter(({ pays }) => pays === 'customer')
  if (charged.length === 0) return null
  const totals = totalsOf(all, taxBp)
  const sum = (minor: number) => words.sum(minor, currency)
  const right = (text: string, bold = false): TableCell => ({ text, alignment: 'right', bold, noWrap: true })
  return {
    table: {
      widths: ['*', 70, 70],
      dontBreakRows: true,
      body: [
        ...charged.map((line): TableCell[] => [
          { text: [line.name, { text: line.changed ? ` (${line.changed})` : '', color: inks.second }] },
          right([words.figure(line.quantityMilli / 1000), chargeUnitWords[line.unit]].filter(Boolean).join(' ')),
          right(line.priceMinor === null ? 'no price' : sum(comesTo(line)!)),
        ]),
        [{ text: 'Together, before tax' }, '', right(sum(totals.netMinor), true)],
        [{ text: `Tax ${words.figure(taxBp / 100)} %` }, '', right(sum(totals.taxMinor))],
        [{ text: 'Together, with tax', bold: true }, '', right(sum(totals.grossMinor), true)],
      ],
    },
    layout: inks.rules,
  }
}

/** What somebody else pays, by whom. @example 'In your contract: group gasket; work.' */
export const paidByOthers = (lines: readonly ChargeLine[]): string =>
  (['contract', 'warranty', 'nobody'] as const)
    .flatMap((payer) => {
      const names = lines.filter(({ pays }) => pays === payer).map(({ name }) => name.toLowerCase())
      return names.length > 0 ? [`${restWords[payer]}: ${names.join('; ')}.`] : []
    })
    .join(' ')

const restWords = { contract: 'In your contract', warranty: 'Under warranty', nobody: 'As goodwill' } as const
