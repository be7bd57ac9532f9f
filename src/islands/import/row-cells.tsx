import type { ReactNode } from 'react'
import type { ImportWhat } from '../../core/files/import-columns.ts'
import { kindById } from '../../core/kinds/index.ts'
import { hardnessSymbol } from '../../core/quantity/hardness.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { dayLong, figure, monthYear } from '../../ui/format.ts'
import { treatmentNames } from '../../ui/treatment-words.ts'
import type {
  JudgedAnalysis,
  JudgedCustomer,
  JudgedMachine,
  JudgedReading,
  JudgedRow,
  JudgedWork,
  KeptDay,
} from '../../views/judged-row.ts'
import { fieldWords } from './import-words.ts'

/** A row as it will be kept, under the heads of its list; what could not be read stands as it is in the file. */
interface Shown {
  heads: string[]
  cells(row: JudgedRow, raw: (column: string) => string, kindName: (id: string) => string): ReactNode[]
}

/** A day as it is kept; what is known of it where that is less. */
function dayShown(day: KeptDay | undefined): string {
  if (!day) return ''
  if (day.known === 'year') return `${day.on.slice(0, 4)}, kept as ${dayLong(day.on)}`
  return day.known === 'month' ? `${monthYear(day.on)}, kept as ${dayLong(day.on)}` : dayLong(day.on)
}

const mono = (text: ReactNode, key: string) => (
  <span key={key} className="mono whitespace-nowrap">
    {text}
  </span>
)
const counted = (count: number | undefined, unit: string, raw: string) =>
  count === undefined ? raw : `${figure(count)} ${unit}`

export const shownRows: Record<ImportWhat, Shown> = {
  machines: {
    heads: ['Site', 'Customer', 'Machine', 'Kind', 'Serial', 'Taken on', 'Counter', 'Besides'],
    cells: (row, raw, kindName) => {
      const { machine, newSite, newCustomer, filled } = row as JudgedMachine
      if (!machine)
        return ['site', 'customer', 'name', 'kind', 'serial', 'takenOn', 'count', 'remark'].map((column) => raw(column))
      const { hardness, treatment, groups, readOn } = machine
      return [
        `${machine.site}${newSite ? ' (new)' : ''}`,
        `${machine.customer}${newCustomer ? ' (new)' : ''}`,
        [machine.name, machine.maker, machine.model, machine.revision].filter(Boolean).join(', '),
        `${kindName(machine.kind)}${groups ? `, ${groups} ${groups === 1 ? 'group' : 'groups'}` : ''}`,
        mono(machine.serial, 'serial'),
        machine.takenOn ? dayShown(machine.takenOn) : 'not known',
        machine.count === undefined ? '' : `${figure(machine.count)} ${machine.unit}, ${dayShown(readOn)}`,
        [
          hardness && `water ${figure(hardness.value)} ${hardnessSymbol[hardness.unit]}`,
          treatment && treatmentNames[treatment as keyof typeof treatmentNames],
          [machine.contact, machine.phone, machine.email].filter(Boolean).join(', '),
          machine.servicedOn && `full service ${dayShown(machine.servicedOn)}`,
          machine.remark && `“${machine.remark}”`,
          machine.noCounter !== undefined && `leaves ${figure(machine.noCounter)}: such a machine has no counter here`,
          filled && `fills in ${filled.map((field) => fieldWords[field] ?? field).join(', ')}`,
        ]
          .filter(Boolean)
          .join('; '),
      ]
    },
  },
  customers: {
    heads: ['Name', 'Contact', 'Phone', 'E-mail', 'Note'],
    cells: (row, raw) => {
      const { customer, filled } = row as JudgedCustomer
      return (['name', 'contact', 'phone', 'email', 'note'] as const).map((field) => {
        const text = customer ? customer[field] : raw(field)
        if (!filled || field === 'name') return text
        return filled.includes(field) ? (
          <b key={field}>{text}</b>
        ) : (
          <span key={field} className="text-second">
            {text && 'stays'}
          </span>
        )
      })
    },
  },
  work: {
    heads: ['Machine', 'Day', 'In the file', 'Becomes'],
    cells: (row, raw) => {
      const { machineName, machineKind, happened, work } = row as JudgedWork
      return [
        machineName ?? (raw('serial') || [raw('site'), raw('name')].filter(Boolean).join(', ')),
        mono(dayShown(happened) || raw('date'), 'day'),
        raw('what'),
        work?.map((jotting) => entryWords(jotting, kindById(machineKind ?? ''))).join('; '),
      ]
    },
  },
  readings: {
    heads: ['Serial', 'Machine', 'Day', 'Counter'],
    cells: (row, raw) => {
      const { machineName, happened, count, unit = '' } = row as JudgedReading
      return [
        mono(raw('serial'), 'serial'),
        machineName,
        mono(dayShown(happened) || raw('date'), 'day'),
        mono(counted(count, unit, raw('count')), 'count'),
      ]
    },
  },
  analyses: {
    heads: ['Day', 'Becomes'],
    cells: (row, raw) => {
      const { happened, work } = row as JudgedAnalysis
      return [
        mono(dayShown(happened) || raw('date'), 'day'),
        work
          ?.map((jotting) =>
            entryWords(jotting, null)
              .replace('Water raw', '')
              .replace(/^[,:] /, ''),
          )
          .join('; '),
      ]
    },
  },
}
