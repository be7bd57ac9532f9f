import { fromDay, toDay } from '../../quantity/local-day.ts'
import { atChance } from '../../quantity/spread.ts'
import { type Add, startWorking, type Working } from '../../quantity/working.ts'
import { overTemperatureK } from '../../scale/deposit.ts'
import { indexWords } from '../../water/saturation-words.ts'
import { alongADay } from '../along.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { waterLines } from './feed-water.ts'
import type { MachineChalk } from './machine-chalk.ts'
import { takeFigure, takeVesselFigure } from './set-figure.ts'
import type { VesselChalk } from './vessel-chalk.ts'

const plummer = 'Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46, 1011'

/** How a vessel's chalk is reckoned, line by line; the mass on a day and the line of the day it is at its limit. */
export function chalkLines(
  facts: MachineFacts,
  chalk: MachineChalk,
  vessel: VesselChalk,
  known: ReturnType<typeof waterLines>,
  add: Add,
  onDay = facts.asOfDay,
): { grams: number; dayLine: number } {
  const { figures, perLitre } = vessel
  const grams = vessel.gramsAt(onDay)
  const name = vessel.vessel.name.toLowerCase()
  const wall = add(() => ({
    what: `Wall of the ${name}`,
    value: figures.wallC,
    unit: '°C',
    origin: 'reckoned',
    source:
      vessel.vessel.heats === 'flow'
        ? `outlet ${vessel.vessel.outletC} °C + ${figures.wallOver.value} K, from memory`
        : vessel.vessel.heats === 'closed'
          ? 'its own temperature'
          : 'boiling at its pressure',
    ...(vessel.vessel.heats === 'flow' && {
      adjust: { setting: 'figure', position: 'wall-over', value: figures.wallOver.value },
    }),
  }))
  const water = `{${known.hardness}}, {${known.carbonate}}, {${known.pH}}, {${known.conductivity}}, {${known.share}}`
  const through = known.after > 0 ? `${water}, {${known.after}}` : water
  const falls = add(() =>
    perLitre.bound
      ? {
          what: perLitre.bound.magnesium ? 'Can fall out, with magnesium' : 'Can fall out',
          value: perLitre.bound.mgL,
          unit: 'mg/L CaCO₃',
          formula: `the smaller of hardness and carbonate, ${through}`,
          origin: 'reckoned',
          source:
            perLitre.bound.pH === undefined
              ? 'carbonic acid escapes'
              : `carbonic acid escapes, pH ${perLitre.bound.pH.toFixed(1)}`,
        }
      : {
          what: 'Must fall out at the wall',
          value: perLitre.atWall!.ccppMgL,
          unit: 'mg/L CaCO₃',
          formula: `until the index is 0 at {${wall}}, from ${through}`,
          origin: 'reckoned',
          source: `index ${indexWords(perLitre.atWall!.si)}${perLitre.atWall!.extrapolated ? ', extrapolated above 90 °C' : ''}`,
          reference: plummer,
        },
  )
  const residual = perLitre.bound ? add(() => figures.residual.line()) : 0
  const stick = add(() => figures.stick.line())
  const own = chalk.learned
  const ownLine = own
    ? add(() => ({
        what: 'This machine against the usual',
        value: own.value,
        origin: 'measured',
        source: `${own.descales.length} ${own.descales.length === 1 ? 'descale' : 'descales'} tested, the last ${own.descales.at(-1)!.removedG.toFixed(0)} g against ${own.descales.at(-1)!.reckonedG.toFixed(0)} g reckoned`,
      }))
    : 0
  const perDay = alongADay(vessel.stuck, facts.use)
  const grows = add(() => ({
    what: 'Grows',
    value: perDay,
    unit: 'g/open day',
    formula: [
      `water to it × {${falls}}`,
      ...(residual ? [`− drawn hot × {${residual}}`] : []),
      `× {${stick}}`,
      ...(ownLine ? [`× {${ownLine}}`] : []),
      ...(vessel.share < 1 ? [`× ${vessel.share.toFixed(2)}, the busiest group`] : []),
    ].join(' '),
    origin: 'reckoned',
  }))
  const now = add(() => ({
    what: `In the ${name} on ${fromDay(onDay)}`,
    value: grams,
    spread: (grams * (atChance(vessel.sure, 0.9) - atChance(vessel.sure, 0.1))) / 2,
    unit: 'g',
    formula: `{${grows}}, as the water was, since ${chalk.since}`,
    origin: 'reckoned',
    source: chalk.descaled ? 'descaled' : 'taken on, taken as clean',
  }))
  const area = add(() => figures.wettedCm2.line())
  const pores = add(() => figures.porosity.line())
  const thick = add(() => ({
    what: 'Thickness',
    value: vessel.thicknessOf(grams),
    unit: 'mm',
    formula: `{${now}} ÷ (2.71 g/cm³ × (1 − {${pores}}) × {${area}})`,
    origin: 'reckoned',
  }))
  const { heaterW, heaterCm2 } = vessel.vessel
  if (heaterW && heaterCm2) {
    const watt = takeVesselFigure(facts.histories, vessel.vessel, 'heaterW', heaterW)
    const surface = takeVesselFigure(facts.histories, vessel.vessel, 'heaterCm2', heaterCm2)
    const k = takeFigure(facts.histories, 'chalk-conductivity')
    const lines = [watt, surface, k].map((figure) => add(() => figure.line()))
    add(() => ({
      what: 'Element runs hotter by',
      value: overTemperatureK(watt.value / surface.value, vessel.thicknessOf(grams), k.value),
      unit: 'K',
      formula: `{${lines[0]}} ÷ {${lines[1]}} × {${thick}} ÷ {${lines[2]}}`,
      origin: 'reckoned',
      source: 'at full power',
    }))
  }
  const limit = add(() => figures.limitMm.line())
  const day = vessel.dayAtLimit(0.5)
  const dayLine = add(() => ({
    what: 'At its limit',
    value: day === null ? 'not within ten years' : fromDay(Math.max(day, toDay(chalk.since))),
    formula: `({${limit}} − {${thick}}) at {${grows}}`,
    origin: 'reckoned',
  }))
  return { grams, dayLine }
}

/** How one vessel's chalk is reckoned, on its own. */
export function vesselWorking(facts: MachineFacts, chalk: MachineChalk, vessel: VesselChalk, onDay: number): Working {
  const { lines, add } = startWorking()
  const known = waterLines(chalk.facts, chalk.water, add)
  chalkLines(facts, chalk, vessel, known, add, onDay)
  const { below, above } = vessel.sure
  const wide = Math.max(below, above)
  return {
    lines,
    why:
      wide > 0.5
        ? 'The share that sticks is from memory and carries most of the spread: test the spent solution at the next descale, and this machine gets its own.'
        : 'The water as tested and this machine’s own share carry the spread.',
  }
}
