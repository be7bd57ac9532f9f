import type { PlacedStation } from './layout.ts'

/** How far each symbol reaches below its middle: a leader begins there. */
const bottoms: Record<string, number> = {
  softener: 41,
  tank: 34,
  boiler: 62,
  thermoblock: 31,
  'small-boiler': 25,
  'full-boiler': 25,
  chute: 15,
  'brew-unit': 37,
  'pod-head': 35,
  group: 35,
  screen: 33,
  basket: 37,
  pump: 33,
  'flow-meter': 18,
  strainer: 19,
  nozzle: 25,
  tray: 10,
  tap: 13,
  'three-way': 17,
}

export const bottomOf = (placed: PlacedStation) => bottoms[placed.station.symbol] ?? 14
