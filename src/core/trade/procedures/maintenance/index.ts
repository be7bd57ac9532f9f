import type { Procedure } from '../../../procedures/procedure.ts'
import { benchDescale } from './bench-descale.ts'
import { dispersion, groupJet, leverValves, spindleAndHeater, threeWay } from './group-parts.ts'
import { asProcedure, type Job } from './job.ts'
import { powder, spouts } from './outlets.ts'
import { blockRings, pumpChange } from './pump-and-block.ts'
import { electrical, safety, supplyGuards } from './safety.ts'
import { hotWaterSeal, steamSeals } from './steam-seals.ts'
import { expansion, flowMeter, levelProbe, strainer } from './water-in.ts'

const jobs: Job[] = [
  electrical,
  safety,
  levelProbe,
  strainer,
  supplyGuards,
  groupJet,
  dispersion,
  expansion,
  steamSeals,
  hotWaterSeal,
  threeWay,
  leverValves,
  pumpChange,
  flowMeter,
  blockRings,
  spouts,
  powder,
  benchDescale,
  spindleAndHeater,
]

/** Technicians’ jobs between the great services, each short. Figures from memory. */
export const maintenance: Procedure[] = jobs.map(asProcedure)
