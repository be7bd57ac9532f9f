/**
 * Constants of the carbonate system against temperature, as base-10 logarithms of activities.
 *
 * K₁, K₂ and calcite: Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46, 1011, measured from 0 to
 * 90 °C. K_w: as compiled by Nordstrom et al. 1990. Dielectric constant: Malmberg & Maryott 1956.
 * Activity: Davies 1962.
 */

/** Above this the constants are carried on beyond where they were measured, and it is said. */
export const measuredUpToC = 90

const kelvin = (tempC: number) => tempC + 273.15

/** CO₂ + H₂O ⇌ H⁺ + HCO₃⁻. @example logK1(25) // ≈ −6.35 */
export function logK1(tempC: number): number {
  const t = kelvin(tempC)
  return -356.3094 - 0.06091964 * t + 21834.37 / t + 126.8339 * Math.log10(t) - 1684915 / (t * t)
}

/** HCO₃⁻ ⇌ H⁺ + CO₃²⁻. @example logK2(25) // ≈ −10.33 */
export function logK2(tempC: number): number {
  const t = kelvin(tempC)
  return -107.8871 - 0.03252849 * t + 5151.79 / t + 38.92561 * Math.log10(t) - 563713.9 / (t * t)
}

/** CaCO₃ (calcite) ⇌ Ca²⁺ + CO₃²⁻. @example logKCalcite(25) // ≈ −8.48 */
export function logKCalcite(tempC: number): number {
  const t = kelvin(tempC)
  return -171.9065 - 0.077993 * t + 2839.319 / t + 71.595 * Math.log10(t)
}

/** H₂O ⇌ H⁺ + OH⁻. @example logKw(25) // ≈ −14.00 */
export function logKw(tempC: number): number {
  const t = kelvin(tempC)
  return -283.971 - 0.05069842 * t + 13323 / t + 102.24447 * Math.log10(t) - 1119669 / (t * t)
}

/** Relative permittivity of water. */
const dielectric = (tempC: number) => 87.74 - 0.40008 * tempC + 9.398e-4 * tempC ** 2 - 1.41e-6 * tempC ** 3

/**
 * Activity coefficient of an ion by its charge.
 * @param ionicStrength - mol/L, up to about 0.5
 * @example activity(1, 0, 25) // 1: nothing stands in the way of an ion alone
 */
export function activity(charge: number, ionicStrength: number, tempC: number): number {
  const a = 1.82e6 * (dielectric(tempC) * kelvin(tempC)) ** -1.5
  const root = Math.sqrt(ionicStrength)
  return 10 ** (-a * charge ** 2 * (root / (1 + root) - 0.3 * ionicStrength))
}

/** mol/L from conductivity at 25 °C: Standard Methods 2330, an approximation. */
export const ionicStrengthOf = (conductivityUsCm: number): number => 1.6e-5 * conductivityUsCm
