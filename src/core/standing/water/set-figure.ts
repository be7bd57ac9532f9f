import type { Vessel } from '../../kinds/vessel.ts'
import { type Spread, spreadOf } from '../../quantity/spread.ts'
import type { Line } from '../../quantity/working.ts'
import { type Figure, type FigureId, figures, type VesselFigure, vesselFigures } from '../../trade/figures.ts'
import { type Histories, type Level, ownFigure } from '../histories.ts'

/** A figure as it stands for a machine: its own, or the one from memory with what it may be. */
export interface SetFigure extends Spread {
  id: string
  level: Level | 'catalogue'
  /** Its line in a working; a person may change it there. */
  line(what?: string): Line
}

const levelWords = (level: Level) => `set for this ${level}`

/** A figure from memory, unless a level nearer than the catalogue set its own: that one is taken as it stands. */
export function takeFigure(histories: Histories, id: FigureId): SetFigure {
  const known: Figure = figures[id]
  const own = ownFigure(histories, id)
  const spread = own
    ? spreadOf(own.body.value, own.body.value, own.body.value)
    : spreadOf(known.value, known.low, known.high)
  return {
    id,
    level: own?.level ?? 'catalogue',
    ...spread,
    line: (what = known.name) => ({
      what,
      value: spread.value,
      ...(known.unit && { unit: known.unit }),
      origin: own ? 'setting' : 'default',
      source: own
        ? levelWords(own.level)
        : `${known.low} to ${known.high}, ${known.mark === 'T' ? 'common practice' : 'from memory'}`,
      ...(!own && { mark: known.mark }),
      adjust: { setting: 'figure', position: id, value: spread.value },
    }),
  }
}

/** A vessel's figure: this machine's own, or its kind's. */
export function takeVesselFigure(histories: Histories, vessel: Vessel, figure: VesselFigure, usual: number): SetFigure {
  const id = `${vessel.id}.${figure}`
  const own = ownFigure(histories, id)
  const value = own?.body.value ?? usual
  const { name, unit } = vesselFigures[figure]
  return {
    id,
    level: own?.level ?? 'catalogue',
    ...spreadOf(value, value, value),
    line: (what = `${vessel.name}, ${name}`) => ({
      what,
      value,
      unit,
      origin: own ? 'setting' : 'default',
      source: own ? levelWords(own.level) : 'this kind, from memory',
      ...(!own && { mark: vessel.mark }),
      adjust: { setting: 'figure', position: id, value },
    }),
  }
}

/** A figure the chosen policy decides until somebody sets one: its value, and its line. */
export function policyFigure(histories: Histories, id: FigureId, byPolicy: number, policySaid: string) {
  const own = ownFigure(histories, id)
  const known: Figure = figures[id]
  const value = own?.body.value ?? byPolicy
  return {
    value,
    line: (what: string): Line => ({
      what,
      value,
      ...(known.unit && { unit: known.unit }),
      origin: own ? 'setting' : 'default',
      source: own ? levelWords(own.level) : policySaid,
      ...(!own && { mark: known.mark }),
      adjust: { setting: 'figure', position: id, value },
    }),
  }
}
