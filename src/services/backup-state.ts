import { readFileSync } from 'node:fs'
import { join } from 'node:path'

/** What came of the last backup. */
export interface BackupState {
  /** ISO instant. */
  at: string
  ok: boolean
  /** What went wrong; empty where nothing did. */
  why: string
}

/** Where whoever makes a backup says what came of it. */
export const backupStateFile = (dataDir: string): string => join(dataDir, 'backups', 'last.json')

/** What came of the last backup here; null where none was ever made, or nobody can tell. */
export function lastBackup(dataDir = process.env.EVENSHOT_DATA): BackupState | null {
  if (!dataDir) return null
  try {
    return JSON.parse(readFileSync(backupStateFile(dataDir), 'utf8')) as BackupState
  } catch {
    return null
  }
}
