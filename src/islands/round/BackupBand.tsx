import { dayLong, daysUntil } from '../../ui/format.ts'

export interface BackupCame {
  at: string
  ok: boolean
  why: string
}

/** Backups are made every night: so many days without one are too many. */
const mostDays = 3

/** Whether something is to be said of the last backup. */
export const saysSomething = ({ at, ok }: BackupCame, today: string): boolean =>
  !ok || daysUntil(today, at.slice(0, 10)) > mostDays

export interface BackupBandProps {
  backup: BackupCame
  today: string
}

/** The last backup failed, or is long ago: said to the owner, who alone can see to it. */
export function BackupBand({ backup, today }: BackupBandProps) {
  if (!saysSomething(backup, today)) return null
  const day = dayLong(backup.at.slice(0, 10))
  return (
    <p role="alert" className="m-0 border-b border-hair border-l-4 border-l-seal bg-enamel px-4 py-2 lg:px-6">
      {backup.ok ? (
        <>
          <b>No backup since {day}.</b> Everything since then is on one disk alone.
        </>
      ) : (
        <>
          <b>The backup of {day} failed:</b> {backup.why} Everything since the one before is on one disk alone.
        </>
      )}{' '}
      Whoever runs the server makes one with <code className="mono">npm run backup</code>.
    </p>
  )
}
