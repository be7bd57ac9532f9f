import { type Reads, readAs } from '../../core/typed/read-as.ts'
import type { Told } from '../send-once.ts'

/** One field of a form: what it is called, what it takes. */
export interface FieldSpec {
  id: string
  label: string
  /** Begins a part of the form, under this head. */
  head?: string
  /** Said beside the label: what for, an example. */
  hint?: string
  kind?:
    | 'line'
    | 'text'
    | 'number'
    | 'digits'
    | 'day'
    | 'choice'
    | 'zone'
    | 'email'
    | 'password'
    | 'tick'
    | 'weekdays'
    | 'several'
  options?: [value: string, words: string][]
  unit?: string
  /** Of a number: whole or not, its limits. */
  reads?: Reads
  /** Where the server names it otherwise: the body of an entry that goes with the record. */
  paths?: string[]
  /** Lines of a text that are seen at once. */
  rows?: number
  /** As wide as the form, or half of it. */
  half?: boolean
  autoComplete?: string
}

export type Values = Record<string, string | boolean | string[]>

/** Text without blanks at its ends; absent when there is none. */
export const typedText = (values: Values, id: string): string => String(values[id] ?? '').trim()

/** How a field's number is read. */
export const readsOf = ({ reads, unit }: FieldSpec): Reads => ({ ...(unit && { unit }), ...reads })

/** The values with each number as it was read, and which could not be, each with why. */
export function readNumbers(fields: FieldSpec[], typed: Values, before: Values = {}) {
  const values = { ...typed }
  const wrong: { id: string; message: string }[] = []
  for (const field of fields) {
    if (field.kind !== 'number' || typed[field.id] === undefined) continue
    const read = readAs(String(typed[field.id]), { ...readsOf(field), own: String(before[field.id] ?? '') })
    if (read.is === 'value') values[field.id] = String(read.value)
    else if (read.is === 'empty' || read.is === 'unknown') values[field.id] = ''
    else
      wrong.push({
        id: field.id,
        message: `${field.label} ${read.is === 'wrong' ? read.why : 'can be two: say which'}`,
      })
  }
  return { values, wrong }
}

/** A number as the form has read it; undefined when none was typed. */
export function typedNumber(values: Values, id: string): number | undefined {
  const text = typedText(values, id)
  return text === '' ? undefined : Number(text)
}

/** Shots, drinks, cycles. */
export const countReads: Reads = { whole: true }

/** An issue at a field, found before anything is sent. */
export const wrongAt = (path: string, message: string): Told<never> => ({
  ok: false,
  issues: [{ path, code: 'typed', message }],
})
