import { billingFields } from '../../core/firm/billing-fields.ts'
import { instrumentKinds } from '../../core/firm/instrument-kinds.ts'
import type { Kept } from '../../core/firm/records.ts'
import { type FieldSpec, typedNumber, typedText, type Values } from './form-values.ts'

/** Where a customer’s bills go, and how they find them again. */
export const billFields: FieldSpec[] = [
  { id: 'billName', label: 'Billed to', hint: 'as the law has it; empty: as above', head: 'Where bills go' },
  { id: 'billStreet', label: 'Street and number' },
  { id: 'billPostcode', label: 'Postcode', half: true },
  { id: 'billTown', label: 'Town', half: true },
  { id: 'billCountry', label: 'Country', half: true, hint: 'two letters, such as NL' },
  { id: 'billReference', label: 'Their reference', half: true, hint: 'a department, a cost centre' },
  { id: 'billEmail', label: 'E-mail for bills', kind: 'email', hint: 'empty: the e-mail above' },
]

/** Where bills go, as the form gives it: a country’s letters are large. */
export function billRecord(values: Values) {
  const said = texts(values, billingFields)
  return { ...said, billCountry: (said.billCountry ?? '').toUpperCase() }
}

/** Fields of the records a firm keeps, and how what is typed becomes a record. */
export const customerFields: FieldSpec[] = [
  { id: 'name', label: 'Name' },
  { id: 'contact', label: 'Contact', hint: 'who to ask for', half: true },
  { id: 'phone', label: 'Phone', half: true },
  { id: 'email', label: 'E-mail', kind: 'email' },
  { id: 'mayAgree', label: 'May say yes to work', hint: 'who, and how to reach them', head: 'What was agreed' },
  {
    id: 'agreesUpTo',
    label: 'Up to',
    hint: 'in the firm’s currency; empty: no sum agreed',
    kind: 'number',
    reads: { from: 0 },
    half: true,
  },
  { id: 'orderNumber', label: 'Their order number', half: true },
  { id: 'note', label: 'Note', kind: 'text' },
  ...billFields,
]

/** A customer as the form gives it. */
export function customerRecord(values: Values): Partial<Kept<'customer'>> {
  const agreesUpTo = typedNumber(values, 'agreesUpTo')
  return {
    ...texts(values, ['name', 'contact', 'phone', 'email', 'mayAgree', 'orderNumber', 'note']),
    ...billRecord(values),
    ...(agreesUpTo !== undefined && { agreesUpTo }),
    ...retired(values),
  }
}

export const supplyFields: FieldSpec[] = [
  { id: 'name', label: 'Name', hint: 'as the waterworks call the zone' },
  { id: 'note', label: 'Note', hint: 'wells, blending, seasons', kind: 'text' },
]

export const instrumentKindWords: Record<(typeof instrumentKinds)[number], string> = {
  gauge: 'pressure gauge',
  meter: 'conductivity or pH meter',
  tester: 'electrical tester',
  thermometer: 'thermometer',
  scale: 'scale',
  reagent: 'drop reagent or strips',
}

export const instrumentFields: FieldSpec[] = [
  { id: 'name', label: 'Name', hint: 'as you call it' },
  {
    id: 'kind',
    label: 'What it is',
    kind: 'choice',
    half: true,
    options: instrumentKinds.map((kind) => [kind, instrumentKindWords[kind]]),
  },
  { id: 'serial', label: 'Serial or batch number', half: true },
]

export interface SiteChoices {
  customers: { id: string; name: string }[]
  supplies: { id: string; name: string }[]
  technicians: { id: string; name: string }[]
}

export function siteFields({ customers, supplies, technicians }: SiteChoices): FieldSpec[] {
  const choice = (list: { id: string; name: string }[]): [string, string][] => list.map(({ id, name }) => [id, name])
  return [
    { id: 'name', label: 'Name', hint: 'of the place' },
    { id: 'customerId', label: 'Customer', kind: 'choice', half: true, options: choice(customers) },
    { id: 'technicianId', label: 'Who goes there', kind: 'choice', half: true, options: choice(technicians) },
    { id: 'area', label: 'Area', hint: 'part of town', half: true },
    {
      id: 'supplyId',
      label: 'Water zone',
      kind: 'choice',
      half: true,
      options: [['', 'not known: tests at the tap say enough'], ...choice(supplies)],
    },
    { id: 'address', label: 'Address' },
    { id: 'accessNote', label: 'Access', hint: 'key, hours, where the shut-off is', kind: 'text' },
    { id: 'timeZone', label: 'Time zone', kind: 'zone', half: true },
    { id: 'altitudeM', label: 'Altitude', hint: 'water boils lower up high', kind: 'number', unit: 'm', half: true },
    { id: 'latitude', label: 'Latitude', kind: 'number', unit: '°', reads: { from: -90, to: 90 }, half: true },
    { id: 'longitude', label: 'Longitude', kind: 'number', unit: '°', reads: { from: -180, to: 180 }, half: true },
  ]
}

export function siteRecord(values: Values): Kept<'site'> {
  const number = (id: string) => {
    const value = typedNumber(values, id)
    return value === undefined ? {} : { [id]: value }
  }
  const supplyId = typedText(values, 'supplyId')
  return {
    ...texts(values, ['customerId', 'technicianId', 'name', 'area', 'address', 'timeZone', 'accessNote']),
    ...(supplyId && { supplyId }),
    ...number('altitudeM'),
    ...number('latitude'),
    ...number('longitude'),
    ...retired(values),
  } as Kept<'site'>
}

/** The named fields as trimmed text. */
export const texts = (values: Values, ids: readonly string[]): Record<string, string> =>
  Object.fromEntries(ids.map((id) => [id, typedText(values, id)]))

/** The day a record went out of use, kept as it was unless the form asks. */
export const retired = (values: Values) => {
  const retiredOn = typedText(values, 'retiredOn')
  return retiredOn ? { retiredOn } : {}
}

/** What a form starts from: a record's fields as they are typed. */
export const typed = (record: object | null, defaults: Values = {}): Values => ({
  ...defaults,
  ...Object.fromEntries(
    Object.entries(record ?? {})
      .filter(([, value]) => value !== undefined && value !== null)
      .map(([id, value]) => [id, typeof value === 'number' ? String(value) : (value as string)]),
  ),
})

/** Which softener a machine stands behind; no field where there is none to choose. */
export const behindField = (softeners: { id: string; name: string }[]): FieldSpec[] =>
  softeners.length === 0
    ? []
    : [
        {
          id: 'softenerId',
          label: 'Behind',
          kind: 'choice',
          half: true,
          options: [['', 'no softener'], ...softeners.map(({ id, name }): [string, string] => [id, name])],
          paths: ['body.toSoftenerId'],
        },
      ]
