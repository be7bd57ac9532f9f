import type { Acid } from '../../scale/acid.ts'
import { type DescalePlan, descalePlan, type PlanFigures } from '../../scale/descale-plan.ts'
import type { Histories } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { MachineChalk } from './machine-chalk.ts'
import { type SetFigure, takeFigure } from './set-figure.ts'
import type { VesselChalk } from './vessel-chalk.ts'

/** What one filling of the tank takes where solution is run through; a bucket it is pumped round from on the bench. */
const chargeL = { flow: 1, closed: 2, exchanger: 5, steam: null } as const

/** Solution one charge of a vessel takes, L. */
export const chargeOf = ({ heats, waterL }: VesselChalk['vessel']): number => chargeL[heats] ?? waterL

const grantedIds = ['citric-excess', 'acid-excess', 'citric-scale', 'gas-headspace', 'rinse-volumes'] as const
export type Granted = Record<(typeof grantedIds)[number], SetFigure>

/** The plan's figures as they stand for a machine. */
export const grantedFor = (histories: Histories): Granted =>
  Object.fromEntries(grantedIds.map((id) => [id, takeFigure(histories, id)])) as Granted

const planFigures = (granted: Granted): PlanFigures => ({
  citricExcess: granted['citric-excess'].value,
  acidExcess: granted['acid-excess'].value,
  citricGPerL: granted['citric-scale'].value,
  gasPerHeadspace: granted['gas-headspace'].value,
  rinseVolumes: granted['rinse-volumes'].value,
})

/** Chalk of a vessel on a day, g: all groups of it. */
export const vesselScaleG = (vessel: VesselChalk, day: number): number => vessel.gramsAt(day) / vessel.share

/** A vessel's descale, with the figures that hold for this machine. */
export function vesselDescale(
  scaleG: number,
  acid: Acid,
  volumeL: number,
  { headspaceL, aluminium }: VesselChalk['vessel'],
  granted: Granted,
): DescalePlan {
  const vessel = { volumeL, ...(headspaceL && { headspaceL }), ...(aluminium && { aluminium }) }
  return descalePlan(scaleG, acid, vessel, planFigures(granted))
}

/** What goes into the tank when a machine is descaled in place. */
export interface TankDescale {
  acid: Acid
  /** Chalk in all it passes, g, likely. */
  scaleG: number
  /** One charge, L. */
  volumeL: number
  plan: DescalePlan
}

/**
 * Acid run through from the tank sees every vessel that is not a steam boiler: their chalk is one charge's work.
 * @param day - a local day's number
 * @returns null where nothing is reckoned to have settled, or every vessel is a steam boiler
 */
export function tankDescale(facts: MachineFacts, chalk: MachineChalk, acid: Acid, day: number): TankDescale | null {
  const passed = chalk.vessels.filter(({ vessel }) => vessel.heats === 'flow' || vessel.heats === 'closed')
  const scaleG = passed.reduce((sum, vessel) => sum + vesselScaleG(vessel, day), 0)
  if (scaleG <= 0) return null
  const { vessel } = passed[0]!
  const volumeL = chargeL.flow
  return {
    acid,
    scaleG,
    volumeL,
    plan: vesselDescale(scaleG, acid, volumeL, { ...vessel, headspaceL: undefined }, grantedFor(facts.histories)),
  }
}
