import type { Search } from '../../core/faults/search.ts'

/** A search as it is kept on this device, with the ids of what it will write: saved twice it is one write. */
export interface KeptSearch {
  search: Search
  reportId: string
  ids: Record<string, string>
}

const keyOf = (machineId: string) => `evenshot-search-${machineId}`

export function readSearch(machineId: string): KeptSearch | null {
  try {
    const text = localStorage.getItem(keyOf(machineId))
    return text ? JSON.parse(text) : null
  } catch (error) {
    console.info('What was kept of a search cannot be read', error)
    return null
  }
}

/** @returns whether it is kept */
export function keepSearch(machineId: string, kept: KeptSearch): boolean {
  try {
    localStorage.setItem(keyOf(machineId), JSON.stringify(kept))
    return true
  } catch (error) {
    console.info('The search is not kept on this device', error)
    return false
  }
}

export const dropSearch = (machineId: string): void => localStorage.removeItem(keyOf(machineId))
