import { number, string } from 'yup'

/** Each body carries the number of the schema it was written by. */
const version = <N extends number>(n: N) => number<N>().oneOf([n]).required()
/** The first of a kind. */
export const v = version(1)
export const slug = () => string().matches(/^[a-z0-9-]{1,60}$/, 'must be a short name in small letters')
export const words = (most: number) => string().max(most, `must be at most ${most} characters`)
export const group = number().integer().min(1).max(4)
/** SHA-256 of a photo’s file. */
export const photoName = () =>
  string().matches(/^[0-9a-f]{64}$/, { message: 'is no photo’s name', excludeEmptyString: true })
export const condition = number().integer().min(0).max(4)
export const position = { part: slug().required(), group }

/** Above this no tap water is known; a decimal point was probably lost. mg/L CaCO3. */
export const mostHardnessMgL = 2000
