import { likeBench } from '../../../bench/derive.ts'
import { srBench } from '../super-automatic-removable-unit/bench.ts'
import type { SuperAutomatic } from '../super-automatic-removable-unit/bench-physics.ts'

/** The super-automatic whose unit carries its own valve: what leaks at a nozzle there leaks at the valve here. */
export const stBench = likeBench<SuperAutomatic, SuperAutomatic>(srBench, {
  kind: 'st',
  sound: () => ({}),
  without: { faults: ['nozzle-seals'], tests: ['nozzle'] },
  faults: { 'valve-gaskets': srBench.faults['nozzle-seals']! },
  notices: (m) => [['wet-below', m.nozzleLeakMm > 0.4]],
  tests: {
    'unit-valve': { by: 'eye', shows: (m) => (m.nozzleLeakMm > 0 ? 'wrong' : 'right') },
    below: { by: 'eye', shows: (m) => (m.hoseLeakMm > 0 || m.nozzleLeakMm > 0.4 ? 'wet' : 'dry') },
    'leaks-inside': { by: 'eye', shows: (m) => (m.hoseLeakMm > 0 || m.nozzleLeakMm > 0.4 ? 'wet' : 'dry') },
  },
})
