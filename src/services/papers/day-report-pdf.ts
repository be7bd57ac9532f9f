import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { totalsOf } from '../../core/close-out/charge-line.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { sumOf } from '../../core/money/minor.ts'
import type { DayReport, DayVisit } from './day-report.ts'
import { paperHead, partHead } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import type { PaperWords } from './paper-words.ts'

/**
 * A day's report for a customer with many machines: place by place what was done in a line a machine, what is not for
 * use, what stays open, when somebody comes again. The report of each visit says the rest.
 */
export function dayReportPdf(day: DayReport, words: PaperWords): Promise<Buffer> {
  const { customer, on, visits, letterhead } = day
  const closed = visits.flatMap(({ report }) => report ?? [])
  const charged = sumOf(closed.map(({ closed: { body } }) => totalsOf(body.lines, body.taxBp).netMinor))
  const currency = closed[0]?.closed.body.currency
  const machines = closed.reduce((sum, { left }) => sum + left.subjects.filter(isMachine).length, 0)
  return bytesOf({
    ...paper({
      title: `Day’s report, ${customer}, ${on}`,
      author: words.firm,
      foot: `${words.firm} · ${customer} · ${words.day(on)}`,
    }),
    content: [
      paperHead({
        firm: words.firm,
        letterhead,
        title: 'Day’s report',
        facts: [
          ['For', customer],
          ['Day', words.day(on)],
          ['Seen', `${machines} ${machines === 1 ? 'machine' : 'machines'} at ${places(visits.length)}`],
          ['Charged', currency ? `${words.sum(charged, currency)} before tax, as the reports say` : ''],
        ],
      }),
      ...visits.flatMap((visit) => place(visit, words)),
    ],
  })
}

const isMachine = ({ kind }: { kind: string }): boolean => kind === 'machine'
const places = (count: number): string => `${count} ${count === 1 ? 'place' : 'places'}`

function place({ site, report }: DayVisit, words: PaperWords): Content[] {
  if (!report)
    return [
      { text: site, ...partHead },
      { text: 'Somebody was here; the visit is not closed yet.', color: inks.second },
    ]
  const { left, closed, number, technicians } = report
  const isolated = new Map((closed.body.isolated ?? []).map(({ subjectId, how }) => [subjectId, how]))
  const open = (closed.body.open ?? []).map(({ name, subjectId }) => ({ name, subjectId }))
  const next = closed.body.next?.on
  return [
    {
      text: [
        { text: site, bold: true },
        {
          text: `  report ${number}${technicians.length > 0 ? `, ${technicians.join(', ')}` : ''}`,
          color: inks.second,
          bold: false,
        },
      ],
      ...partHead,
    },
    {
      table: {
        widths: [120, '*'],
        dontBreakRows: true,
        body: left.subjects.map((subject): TableCell[] => {
          const how = isolated.get(subject.id)
          const opens = open.filter(({ subjectId }) => subjectId === subject.id).map(({ name }) => name)
          return [
            { text: subject.name, bold: true },
            {
              stack: [
                ...(how ? [{ text: `Isolated and tagged, not for use: ${how}.`, color: inks.seal, bold: true }] : []),
                { text: doneWords(subject, words) },
                ...(opens.length > 0 ? [{ text: `Left open: ${opens.join('; ')}.`, color: inks.seal }] : []),
              ],
            },
          ]
        }),
      },
      layout: inks.rules,
    },
    {
      text: next ? `We come again on ${words.day(next)}.` : 'No next visit is agreed.',
      color: inks.second,
      fontSize: 9,
    },
  ]
}

type Subject = NonNullable<DayVisit['report']>['left']['subjects'][number]

/** What was done at one machine, in a line. @example 'Group gasket new; drain hose cleaned.' */
function doneWords({ lines, rest, machineKind }: Subject, words: PaperWords): string {
  const said = [
    ...lines.map(({ name, what }) => `${name.toLowerCase()} ${what}`),
    ...rest.map((entry) => words.entry(entry, machineKind)),
  ]
  const plain = said.map((one) => one.replace(/\.+$/, ''))
  return plain.length === 0 ? 'Looked at; nothing was done.' : `${upper(plain.join('; '))}.`
}
