import { array, boolean, type InferType, number, object, string } from 'yup'
import { figureById } from '../figures/figures.ts'
import { kindSchema } from '../kinds/kind-schema.ts'
import { amount, closure, divisor, finite, instant, localDay, shareBelowOne, uuid, weekdays } from '../parse/fields.ts'
import { hardnessUnits, mgLPer } from '../quantity/hardness.ts'
import { drives } from '../strip-down/thing.ts'
import { alongClocks, clocks, schools } from '../wear/limits.ts'
import { removalReasons } from './removal.ts'
import { stages } from './stage.ts'
import type { SubjectKind } from './subject.ts'
import { visitTerms } from './visit-terms.ts'
import { waterFigureNames } from './water-figure-names.ts'

/** Bodies carry the version of their schema; older versions are lifted by `upcast`. */
const v = number().oneOf([1]).required()
const slug = () => string().matches(/^[a-z0-9-]{1,60}$/, 'must be a short name in small letters')
const words = (most: number) => string().max(most, `must be at most ${most} characters`)
const group = number().integer().min(1).max(4)
/** SHA-256 of a photo’s file. */
const photoName = () => string().matches(/^[0-9a-f]{64}$/, { message: 'is no photo’s name', excludeEmptyString: true })
const condition = number().integer().min(0).max(4)
const position = { part: slug().required(), group }

/** Above this no tap water is known; a decimal point was probably lost. mg/L CaCO3. */
const mostHardnessMgL = 2000

const waterTest = object({
  v,
  point: string().oneOf(['raw', 'softened']).required(),
  quantity: string().oneOf(['total', 'carbonate']).required(),
  method: string().oneOf(['drops', 'strip', 'figure']).required(),
  unit: string().oneOf(hardnessUnits).required(),
  drops: amount().integer().max(400),
  perDrop: divisor(),
  sampleFactor: divisor(),
  low: amount(),
  high: amount(),
  value: amount(),
  instrument: uuid(),
})
  .noUnknown()
  .test('method', (test, context) => {
    const need = (field: 'drops' | 'perDrop' | 'low' | 'high' | 'value') =>
      test[field] === undefined && context.createError({ path: field, message: `is needed for ${test.method}` })
    const missing =
      test.method === 'drops'
        ? need('drops') || need('perDrop')
        : test.method === 'strip'
          ? need('low') || need('high')
          : need('value')
    if (missing) return missing
    if (test.method === 'strip' && test.low! > test.high!) {
      return context.createError({ path: 'high', message: 'must not be below the low end of the zone' })
    }
    const field = test.method === 'drops' ? 'drops' : test.method === 'strip' ? 'high' : 'value'
    const found = test.method === 'drops' ? (test.drops! * test.perDrop!) / (test.sampleFactor ?? 1) : test[field]!
    const mgL = found * mgLPer[test.unit]
    if (mgL <= mostHardnessMgL) return true
    const most = Math.floor(mostHardnessMgL / mgLPer[test.unit])
    return context.createError({
      path: field,
      message: `is harder than any tap water (${most} in this unit at most): is a decimal point missing?`,
    })
  })

/** What a sample holds besides its hardness: by pen or paper on site, or as the works print it. */
const waterFigures = object({
  v,
  /** As it comes, after all treatment, or behind a membrane before anything is mixed in. */
  point: string().oneOf(['raw', 'softened', 'permeate']).required(),
  by: string().oneOf(['pen', 'works']).required(),
  pH: finite().min(0).max(14),
  testTempC: finite().min(0).max(100),
  /** At 25 °C. */
  conductivityUsCm: amount().max(20_000),
  /** As CaCO₃. */
  calciumMgL: amount().max(mostHardnessMgL),
  chlorideMgL: amount().max(20_000),
  freeChlorineMgL: amount().max(20),
  totalChlorineMgL: amount().max(20),
  silicaMgL: amount().max(500),
  ironMgL: amount().max(100),
  instrument: uuid(),
})
  .noUnknown()
  .test('something', 'needs at least one figure', (test) => waterFigureNames.some((name) => test[name] !== undefined))

