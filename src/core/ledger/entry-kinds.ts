import { array, boolean, type InferType, number, object, string } from 'yup'
import { kindSchema } from '../kinds/kind-schema.ts'
import { amount, divisor, finite, instant, localDay, uuid } from '../parse/fields.ts'
import { heldReasonIds } from '../procedures/held-reasons.ts'
import { procedureSchema } from '../procedures/procedure-schema.ts'
import { drives } from '../strip-down/thing.ts'
import { condition, group, photoName, position, slug, v, words } from './body-fields.ts'
import { removalReasons } from './removal.ts'
import { stages } from './stage.ts'
import type { SubjectKind } from './subject.ts'
import { visitTerms } from './visit-terms.ts'
import { waterFigures, waterTest } from './water-bodies.ts'

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
    /** As it was called then. */
    name: words(80),
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
    /** Where on the path. */
    station: slug(),
    minutes: amount().max(6000).required(),
    things: array(
      object({
        name: words(80).required(),
        where: words(200),
        way: words(200),
        mark: words(200),
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
  held: object({
    v,
    why: string().oneOf(heldReasonIds).required(),
    group,
  }).noUnknown(),
  released: object({ v, held: uuid().required(), note: words(500) }).noUnknown(),
  /** The machine itself asked for a task. */
  'prompt-seen': object({ v, task: slug().required(), prompt: slug() }).noUnknown(),
  /** In the customer's own words. */
  'fault-reported': object({ v, text: words(2000).required(), symptom: slug() }).noUnknown(),
  /** A test on the way to a fault, and what it showed; `report` is the entry of the fault that was looked for. */
  'test-seen': object({
    v,
    test: slug().required(),
    outcome: slug().required(),
    /** Both as they read when it was written: a ledger line is a sentence, whatever a later book calls them. */
    words: words(400),
    value: finite(),
    /** Said on the telephone, not seen. */
    said: boolean(),
    report: uuid(),
  }).noUnknown(),
  /** `fault` is the cause by its name in what is known of the kind; `cured` false where it was still not right. */
  repaired: object({
    v,
    text: words(2000).required(),
    cause: words(2000),
    fault: slug(),
    report: uuid(),
    cured: boolean(),
    part: slug(),
    group,
  }).noUnknown(),
  /** After a repair: everything tried, dry and safe; or why it was closed without. */
  'tested-out': object({
    v,
    passed: boolean().required(),
    reason: words(500),
    report: uuid(),
    /** What was looked at, by name. */
    looks: array(slug().required()).max(30),
    /** As a tester showed, and which. */
    electrical: object({
      earthOhm: amount(),
      insulationMOhm: amount(),
      protectiveMA: amount(),
      touchMA: amount(),
      instrument: uuid(),
    })
      .noUnknown()
      .default(undefined),
  })
    .noUnknown()
    .test(
      'reason',
      'needs a reason where it was not passed',
      (out, context) => out.passed !== false || Boolean(out.reason?.trim()) || context.createError({ path: 'reason' }),
    ),
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
  /** A firm's own version of a procedure; the last of an id counts, and stands in for its original while in use. */
  'own-procedure': object({ v, procedure: procedureSchema.required(), inUse: boolean().required() }).noUnknown(),
  withdrawn: object({ v, reason: words(500) }).noUnknown(),
} as const

export type EntryKind = keyof typeof bodySchemas
export const entryKinds = Object.keys(bodySchemas) as EntryKind[]
export type Body<K extends EntryKind> = InferType<(typeof bodySchemas)[K]>

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
  'test-seen': machineOnly,
  repaired: machineOnly,
  'tested-out': machineOnly,
  stage: ['machine', 'softener'],
  moved: machineOnly,
  visit: ['site'],
  remark: ['machine', 'softener', 'site'],
  'remark-closed': ['machine', 'softener', 'site'],
  calibrated: ['instrument'],
  note: anywhere,
  setting: anywhere,
  'own-kind': ['firm'],
  'own-procedure': ['firm'],
  withdrawn: anywhere,
}
