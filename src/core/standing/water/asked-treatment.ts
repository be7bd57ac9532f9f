import { type InferType, object, string } from 'yup'
import { amount, divisor, shareBelowOne } from '../../parse/fields.ts'
import { figures } from '../../trade/figures.ts'
import type { PlannedTreatment } from './year-of-water.ts'

/** A treatment as a page asks about it: its kind, and the figures that kind has; the rest as usual. */
export const askedTreatment = object({
  kind: string().oneOf(['none', 'hand', 'itself', 'cartridge', 'membrane']).required(),
  resinL: divisor().max(1000).default(12),
  saltGPerL: divisor().max(500).default(120),
  capacityG: divisor().max(1e6).default(500),
  bypass: shareBelowOne().default(0.3),
  rawShare: amount().max(1).default(0.25),
  rejectLPerL: amount().max(20).default(1),
}).noUnknown()

/** The treatment that was asked about. */
export function treatmentAsked(asked: InferType<typeof askedTreatment>): PlannedTreatment {
  const { resinL, saltGPerL, capacityG, bypass, rawShare, rejectLPerL } = asked
  switch (asked.kind) {
    case 'hand':
      return {
        kind: 'hand',
        resinL,
        capacityGPerL: figures['hand-capacity'].value,
        saltGPerL: figures['hand-salt'].value,
        hygieneDays: figures['regenerate-days'].value,
      }
    case 'itself':
      return { kind: 'itself', resinL, saltGPerL }
    case 'cartridge':
      return { kind: 'cartridge', capacityG, bypass }
    case 'membrane':
      return { kind: 'membrane', rawShare, rejectLPerL }
    default:
      return { kind: 'none' }
  }
}
