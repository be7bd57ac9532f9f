import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { Kind } from '../../core/kinds/kind.ts'
import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import type { Entry } from '../../core/ledger/entry.ts'
import { codeOf } from '../../core/papers/code.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import type { Standing } from '../../core/standing/standing.ts'
import type { Passport } from '../passport.ts'
import { type Letterhead, paperHead, partHead } from './letterhead.ts'
import { bytesOf, inks, paper } from './paper.ts'
import type { PaperWords } from './paper-words.ts'

/** All that a machine's passport on paper is made of. */
export interface PassportPaper {
  passport: Passport
  kind: Kind | null
  /** Its parts as they stand by our reckoning. */
  standings: readonly Standing[]
  letterhead: Letterhead
  today: LocalDay
}

/** What is said of the machine by others' words stays in the ledger: it is about people. */
const notTold = new Set<Entry['kind']>(['withdrawn', 'setting', 'compared', 'prompt-seen'])

/**
 * A machine's passport on paper: its plate, how its parts stand, and all that was done to it since it is in our book. It
 * goes along with the machine; whose it was here, and what it cost, does not.
 */
export function passportPdf(
  { passport, kind, standings, letterhead, today }: PassportPaper,
  words: PaperWords,
): Promise<Buffer> {
  const { machine, entries } = passport
  const code = codeOf(machine.id)
  const lived = effectiveHistory<Entry>(entries.map((entry) => ({ ...entry, recordedBy: '' }) as unknown as Entry))
    .entries.filter((entry) => !notTold.has(entry.kind))
    .sort((a, b) => (a.happenedOn < b.happenedOn ? 1 : -1))
  const byDay = new Map<LocalDay, string[]>()
  for (const entry of lived)
    byDay.set(entry.happenedOn, [...(byDay.get(entry.happenedOn) ?? []), words.entry(entry, kind).replace(/\.+$/, '')])
  return bytesOf({
    ...paper({
      title: `Passport of ${machine.name}, ${machine.serial || code}, ${today}`,
      author: words.firm,
      foot: `${words.firm} · passport ${code} · ${words.day(today)}`,
    }),
    content: [
      paperHead({
        firm: words.firm,
        letterhead,
        title: `Passport of ${machine.name}`,
        facts: [
          ['Machine', [machine.maker, machine.model, machine.revision].filter(Boolean).join(' ')],
          ['Kind', kind?.name ?? 'a kind of its own'],
          ['Serial', machine.serial ?? ''],
          ['Built', machine.builtYear ? String(machine.builtYear) : ''],
          ['Plate', plate(machine, words)],
          ['Warranty', machine.warrantyUntil ? `until ${words.day(machine.warrantyUntil)}` : ''],
          ['Code', code],
          ['Day', words.day(today)],
        ],
      }),
      { text: 'How its parts stand', ...partHead },
      ...parts(standings, words),
      { text: 'What was done to it', ...partHead },
      lived.length === 0
        ? { text: 'Nothing is in our book yet.' }
        : {
            table: {
              widths: [86, '*'],
              dontBreakRows: true,
              body: [...byDay].map(([day, said]): TableCell[] => [
                { text: words.day(day), color: inks.second },
                { text: said.join('; ') },
              ]),
            },
            layout: inks.rules,
          },
    ],
  })
}

function plate({ plateVolts, platePhases, plateWatts, plateBar }: Passport['machine'], words: PaperWords): string {
  return [
    plateVolts ? `${words.figure(plateVolts)} V` : '',
    platePhases ? `${platePhases} ~` : '',
    plateWatts ? `${words.figure(plateWatts)} W` : '',
    plateBar ? words.quantity(plateBar, 'bar') : '',
  ]
    .filter(Boolean)
    .join(', ')
}

function parts(standings: readonly Standing[], words: PaperWords): Content[] {
  const worn = standings.filter(({ part, action }) => part && action === 'replace')
  if (worn.length === 0) return [{ text: 'Nothing is reckoned of its parts.' }]
  return [
    {
      table: {
        headerRows: 1,
        widths: ['*', 100, 96, 92],
        dontBreakRows: true,
        body: [
          ['Part', 'in since', 'last seen', 'falls due about'].map((text): TableCell => ({ text, color: inks.second })),
          ...worn.map(({ name, instance, since, sinceKnown, condition, due }): TableCell[] => [
            { text: [name, instance].filter(Boolean).join(', ') },
            { text: sinceKnown && since ? words.day(since) : 'not known' },
            { text: condition ? `${condition.grade} of 4, ${words.day(condition.on)}` : 'not looked at' },
            { text: due ? words.day(due.p50) : 'not known' },
          ]),
        ],
      },
      layout: inks.rules,
    },
    { text: 'A grade of 0 is as new, 4 has failed.', color: inks.second, fontSize: 9 },
  ]
}
