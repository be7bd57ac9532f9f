import type { Content } from 'pdfmake/interfaces.js'
import { tenths } from '../../core/close-out/comes-next.ts'
import { answerWords } from '../../core/ledger/kinds/quoted.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { chargeTable, paidByOthers } from './charge-table.ts'
import { paperHead, partHead } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import type { PaperWords } from './paper-words.ts'
import type { QuotePaper } from './quote.ts'

/**
 * A quote: what is advised at which machine and what waiting may add, what it costs, until when it holds, and a line to
 * say yes on. What waiting may add is told beside what is advised, and nobody signs it.
 */
export function quotePdf(of: QuotePaper, words: PaperWords): Promise<Buffer> {
  const { code, site, quoted, letterhead } = of
  const { body, happenedOn } = quoted
  const { answer, currency, callMinor, note } = body
  const table = chargeTable(body, words)
  const others = paidByOthers(body.lines)
  const content: Content[] = [
    paperHead({
      firm: words.firm,
      letterhead,
      title: 'Quote',
      ...(answer && { warning: `${upper(answerWords[answer.said])}, ${words.day(answer.on)}.` }),
      facts: [
        ['Quote', code],
        ['Day', words.day(happenedOn)],
        ['For', site.customer],
        ['Place', [site.name, site.area].filter(Boolean).join(', ')],
        ['Holds until', words.day(body.validUntil)],
        ['Your order', answer?.orderNumber ?? ''],
      ],
    }),
    { text: 'What we advise', ...partHead },
    { ul: body.items.map((item) => itemLine(item, of, words)) },
    ...(body.items.some(({ waits }) => waits?.length) && callMinor !== undefined
      ? [
          {
            text: `What waiting may add, at most: how likely it is due by then, times ${words.sum(callMinor, currency)} before tax for coming for it alone. Due is not failed. What a standing machine costs you is not in it.`,
            color: inks.second,
            fontSize: 9,
            margin: [0, 3, 0, 0] as [number, number, number, number],
          },
        ]
      : []),
    { text: 'What it costs', ...partHead },
    table ?? { text: 'Nothing is charged.' },
    ...(others ? [{ text: others, margin: [0, 2, 0, 0] as [number, number, number, number] }] : []),
    {
      text: body.ownVisit
        ? 'On a visit of its own; the call and the road are in it.'
        : 'Done on our next visit: no call and no road are charged for it.',
      margin: [0, 2, 0, 0],
    },
    ...(note ? [{ text: note, margin: [0, 6, 0, 0] as [number, number, number, number] }] : []),
    ...(answer ? [] : [yesLine]),
  ]
  return bytesOf({
    ...paper({
      title: `Quote ${code}, ${site.name}, ${happenedOn}`,
      author: words.firm,
      foot: `${words.firm} · quote ${code} · ${words.day(happenedOn)}`,
    }),
    content,
  })
}

type Item = QuotePaper['quoted']['body']['items'][number]

function itemLine({ name, subjectId, waits = [] }: Item, { machines, quoted }: QuotePaper, words: PaperWords): Content {
  const machine = machines.get(subjectId)
  const { currency } = quoted.body
  return {
    text: [
      { text: name, bold: true },
      { text: machine ? `, ${machine}` : '' },
      ...(waits.length > 0
        ? [
            {
              text: `. Waiting: ${waits
                .map(
                  ({ by, chanceMilli, addsMinor }) =>
                    `by ${words.day(by)} ${words.sum(addsMinor, currency)} (due by then: ${tenths(chanceMilli / 1000)})`,
                )
                .join(', ')}.`,
              color: inks.second,
            },
          ]
        : []),
    ],
  }
}

/** Where they say yes by hand. */
const yesLine: Content = {
  stack: [
    { text: 'Yes, please do it', ...partHead },
    {
      columns: [
        { text: 'Name in letters', color: inks.second },
        { text: 'Signature', color: inks.second },
        { text: 'Day, your order number', color: inks.second },
      ],
      columnGap: 18,
      margin: [0, 26, 0, 0],
    },
  ],
  unbreakable: true,
}
