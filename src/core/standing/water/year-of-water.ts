import { acidG } from '../../scale/acid.ts'
import { capacityBySalt, ownHygieneDays, rinseLPerL } from '../../softener/exchanger.ts'
import type { TestedWater } from '../../water/carbonate.ts'
import {
  blended,
  decarbonised,
  type Minerals,
  type Passing,
  permeated,
  remineralised,
  sodiumExchanged,
} from '../../water/treatment.ts'
import { alongADay } from '../along.ts'
import { litresToDescale } from '../descale-clocks.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { litresADay } from '../water-budget.ts'
import type { MachineChalk } from './machine-chalk.ts'

/** How a site's water is treated, as it is or as it might be. */
export type PlannedTreatment =
  | { kind: 'none' }
  | { kind: 'hand'; resinL: number; capacityGPerL: number; saltGPerL: number; hygieneDays: number }
  | { kind: 'itself'; resinL: number; saltGPerL: number }
  | { kind: 'cartridge'; capacityG: number; bypass: number }
  | { kind: 'membrane'; rawShare: number; rejectLPerL: number; dosed?: Minerals; passing?: Passing }

/** What water work costs; absent where nobody said. */
export interface Prices {
  saltPerKg?: number
  acidPerKg?: number
  cartridge?: number
  waterPerM3?: number
  labourPerMinute?: number
}

/** A site's machine, as far as its water goes. */
export interface WaterMachine {
  facts: MachineFacts
  chalk: MachineChalk
}

/** One year of a site's water. */
export interface YearOfWater {
  fed: TestedWater
  litres: number
  regenerations: number
  saltKg: number
  cartridges: number
  /** Down the drain: rinses and reject. */
  wasteL: number
  chalkG: number
  descales: number
  acidG: number
  /** Technician's minutes: descales, cartridges; staff regenerate. */
  minutes: number
  /** By what it is for; only what has a price. */
  costs: { name: string; amount: number }[]
  total: number
}

const daysInYear = 365.25
/** Twelve months at the most, whatever the litres. */
const fewestCartridges = 1
const cartridgeMinutes = 15
/** A membrane every three years, its carbon twice a year. From memory. */
const membraneMinutesAYear = 40 / 3 + 2 * 10
/** What a year takes for granted, as it stands for the site. */
export interface YearFigures {
  /** Hardness a softener lets through, mg/L CaCO₃. */
  leakageMgL: number
  /** Share of its capacity a softener keeps back. */
  reserve: number
  /** Citric acid over the arithmetic. */
  citricExcess: number
}

/** Several groups of a site's machines together. */
export function together(years: YearOfWater[]): YearOfWater {
  const sum = (of: (year: YearOfWater) => number) => years.reduce((total, year) => total + of(year), 0)
  const names = [...new Set(years.flatMap(({ costs }) => costs.map(({ name }) => name)))]
  return {
    fed: averageFed(years),
    litres: sum((year) => year.litres),
    regenerations: sum((year) => year.regenerations),
    saltKg: sum((year) => year.saltKg),
    cartridges: sum((year) => year.cartridges),
    wasteL: sum((year) => year.wasteL),
    chalkG: sum((year) => year.chalkG),
    descales: sum((year) => year.descales),
    acidG: sum((year) => year.acidG),
    minutes: sum((year) => year.minutes),
    costs: names.map((name) => ({
      name,
      amount: sum(({ costs }) => costs.find((cost) => cost.name === name)?.amount ?? 0),
    })),
    total: sum((year) => year.total),
  }
}

/** What is fed on average, by litres: two groups of machines have two waters. */
function averageFed(years: YearOfWater[]): TestedWater {
  const litres = years.reduce((total, year) => total + year.litres, 0)
  const mean = (of: (fed: TestedWater) => number) =>
    litres > 0 ? years.reduce((sum, year) => sum + of(year.fed) * year.litres, 0) / litres : of(years[0]!.fed)
  return {
    ...years[0]!.fed,
    hardnessMgL: mean((fed) => fed.hardnessMgL),
    alkalinityMgL: mean((fed) => fed.alkalinityMgL),
  }
}

/** The water a treatment makes of a raw one. */
export function treatedBy(raw: TestedWater, treatment: PlannedTreatment, leakageMgL: number): TestedWater {
  if (treatment.kind === 'none') return raw
  if (treatment.kind === 'cartridge') return decarbonised(raw, treatment.bypass)
  if (treatment.kind === 'membrane') {
    const mixed = blended(raw, permeated(raw, treatment.passing), treatment.rawShare)
    return treatment.dosed ? remineralised(mixed, treatment.dosed) : mixed
  }
  return sodiumExchanged(raw, leakageMgL)
}

