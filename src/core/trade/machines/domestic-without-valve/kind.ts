import { domesticPump } from '../../shared/parts/domestic-kind.ts'

/** Domestic pump machine with a plain brew valve: nothing vents, and nothing is backflushed. */
export const dn = domesticPump(
  {
    id: 'dn',
    version: 1,
    name: 'domestic pump machine, no 3-way valve',
    about: 'Tank, vibratory pump, small boiler; a spring valve opens the group, the puck stays wet, nothing vents.',
  },
  false,
)
