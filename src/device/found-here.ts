import type { CallerMachine } from '../core/visits/caller-machine.ts'
import type { Found } from '../views/found.ts'

/** Fewer figures than these are no telephone number; so many of its last ones tell it. */
const leastDigits = 5
const tellingDigits = 7

const mostShown = 12
const mostCallers = 8

/** Each machine with all it can be found by, once for a list. */
const searchedBy = new WeakMap<CallerMachine[], string[]>()

function textsOf(machines: CallerMachine[]): string[] {
  let texts = searchedBy.get(machines)
  if (!texts) {
    texts = machines.map(({ machineName, model, serial, siteName, area, customer, contact }) =>
      [machineName, model, serial, siteName, area, customer, contact].join(' ').toLowerCase(),
    )
    searchedBy.set(machines, texts)
  }
  return texts
}

/** Machines in which every word is found, or whose customer has that telephone number; in the order of the list. */
export function machinesFound(machines: CallerMachine[], text: string, most: number): CallerMachine[] {
  const digits = text.replace(/\D/g, '')
  if (digits.length >= leastDigits && /^[\d\s+()/.-]+$/.test(text.trim())) {
    const tells = digits.slice(-tellingDigits)
    const called = machines.filter(({ phone }) => phone.replace(/\D/g, '').endsWith(tells))
    // It may be a serial number as well.
    if (called.length > 0) return called.slice(0, most)
  }
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const texts = textsOf(machines)
  const found: CallerMachine[] = []
  for (const [i, machine] of machines.entries()) {
    if (found.length === most) break
    if (words.every((word) => texts[i]!.includes(word))) found.push(machine)
  }
  return found
}

/** What the find box finds of the names that are on this device: machines, and the places they stand at. */
export function foundHere(machines: CallerMachine[], text: string): Found {
  const found = machinesFound(machines, text, mostShown)
  const sites =
    text.trim() === '' ? [] : new Map(found.map(({ siteId, siteName, area }) => [siteId, { siteName, area }]))
  return {
    rows: found.map(({ machineId, machineName, model, serial, siteName, area }) => ({
      id: machineId,
      name: machineName,
      maker: '',
      model,
      serial,
      siteName,
      area,
      stage: 'working',
    })),
    things: [...sites].map(([id, { siteName, area }]) => ({
      sort: 'site',
      name: siteName,
      about: area,
      href: `/sites/${id}`,
    })),
  }
}

/** Machines that somebody may be ringing about. */
export const callersHere = (machines: CallerMachine[], text: string): CallerMachine[] =>
  text.trim() === '' ? [] : machinesFound(machines, text, mostCallers)
