import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { sealedEnding } from './seal.ts'

/** How many days, weeks and months back one backup each is kept. */
const kept = { days: 7, weeks: 5, months: 12 }

/**
 * Which backups stay: the last of each of the last seven days that have one, of five weeks, of twelve months. The
 * newest always stays.
 *
 * @param moments - ISO instants, in any order
 * @example backupsKept(['2026-11-28T03:30:00Z', '2026-11-28T12:00:00Z']) // only the later of one day
 */
export function backupsKept(moments: string[]): Set<string> {
  const latestFirst = [...moments].sort().reverse()
  const stay = new Set<string>()
  const lastOfEach = (spanOf: (moment: string) => string, most: number) => {
    const seen = new Set<string>()
    for (const moment of latestFirst) {
      const span = spanOf(moment)
      if (seen.has(span)) continue
      if (seen.size === most) break
      seen.add(span)
      stay.add(moment)
    }
  }
  lastOfEach((moment) => moment.slice(0, 10), kept.days)
  lastOfEach(weekOf, kept.weeks)
  lastOfEach((moment) => moment.slice(0, 7), kept.months)
  return stay
}

/** The Monday of a moment's week, by UTC. */
function weekOf(moment: string): string {
  const day = new Date(`${moment.slice(0, 10)}T00:00:00Z`)
  day.setUTCDate(day.getUTCDate() - ((day.getUTCDay() + 6) % 7))
  return day.toISOString().slice(0, 10)
}

/** A folder that `backupFolder` named, or what it was sealed into; what was put aside before an upgrade has another name and is left alone. */
const ours = /^(\d{4}-\d\d-\d\dT\d\d)-(\d\d)-(\d\d)-(\d{3})Z(\.tar\.age)?$/

/** Takes away backups that are not to be kept. @returns the names of those taken away */
export function thinBackups(folder: string): string[] {
  if (!existsSync(folder)) return []
  const byMoment = new Map(
    readdirSync(folder)
      .filter(
        (name) => ours.test(name) && (name.endsWith(sealedEnding) || existsSync(join(folder, name, 'manifest.json'))),
      )
      .map((name) => [name.replace(ours, '$1:$2:$3.$4Z'), name]),
  )
  const stay = backupsKept([...byMoment.keys()])
  const gone = [...byMoment].flatMap(([moment, name]) => (stay.has(moment) ? [] : [name]))
  for (const name of gone) rmSync(join(folder, name), { recursive: true, force: true })
  return gone
}