/** Every kind of entry and the shape of its body. Strict: an unknown field is refused, not dropped. */
export const bodySchemas = {
  /** Taken on: the kind of machine, and whether its parts were new that day. */
  commissioned: object({
    v,
    kind: slug().required(),
    kindVersion: number().integer().min(1).required(),
    partsNew: boolean().required(),
  }).noUnknown(),
  reading: object({
    v,
    counter: string().oneOf(['shots', 'litres']).required(),
    count: amount().max(1e9).required(),
    /** What it counts apart, all since it began: each group, each drink by its kind's name, rinses among its count. */
    groups: array(amount().max(1e9).required()).max(4),
    drinks: array(object({ name: words(60).required(), count: amount().max(1e9).required() }).noUnknown()).max(20),
    rinses: amount().max(1e9),
  })
    .noUnknown()
    .test(
      'rinses',
      'are more than the whole counter shows',
      (reading, context) =>
        reading.rinses === undefined ||
        reading.rinses <= reading.count ||
        context.createError({ path: 'rinses', message: 'are more than the whole counter shows' }),
    ),
  'water-test': waterTest,
  'water-figures': waterFigures,
  fitted: object({ v, ...position, variant: slug(), size: words(60), note: words(500) }).noUnknown(),
  /** Why it came out, where somebody said: only wear tells of a life. */
  removed: object({ v, ...position, condition, why: string().oneOf(removalReasons), note: words(500) }).noUnknown(),
  inspected: object({ v, ...position, condition: condition.required(), note: words(500) }).noUnknown(),
  cleaned: object({ v, task: slug().required(), group }).noUnknown(),
  greased: object({ v, task: slug().required(), group }).noUnknown(),
  checked: object({ v, task: slug().required(), group }).noUnknown(),
  serviced: object({ v, task: slug().required() }).noUnknown(),
  descaled: object({
    v,
    task: slug().required(),
    acid: words(40),
    grams: amount(),
    /** Hardness of the spent solution, mg/L CaCO₃ (the drops of a 1:100 sample times a hundred), and how much of it. */
    spent: object({ hardnessMgL: amount().max(500_000).required(), litres: divisor().max(1000).required() })
      .noUnknown()
      .default(undefined),
  }).noUnknown(),
  regenerated: object({ v, saltKg: amount().max(100) }).noUnknown(),
  /** Into the brine tank of a softener that regenerates by itself. */
  'salt-added': object({ v, kg: divisor().max(500).required() }).noUnknown(),
  'cartridge-changed': object({ v, capacityG: divisor() }).noUnknown(),
  'membrane-changed': object({ v, note: words(500) }).noUnknown(),
  /** Carbon or sediment, before a treatment or alone. */
  'prefilter-changed': object({ v, note: words(500) }).noUnknown(),
  measured: object({
    v,
    measure: slug().required(),
    group,
    state: string().oneOf(['found', 'left']).required(),
    value: finite().required(),
    instrument: uuid(),
  }).noUnknown(),
  /** A procedure that was run, step by step; what it did to the machine is written beside it. */
  run: object({
    v,
    procedure: slug().required(),
    version: number().integer().min(1).required(),
    school: slug().required(),
    minutes: amount().max(6000).required(),
    ended: string().oneOf(['done', 'stopped', 'left']).required(),
    why: words(500),
    steps: array(
      object({
        step: words(120).required(),
        group,
        how: string().oneOf(['done', 'skipped', 'again', 'taken back', 'stopped']).required(),
        /** Seconds since the run began. */
        atS: amount().max(1e6).required(),
        reason: words(500),
        answer: slug(),
        value: finite(),
        photo: photoName(),
      }).noUnknown(),
    )
      .max(2000)
      .required(),
  }).noUnknown(),
  /** What came off in a strip-down, in order; what of it was left over, and why. */
  'strip-down': object({
    v,
    title: words(120).required(),
    known: slug(),
    minutes: amount().max(6000).required(),
    things: array(
      object({
        name: words(80).required(),
        where: words(200),
        way: words(200),
        fasteners: array(
          object({
            drive: string().oneOf(drives).required(),
            size: words(20),
            count: number().integer().min(1).max(200).required(),
            kind: words(60),
          }).noUnknown(),
        ).max(20),
        /** Seconds since the sheet was opened. */
        offS: amount().max(1e7).required(),
        /** Absent for what is not back in. */
        inS: amount().max(1e7),
        photos: array(photoName().required()).max(30),
        note: words(500),
      }).noUnknown(),
    )
      .min(1)
      .max(200)
      .required(),
    leftOver: words(500),
  }).noUnknown(),
  /** Something is in the machine that nobody may drink: not for use until it is released. */
  held: object({ v, why: string().oneOf(['detergent', 'milk-cleaner', 'descaler']).required(), group }).noUnknown(),
  released: object({ v, held: uuid().required(), note: words(500) }).noUnknown(),
  /** The machine itself asked for a task. */
  'prompt-seen': object({ v, task: slug().required(), prompt: slug() }).noUnknown(),
  /** In the customer's own words. */
  'fault-reported': object({ v, text: words(2000).required() }).noUnknown(),
  repaired: object({ v, text: words(2000).required(), cause: words(2000), part: slug(), group }).noUnknown(),
  /** Switched off, put away, set going again or taken out of service, from this day on. */
  stage: object({ v, stage: string().oneOf(stages).required(), note: words(500) }).noUnknown(),
  /** From this day on at another site, with its history. Use is learned anew there. */
  moved: object({
    v,
    fromSiteId: uuid(),
    toSiteId: uuid().required(),
    fromSoftenerId: uuid(),
    toSoftenerId: uuid(),
    /** Stands in for a machine in the workshop. */
    loan: boolean(),
    note: words(500),
  }).noUnknown(),
  /** One call at a site: who, when, why and on what terms. What was done hangs on it by its visit's id. */
  visit: object({
    v,
    technicianIds: array(uuid().required()).required().min(1).max(10),
    arrivedAt: instant(),
    leftAt: instant(),
    /** Time at the machines, where nobody looked at the clock on arriving and leaving. */
    minutes: amount().integer().max(6000),
    terms: string().oneOf(visitTerms),
  })
    .noUnknown()
    .test('order', 'must not be before arrival', (visit, context) =>
      visit?.arrivedAt && visit.leftAt && visit.leftAt < visit.arrivedAt
        ? context.createError({ path: 'leftAt' })
        : true,
    ),
  /** Something left to do or to watch; open until closed. */
  remark: object({ v, text: words(2000).required() }).noUnknown(),
  'remark-closed': object({ v, remark: uuid().required(), note: words(500) }).noUnknown(),
  /** An instrument was calibrated, or a reagent opened: good until that day. */
  calibrated: object({ v, dueOn: localDay().required(), note: words(500) }).noUnknown(),
  note: object({ v, text: words(4000).required() }).noUnknown(),
  setting: object({ v, setting: string().required() }),
  /** A firm's own version of a kind of machine; the last of an id counts. */
  'own-kind': object({ v, kind: kindSchema.required() }).noUnknown(),
  withdrawn: object({ v, reason: words(500) }).noUnknown(),
} as const

