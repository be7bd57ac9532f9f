import { type AnyObject, type InferType, number, type ObjectSchema, object, string } from 'yup'
import { isCountry } from '../invoices/party.ts'
import { amount, finite, localDay, timeOfDay, uuid } from '../parse/fields.ts'
import { hardnessUnits } from '../quantity/hardness.ts'
import { instrumentKinds } from './instrument-kinds.ts'
import { dateStyles, pressureUnits, temperatureUnits, volumeUnits } from './preferences.ts'
import { type Act, roles } from './rights.ts'

const name = (most: number) =>
  string()
    .trim()
    .max(most, `must be at most ${most} characters`)
    .test('named', 'must not be empty', (value) => value === undefined || value.trim() !== '')
    .required()
const line = (most: number) => string().max(most, `must be at most ${most} characters`).default('')

/** A zone of the tz database that this runtime knows. */
const timeZone = () =>
  string()
    .test('zone', 'is not a time zone, such as Europe/London', (value) => value === undefined || isZone(value))
    .required()

function isZone(text: string): boolean {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: text }))
  } catch {
    return false
  }
}

const between = (low: number, high: number) => finite().min(low).max(high)

/**
 * What a firm keeps besides its ledger: records that carry a version. They are changed by whoever read
 * the version before, and every change is written down with how it was.
 */
export const recordSchemas = {
  customer: object({
    name: name(80),
    contact: line(80),
    phone: line(40),
    email: line(200),
    note: line(2000),
    /** Who may say yes to work, and up to what sum in the firm's currency; no sum: nothing was agreed. */
    mayAgree: line(120),
    agreesUpTo: amount().max(1e7),
    /** Of theirs, for what is written to them. */
    orderNumber: line(60),
    /** By law, and where the bills go, where it is not the name they are known by. */
    billName: line(120),
    billStreet: line(120),
    billPostcode: line(20),
    billTown: line(80),
    billCountry: line(2).test(
      'country',
      'is not a country’s two letters, such as NL',
      (code) => !code || isCountry(code),
    ),
    billEmail: line(200),
    /** Wanted on every bill: a department, a cost centre. */
    billReference: line(60),
    retiredOn: localDay(),
  }).noUnknown(),
  /** A water zone: what the works delivers to many sites. */
  supply: object({ name: name(80), note: line(2000), retiredOn: localDay() }).noUnknown(),
  site: object({
    customerId: uuid().required(),
    /** Absent where nobody said which water comes in: a test at the tap says enough. */
    supplyId: uuid(),
    technicianId: uuid().required(),
    name: name(80),
    area: line(60),
    address: line(300),
    timeZone: timeZone(),
    accessNote: line(2000),
    latitude: between(-90, 90),
    longitude: between(-180, 180),
    altitudeM: between(-430, 6000),
    retiredOn: localDay(),
  })
    .noUnknown()
    .test('pair', 'needs the other half: latitude and longitude go together', (site, context) => {
      if ((site?.latitude === undefined) === (site?.longitude === undefined)) return true
      return context.createError({ path: site?.latitude === undefined ? 'latitude' : 'longitude' })
    }),
  softener: object({ siteId: uuid().required(), name: name(80) }).noUnknown(),
  machine: object({
    siteId: uuid().required(),
    softenerId: uuid(),
    name: name(80),
    maker: line(60),
    model: line(60),
    /** Of the model: with or without valve, lamp, second board. */
    revision: line(60),
    serial: line(60),
    kind: string()
      .matches(/^[a-z0-9-]{1,40}$/, 'is not a kind')
      .required(),
    /** Whose it is and who pays, where it is not the customer at whose site it stands. */
    ownerId: uuid(),
    payerId: uuid(),
    usedBy: line(120),
    /** As its plate says; absent where nobody has looked. */
    plateVolts: between(1, 1000),
    platePhases: number().integer().min(1).max(3),
    plateWatts: between(1, 100_000),
    /** What its pressure vessel may hold. */
    plateBar: between(0.1, 100),
    builtYear: number().integer().min(1900).max(2200),
    warrantyUntil: localDay(),
    warrantyBy: line(120),
  }).noUnknown(),
  instrument: object({
    name: name(80),
    kind: string().oneOf(instrumentKinds).required(),
    serial: line(60),
    retiredOn: localDay(),
  }).noUnknown(),
  technician: object({
    name: name(80),
    initials: name(4),
    role: string().oneOf(roles).required(),
    leftOn: localDay(),
    /** Where the day begins and ends: home, or the yard. */
    startLatitude: between(-90, 90),
    startLongitude: between(-180, 180),
    /** Monday 1 … Sunday 7, in order. */
    workWeekdays: string()
      .matches(/^1?2?3?4?5?6?7?$/, 'must be weekdays in order, Monday 1 to Sunday 7')
      .default('12345'),
    startsAt: timeOfDay().default('08:00'),
    endsAt: timeOfDay().default('16:30'),
    /** Kinds of machine they know, with blanks between; none: all there are. */
    knowsKinds: string()
      .max(2000)
      .matches(/^([a-z0-9-]+( [a-z0-9-]+)*)?$/, 'must be kinds with blanks between')
      .default(''),
  })
    .noUnknown()
    .test('pair', 'needs the other half: latitude and longitude go together', (person, context) => {
      if ((person?.startLatitude === undefined) === (person?.startLongitude === undefined)) return true
      return context.createError({ path: person?.startLatitude === undefined ? 'startLatitude' : 'startLongitude' })
    })
    .test('order', 'must be after the day begins', (person, context) =>
      !person?.startsAt || !person.endsAt || person.startsAt < person.endsAt
        ? true
        : context.createError({ path: 'endsAt' }),
    ),
  firm: object({
    name: name(80),
    timeZone: timeZone(),
    hardnessUnit: string().oneOf(hardnessUnits).required(),
    volumeUnit: string().oneOf(volumeUnits).required(),
    temperatureUnit: string().oneOf(temperatureUnits).required(),
    pressureUnit: string().oneOf(pressureUnits).required(),
    currency: string()
      .matches(/^[A-Z]{3}$/, 'is not a currency code, such as EUR')
      .required(),
    dateForm: string().oneOf(dateStyles).required(),
    weekStart: number().integer().min(1).max(7).required(),
    /** Who signed in from where is kept so long. */
    signInLogDays: number().integer().min(30).max(3650).default(365),
    /** Photos are kept so long after they came; absent: for good. */
    photosYears: number().integer().min(1).max(50),
    /** Who rang, and where to ring back, is kept so long; absent: for good. */
    callersMonths: number().integer().min(1).max(600),
  }).noUnknown(),
} satisfies Record<string, ObjectSchema<AnyObject>>

