/**
 * What a part costs, in minutes of the firm’s work, where nobody said its price: what is bought whole is dear, a seal is
 * not. From memory, common practice, no source.
 */
const dearMin: Record<string, number> = {
  'brew-unit': 150,
  'control-board': 200,
  thermoblock: 120,
  'flow-heater': 90,
  'heating-element': 90,
  heater: 90,
  'group-heater': 60,
  'pump-head': 110,
  'rotary-pump': 110,
  'grinder-motor': 120,
  'group-motor': 120,
  'unit-drive': 80,
  'multi-way-valve': 80,
  burrs: 70,
  'milk-pump': 70,
  'powder-mixer': 60,
  'key-pad': 60,
  'flow-meter': 40,
  pump: 40,
  'pressure-sensor': 40,
  'brew-valves': 45,
  'three-way-valve': 40,
  contactor: 40,
  portafilter: 35,
  'change-membrane': 110,
  'change-cartridge': 60,
}

/** A gasket, a ring, a screen, a carbon filter. */
const cheapMin = 15

/**
 * @param part - or the task that changes what stands ahead of a machine
 * @example partWorthMin('brew-unit') // 150
 */
export const partWorthMin = (part: string | undefined): number => (part && dearMin[part]) || cheapMin
