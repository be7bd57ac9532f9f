import { boolean, object, string } from 'yup'
import { amount, divisor, shareBelowOne } from '../../parse/fields.ts'
import { v } from '../body-fields.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** Water per drink and per open day, where the kind's budget does not fit. */
export const budget = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['budget']).required(),
      mlPerDrink: divisor().required(),
      litresPerOpenDay: amount().required(),
      /** What was filled in while the drinks were counted, where it was found that way. */
      filled: object({ litres: divisor().required(), drinks: divisor().required() })
        .noUnknown()
        .optional()
        .default(undefined),
    }).noUnknown(),
  ),
  words: ({ mlPerDrink, litresPerOpenDay }, { quantity }) =>
    `Water: ${mlPerDrink} ml a drink and ${quantity(litresPerOpenDay, 'L')} an open day`,
})

/** What a meter or a cartridge's counter shows over what the counts say, for all that stands behind it. */
export const budgetFactor = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['budget-factor']).required(),
      factor: divisor().min(0.2).max(5).required(),
    }).noUnknown(),
  ),
  words: ({ factor }) => `Counts × ${factor}: what the meter showed`,
})

export const exchanger = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['exchanger']).required(),
      resinL: divisor().max(1000).required(),
      capacityGPerL: divisor(),
      reserve: shareBelowOne(),
      /** By hand unless it is said to do it itself. */
      regenerates: string().oneOf(['hand', 'itself']),
      /** Salt of one regeneration, g a litre of resin. */
      saltGPerL: divisor().max(500),
      /** What its brine tank holds. */
      saltTankKg: divisor().max(500),
    }).noUnknown(),
  ),
  words: ({ resinL, regenerates }) =>
    `Softener with ${resinL} L of resin${regenerates === 'itself' ? ', regenerates itself' : ''}`,
})

export const cartridge = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['cartridge']).required(),
      capacityG: divisor().required(),
      bypass: shareBelowOne().required(),
    }).noUnknown(),
  ),
  words: ({ capacityG, bypass }) => `Cartridge of ${capacityG} g at ${Math.round(bypass * 100)} % bypass`,
})

/** Reverse osmosis: how much raw water is mixed in again, and what is dosed. */
export const membrane = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['membrane']).required(),
      rawShare: shareBelowOne().required(),
      /** Down the drain for each litre made. */
      rejectLPerL: amount().max(20),
      /** Dosed into what it makes, mg/L CaCO₃. */
      dosed: object({
        calciumMgL: amount().max(500).required(),
        magnesiumMgL: amount().max(500).required(),
        bicarbonateMgL: amount().max(500).required(),
      })
        .noUnknown()
        .optional()
        .default(undefined),
    }).noUnknown(),
  ),
  words: ({ rawShare, dosed }) =>
    `Membrane with ${Math.round(rawShare * 100)} % of raw water mixed in${dosed ? ', minerals dosed' : ''}`,
})

/** Carbon against chlorine, before another treatment or alone. */
export const prefilter = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['prefilter']).required(),
      fitted: boolean().required(),
      /** Printed on it. */
      litres: divisor().max(1e7),
      /** Takes chloramine too. */
      catalytic: boolean(),
    }).noUnknown(),
  ),
  words: ({ fitted, catalytic, litres }, { quantity }) =>
    fitted
      ? `Carbon filter before it${catalytic ? ', catalytic' : ''}${litres ? `, ${quantity(litres, 'L')}` : ''}`
      : 'No carbon filter before it',
})
