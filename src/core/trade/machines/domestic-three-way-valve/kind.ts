import { domesticPump } from '../../shared/parts/domestic-kind.ts'

/** Domestic pump machine that vents its group. */
export const dv = domesticPump(
  {
    id: 'dv',
    version: 1,
    name: 'domestic pump machine, 3-way valve',
    about: 'Tank, vibratory pump, small boiler; a valve on the group vents into the tray, so it can be backflushed.',
  },
  true,
)
