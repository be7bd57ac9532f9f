import type { Told } from '../send-once.ts'

/** One field of a form: what it is called, what it takes. */
export interface FieldSpec {
  id: string
  label: string
  /** Said beside the label: what for, an example. */
  hint?: string
  kind?: 'line' | 'text' | 'number' | 'day' | 'choice' | 'zone' | 'email' | 'password' | 'tick' | 'weekdays'
  options?: [value: string, words: string][]
  unit?: string
  /** Where the server names it otherwise: the body of an entry that goes with the record. */
  paths?: string[]
  /** As wide as the form, or half of it. */
  half?: boolean
  autoComplete?: string
}

export type Values = Record<string, string | boolean | string[]>

/** Text without blanks at its ends; absent when there is none. */
export const typedText = (values: Values, id: string): string => String(values[id] ?? '').trim()

/** A number as people write it; undefined when empty, NaN when it is none. */
export function typedNumber(values: Values, id: string): number | undefined {
  const text = typedText(values, id).replace(',', '.')
  return text === '' ? undefined : Number(text)
}

/** An issue at a field, found before anything is sent. */
export const wrongAt = (path: string, message: string): Told<never> => ({
  ok: false,
  issues: [{ path, code: 'typed', message }],
})
