import type { HardnessClass } from '../kinds/kind.ts'
import type { Interval } from '../quantity/interval.ts'

/**
 * What machines commonly offer, by how many settings they have: total hardness in °dH and the litres they then
 * ask after. From memory: a machine's own booklet wins.
 */
export const usualClasses: Record<2 | 3 | 4 | 5, HardnessClass[]> = {
  2: [{ upToDh: 10, litres: 80 }, { litres: 30 }],
  3: [{ upToDh: 7, litres: 100 }, { upToDh: 14, litres: 50 }, { litres: 25 }],
  4: [{ upToDh: 7, litres: 100 }, { upToDh: 14, litres: 50 }, { upToDh: 21, litres: 25 }, { litres: 15 }],
  5: [
    { upToDh: 4, litres: 150 },
    { upToDh: 8, litres: 90 },
    { upToDh: 14, litres: 50 },
    { upToDh: 21, litres: 25 },
    { litres: 15 },
  ],
}

/** One setting, seen from this water. */
export interface AdvisedClass extends HardnessClass {
  /** Whether this water falls in it: for certain, at one end of what the test leaves open, or not. */
  fits: 'yes' | 'maybe' | 'no'
  /** Open days after which the machine then asks; absent where nothing is drawn. */
  openDays?: number
}

/** Which of a machine's settings fits a water. */
export interface SettingAdvice {
  classes: AdvisedClass[]
  /** From 1. Where the test leaves two open, the harder: it asks sooner. */
  best: number
}

/**
 * @param hardnessDh - total hardness of the water the machine is fed
 * @param litresPerOpenDay - what it draws
 * @example settingAdvice(usualClasses[3], exactly(19), 4).best // 3
 */
export function settingAdvice(classes: HardnessClass[], hardnessDh: Interval, litresPerOpenDay: number): SettingAdvice {
  const classOf = (dh: number) => classes.findIndex(({ upToDh }) => upToDh === undefined || dh <= upToDh)
  const [soft, likely, hard] = [classOf(hardnessDh.low), classOf(hardnessDh.value), classOf(hardnessDh.high)]
  return {
    best: hard + 1,
    classes: classes.map((one, i) => ({
      ...one,
      fits: i < soft || i > hard ? 'no' : soft === hard ? 'yes' : i === likely && i === hard ? 'yes' : 'maybe',
      ...(litresPerOpenDay > 0 && { openDays: one.litres / litresPerOpenDay }),
    })),
  }
}
