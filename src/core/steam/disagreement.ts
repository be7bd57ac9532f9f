import { steamTempC } from './saturation-line.ts'

/** A settled boiler whose gauge and thermometer do not agree, K: common practice. */
const agreesWithinK = 3

/** What a boiler's pressure and temperature say when read together. */
export interface SteamReading {
  boilsAtC: number
  /** Thermometer less what the gauge says it should be, K. */
  apartK: number
  /** In words of the trade; null where they agree. */
  says: string | null
}

/**
 * Pressure and temperature of a boiler settled for two minutes, against the steam line.
 * @example steamReading(1.4, 118, 0).says // trapped air
 */
export function steamReading(gaugeBar: number, tempC: number, altitudeM: number): SteamReading {
  const boilsAtC = steamTempC(gaugeBar, altitudeM)
  const apartK = tempC - boilsAtC
  const says =
    Math.abs(apartK) <= agreesWithinK
      ? null
      : apartK < 0
        ? 'Too much pressure for its temperature: air is trapped. Open a steam valve until only steam comes; does the vacuum breaker close late?'
        : 'Too little pressure for its temperature: the gauge, its pipe or the probe is wrong. Check against a test gauge.'
  return { boilsAtC, apartK, says }
}
