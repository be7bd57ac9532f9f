import type { Procedure } from '../../procedures/procedure.ts'
import { boilerRefresh, hotWaterScreen } from './boiler-water.ts'
import { brewUnit } from './brew-unit.ts'
import { descale } from './descaling.ts'
import { detergentBackflush } from './detergent-backflush.ts'
import { changeCartridge, changeMembrane, changePrefilter } from './filters-ahead.ts'
import { burrsAndZero, doserClean, grinderCalibration } from './grinder.ts'
import { groupClean } from './group-clean.ts'
import { keySettings } from './key-settings.ts'
import { camGrease, tankSanitised, trayAndBody } from './lever-and-tray.ts'
import { maintenance } from './maintenance/index.ts'
import { calibration, leakCheck, pressureSetting, settingsSheet } from './measuring.ts'
import { milkHygieneRun } from './milk-system.ts'
import { motorGroup } from './motor-group.ts'
import { partsSoak } from './parts-soak.ts'
import { passageFreed } from './passage-freed.ts'
import { commissioning, moving, returned, standstill } from './places.ts'
import { podHead, podNeedle } from './pod-head.ts'
import { podClean, podEmpty, podRunDry } from './pods.ts'
import { sealSeating, startOfDay } from './screens-and-seals.ts'
import { shopService } from './shop-service.ts'
import { automaticSoftener, regenerateSoftener } from './softener-work.ts'
import { steamTip } from './steam-tip.ts'
import { wandClean } from './steam-wand.ts'
import { superAutomaticClean } from './super-automatic-clean.ts'
import { tabletProgramme } from './tablet-programme.ts'
import { wandEveryUse } from './wand-every-use.ts'
import { washProgramme } from './wash-programme.ts'
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
  podNeedle,
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
  tankSanitised,
  descale,
  passageFreed,
  grinderCalibration,
  burrsAndZero,
  doserClean,
  regenerateSoftener,
  automaticSoftener,
  changeCartridge,
  changePrefilter,
  changeMembrane,
  startOfDay,
  calibration,
  pressureSetting,
  leakCheck,
  ...keySettings,
  ...maintenance,
  settingsSheet,
  commissioning,
  moving,
  standstill,
  returned,
  podEmpty,
  podRunDry,
]

export const procedureById = (id: string): Procedure | null => procedures.find((one) => one.id === id) ?? null
