import type { ImportWhat } from '../../core/files/import-columns.ts'
import type { ImportState } from '../../core/files/import-spec.ts'
import type { RowVerdict } from '../../views/judged-row.ts'

/** What each list is called, what it is of, how its file looks. */
export const listWords: Record<ImportWhat, { title: string; thing: string; things: string; about: string }> = {
  machines: {
    title: 'Machines from a spreadsheet',
    thing: 'machine',
    things: 'machines',
    about: 'One row a machine, with the place it stands at. Customers and sites of the same name are made once.',
  },
  customers: {
    title: 'Customers from a spreadsheet',
    thing: 'customer',
    things: 'customers',
    about: 'One row a customer. One of the same name is there already, and gets what was missing.',
  },
  work: {
    title: 'Past work from a spreadsheet',
    thing: 'row of work',
    things: 'rows of work',
    about:
      'One row a piece of work: which machine, a day and what was done in words. What matches no part or task is kept as a note.',
  },
  readings: {
    title: 'Readings from a spreadsheet',
    thing: 'reading',
    things: 'readings',
    about: 'One row a reading, with the machine’s serial number, a day and what the counter showed.',
  },
  analyses: {
    title: 'Analyses from a spreadsheet',
    thing: 'analysis',
    things: 'analyses',
    about:
      'One row a sampling day. Calcium as mg/L of the metal, as works print it; a cell left empty was not measured.',
  },
}

/** A verdict as it is called on the screen. */
export const verdictWords: Record<RowVerdict, string> = {
  taken: 'taken',
  fills: 'filled in',
  'note-only': 'note only',
  duplicate: 'there already',
  'left-out': 'left out',
  impossible: 'impossible',
  'unknown-machine': 'unknown machine',
  unreadable: 'not readable',
}

export const stateWords: Record<ImportState, string> = {
  waiting: 'being written',
  written: 'written',
  stopped: 'stopped',
  failed: 'failed',
  'going-back': 'being taken back',
  'taken-back': 'taken back',
}

/** Fields of records that a list fills in, as they are called. */
export const fieldWords: Record<string, string> = {
  contact: 'contact',
  phone: 'phone',
  email: 'e-mail',
  note: 'note',
  area: 'area',
  address: 'address',
  accessNote: 'access',
}
