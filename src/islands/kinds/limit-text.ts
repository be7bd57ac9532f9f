import { numberIn } from '../../core/typed/read-as.ts'

/** A limit as it is typed; NaN where it is none. */
export const limitOf = (text: string): number => numberIn(text) ?? Number.NaN

/** Whether what is typed is one: a number over 0. */
export const isLimit = (text: string): boolean => limitOf(text) > 0
