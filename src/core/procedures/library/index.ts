import type { Procedure } from '../procedure.ts'
import { boilerRefresh, hotWaterScreen } from './boiler-water.ts'
import { descale } from './descaling.ts'
import { detergentBackflush } from './detergent-backflush.ts'
import { groupClean } from './group-clean.ts'
import { camGrease, trayAndBody } from './lever-and-tray.ts'
import { podClean, podEmpty, podHead, superAutomaticClean, tabletProgramme } from './programmes.ts'
import {
  calibration,
  commissioning,
  leakCheck,
  moving,
  pressureSetting,
  settingsSheet,
  standstill,
  wandEveryUse,
} from './settings-and-moves.ts'
import { shopService } from './shop-service.ts'
import { partsSoak, sealSeating, startOfDay } from './soaks-and-screens.ts'
import { steamTip, wandClean } from './steam-wand.ts'
import { brewUnit, grinderCalibration, milkHygieneRun, motorGroup } from './super-automatic.ts'
import { washProgramme } from './wash-programme.ts'
import { changeCartridge, regenerateSoftener } from './water-ahead.ts'
import { waterBackflush } from './water-backflush.ts'

/** Every procedure that ships, cleaning first. */
export const procedures: Procedure[] = [
  detergentBackflush,
  waterBackflush,
  washProgramme,
  tabletProgramme,
  groupClean,
  superAutomaticClean,
  podClean,
  podHead,
  brewUnit,
  milkHygieneRun,
  motorGroup,
  shopService,
  partsSoak,
  sealSeating,
  wandEveryUse,
  wandClean,
  steamTip,
  hotWaterScreen,
  boilerRefresh,
  camGrease,
  trayAndBody,
  descale,
  grinderCalibration,
  regenerateSoftener,
  changeCartridge,
  startOfDay,
  calibration,
  pressureSetting,
  leakCheck,
  settingsSheet,
  commissioning,
  moving,
  standstill,
  podEmpty,
]

export const procedureById = (id: string): Procedure | null => procedures.find((one) => one.id === id) ?? null
