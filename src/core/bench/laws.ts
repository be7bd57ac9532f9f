/** Water, kg/m³, and what it takes to warm it, J/(g·K). */
const waterKgM3 = 998
const waterJPerGK = 4.186

/** Flow coefficient of a drilled jet. From memory: 0.65 to 0.8. */
const jetCoefficient = 0.7

const areaM2 = (mm: number) => (Math.PI / 4) * (mm / 1000) ** 2

/**
 * Flow through a hole, ml/s: Torricelli's law with a coefficient.
 * @example orificeMlS(0.6, 9) // ≈ 8.4
 */
export const orificeMlS = (mm: number, bar: number): number =>
  bar <= 0 ? 0 : jetCoefficient * areaM2(mm) * Math.sqrt((2 * bar * 1e5) / waterKgM3) * 1e6

/** Pressure a flow loses in a hole, bar. */
export const orificeBar = (mm: number, mlS: number): number =>
  mlS <= 0 ? 0 : ((mlS * 1e-6) / (jetCoefficient * areaM2(mm))) ** 2 * (waterKgM3 / 2) * 1e-5

/** A hole narrowed to a share of its area. */
export const narrowed = (mm: number, openShare: number): number => mm * Math.sqrt(Math.max(0, openShare))

/**
 * A vibratory pump, ml/s at a back-pressure: Q₀·(1 − (p/p₀)^a).
 * @example vibratoryMlS({ freeMlS: 10.5, shutBar: 16.5 }, 9) // ≈ 5.4
 */
export const vibratoryMlS = ({ freeMlS, shutBar }: { freeMlS: number; shutBar: number }, bar: number): number =>
  freeMlS * (1 - Math.max(0, bar / shutBar) ** 1.2)

/** A rotary vane pump with its bypass, ml/s: nearly flat, then let off within two bar of the set point. */
export function rotaryMlS({ ratedMlS, bypassBar }: { ratedMlS: number; bypassBar: number }, bar: number): number {
  const plain = ratedMlS * (1.06 - 0.007 * bar)
  return bar <= bypassBar ? plain : plain * (1 - (bar - bypassBar) / 2)
}

/** A relief valve, ml/s: shut below its point, then in proportion. */
export const reliefMlS = (opensBar: number, mlSPerBar: number, bar: number): number =>
  Math.max(0, bar - opensBar) * mlSPerBar

/**
 * Steam out of holes, g/s: Napier's rule, 1.46·10⁻³ · A · p, of which real wands give three quarters.
 * @see Napier 1866, in steam-table handbooks as W = A·p/70 in pounds, inches and seconds
 * @example steamGS(4, 1.2, 2.1) // ≈ 1.04
 */
export const steamGS = (holes: number, mm: number, absoluteBar: number): number =>
  0.75 * 1.46e-3 * holes * areaM2(mm) * absoluteBar * 1e5 * 1000

/** Heat a gram of saturated steam leaves in cold milk or water, kJ. */
const steamKJPerG = 2.45

/** Seconds of steam that warm so much water by so many kelvin. */
export const steamSeconds = (waterG: number, kelvin: number, gPerS: number): number =>
  gPerS <= 0 ? Infinity : (waterG * waterJPerGK * kelvin) / 1000 / steamKJPerG / gPerS

/** Ohms of an element of so many watts at a voltage: R = U²/P. */
export const elementOhm = (watts: number, volts = 230): number => (volts * volts) / watts
