import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { upper } from '../../core/ledger/phrases.ts'
import { type ElectricalLine, type TestedLine, type TestRecord, testRecords } from '../../core/papers/test-record.ts'
import { instrumentOn } from '../../core/visits/instrument-on.ts'
import { paperHead, partHead } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import type { PaperWords } from './paper-words.ts'
import type { Report } from './report.ts'

/**
 * The test-out and electrical safety record of a visit: every look, every figure with what is accepted and the tester it
 * was read with, and whether that was within its calibration.
 *
 * @returns null where nothing was tested on it
 */
export function testRecordPdf(report: Report, words: PaperWords): Promise<Buffer> | null {
  const records = testRecords(report.left.subjects)
  if (records.length === 0) return null
  const { site, on, number, technicians, letterhead } = report
  return bytesOf({
    ...paper({
      title: `Test record ${number}, ${site.name}, ${on}`,
      author: words.firm,
      foot: `${words.firm} · test record to report ${number} · ${words.day(on)}`,
    }),
    content: [
      paperHead({
        firm: words.firm,
        letterhead,
        title: 'Test-out and electrical safety record',
        facts: [
          ['Place', [site.name, site.area].filter(Boolean).join(', ')],
          ['For', site.customer],
          ['Day', words.day(on)],
          ['Tested by', technicians.join(', ')],
          ['Report', number],
        ],
      }),
      ...records.flatMap((record) => machine(record, report, words)),
      {
        text: 'Accepted are figures of common practice; where your local rules or the maker ask for stricter ones, those hold. Who may test, and how often, is for local law.',
        color: inks.second,
        fontSize: 9,
        margin: [0, 10, 0, 0],
      },
    ],
  })
}

function machine(record: TestRecord, report: Report, words: PaperWords): Content[] {
  const { id, name, model, tests, certified, readings } = record
  return [
    {
      text: [
        { text: name, bold: true },
        { text: `  ${[model, report.serials.get(id)].filter(Boolean).join(' · ')}`, color: inks.second, bold: false },
      ],
      ...partHead,
    },
    ...tests.flatMap((test) => tested(test, report, words)),
    ...(readings.length > 0
      ? [
          {
            table: {
              widths: ['*', 220],
              dontBreakRows: true,
              body: readings.map((line): TableCell[] => [
                { text: upper(line.name) },
                { text: words.foundLeft(line.foundLeft!) },
              ]),
            },
            layout: inks.rules,
          },
        ]
      : []),
    ...certified.map(({ body }) => ({
      text: [
        { text: 'Pressure vessel inspected: ', bold: true },
        {
          text: `${body.outcome === 'remarks' ? 'passed with remarks' : body.outcome}, ${body.inspector}${body.number ? `, certificate ${body.number}` : ''}${body.dueOn ? `, next by ${words.day(body.dueOn)}` : ''}.`,
        },
      ],
    })),
  ]
}

function tested({ out, looks, electrical }: TestedLine, report: Report, words: PaperWords): Content[] {
  const { passed, reason } = out.body
  return [
    {
      text: passed ? 'Passed' : `Closed without a passed test: ${reason}`,
      bold: true,
      color: passed ? inks.deep : inks.seal,
    },
    ...(looks.length > 0
      ? [
          {
            table: {
              widths: ['*', 90],
              dontBreakRows: true,
              body: looks.map(({ words: look, seen }): TableCell[] => [
                { text: look },
                { text: seen ? 'seen' : 'not looked at', alignment: 'right', ...(!seen && { color: inks.seal }) },
              ]),
            },
            layout: inks.rules,
          },
        ]
      : []),
    ...(electrical.length > 0
      ? [
          {
            table: {
              headerRows: 1,
              widths: ['*', 80, 90],
              dontBreakRows: true,
              body: [
                ['Electrical safety', 'measured', 'accepted'].map(
                  (head, i): TableCell => ({ text: head, color: inks.second, alignment: i > 0 ? 'right' : 'left' }),
                ),
                ...electrical.map((line) => electricalRow(line, words)),
              ],
            },
            layout: inks.rules,
            margin: [0, 4, 0, 0] as [number, number, number, number],
          },
          { text: testerWords(out.body.electrical?.instrument, report, words), color: inks.second, fontSize: 9 },
        ]
      : [{ text: 'No electrical figure was taken.', color: inks.second }]),
  ]
}

function electricalRow({ name, unit, value, least, most, isOut }: ElectricalLine, { figure }: PaperWords): TableCell[] {
  const accepted = least !== undefined ? `at least ${figure(least)} ${unit}` : `up to ${figure(most!)} ${unit}`
  return [
    { text: name },
    { text: `${figure(value)} ${unit}`, alignment: 'right', bold: true, ...(isOut && { color: inks.seal }) },
    { text: accepted, alignment: 'right' },
  ]
}

/** What the figures were read with, and whether that was good on the day. */
function testerWords(id: string | undefined, { instruments, on }: Report, { day }: PaperWords): string {
  const tester = id ? instruments.get(id) : undefined
  if (!tester) return 'Which tester they were read with is not written.'
  const state = instrumentOn(tester.calibrations, on)
  const calibration =
    state.state === 'good'
      ? `calibrated, good until ${day(state.until)}`
      : state.state === 'expired'
        ? `its calibration ran out on ${day(state.since)}`
        : 'its calibration is not known'
  return `Read with ${tester.name}${tester.serial ? `, ${tester.serial}` : ''}: ${calibration}.`
}
