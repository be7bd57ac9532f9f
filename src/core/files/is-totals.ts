/** "Total", "Summe": a line that adds up what stands above it. @example isTotals('Gesamt: 60') // true */
export const isTotals = (text: string): boolean =>
  /^(grand total|sub ?total|totals?|sum|summe|gesamt(summe)?|somme|totale|totaal|σ|sigma)\b[: .]*\d*$/i.test(
    text.trim(),
  )
