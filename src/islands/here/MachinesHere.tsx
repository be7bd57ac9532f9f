import { useMemo, useState } from 'react'
import type { CallerMachine } from '../../core/visits/caller-machine.ts'
import { machinesFound } from '../../device/found-here.ts'
import { counted, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'

/** More lines than these are looked for by their words. */
const mostShown = 200

interface MachinesHereProps {
  machines: CallerMachine[]
  /** It opens without network. */
  isHere: (machine: CallerMachine) => boolean
  firm: string
}

/** The names of all machines, found without network; those that open without it first. */
export function MachinesHere({ machines, isHere, firm }: MachinesHereProps) {
  const [text, setText] = useState('')
  const found = useMemo(() => machinesFound(machines, text, machines.length), [machines, text])
  const here = found.filter(isHere)
  const shown = [...here, ...found.filter((machine) => !isHere(machine))].slice(0, mostShown)
  return (
    <div>
      <TitleBlock name="Machines" under={`${firm}, ${counted(machines.length, 'machine')}`} facts={[]} />
      <div className="px-4 pt-3 pb-8 lg:px-6">
        <input
          className="field min-h-[44px] w-full md:w-[340px]"
          placeholder="Place, name, maker or serial"
          aria-label="Find among the machines"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <p className="m-0 mt-2 text-[14px] text-second">
          {figure(here.length)} of {figure(found.length)} open without network; of the others their names are here.
        </p>
        {found.length === 0 && <p>No machine has all these words. Try fewer, or part of the serial number.</p>}
        <ul className="m-0 mt-3 list-none p-0">
          {shown.map((machine) => (
            <li key={machine.machineId} className="border-t border-hair">
              <a
                href={`/machines/${machine.machineId}`}
                className="flex min-h-[52px] flex-wrap items-center gap-x-4 py-1 hover:underline"
              >
                <span className="min-w-[220px] flex-1">
                  <b className={isHere(machine) ? '' : 'font-normal text-second'}>{machine.machineName}</b>
                  <span className="block text-[14px] text-second">
                    {[machine.siteName, machine.area].filter(Boolean).join(', ')}
                  </span>
                </span>
                <span className="mono text-[13px] text-second">
                  {[machine.model, machine.serial].filter(Boolean).join(' · ')}
                </span>
              </a>
            </li>
          ))}
        </ul>
        {found.length > mostShown && (
          <p className="text-second">The first {mostShown} are shown: type a word of the one that is meant.</p>
        )}
      </div>
    </div>
  )
}
