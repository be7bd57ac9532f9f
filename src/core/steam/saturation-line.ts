/**
 * Boiling pressure against temperature: region 4 of IAPWS-IF97 (IAPWS R7-97(2012)), valid from 0.01 °C to
 * the critical point; and the atmosphere above sea level (ISO 2533).
 */
const n = [
  0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7,
  0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
] as const

/** Boiling temperature, K, at an absolute pressure, MPa. @example boilingK(0.1) // 372.755919 */
export function boilingK(pressureMPa: number): number {
  const beta = pressureMPa ** 0.25
  const e = beta ** 2 + n[2] * beta + n[5]
  const f = n[0] * beta ** 2 + n[3] * beta + n[6]
  const g = n[1] * beta ** 2 + n[4] * beta + n[7]
  const d = (2 * g) / (-f - Math.sqrt(f ** 2 - 4 * e * g))
  return (n[9] + d - Math.sqrt((n[9] + d) ** 2 - 4 * (n[8] + n[9] * d))) / 2
}

/** Absolute pressure, MPa, at which water boils at a temperature, K. @example boilingMPa(300) // 0.00353658941 */
export function boilingMPa(temperatureK: number): number {
  const theta = temperatureK + n[8] / (temperatureK - n[9])
  const a = theta ** 2 + n[0] * theta + n[1]
  const b = n[2] * theta ** 2 + n[3] * theta + n[4]
  const c = n[5] * theta ** 2 + n[6] * theta + n[7]
  return ((2 * c) / (-b + Math.sqrt(b ** 2 - 4 * a * c))) ** 4
}

/** Pressure of the standard atmosphere at a height, bar. @example atmosphereBar(0) // 1.01325 */
export const atmosphereBar = (altitudeM: number): number => 1.01325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588

/** Temperature in a boiler under steam, °C, by its gauge. @example steamTempC(1, 0) // ≈ 120.4 */
export const steamTempC = (gaugeBar: number, altitudeM: number): number =>
  boilingK((gaugeBar + atmosphereBar(altitudeM)) / 10) - 273.15

/** What the gauge of a boiler under steam shows at a temperature, bar. @example steamGaugeBar(120.4, 0) // ≈ 1 */
export const steamGaugeBar = (tempC: number, altitudeM: number): number =>
  boilingMPa(tempC + 273.15) * 10 - atmosphereBar(altitudeM)
