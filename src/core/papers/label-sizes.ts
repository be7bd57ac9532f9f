/** A label as a printer or a sheet has it, in millimetres. */
export interface LabelSize {
  id: string
  name: string
  widthMm: number
  heightMm: number
  /** Of a sheet: how many beside and beneath each other, on A4, with what is left above and at the side. */
  sheet?: { across: number; down: number; topMm: number; leftMm: number }
}

/** Sizes that rolls and sheets come in; from memory, the packet says what it is. */
export const labelSizes: LabelSize[] = [
  { id: '62x29', name: 'Roll, 62 × 29 mm', widthMm: 62, heightMm: 29 },
  { id: '50x50', name: 'Roll, 50 × 50 mm', widthMm: 50, heightMm: 50 },
  { id: '24x66', name: 'Tape, 24 mm', widthMm: 66, heightMm: 24 },
  {
    id: 'a4-21',
    name: 'Sheet A4, 21 labels of 63.5 × 38.1 mm',
    widthMm: 63.5,
    heightMm: 38.1,
    sheet: { across: 3, down: 7, topMm: 15.15, leftMm: 7.75 },
  },
]

/** The code is read from a hand’s distance: no side of it is smaller. */
export const leastQrMm = 16
/** Clear modules round it (ISO/IEC 18004, 6.3.8). */
export const quietModules = 4
