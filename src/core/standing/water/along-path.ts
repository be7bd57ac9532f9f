import type { Kind } from '../../kinds/kind.ts'
import type { Interval } from '../../quantity/interval.ts'
import type { BoilerConcentrate } from './boiler-concentrate.ts'
import type { WaterAt } from './feed-water.ts'
import type { MachineChalk } from './machine-chalk.ts'

/** The water at one stretch of the line. */
export interface WaterStretch {
  id: 'raw' | 'fed' | 'boiler' | 'brew'
  name: string
  /** First and last station of the stretch. */
  from: string
  to: string
  /** How it is known. */
  said: string
  totalMgL: Interval
  carbonateMgL: Interval
  conductivityUsCm: number
}

const afterWords = {
  none: 'After softener',
  exchanger: 'After softener',
  cartridge: 'After cartridge',
  membrane: 'After membrane',
  carbon: 'After carbon',
} as const

/** After these the water is coffee. */
const brews = ['basket', 'brew-unit', 'pod-head']

/**
 * The water from supply to cup, stretch by stretch: as it comes, after its treatment, in the steam boiler, at
 * the brew.
 *
 * @param hasSoftener - whether the softener station is this machine's
 */
export function waterAlong(
  kind: Kind,
  chalk: MachineChalk,
  kept: BoilerConcentrate | null,
  hasSoftener: boolean,
): WaterStretch[] {
  const main = kind.lines
    .find(({ lane, medium }) => lane === 0 && medium === 'water')!
    .stations.filter((id) => hasSoftener || id !== 'softener')
  const symbolOf = (id: string) => kind.stations.find((station) => station.id === id)?.symbol ?? ''
  const softener = main.indexOf('softener')
  const stations = new Set(kind.vessels.map(({ station }) => station))
  const heats = main.findIndex((id) => stations.has(id))
  const brewed = main.findIndex((id) => brews.includes(symbolOf(id)))
  const { known } = chalk.facts
  const rawSaid = known.raw ? `${known.raw.said}, ${known.raw.on}` : 'no test yet'
  const stretches: WaterStretch[] = [
    {
      id: 'raw',
      name: 'Raw',
      from: main[0]!,
      to: main[softener > 0 ? softener - 1 : heats - 1]!,
      said: rawSaid,
      ...figuresOf(chalk.water.raw),
    },
  ]
  if (softener > 0) {
    const passed = chalk.facts.passing?.test
    const said = known.softened
      ? `${known.softened.said}, ${known.softened.on}`
      : passed
        ? `passage ${Math.round(passed.passage.value * 100)} %, ${passed.on}`
        : 'not tested yet'
    stretches.push({
      id: 'fed',
      name: afterWords[chalk.water.treatment.kind],
      from: main[softener + 1]!,
      to: main[heats - 1]!,
      said,
      ...figuresOf(chalk.water.fed),
    })
  }
  const brewing = chalk.vessels.find(({ vessel }) => vessel.heats !== 'steam')
  const stays = brewing ? (brewing.perLitre.grams.brew ?? 0) * 1000 * brewing.figures.stick.value : 0
  if (kept) {
    const [alkalinity, conductivity] = ['alkalinity', 'conductivity'].map(
      (name) => kept.solutes.find((solute) => solute.name === name)!.feed * kept.factorNow,
    ) as [number, number]
    const residual = brewing?.figures.residual.value ?? 0
    stretches.push({
      id: 'boiler',
      name: `In the boiler, × ${kept.factorNow.toFixed(1)}`,
      from: kept.vessel.station,
      to: kept.vessel.station,
      said: kept.steady === null ? 'grows: nothing drawn hot' : `settles at × ${kept.steady.toFixed(1)}`,
      totalMgL: exact(residual),
      carbonateMgL: exact(Math.max(alkalinity, residual)),
      conductivityUsCm: conductivity,
    })
  }
  if (heats >= 0 && brewed > heats + 1) {
    const fed = figuresOf(chalk.water.fed)
    const less = (of: Interval): Interval => ({
      low: Math.max(0, of.low - stays),
      value: Math.max(0, of.value - stays),
      high: Math.max(0, of.high - stays),
    })
    stretches.push({
      id: 'brew',
      name: 'At the brew',
      from: main[heats + 1]!,
      to: main[brewed - 1]!,
      said: 'reckoned',
      totalMgL: less(fed.totalMgL),
      carbonateMgL: less(fed.carbonateMgL),
      conductivityUsCm: fed.conductivityUsCm,
    })
  }
  return stretches
}

const exact = (value: number): Interval => ({ low: value, value, high: value })

const figuresOf = ({ soft, likely, hard }: WaterAt) => ({
  totalMgL: { low: soft.hardnessMgL, value: likely.hardnessMgL, high: hard.hardnessMgL },
  carbonateMgL: { low: soft.alkalinityMgL, value: likely.alkalinityMgL, high: hard.alkalinityMgL },
  conductivityUsCm: likely.conductivityUsCm,
})
