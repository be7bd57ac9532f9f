/** Molar masses, g/mol: IUPAC atomic weights. */
const calciumCarbonate = 100.0869
const carbonDioxide = 44.0095
const bicarbonate = 84.0066
/** Litres a mole of gas takes at 20 °C and one atmosphere. */
const litresPerMol = 24.055

/** Acids that dissolve scale: molar mass, and the protons one molecule gives for it. */
export const acids = {
  citric: { name: 'citric acid, anhydrous', gPerMol: 192.124, protons: 3 },
  'citric-monohydrate': { name: 'citric acid, monohydrate', gPerMol: 210.139, protons: 3 },
  lactic: { name: 'lactic acid', gPerMol: 90.078, protons: 1 },
  sulfamic: { name: 'sulfamic acid', gPerMol: 97.094, protons: 1 },
  acetic: { name: 'acetic acid', gPerMol: 60.052, protons: 1 },
} as const
export type Acid = keyof typeof acids
export const acidNames = Object.keys(acids) as Acid[]

/** Acid that so much scale uses up at the least, g: two protons a carbonate. @example acidG(10, 'citric') // ≈ 12.8 */
export const acidG = (scaleG: number, acid: Acid): number => scaleG * acidGPerG(acid)

/** The same per gram of scale. */
export const acidGPerG = (acid: Acid): number => (2 * acids[acid].gPerMol) / acids[acid].protons / calciumCarbonate

/** Gas that so much scale gives off, g. */
export const carbonDioxideG = (scaleG: number): number => (scaleG * carbonDioxide) / calciumCarbonate

/** The same in litres at 20 °C. @example carbonDioxideL(50) // ≈ 12 */
export const carbonDioxideL = (scaleG: number): number => (scaleG / calciumCarbonate) * litresPerMol

/** Bicarbonate of soda that takes the bite out of so much spent acid, g. @example bicarbonateG(1, 'citric') // ≈ 1.31 */
export const bicarbonateG = (grams: number, acid: Acid): number =>
  (grams * acids[acid].protons * bicarbonate) / acids[acid].gPerMol
