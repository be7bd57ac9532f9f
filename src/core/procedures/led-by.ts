import { procedureById } from '../trade/procedures/index.ts'

/** The job that mends what is found, where its book of faults names none: by the fault, on whatever kind has both. */
const ledBy: Record<string, string> = {
  'three-way-shut': 'three-way-strip',
  'three-way-leaks': 'three-way-strip',
  'jet-blocked': 'group-jet',
  'probe-chalked': 'level-probe-clean',
  'exchanger-chalked': 'bench-descale',
  'steam-seat': 'steam-seals',
  'knob-leaks': 'steam-seals',
  'meter-silent': 'flow-meter-clean',
  'meter-stands': 'flow-meter-clean',
  'pump-weak': 'pump-change',
  'pump-dead': 'pump-change',
  'strainer-blocked': 'inlet-strainer',
  'heater-chalked': 'passage-freed',
  'group-heater': 'spindle-and-heater',
  'drive-nut': 'spindle-and-heater',
}

/**
 * The procedure somebody is led through to mend a fault.
 *
 * @param kind - the kind, or what a firm's own is based on
 * @returns null where none is written for it
 * @example procedureForRepair({ id: 'jet-blocked', repair: {} }, 'c2') // 'group-jet'
 */
export function procedureForRepair(
  { id, repair }: { id: string; repair: { procedure?: string } },
  kind: string,
): string | null {
  if (repair.procedure) return repair.procedure
  const job = ledBy[id]
  return job !== undefined && procedureById(job)?.kinds.includes(kind) ? job : null
}
