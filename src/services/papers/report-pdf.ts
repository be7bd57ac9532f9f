import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import type { DoneLine, FoundLeft } from '../../core/close-out/done-lines.ts'
import type { LeftSubject } from '../../core/close-out/left-subjects.ts'
import type { Stroke } from '../../core/close-out/signature.ts'
import { pathOf } from '../../core/close-out/strokes.ts'
import { keptWords } from '../../core/customers/care-kept.ts'
import { signingWords } from '../../core/ledger/kinds/visit-closed.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { timeAt } from '../../core/quantity/site-time.ts'
import { chargeTable, paidByOthers } from './charge-table.ts'
import { paperHead, partHead } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import { type PaperWords, windowWords } from './paper-words.ts'
import type { Report } from './report.ts'

/**
 * The service report: what a customer reads in a minute. What was done machine by machine, found and left in words, what
 * is isolated, what stays open, when somebody comes again, what is charged, and what was signed.
 */
export function reportPdf(report: Report, words: PaperWords): Promise<Buffer> {
  const { left, site, on } = report
  const content: Content[] = [
    head(report, words),
    ...isolated(report),
    ...left.subjects.flatMap((subject) => machine(subject, report, words)),
    ...open(report, words),
    ...comes(report, words),
    ...kept(report),
    ...money(report, words),
    ...signed(report, words),
  ]
  const document: TDocumentDefinitions = {
    ...paper({
      title: `Service report ${report.number}, ${site.name}, ${on}`,
      author: words.firm,
      foot: `${words.firm} · report ${report.number}${report.revision > 0 ? `, revision ${report.revision}` : ''} · ${words.day(on)}`,
    }),
    content,
  }
  return bytesOf(document)
}

/** What they did between visits: a friendly line, where anything was noted. */
function kept({ kept: all, left }: Report): Content[] {
  if (all.length === 0) return []
  return [
    { text: 'Between our visits', fontSize: 13, bold: true, color: inks.deep, margin: [0, 8, 0, 3], headlineLevel: 1 },
    ...all.map(({ name, kept: lines }) => ({
      text: `${left.subjects.length > 1 ? `${name}. ` : ''}${lines.map(keptWords).join('. ')}.`,
    })),
  ]
}

function head(
  { number, code, revision, on, site, technicians, left, closed, letterhead }: Report,
  words: PaperWords,
): Content {
  const { header } = left
  const clock = (instant: string) => timeAt(site.timeZone, Date.parse(instant))
  const there =
    header?.body.arrivedAt && header.body.leftAt
      ? `${clock(header.body.arrivedAt)} to ${clock(header.body.leftAt)}`
      : ''
  return paperHead({
    firm: words.firm,
    letterhead,
    title: 'Service report',
    ...(left.sinceClosed > 0 && {
      warning: `Corrected since it was signed: ${left.sinceClosed === 1 ? 'one line' : `${left.sinceClosed} lines`} came to it.`,
    }),
    facts: [
      ['Place', [site.name, site.area].filter(Boolean).join(', ')],
      ['For', site.customer],
      ['Day', [words.day(on), there].filter(Boolean).join(', ')],
      ['By', technicians.join(', ')],
      ['Report', `${number}${revision > 0 ? `, revision ${revision}` : ''}, code ${code}`],
      ['Your order', closed.body.orderNumber ?? ''],
    ],
  })
}

function isolated({ closed, left }: Report): Content[] {
  const { isolated: safe = [] } = closed.body
  if (safe.length === 0) return []
  const nameOf = (id: string) => left.subjects.find((subject) => subject.id === id)?.name ?? 'A machine'
  return [
    {
      table: {
        widths: ['*'],
        body: [
          [
            {
              stack: [
                { text: 'Isolated and tagged: not for use', bold: true, color: inks.seal, fontSize: 12 },
                ...safe.map(({ subjectId, how }) => ({ text: `${nameOf(subjectId)}: ${how}.` })),
                {
                  text: 'Nobody takes the tag off or switches it on before we release it.',
                  margin: [0, 2, 0, 0] as [number, number, number, number],
                },
              ],
              margin: [4, 4, 4, 4],
            },
          ],
        ],
      },
      layout: {
        hLineColor: () => inks.seal,
        vLineColor: () => inks.seal,
        hLineWidth: () => 1.5,
        vLineWidth: () => 1.5,
      },
      margin: [0, 2, 0, 6],
    },
  ]
}

function machine(subject: LeftSubject, report: Report, words: PaperWords): Content[] {
  const serial = report.serials.get(subject.id)
  const counter = subject.counter ? `${words.figure(subject.counter.count)} ${subject.counter.unit}` : ''
  const unread = (report.closed.body.left ?? []).find(({ subjectId }) => subjectId === subject.id)
  const rows: TableCell[][] = [
    ...subject.lines.map((line, i) => doneRow(i + 1, line, words)),
    ...subject.rest.map((entry, i): TableCell[] => [
      { text: String(subject.lines.length + i + 1), color: inks.second },
      { text: words.entry(entry, subject.machineKind), colSpan: 2 },
      '',
    ]),
    ...(unread
      ? [
          [
            { text: '–', color: inks.second },
            { text: `Counter not read: ${unread.reason}`, colSpan: 2 },
            '',
          ] as TableCell[],
        ]
      : []),
  ]
  return [
    {
      text: [
        { text: subject.name, bold: true, fontSize: 12.5, color: inks.deep },
        { text: `  ${[subject.model, serial, counter].filter(Boolean).join(' · ')}`, color: inks.second },
      ],
      margin: [0, 8, 0, 2],
      headlineLevel: 1,
    },
    {
      table: {
        widths: [16, '*', 190],
        dontBreakRows: true,
        body: rows.length > 0 ? rows : [['', { text: 'Nothing was done.', colSpan: 2 }, '']],
      },
      layout: inks.rules,
    },
  ]
}

