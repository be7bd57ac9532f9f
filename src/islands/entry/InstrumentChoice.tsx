import { later } from '../../ui/later.tsx'

/** What a figure is taken with: not needed before the form can be typed in. */
export const InstrumentChoice = later(() => import('./InstrumentSelect.tsx').then((module) => module.InstrumentSelect))
