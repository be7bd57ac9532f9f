import { useState } from 'react'
import { kinds } from '../../core/kinds/index.ts'
import { figure } from '../../ui/format.ts'
import type { JudgedMachine } from '../../views/judged-row.ts'
import { island } from '../island.tsx'
import { keep, type Told } from '../keep.ts'
import { makeEntry } from '../make-entry.ts'
import { newId } from '../send-entries.ts'
import { FileImport } from './FileImport.tsx'
import type { ImportKind, Written } from './import-kind.ts'

interface Props {
  firm: string
  timeZone: string
  me: string
  today: string
}

/** Machines, with the customers and sites they stand at, from a CSV. */
function MachinesImport({ firm, timeZone, me, today }: Props) {
  const [usualKind, setUsualKind] = useState(kinds[0]!.id)
  const [ids] = useState(() => new Map<string, string>())
  const machines: ImportKind<JudgedMachine> = {
    title: 'Machines from a spreadsheet',
    about:
      'A CSV with a line of column names; one row a machine, with the place it stands at. Customers and sites of the same name are made once.',
    thing: 'machine',
    things: 'machines',
    columns: [
      { id: 'site', label: 'Site', guess: /site|place|location|branch|standort/, required: true },
      { id: 'customer', label: 'Customer', guess: /customer|client|account|kunde/, required: false },
      { id: 'area', label: 'Area', guess: /area|town|city|district/, required: false },
      { id: 'address', label: 'Address', guess: /address|street/, required: false },
      { id: 'name', label: 'Called', guess: /^name|called|machine name|room|position/, required: false },
      { id: 'kind', label: 'Kind of machine', guess: /kind|type|category/, required: false },
      { id: 'maker', label: 'Maker', guess: /maker|make|manufact|brand/, required: false },
      { id: 'model', label: 'Model', guess: /model/, required: false },
      { id: 'serial', label: 'Serial number', guess: /serial|s\/n/, required: false },
      { id: 'takenOn', label: 'Taken on', guess: /install|taken on|commission|since|date/, required: false },
      { id: 'count', label: 'Counter', guess: /count|shots|drinks/, required: false },
    ],
    dateColumn: 'takenOn',
    checkUrl: '/api/import/machines',
    extra: { usualKind },
    write: (rows, stop, progress) => writeMachines(rows, stop, progress, { ids, timeZone, me, today }),
    heads: ['Site', 'Customer', 'Machine', 'Kind', 'Serial', 'Counter'],
    cells: ({ machine, siteId, customerId }, raw) => [
      machine ? `${machine.site}${siteId ? '' : ' (new)'}` : raw('site'),
      machine ? `${machine.customer}${customerId || siteId ? '' : ' (new)'}` : raw('customer'),
      machine ? [machine.name, machine.maker, machine.model].filter(Boolean).join(', ') : raw('name'),
      machine ? kinds.find(({ id }) => id === machine.kind)?.name : raw('kind'),
      <span key="serial" className="mono">
        {raw('serial')}
      </span>,
      machine?.count === undefined ? raw('count') : figure(machine.count),
    ],
  }
  return (
    <FileImport kind={machines} firm={firm}>
      <label className="mt-3 flex flex-wrap items-center gap-2">
        <span className="text-second">Where no column says what kind of machine it is, it is a</span>
        <select className="field" value={usualKind} onChange={(event) => setUsualKind(event.target.value)}>
          {kinds.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </FileImport>
  )
}

interface Around {
  /** Ids of what is made, by what it is: the same name is the same customer, however often the button is pressed. */
  ids: Map<string, string>
  timeZone: string
  me: string
  today: string
}

async function writeMachines(
  rows: { row: JudgedMachine; id: string }[],
  stop: AbortSignal,
  progress: (done: number) => void,
  { ids, timeZone, me, today }: Around,
): Promise<Written> {
  const idFor = (what: string) => {
    const id = ids.get(what) ?? newId()
    ids.set(what, id)
    return id
  }
  const plain = (text: string) => text.trim().toLowerCase()
  let done = 0
  for (const { row, id } of rows) {
    if (stop.aborted) break
    progress(done + 1)
    const machine = row.machine!
    const steps: (() => Promise<Told<object>>)[] = []
    const customerId = row.customerId ?? idFor(`customer ${plain(machine.customer)}`)
    const siteId = row.siteId ?? idFor(`site ${plain(machine.site)}`)
    if (!row.siteId && !ids.has(`written site ${siteId}`)) {
      if (!row.customerId) steps.push(() => keep('customer', customerId, 0, { name: machine.customer }))
      const { area, address } = machine
      const record = { customerId, technicianId: me, name: machine.site, area, address, timeZone }
      steps.push(() => keep('site', siteId, 0, record))
    }
    const { name, maker, model, serial, kind } = machine
    const { version: kindVersion } = kinds.find((one) => one.id === kind)!
    const about = (what: string) => ({ id: idFor(`${what} ${id}`) })
    const entries = [
      makeEntry(
        'machine',
        id,
        'commissioned',
        { kind, kindVersion, partsNew: false },
        machine.takenOn ?? today,
        about('taken'),
      ),
      ...(machine.count === undefined
        ? []
        : [makeEntry('machine', id, 'reading', { counter: 'shots', count: machine.count }, today, about('read'))]),
    ]
    steps.push(() => keep('machine', id, 0, { siteId, name, maker, model, serial, kind }, entries))
    for (const step of steps) {
      const told = await step()
      if (!told.ok)
        return {
          done,
          problem: `${machine.name} at ${machine.site}: ${told.issues[0]!.path} ${told.issues[0]!.message}.`,
        }
    }
    ids.set(`written site ${siteId}`, siteId)
    done += 1
  }
  return { done }
}

export const MachinesImportIsland = island(MachinesImport)