export type EntryKind = keyof typeof bodySchemas
export const entryKinds = Object.keys(bodySchemas) as EntryKind[]
export type Body<K extends EntryKind> = InferType<(typeof bodySchemas)[K]>

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
      .test('known', 'is not a figure that can be set', (id) => id === undefined || figureById(id) !== null),
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

const machineOnly: SubjectKind[] = ['machine']
const anywhere: SubjectKind[] = ['machine', 'softener', 'supply', 'site', 'customer', 'instrument', 'firm']

/** What each kind of entry may be about. */
export const subjectsOf: Record<EntryKind, SubjectKind[]> = {
  commissioned: ['machine', 'softener'],
  reading: ['machine', 'softener'],
  'water-test': ['site', 'supply', 'softener'],
  'water-figures': ['site', 'supply', 'softener'],
  fitted: machineOnly,
  removed: machineOnly,
  inspected: machineOnly,
  cleaned: machineOnly,
  greased: machineOnly,
  checked: ['machine', 'softener'],
  serviced: ['machine', 'softener'],
  descaled: machineOnly,
  regenerated: ['softener'],
  'salt-added': ['softener'],
  'cartridge-changed': ['softener'],
  'membrane-changed': ['softener'],
  'prefilter-changed': ['softener'],
  measured: machineOnly,
  run: machineOnly,
  'strip-down': machineOnly,
  held: machineOnly,
  released: machineOnly,
  'prompt-seen': machineOnly,
  'fault-reported': machineOnly,
  repaired: machineOnly,
  stage: ['machine', 'softener'],
  moved: machineOnly,
  visit: ['site'],
  remark: ['machine', 'softener', 'site'],
  'remark-closed': ['machine', 'softener', 'site'],
  calibrated: ['instrument'],
  note: anywhere,
  setting: anywhere,
  'own-kind': ['firm'],
  withdrawn: anywhere,
}
