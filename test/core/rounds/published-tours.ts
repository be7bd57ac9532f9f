/**
 * Two tours of TSPLIB with their shortest lengths (Reinelt 1991). Distances are of type GEO: each coordinate is
 * degrees.minutes, the earth a ball of 6378.388 km, π 3.141592, each distance cut off to a whole number plus 1.
 */
const geo = (coordinates: string): number[][] => {
  const places = coordinates.split(', ').map((pair) =>
    pair.split(' ').map((text) => {
      const value = Number(text)
      const degrees = Math.trunc(value)
      // biome-ignore lint/suspicious/noApproximativeNumericConstant: published lengths hold for this π alone
      return (3.141592 * (degrees + (5 * (value - degrees)) / 3)) / 180
    }),
  ) as [number, number][]
  return places.map(([lat, lon], i) =>
    places.map(([toLat, toLon], j) => {
      if (i === j) return 0
      const q1 = Math.cos(lon - toLon)
      const q2 = Math.cos(lat - toLat)
      const q3 = Math.cos(lat + toLat)
      return Math.trunc(6378.388 * Math.acos(0.5 * ((1 + q1) * q2 - (1 - q1) * q3)) + 1)
    }),
  )
}

export const burma14 = {
  travel: geo(
    '16.47 96.10, 16.47 94.44, 20.09 92.54, 22.39 93.37, 25.23 97.24, 22.00 96.05, 20.47 97.02, 17.20 96.29, 16.30 97.38, 14.05 98.12, 16.53 97.38, 21.52 95.59, 19.41 97.13, 20.09 94.55',
  ),
  length: 3323,
}

export const ulysses16 = {
  travel: geo(
    '38.24 20.42, 39.57 26.15, 40.56 25.32, 36.26 23.12, 33.48 10.54, 37.56 12.19, 38.42 13.11, 37.52 20.44, 41.23 9.10, 41.17 13.05, 36.08 -5.21, 38.47 15.13, 38.15 15.35, 37.51 15.17, 35.49 14.32, 39.36 19.56',
  ),
  length: 6859,
}
