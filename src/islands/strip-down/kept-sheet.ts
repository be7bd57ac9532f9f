import type { Sheet } from '../../core/strip-down/sheet.ts'

/** A sheet as it is kept on this device: whole, with photos that could not be sent yet. */
export interface KeptSheet {
  title: string
  known?: string
  sheet: Sheet
  /** Photos by the name they bear here, in base64, until they have one of the server's. */
  waiting: Record<string, string>
  id: string
  /** Names of its entries, kept so that sending twice writes once. */
  ids?: string[]
}

const keyOf = (machineId: string) => `evenshot-strip-down-${machineId}`

export function readSheet(machineId: string): KeptSheet | null {
  try {
    const text = localStorage.getItem(keyOf(machineId))
    return text ? JSON.parse(text) : null
  } catch (error) {
    console.info('What was kept of a sheet cannot be read', error)
    return null
  }
}

/** @returns whether it is kept */
export function keepSheet(machineId: string, kept: KeptSheet): boolean {
  try {
    localStorage.setItem(keyOf(machineId), JSON.stringify(kept))
    return true
  } catch (error) {
    console.info('The sheet is not kept on this device', error)
    return false
  }
}

export const dropSheet = (machineId: string): void => localStorage.removeItem(keyOf(machineId))
