import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { standingTitle } from '../../core/standing/standing-title.ts'
import { brewC, indexWords } from '../../core/water/saturation-words.ts'
import type { SitePage } from '../../views/site-page.ts'
import type { SoftenerPage } from '../../views/softener-page.ts'
import { type Letterhead, paperHead, partHead } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import { type PaperWords, windowWords } from './paper-words.ts'

/** All that a water report is made of. */
export interface WaterReport {
  page: Pick<SitePage, 'site' | 'customer' | 'supply' | 'ledger'>
  softeners: SoftenerPage[]
  letterhead: Letterhead
  today: LocalDay
}

/** So many tests of one water stand on it, the latest first. */
const shown = 6

/**
 * The water report of a place: what was found of the water as it comes, and of each treatment what it feeds, what was
 * found behind it, when it was renewed and when it is due. What nobody tested is said as not known.
 */
export function waterReportPdf(report: WaterReport, words: PaperWords): Promise<Buffer> {
  const { page, softeners, letterhead, today } = report
  const { site, customer, supply, ledger } = page
  return bytesOf({
    ...paper({
      title: `Water report, ${site.name}, ${today}`,
      author: words.firm,
      foot: `${words.firm} · water of ${site.name} · ${words.day(today)}`,
    }),
    content: [
      paperHead({
        firm: words.firm,
        letterhead,
        title: 'Water report',
        facts: [
          ['Place', [site.name, site.area].filter(Boolean).join(', ')],
          ['For', customer.name],
          ['Water zone', supply?.name ?? 'not known'],
          ['Day', words.day(today)],
        ],
      }),
      { text: 'The water as it comes', ...partHead },
      ...found(
        effectiveHistory<Entry>(ledger).entries.filter(
          (entry) => isKind('water-test')(entry) || isKind('water-figures')(entry),
        ),
        'Nobody tested the water as it comes here yet.',
        words,
      ),
      ...(softeners.length === 0
        ? [{ text: 'Treatment', ...partHead }, { text: 'No treatment stands here that we know of.' }]
        : softeners.flatMap((one) => treatment(one, today, words))),
      {
        text: 'Measured on the day that stands beside it; between those days it is not known. A hardness is no judgement of whether water may be drunk: that is for the water works and the law.',
        color: inks.second,
        fontSize: 9,
        margin: [0, 10, 0, 0],
      },
    ],
  })
}

/** Lines of a ledger with their days, the latest first. */
function found(entries: readonly Entry[], none: string, words: PaperWords): Content[] {
  const rows = [...entries].sort((a, b) => (a.happenedOn < b.happenedOn ? 1 : -1)).slice(0, shown)
  if (rows.length === 0) return [{ text: none }]
  return [
    dated(
      rows.map((entry) => [entry.happenedOn, words.entry(entry, null)]),
      words,
    ),
  ]
}

const dated = (rows: readonly (readonly [day: LocalDay, said: string])[], { day }: PaperWords): Content => ({
  table: {
    widths: [86, '*'],
    dontBreakRows: true,
    body: rows.map(([on, said]): TableCell[] => [{ text: day(on), color: inks.second }, { text: said }]),
  },
  layout: inks.rules,
})

function treatment(
  { softener, feeds, tests, out, renewals, standings }: SoftenerPage,
  today: LocalDay,
  words: PaperWords,
): Content[] {
  const due = standings.flatMap((standing) =>
    standing.due ? [{ name: standingTitle(standing), from: standing.due.p10, to: standing.due.p90 }] : [],
  )
  return [
    { text: softener.name, ...partHead },
    {
      text: feeds.length > 0 ? `Feeds ${feeds.map(({ name }) => name).join(', ')}.` : 'Nothing stands behind it.',
      color: inks.second,
    },
    ...(out
      ? [
          {
            text: `Reckoned from the water as it comes and its own tests, it gives a total hardness of ${words.quantity(out.hardnessMgL, hardnessSymbol.mgL)} and a carbonate hardness of ${words.quantity(out.alkalinityMgL, hardnessSymbol.mgL)}; saturation index at ${words.quantity(brewC, '°C')} ${indexWords(out.siBrew)}, above 0 it limes.`,
          },
        ]
      : []),
    ...(tests.length > 0
      ? [
          {
            text: 'Found behind it',
            bold: true,
            margin: [0, 4, 0, 0] as [number, number, number, number],
          },
          dated(
            tests.slice(0, shown).map(({ on, said, spent }) => [on, `${said}${spent ? ': it was spent' : ''}`]),
            words,
          ),
        ]
      : [{ text: 'Nobody tested behind it yet.' }]),
    ...(renewals.length > 0
      ? [
          { text: 'Done to it', bold: true, margin: [0, 4, 0, 0] as [number, number, number, number] },
          dated(
            renewals.slice(0, shown).map((entry) => [entry.happenedOn, words.entry(entry, null)]),
            words,
          ),
        ]
      : []),
    ...(due.length > 0
      ? [
          { text: 'Falls due', bold: true, margin: [0, 4, 0, 0] as [number, number, number, number] },
          {
            table: {
              widths: ['*', 200],
              dontBreakRows: true,
              body: due.map(({ name, from, to }): TableCell[] => [
                { text: name },
                {
                  text: to < today ? `since ${words.day(to)}` : windowWords(from, to, words.day),
                  alignment: 'right',
                  ...(to < today && { color: inks.seal }),
                },
              ]),
            },
            layout: inks.rules,
          },
          { text: 'Eight times in ten between these days.', color: inks.second, fontSize: 9 },
        ]
      : []),
  ]
}
