import type { Acid } from '../../scale/acid.ts'
import { type BathFigures, type DescaleBath, descaleBath, forbidden } from '../../scale/descale-bath.ts'
import type { Histories } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { MachineChalk } from './machine-chalk.ts'
import { type SetFigure, takeFigure } from './set-figure.ts'
import type { VesselChalk } from './vessel-chalk.ts'

/** What one filling of the tank takes where solution is run through; a bucket it is pumped round from on the bench. */
const chargeL = { flow: 1, closed: 2, exchanger: 5, steam: null } as const

/** Solution one charge of a vessel takes, L. */
export const chargeOf = ({ heats, waterL }: VesselChalk['vessel']): number => chargeL[heats] ?? waterL

const grantedIds = ['citric-excess', 'acid-excess', 'citric-scale', 'citric-scale-hot'] as const
export type Granted = Record<(typeof grantedIds)[number], SetFigure>

/** A bath's figures as they stand for a machine. */
export const grantedFor = (histories: Histories): Granted =>
  Object.fromEntries(grantedIds.map((id) => [id, takeFigure(histories, id)])) as Granted

const bathFigures = (granted: Granted): BathFigures => ({
  citricExcess: granted['citric-excess'].value,
  acidExcess: granted['acid-excess'].value,
  citricGPerL: granted['citric-scale'].value,
  citricHotGPerL: granted['citric-scale-hot'].value,
})

/** Chalk of a vessel on a day, g: all groups of it. */
export const vesselScaleG = (vessel: VesselChalk, day: number): number => vessel.gramsAt(day) / vessel.share

/** A vessel's bath, with the figures that hold for this machine. */
export function vesselBath(
  scaleG: number | null,
  acid: Acid,
  volumeL: number,
  { aluminium, heats }: Pick<VesselChalk['vessel'], 'aluminium' | 'heats'>,
  granted: Granted,
): DescaleBath {
  const vessel = { volumeL, ...(aluminium && { aluminium }), heats: heats === 'flow' || heats === 'closed' }
  return descaleBath(acid, vessel, scaleG, bathFigures(granted))
}

/** What is known of a machine before acid goes into its tank. */
export interface TankDescale {
  acid: Acid
  /** Chalk in all it passes, g, likely; null where nothing is reckoned. */
  scaleG: number | null
  aluminium: boolean
  /** Why this acid must not go in. */
  forbidden: string | null
  /** A bath of so many litres. */
  bath(volumeL: number): DescaleBath
}

/**
 * Acid run through from the tank sees every vessel that is not a steam boiler: their chalk is one bath's work.
 * @param day - a local day's number
 * @returns null where every vessel is a steam boiler
 */
export function tankDescale(facts: MachineFacts, chalk: MachineChalk, acid: Acid, day: number): TankDescale | null {
  const passed = chalk.vessels.filter(({ vessel }) => vessel.heats === 'flow' || vessel.heats === 'closed')
  const { vessel } = passed[0] ?? {}
  if (!vessel) return null
  const scaleG = passed.reduce((sum, one) => sum + vesselScaleG(one, day), 0)
  const granted = grantedFor(facts.histories)
  const aluminium = passed.some((one) => one.vessel.aluminium === true)
  return {
    acid,
    scaleG,
    aluminium,
    forbidden: forbidden(acid, { aluminium }),
    bath: (volumeL) => vesselBath(scaleG, acid, volumeL, vessel, granted),
  }
}
