import type { BookPart } from '../../../faults/modes.ts'
import { domestic, handleGroup, hotWaterTap, ofSteamBoiler, steamTap } from '../../shared/faults/parts.ts'
import { plumbedParts } from '../../shared/faults/plumbed.ts'

/** What it is made of, by sort: how each part fails there. */
export const lvParts: BookPart[] = [
  ...domestic({ block: 'boiler', part: 'heating-element' }).filter(({ id }) => id !== 'sensor' && id !== 'element'),
  ...ofSteamBoiler({ boiler: 'boiler', fill: 'fill-valve', heat: 'relay', cold: 'element-open', cool: 'thermostat-low' }),
  ...plumbedParts,
  ...handleGroup({ seal: 'the group gasket', part: 'group-gasket', hard: 'seal-hard', rest: { name: 'the lever’s inlet valve', station: 'lever', part: 'lever-seals', like: 'three-way-leaks' } }),
  steamTap({ station: 'steam-valve', part: 'steam-seals', worn: 'knob-leaks', little: 'wand-blocked' }),
  hotWaterTap({ like: 'knob-leaks', part: 'steam-seals' }),
  {
    id: 'switch',
    sort: 'pressure-switch',
    name: 'the pressure switch',
    station: 'pressure',
    part: 'pressure-switch',
    does: {
      low: 'thermostat-low',
      high: { like: 'thermostat-low', alone: true, shows: { 'boiler-gauge': { high: 0.9 }, breather: { safety: 0.5 } }, complaints: { hisses: 7, 'too-hot': 2 } },
      cold: 'relay',
    },
    is: { low: 'thermostat-low' },
  },
  {
    id: 'exchanger',
    sort: 'exchanger',
    name: 'the exchanger',
    station: 'boiler',
    does: { narrow: 'boiler-chalked', fills: 'fill-leaks', cold: { like: 'boiler-chalked', alone: true, shows: { 'basket-temperature': { low: 0.85 } }, complaints: { cold: 9 } } },
    is: { chalked: 'boiler-chalked' },
  },
]