export type RecordKind = keyof typeof recordSchemas
export const recordKinds = Object.keys(recordSchemas) as RecordKind[]
export type Kept<K extends RecordKind> = InferType<(typeof recordSchemas)[K]>

/** A record with the defaults of what was left out. */
export const filledIn = <K extends RecordKind>(kind: K, given: Partial<Kept<K>>): Kept<K> =>
  recordSchemas[kind].cast(given, { assert: false }) as Kept<K>

/** Which record a field points at, so that a wrong one is said at its field. */
export const pointsAt: Partial<Record<RecordKind, Record<string, RecordKind>>> = {
  site: { customerId: 'customer', supplyId: 'supply', technicianId: 'technician' },
  softener: { siteId: 'site' },
  machine: { siteId: 'site', softenerId: 'softener', ownerId: 'customer', payerId: 'customer' },
}

/** Fields that are history once a machine is taken on: a move changes them, not an edit. */
export const fixedFields: Partial<Record<RecordKind, readonly string[]>> = {
  machine: ['siteId', 'softenerId', 'kind'],
  softener: ['siteId'],
}

/** Of a machine: where it stands, whose it is there and who pays. It does not go along to another firm. */
export const placeFields = ['siteId', 'softenerId', 'ownerId', 'payerId', 'usedBy'] as const

/** What whoever keeps a record of that kind must have the right to. */
export const actOfKeeping = (kind: RecordKind): Act =>
  kind === 'technician' ? 'keep-people' : kind === 'firm' ? 'keep-the-firm' : 'work'
