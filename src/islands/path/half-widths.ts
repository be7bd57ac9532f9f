import type { Station, StationSymbol } from '../../core/kinds/kind.ts'

/** Half widths of the symbols: what the layout must keep free. */
const halfWidth: Partial<Record<StationSymbol, number>> = {
  mains: 10,
  softener: 22,
  tank: 46,
  boiler: 76,
  thermoblock: 44,
  'brew-unit': 56,
  'pod-head': 46,
  nozzle: 42,
  basket: 20,
  pump: 22,
  cup: 24,
  screen: 8,
  jet: 12,
  'small-boiler': 28,
  'full-boiler': 28,
  chute: 14,
}
/** Of what is not listed. */
export const ordinary = 17
export const half = (station: Station) => halfWidth[station.symbol] ?? ordinary
/** On a rail at the foot large symbols are drawn as small as the others. */
export const railScale = (symbol: StationSymbol): number => Math.min(1, ordinary / (halfWidth[symbol] ?? ordinary))
