/** The figures a sample may carry besides its hardness. Apart from the schemas, so that a page can name them alone. */
export const waterFigureNames = [
  'pH',
  'testTempC',
  'conductivityUsCm',
  'calciumMgL',
  'chlorideMgL',
  'freeChlorineMgL',
  'totalChlorineMgL',
  'silicaMgL',
  'ironMgL',
] as const
export type WaterFigureName = (typeof waterFigureNames)[number]

/** How each is called, and its unit. */
export const waterFigureWords: Record<WaterFigureName, { name: string; unit: string }> = {
  pH: { name: 'pH', unit: '' },
  testTempC: { name: 'temperature', unit: '°C' },
  conductivityUsCm: { name: 'conductivity', unit: 'µS/cm' },
  calciumMgL: { name: 'calcium', unit: 'mg/L CaCO₃' },
  chlorideMgL: { name: 'chloride', unit: 'mg/L' },
  freeChlorineMgL: { name: 'free chlorine', unit: 'mg/L' },
  totalChlorineMgL: { name: 'total chlorine', unit: 'mg/L' },
  silicaMgL: { name: 'silica', unit: 'mg/L' },
  ironMgL: { name: 'iron', unit: 'mg/L' },
}

/** Where a sample was drawn. */
export const pointWords = { raw: 'raw', softened: 'after treatment', permeate: 'behind the membrane' } as const
