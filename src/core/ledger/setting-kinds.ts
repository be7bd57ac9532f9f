import { array, boolean, type InferType, number, object, string } from 'yup'
import { figureById } from '../figures/figures.ts'
import { amount, closure, divisor, finite, shareBelowOne, weekdays } from '../parse/fields.ts'
import { programmeIds } from '../procedures/key-patterns.ts'
import { keyPatternSchema } from '../procedures/procedure-schema.ts'
import { alongClocks, clocks, schools } from '../wear/limits.ts'
import { group, slug, v, words } from './body-fields.ts'

/** Figures nothing is reckoned by any more: what was once set of them stays readable. */
const retiredFigures = new Set(['gas-headspace', 'rinse-volumes'])

/** A setting is an entry too, because it moves a reckoning. Each has its own shape. */
export const settingSchemas = {
  opening: object({
    v,
    setting: string().oneOf(['opening']).required(),
    openWeekdays: weekdays().required(),
  }).noUnknown(),
  closure: closure()
    .concat(object({ v, setting: string().oneOf(['closure']).required(), name: words(80) }))
    .noUnknown(),
  /** How busy each month is beside the others, January first: 1 as usual. */
  'busy-months': object({
    v,
    setting: string().oneOf(['busy-months']).required(),
    months: array(number().required().min(0.1).max(10)).length(12).required(),
  }).noUnknown(),
  school: object({
    v,
    setting: string().oneOf(['school']).required(),
    school: string().oneOf(schools).required(),
    /** Of one part or task only. */
    duty: string().max(80),
  }).noUnknown(),
  /** A life or interval of one's own: it wins over the catalogue at this level. */
  life: object({
    v,
    setting: string().oneOf(['life']).required(),
    duty: string().max(80).required(),
    /** Of one kind of machine only. */
    kind: slug(),
    clock: string().oneOf(clocks).required(),
    value: divisor().max(1e8).required(),
  }).noUnknown(),
  'group-share': object({
    v,
    setting: string().oneOf(['group-share']).required(),
    shares: array(shareBelowOne().required()).min(2).max(4).required(),
  }).noUnknown(),
  /** Water per drink and per open day, where the kind's budget does not fit. */
  budget: object({
    v,
    setting: string().oneOf(['budget']).required(),
    mlPerDrink: divisor().required(),
    litresPerOpenDay: amount().required(),
    /** What was filled in while the drinks were counted, where it was found that way. */
    filled: object({ litres: divisor().required(), drinks: divisor().required() }).noUnknown().default(undefined),
  }).noUnknown(),
  /** What a meter or a cartridge's counter shows over what the counts say, for all that stands behind it. */
  'budget-factor': object({
    v,
    setting: string().oneOf(['budget-factor']).required(),
    factor: divisor().min(0.2).max(5).required(),
  }).noUnknown(),
  exchanger: object({
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
  cartridge: object({
    v,
    setting: string().oneOf(['cartridge']).required(),
    capacityG: divisor().required(),
    bypass: shareBelowOne().required(),
  }).noUnknown(),
  /** Reverse osmosis: how much raw water is mixed in again, and what is dosed. */
  membrane: object({
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
      .default(undefined),
  }).noUnknown(),
  /** Carbon against chlorine, before another treatment or alone. */
  prefilter: object({
    v,
    setting: string().oneOf(['prefilter']).required(),
    fitted: boolean().required(),
    /** Printed on it. */
    litres: divisor().max(1e7),
    /** Takes chloramine too. */
    catalytic: boolean(),
  }).noUnknown(),
  /** Litres at which the machine itself asks for a descale, at its hardness setting. */
  'descale-prompt': object({
    v,
    setting: string().oneOf(['descale-prompt']).required(),
    litres: divisor().required(),
  }).noUnknown(),
  /** A figure from memory, replaced by one of one's own at this level. */
  figure: object({
    v,
    setting: string().oneOf(['figure']).required(),
    figure: string()
      .required()
      .test(
        'known',
        'is not a figure that can be set',
        (id) => id === undefined || figureById(id) !== null || retiredFigures.has(id),
      ),
    value: finite().required(),
  })
    .noUnknown()
    .test('range', 'is out of range', (set, context) => {
      const range = figureById(set.figure ?? '')
      if (!range || set.value === undefined || (set.value >= range.least && set.value <= range.most)) return true
      return context.createError({ path: 'value', message: `must be between ${range.least} and ${range.most}` })
    }),
  /** The hardness settings a machine offers, and the one it stands at. */
  'hardness-setting': object({
    v,
    setting: string().oneOf(['hardness-setting']).required(),
    classes: array(
      object({ upToDh: divisor().max(100), litres: divisor().max(1e6).required() })
        .noUnknown()
        .required(),
    )
      .required()
      .min(2)
      .max(5)
      .test(
        'rising',
        'must go from soft to hard, the last without an end',
        (classes) =>
          classes === undefined ||
          classes.every(({ upToDh }, i) =>
            i === classes.length - 1
              ? upToDh === undefined
              : upToDh !== undefined && upToDh > (i > 0 ? (classes[i - 1]!.upToDh ?? Number.POSITIVE_INFINITY) : 0),
          ),
      ),
    /** From 1. */
    chosen: number().integer().min(1).max(5).required(),
  })
    .noUnknown()
    .test('chosen', 'must be one of its classes', (set, context) =>
      set.classes === undefined || set.chosen === undefined || set.chosen <= set.classes.length
        ? true
        : context.createError({ path: 'chosen' }),
    ),
  /** From here on machines of a kind are reckoned as the firm's own version of it, or as it ships. */
  'kind-as': object({
    v,
    setting: string().oneOf(['kind-as']).required(),
    kind: slug().required(),
    own: slug().required(),
  }).noUnknown(),
  /** Whether this machine has what only some of its kind have. */
  option: object({
    v,
    setting: string().oneOf(['option']).required(),
    option: slug().required(),
    fitted: boolean().required(),
  }).noUnknown(),
  /** How often something happens that nobody counts. */
  'along-count': object({
    v,
    setting: string().oneOf(['along-count']).required(),
    clock: string().oneOf(alongClocks).required(),
    perDrink: amount().max(10_000).required(),
    perOpenDay: amount().max(100_000).required(),
  }).noUnknown(),
  /** How often it is cleaned with detergent: so many times an open day, or once every so many drinks. */
  detergent: object({
    v,
    setting: string().oneOf(['detergent']).required(),
    perOpenDay: amount().max(50),
    everyDrinks: divisor().max(100_000),
  })
    .noUnknown()
    .test(
      'one',
      'needs a number a day or a number of drinks, not both',
      (set) => (set.perOpenDay === undefined) !== (set.everyDrinks === undefined),
    ),
  /** Hours above 60 °C: rubber ages by them where they are known. */
  'hot-hours': object({
    v,
    setting: string().oneOf(['hot-hours']).required(),
    perOpenDay: amount().max(24).required(),
    perClosedDay: amount().max(24).required(),
  }).noUnknown(),
  /** What water work costs, in the firm's currency. */
  prices: object({
    v,
    setting: string().oneOf(['prices']).required(),
    saltPerKg: amount(),
    acidPerKg: amount(),
    cartridge: amount(),
    waterPerM3: amount(),
    labourPerMinute: amount(),
    detergentTub: amount(),
    cleaningTablet: amount(),
  }).noUnknown(),
  /** The way a procedure is done here, where it is not its kind's usual one. */
  way: object({
    v,
    setting: string().oneOf(['way']).required(),
    procedure: slug().required(),
    school: slug().required(),
    /** As it is called, and how often it has its tasks done: the dates go by it. */
    name: string().max(120),
    rhythm: object({
      tasks: array(slug().required()).required().min(1).max(20),
      words: string().max(120).required(),
      days: amount().positive('must be above 0').max(3660),
      drinks: amount().positive('must be above 0').max(1_000_000),
      litres: amount().positive('must be above 0').max(100_000),
    })
      .noUnknown()
      .optional()
      .default(undefined),
  }).noUnknown(),
  /** How the keys of a model, in one revision, start a programme: said once, shown in every later run. */
  'programme-keys': object({
    v,
    setting: string().oneOf(['programme-keys']).required(),
    maker: string().max(120),
    model: string().max(120).required(),
    revision: string().max(120),
    programme: string().oneOf(programmeIds).required(),
    pattern: keyPatternSchema.required(),
  }).noUnknown(),
  /** What a part costs, in the firm's currency: weighed against the minutes of another test. */
  'part-price': object({
    v,
    setting: string().oneOf(['part-price']).required(),
    kind: slug().required(),
    part: slug().required(),
    price: amount().max(1e6).required(),
  }).noUnknown(),
  /** Causes confirmed on machines of a kind, adopted into what is suspected first. */
  causes: object({
    v,
    setting: string().oneOf(['causes']).required(),
    kind: slug().required(),
    counts: array(
      object({ fault: slug().required(), n: number().integer().min(1).max(1e6).required() })
        .noUnknown()
        .required(),
    )
      .min(1)
      .max(100)
      .required(),
  }).noUnknown(),
  /** Groups of this machine, where it is not the kind's usual number. */
  groups: object({
    v,
    setting: string().oneOf(['groups']).required(),
    count: group.required(),
  }).noUnknown(),
} as const

export type SettingName = keyof typeof settingSchemas
export type Setting<K extends SettingName> = InferType<(typeof settingSchemas)[K]>
