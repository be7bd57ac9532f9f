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
