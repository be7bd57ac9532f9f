import { later } from '../../ui/later.tsx'
import type { FormProps } from './Form.tsx'

/** A form that opens in a sheet: its code comes after the page. */
export const SheetForm = later<FormProps>(() => import('./Form.tsx').then((module) => module.Form))
