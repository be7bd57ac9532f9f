import type { SettingDefinition } from './setting-definition.ts'
import { letterhead, siteWord } from './settings/customers-page.ts'
import { descalePrompt, hardnessSetting } from './settings/descaling.ts'
import { causes, ownFigure, partPrice, prices } from './settings/figures.ts'
import { detergent, life, policy, way } from './settings/how-often.ts'
import { invoicing } from './settings/invoicing.ts'
import { covers, rates, taxTold } from './settings/money.ts'
import {
  alongCount,
  counterCounts,
  groupShare,
  groupsHere,
  hotHours,
  kindAs,
  option,
  programmeKeys,
} from './settings/of-a-machine.ts'
import { busyMonths, closedDays, opening } from './settings/opening.ts'
import { partNumber, warranty } from './settings/papers.ts'
import { contract, planning, waits } from './settings/planning.ts'
import { absence, road, visitHours } from './settings/visiting.ts'
import { budget, budgetFactor, cartridge, exchanger, membrane, prefilter } from './settings/water.ts'

/** All that can be set, by name. A setting is an entry too, because it moves a reckoning. */
const settingKinds = {
  opening,
  closure: closedDays,
  'busy-months': busyMonths,
  'visit-hours': visitHours,
  absence,
  road,
  planning,
  waits,
  contract,
  rates,
  covers,
  'tax-told': taxTold,
  letterhead,
  invoicing,
  'site-word': siteWord,
  policy,
  life,
  'group-share': groupShare,
  budget,
  'budget-factor': budgetFactor,
  exchanger,
  cartridge,
  membrane,
  prefilter,
  'descale-prompt': descalePrompt,
  figure: ownFigure,
  'hardness-setting': hardnessSetting,
  'kind-as': kindAs,
  option,
  'along-count': alongCount,
  detergent,
  'hot-hours': hotHours,
  prices,
  way,
  'programme-keys': programmeKeys,
  'part-price': partPrice,
  'part-number': partNumber,
  warranty,
  causes,
  groups: groupsHere,
  'counter-counts': counterCounts,
} as const

export type SettingName = keyof typeof settingKinds
/** What a setting says, by its name. */
export type Setting<K extends SettingName> = K extends SettingName
  ? (typeof settingKinds)[K] extends SettingDefinition<infer Body>
    ? Body
    : never
  : never
export type AnySetting = { [K in SettingName]: Setting<K> }[SettingName]

export const settingNames = Object.keys(settingKinds) as SettingName[]
export const isSettingName = (name: string): name is SettingName => Object.hasOwn(settingKinds, name)

/** What is known of a setting, by its name: names and bodies of the registry belong together. */
export const settingKindOf = (name: SettingName): SettingDefinition<AnySetting> =>
  settingKinds[name] as unknown as SettingDefinition<AnySetting>
