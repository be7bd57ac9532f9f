/** What a counter counts, as lists call it. Common practice, no source. */
export const countWords: readonly string[] = [
  ['shots', 'shot', 'drinks', 'drink', 'cups', 'cup', 'coffees', 'coffee', 'cycles', 'cycle', 'brews', 'brew'],
  ['capsules', 'capsule', 'pods', 'pod', 'x', 'times', 'pcs', 'doses', 'dose', 'espressos', 'total'],
  ['bezüge', 'bezug', 'tassen', 'tasse', 'getränke', 'kaffees', 'kaffee', 'stück', 'stk', 'stk.', 'kapseln', 'mal'],
  ['portionen', 'zyklen', 'brühungen', 'mahlungen', 'cafés', 'café', 'cafes', 'tasses', 'boissons', 'cycle(s)', 'fois'],
  ['caffè', 'tazze', 'erogazioni', 'cialde', 'tazas', 'cápsulas', 'koppen', 'kopjes', 'porties'],
].flat()
