/** `HH:MM` of this machine's clock; null where no backup is wanted. */
export function backupTime(said = process.env.EVENSHOT_BACKUP_AT ?? '03:30'): { hour: number; minute: number } | null {
  if (said === 'off') return null
  const found = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(said)
  if (!found) throw new Error(`EVENSHOT_BACKUP_AT is no time of day such as 03:30, nor "off": ${JSON.stringify(said)}`)
  return { hour: Number(found[1]), minute: Number(found[2]) }
}
