import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { comesTo, payerWords } from '../../core/close-out/charge-line.ts'
import type { ComesNext } from '../../core/close-out/comes-next.ts'
import type { DoneLine, FoundLeft } from '../../core/close-out/done-lines.ts'
import type { LeftSubject } from '../../core/close-out/left-subjects.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { stationOf } from '../../core/ledger/station-of.ts'
import { type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { timeAt } from '../../core/quantity/site-time.ts'
import { bytesOf, inks, paper } from './paper.ts'
import { type PaperWords, windowWords } from './paper-words.ts'
import type { Report } from './report.ts'
import { background, frame, inner, page, zoneAt } from './sheet-frame.ts'

/** Where the work was done at a machine, and where its stations lie in the drawing. */
export interface SheetDrawing {
  svg: string
  width: number
  height: number
  at: Map<string, { x: number; y: number }>
}

/** How the screen draws, for the paper. */
export interface SheetDrawings {
  path(subject: LeftSubject): SheetDrawing | null
  rule(of: FoundLeft): string
}

const headTop = frame.top + 10
const drawingTop = 100
const mostDrawing = 190
const titleBlock = 94

/**
 * The sheets of a visit, one a machine, as a drawing office makes them: a frame with zones, so that a place can be named on
 * the telephone, the machine’s path with what was worked on, done, found and left, what comes next, a title block. The
 * annex of a report; it says nothing that the report does not.
 */
export function sheetsPdf(report: Report, words: PaperWords, draw: SheetDrawings): Promise<Buffer> {
  const machines = report.left.subjects.filter(({ kind }) => kind === 'machine')
  // Which machine a page is of is known once its content is laid out, and feet are drawn then: these know their pages.
  const heads = machines.map((): Placed => ({ text: donePart, margin: [0, 0, 0, 2] }))
  const document: TDocumentDefinitions = {
    ...paper({
      title: `Sheets of report ${report.number}, ${report.site.name}, ${report.on}`,
      author: words.firm,
      foot: `${words.firm} · report ${report.number} · ${words.day(report.on)}`,
    }),
    pageMargins: [inner.left, drawingTop - 40, page.width - inner.right, page.height - frame.bottom + titleBlock + 8],
    footer: (at) => {
      const n = Math.max(
        0,
        heads.findLastIndex(({ positions: [first] = [] }) => first !== undefined && first.pageNumber <= at),
      )
      return title(machines[n]!, n, machines.length, report, words)
    },
    background,
    content: machines.flatMap((machine, i) => sheet(machine, heads[i]!, i > 0, report, words, draw)),
  }
  return bytesOf(document)
}

function sheet(
  machine: LeftSubject,
  done: Placed,
  breaks: boolean,
  report: Report,
  words: PaperWords,
  draw: SheetDrawings,
): Content[] {
  const drawing = draw.path(machine)
  const scale = drawing ? Math.min((inner.right - inner.left) / drawing.width, mostDrawing / drawing.height, 1) : 0
  const high = drawing ? drawing.height * scale : 0
  // Small machines stand in the middle of the sheet.
  const left = drawing ? (page.width - drawing.width * scale) / 2 : 0
  const zoneOf = (station: string | null | undefined) => {
    const at = station ? drawing?.at.get(station) : undefined
    return at ? zoneAt(left + at.x * scale, drawingTop + 16 + at.y * scale) : ''
  }
  return [
    head(machine, report, words, breaks),
    ...(drawing
      ? [
          { text: 'Where the work was done', ...part, absolutePosition: { x: inner.left, y: drawingTop - 4 } },
          {
            svg: drawing.svg,
            width: drawing.width * scale,
            absolutePosition: { x: left, y: drawingTop + 16 },
          },
        ]
      : []),
    // Below the head and the drawing, which stand where they stand.
    { text: '', margin: [0, 40 + (drawing ? high + 22 : 0), 0, 0] },
    done as Content,
    lines(machine, report, words, draw, zoneOf),
    ...next(
      report.next.filter(({ subjectId }) => subjectId === machine.id),
      report.on,
      words,
    ),
    {
      text: 'Steam burns before it is seen; descaler and detergent burn skin and eyes. Covers, mains and pressure are ours: switch off and ring.',
      fontSize: 9,
      bold: true,
      color: inks.seal,
      margin: [0, 10, 0, 0],
    },
  ]
}

const part = { bold: true, fontSize: 12, color: inks.deep }

const donePart = [
  { text: 'Done, found, left', ...part },
  { text: '   0 as new, 1 set, 2 hardening, 3 cracked, 4 failed', color: inks.second, fontSize: 8.5 },
]

/** A line of text, and on which pages the library laid it. */
interface Placed {
  text: typeof donePart
  margin: [number, number, number, number]
  positions?: { pageNumber: number }[]
}

function head(machine: LeftSubject, { site, letterhead }: Report, { firm }: PaperWords, breaks: boolean): Content {
  const reached = [letterhead?.phone, letterhead?.email].filter(Boolean).join(' · ')
  return {
    ...(breaks && { pageBreak: 'before' as const }),
    columns: [
      {
        width: '*',
        stack: [
          { text: firm, fontSize: 15, bold: true, color: inks.ink },
          { text: reached, fontSize: 9, color: inks.second },
        ],
      },
      {
        width: 230,
        stack: [
          { text: 'Sheet to the service report', fontSize: 12, bold: true, color: inks.deep },
          { text: [machine.name, machine.model].filter(Boolean).join(', '), bold: true },
          { text: [site.name, site.area].filter(Boolean).join(', '), color: inks.second, fontSize: 9 },
        ],
      },
    ],
    absolutePosition: { x: inner.left, y: headTop },
  }
}

function lines(
  machine: LeftSubject,
  report: Report,
  words: PaperWords,
  draw: SheetDrawings,
  zoneOf: (station: string | null | undefined) => string,
): Content {
  const small = { fontSize: 8.5, color: inks.second }
  const done = (line: DoneLine, i: number): TableCell[] => {
    const charge = report.closed.body.lines.find(
      ({ subjectId, part: of }) => subjectId === machine.id && of !== undefined && of === line.fitted?.part,
    )
    const sum = charge && comesTo(charge)
    const value = (one: number) => words.figure(one)
    const { foundLeft } = line
    return [
      number(i + 1, line.isOpen),
      {
        text: [
          { text: `${upper(line.name)}${line.groups.length > 0 ? ` ${line.groups.join(', ')}` : ''} `, bold: true },
          { text: line.what, ...(line.isOpen && { color: inks.seal, bold: true }) },
          ...(line.fitted?.size ? [{ text: `, ${line.fitted.size}`, color: inks.second }] : []),
        ],
      },
      { text: zoneOf(line.station), ...small },
      { text: foundLeft ? foundLeft.found.map(value).join(', ') : '', alignment: 'right' },
      foundLeft ? { svg: draw.rule(foundLeft), width: 76 } : '',
      {
        text: foundLeft?.left === undefined ? '' : value(foundLeft.left),
        bold: true,
        ...(line.isOpen && { color: inks.seal }),
      },
      {
        text: foundLeft
          ? foundLeft.is === 'grade'
            ? `to ${foundLeft.accepted.to}`
            : `${value(foundLeft.accepted.from)} to ${value(foundLeft.accepted.to)} ${foundLeft.unit}`
          : '',
        ...small,
      },
      {
        text: sum === undefined ? '' : sum === null ? 'no price' : words.sum(sum, report.closed.body.currency),
        alignment: 'right',
      },
      { text: charge ? (charge.pays === 'customer' ? 'you' : payerWords[charge.pays]) : '', ...small },
    ]
  }
  const wide = (n: number, text: string, zone: string): TableCell[] => [
    number(n, false),
    { text },
    { text: zone, ...small },
    { text: '', colSpan: 6 },
    '',
    '',
    '',
    '',
    '',
  ]
  const unread = (report.closed.body.left ?? []).find(({ subjectId }) => subjectId === machine.id)
  const body = [
    ['', '', 'zone', 'found', '', 'left', 'accepted', 'price', 'paid by'].map(
      (text, i): TableCell => ({ text, ...small, ...((i === 3 || i === 7) && { alignment: 'right' as const }) }),
    ),
    ...machine.lines.map(done),
    ...machine.rest.map((entry, i) =>
      wide(
        machine.lines.length + i + 1,
        words.entry(entry, machine.machineKind),
        zoneOf(stationOf(entry, machine.machineKind)),
      ),
    ),
    ...(unread ? [wide(0, `Counter not read: ${unread.reason}`, '')] : []),
  ]
  return {
    table: { headerRows: 1, widths: [16, '*', 24, 30, 78, 22, 58, 44, 40], dontBreakRows: true, body },
    layout: inks.rules,
  }
}

/** A number on a dark spot; hollow and red where it was left open. */
const number = (n: number, isOpen: boolean): TableCell =>
  n === 0
    ? ''
    : {
        svg: `<svg width="15" height="15" viewBox="0 0 15 15"><circle cx="7.5" cy="7.5" r="6.6" fill="${isOpen ? '#ffffff' : inks.deep}" stroke="${isOpen ? inks.seal : inks.deep}" stroke-width="1.2"/><text x="7.5" y="10.3" font-family="Archivo" font-size="8" text-anchor="middle" fill="${isOpen ? inks.seal : '#ffffff'}">${n}</text></svg>`,
        width: 13,
      }

/** What falls due at this machine, each as its window on one scale of days. */
function next(due: ComesNext[], on: LocalDay, { day }: PaperWords): Content[] {
  if (due.length === 0) return []
  const from = toDay(on)
  const to = Math.max(...due.map(({ due: { p90 } }) => toDay(p90)))
  const wide = 170
  const x = (of: LocalDay) => 4 + Math.max(0, Math.min(1, (toDay(of) - from) / Math.max(1, to - from))) * (wide - 8)
  return [
    {
      text: [
        { text: 'What comes next', ...part },
        { text: '   eight times in ten inside the bar; the mark is the likely day', color: inks.second, fontSize: 8.5 },
      ],
      margin: [0, 10, 0, 2],
    },
    {
      table: {
        widths: ['*', wide, 150],
        dontBreakRows: true,
        body: due.map(({ name, due: { p10, p50, p90 } }): TableCell[] => [
          { text: name },
          {
            svg: `<svg width="${wide}" height="12" viewBox="0 0 ${wide} 12"><path d="M4 6H${wide - 4}" stroke="${inks.second}" stroke-width="0.5"/><rect x="${x(p10)}" y="3" width="${Math.max(1.5, x(p90) - x(p10))}" height="6" fill="#cfe5e7" stroke="${inks.deep}" stroke-width="0.6"/><path d="M${x(p50)} 0V12" stroke="${inks.ink}" stroke-width="1.4"/></svg>`,
            width: wide,
          },
          { text: windowWords(p10, p90, day), alignment: 'right' },
        ]),
      },
      layout: inks.rules,
    },
  ]
}

/** What the sheet is of, where a drawing office has it: below, at the right. */
function title(machine: LeftSubject, n: number, of: number, report: Report, words: PaperWords): Content {
  const { header } = report.left
  const clock = (instant: string) => timeAt(report.site.timeZone, Date.parse(instant))
  const there =
    header?.body.arrivedAt && header.body.leftAt
      ? `${clock(header.body.arrivedAt)} to ${clock(header.body.leftAt)}`
      : ''
  const cell = (name: string, value: string): TableCell => ({
    stack: [
      { text: name, fontSize: 7.5, color: inks.second },
      { text: value || '–', fontSize: 9.5, bold: true },
    ],
    margin: [2, 1, 2, 1],
  })
  const { signed } = report.closed.body
  const who = signed.how === 'signed' ? `${signed.name}${signed.as ? `, ${signed.as}` : ''}` : 'not signed'
  return {
    table: {
      widths: [(frame.right - frame.left) * 0.4 - 10, '*', '*', '*'],
      heights: titleBlock / 3 - 4.2,
      body: [
        [
          {
            stack: [
              { text: 'Under the report it belongs to', fontSize: 7.5, color: inks.second },
              { text: who, fontSize: 9.5, bold: true },
              {
                text: 'Drawn from the ledger; a correction stands beside what it corrects.',
                fontSize: 8,
                color: inks.second,
                margin: [0, 14, 0, 0],
              },
            ],
            rowSpan: 3,
            margin: [2, 1, 2, 1],
          },
          cell('Serial', report.serials.get(machine.id) ?? ''),
          cell('Counter', machine.counter ? `${words.figure(machine.counter.count)} ${machine.counter.unit}` : ''),
          cell('On this one', `${words.figure(machine.minutes)} min`),
        ],
        ['', cell('Visit', words.day(report.on)), cell('There', there), cell('By', report.technicians.join(', '))],
        [
          '',
          cell('Report', `${report.number}${report.revision > 0 ? `, rev. ${report.revision}` : ''}`),
          cell('Place', report.site.name),
          cell('Sheet', `${n + 1} of ${of}`),
        ],
      ],
    },
    layout: {
      hLineColor: () => inks.ink,
      vLineColor: () => inks.ink,
      hLineWidth: () => 0.8,
      vLineWidth: () => 0.8,
      paddingTop: () => 1,
      paddingBottom: () => 1,
    },
    margin: [frame.left, 12, page.width - frame.right, 0],
  }
}