function doneRow(n: number, line: DoneLine, words: PaperWords): TableCell[] {
  const which = line.groups.length > 0 ? ` ${line.groups.join(', ')}` : ''
  return [
    { text: String(n), color: inks.second },
    {
      text: [
        { text: `${upper(line.name)}${which} `, bold: true },
        { text: line.what, ...(line.isOpen && { color: inks.seal, bold: true }) },
        ...(line.note ? [{ text: `. ${line.note}`, color: inks.second }] : []),
      ],
    },
    {
      text: line.foundLeft ? `${words.foundLeft(line.foundLeft)}${acceptedWords(line.foundLeft, words)}` : '',
      ...(line.isOpen && { color: inks.seal }),
    },
  ]
}

const acceptedWords = ({ is, accepted, unit }: FoundLeft, { figure }: PaperWords): string =>
  is === 'grade' ? '' : `; accepted ${figure(accepted.from)} to ${figure(accepted.to)} ${unit}`

function open({ closed, left }: Report, { day }: PaperWords): Content[] {
  const { open: told = [] } = closed.body
  const nameOf = (id: string) => left.subjects.find((subject) => subject.id === id)?.name ?? ''
  return [
    { text: 'Left open, and told', ...partHead },
    ...(told.length === 0
      ? [{ text: 'Nothing.' }]
      : [
          {
            ul: told.map(
              ({ subjectId, name, until }) =>
                `${name}, ${nameOf(subjectId)}: ${until ? `you chose to wait until ${day(until)}` : 'not decided yet'}.`,
            ),
          },
        ]),
  ]
}

function comes({ closed, next: rows }: Report, { day }: PaperWords): Content[] {
  const { next } = closed.body
  return [
    { text: 'What comes next', ...partHead },
    {
      text: next
        ? `We come again on ${day(next.on)}${next.from ? ` at ${next.from}` : ''}.`
        : 'No next visit is agreed.',
    },
    ...(rows.length === 0
      ? []
      : [
          {
            table: {
              widths: ['*', 150, 130],
              dontBreakRows: true,
              body: rows.map(({ name, machine: of, due }): TableCell[] => [
                { text: name },
                { text: of, color: inks.second },
                { text: windowWords(due.p10, due.p90, day), alignment: 'right' },
              ]),
            },
            layout: inks.rules,
            margin: [0, 3, 0, 0] as [number, number, number, number],
          },
          { text: 'Eight times in ten it falls due between these days.', color: inks.second },
        ]),
  ]
}

function money({ closed }: Report, words: PaperWords): Content[] {
  const table = chargeTable(closed.body, words)
  const others = paidByOthers(closed.body.lines)
  return [
    { text: 'What it costs', ...partHead },
    ...(table
      ? [
          table,
          {
            text: `This is no invoice.${closed.body.withTax ? ' The sum with tax is what it comes to.' : ''}`,
            color: inks.second,
            margin: [0, 2, 0, 0] as [number, number, number, number],
          },
        ]
      : [{ text: 'Nothing is charged.' }]),
    ...(others ? [{ text: others }] : []),
  ]
}

function signed({ closed, site }: Report, { day }: PaperWords): Content[] {
  const { sentences, signed: how } = closed.body
  const at = timeAt(site.timeZone, Date.parse(how.at))
  return [
    {
      stack: [
        { text: how.how === 'signed' ? 'Signed' : 'Not signed', ...partHead },
        {
          ol: sentences.map(({ text, struck }) =>
            struck
              ? { text: `${text} (struck out)`, decoration: 'lineThrough' as const, color: inks.second }
              : { text },
          ),
        },
        ...(how.strokes && how.strokes.length > 0 ? [signature(how.strokes)] : []),
        {
          text: `${how.how === 'signed' ? how.name : [upper(signingWords[how.how]), how.name].filter(Boolean).join(', ')}${how.as ? `, ${how.as}` : ''}, ${at} on ${day(closed.happenedOn)}`,
          color: inks.second,
          margin: [0, 3, 0, 0],
        },
      ],
      unbreakable: true,
    },
  ]
}

/** As it was drawn, as a vector. */
function signature(strokes: readonly Stroke[]): Content {
  const xs = strokes.flatMap((stroke) => stroke.filter((_, i) => i % 2 === 0))
  const ys = strokes.flatMap((stroke) => stroke.filter((_, i) => i % 2 === 1))
  const [x, y] = [Math.min(...xs) - 10, Math.min(...ys) - 10]
  const [width, height] = [Math.max(...xs) - x + 10, Math.max(...ys) - y + 10]
  return {
    svg: `<svg viewBox="${x} ${y} ${width} ${height}"><path d="${pathOf(strokes)}" fill="none" stroke="${inks.ink}" stroke-width="6" stroke-linecap="round" stroke-linejoin="round"/></svg>`,
    fit: [180, 60],
    margin: [0, 4, 0, 0],
  }
}