/**
 * What a year of a site's water comes to under a treatment: litres, salt, cartridges, chalk, acid, minutes and
 * money. Staff regenerate by hand; a technician descales and changes cartridges.
 */
export function yearOfWater(
  machines: WaterMachine[],
  raw: TestedWater,
  treatment: PlannedTreatment,
  figures: YearFigures,
  prices: Prices,
): YearOfWater {
  const fed = treatedBy(raw, treatment, figures.leakageMgL)
  const openDays = ({ facts }: WaterMachine) => daysInYear * facts.opening.shareOpen
  const sum = (of: (machine: WaterMachine) => number) => machines.reduce((total, machine) => total + of(machine), 0)
  const litres = sum((machine) => litresADay(machine.facts.budget, machine.facts.use) * openDays(machine))
  const chalkOf = (machine: WaterMachine) =>
    machine.chalk.vessels.reduce(
      // A group's own vessel stands there once a group: the busiest was reckoned.
      (grams, vessel) => grams + alongADay(vessel.stuckWith(fed), machine.facts.use) / vessel.share,
      0,
    ) * openDays(machine)
  const chalkG = sum(chalkOf)
  const descales = sum((machine) => descalesAYear(machine, fed, openDays(machine)))
  const { regenerations, saltKg, cartridges, wasteL, ...ofTreatment } = upkeep(
    treatment,
    litres,
    raw,
    fed,
    figures.reserve,
  )
  const acid = sum((machine) =>
    machine.facts.kind.descale ? acidG(chalkOf(machine), 'citric') * figures.citricExcess : 0,
  )
  const minutes =
    sum((machine) => descalesAYear(machine, fed, openDays(machine)) * (machine.facts.kind.descale?.minutes ?? 0)) +
    ofTreatment.minutes
  const costs = [
    { name: 'salt', amount: (prices.saltPerKg ?? Number.NaN) * saltKg },
    { name: 'cartridges', amount: (prices.cartridge ?? Number.NaN) * cartridges },
    { name: 'acid', amount: ((prices.acidPerKg ?? Number.NaN) * acid) / 1000 },
    { name: 'water', amount: ((prices.waterPerM3 ?? Number.NaN) * (litres + wasteL)) / 1000 },
    { name: 'labour', amount: (prices.labourPerMinute ?? Number.NaN) * minutes },
  ].filter(({ amount }) => Number.isFinite(amount) && amount > 0)
  return {
    fed,
    litres,
    regenerations,
    saltKg,
    cartridges,
    wasteL,
    chalkG,
    descales,
    acidG: acid,
    minutes,
    costs,
    total: costs.reduce((total, { amount }) => total + amount, 0),
  }
}

/** Descales in place, by whichever clock comes round most often: chalk, the prompt, the calendar of the policy. */
function descalesAYear({ facts, chalk }: WaterMachine, fed: TestedWater, openDays: number): number {
  const inPlace = facts.kind.descale
  if (!inPlace) return 0
  const byChalk = chalk.vessels.map(
    (vessel) => (alongADay(vessel.stuckWith(fed), facts.use) * openDays) / vessel.limitG,
  )
  const litres = litresADay(facts.budget, facts.use) * openDays
  return Math.max(
    ...byChalk,
    litres / litresToDescale(facts, inPlace, fed.alkalinityMgL),
    12 / inPlace.months[facts.policy.value],
  )
}

function upkeep(treatment: PlannedTreatment, litres: number, raw: TestedWater, fed: TestedWater, reserve: number) {
  const none = { regenerations: 0, saltKg: 0, cartridges: 0, wasteL: 0, minutes: 0 }
  const removed = (litres * (raw.hardnessMgL - fed.hardnessMgL)) / 1000
  switch (treatment.kind) {
    case 'none':
      return none
    case 'membrane':
      return {
        ...none,
        minutes: membraneMinutesAYear,
        wasteL: litres * (1 - treatment.rawShare) * treatment.rejectLPerL,
      }
    case 'cartridge': {
      const cartridges = Math.max(fewestCartridges, removed / treatment.capacityG)
      return { ...none, cartridges, minutes: cartridges * cartridgeMinutes }
    }
    default: {
      const itself = treatment.kind === 'itself'
      const capacity = itself ? capacityBySalt(treatment.saltGPerL) : treatment.capacityGPerL
      const byLitres = removed / (treatment.resinL * capacity * (1 - reserve))
      const byHygiene = daysInYear / (itself ? ownHygieneDays : treatment.hygieneDays)
      const regenerations = Math.max(byLitres, byHygiene)
      return {
        ...none,
        regenerations,
        saltKg: (regenerations * treatment.resinL * treatment.saltGPerL) / 1000,
        wasteL: regenerations * treatment.resinL * rinseLPerL[treatment.kind],
      }
    }
  }
}
