import { array, boolean, object, string } from 'yup'
import { kindById } from '../../kinds/index.ts'
import { amount, divisor, shareBelowOne } from '../../parse/fields.ts'
import { patternWords, programmeIds } from '../../procedures/key-patterns.ts'
import { keyPatternSchema } from '../../procedures/procedure-schema.ts'
import { alongClocks, alongWords } from '../../wear/limits.ts'
import { group, slug, v, words } from '../body-fields.ts'
import { plain, upper } from '../phrases.ts'
import { settingKind } from '../setting-definition.ts'
import { Versions } from '../versions.ts'

/** Groups of this machine, where it is not the kind's usual number. */
export const groupsHere = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['groups']).required(),
      count: group.required(),
    }).noUnknown(),
  ),
  words: ({ count }) => `${count} ${count === 1 ? 'group' : 'groups'}`,
})

/** What this machine's counter counts, where it is not what counters of its kind do: one of it is so many of theirs. */
export const counterCounts = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['counter-counts']).required(),
      unit: words(30).required(),
      each: divisor().max(1e6).required(),
    }).noUnknown(),
  ),
  words: ({ unit, each }, { machine, figure }) =>
    `Its counter counts ${unit}: one is ${figure(each)} ${machine?.counter.unit ?? 'of what such counters count'}`,
})

export const groupShare = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['group-share']).required(),
      shares: array(shareBelowOne().required()).min(2).max(4).required(),
    }).noUnknown(),
  ),
  words: ({ shares }) => `Shares of the groups: ${shares.join(' / ')}`,
})

/** Whether this machine has what only some of its kind have. */
export const option = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['option']).required(),
      option: slug().required(),
      fitted: boolean().required(),
    }).noUnknown(),
  ),
  words: ({ option, fitted }, { machine }) =>
    `${machine?.options.find(({ id }) => id === option)?.name ?? plain(option)}: ${fitted ? 'has it' : 'has it not'}`,
})

/** How often something happens that nobody counts. */
export const alongCount = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['along-count']).required(),
      clock: string().oneOf(alongClocks).required(),
      perDrink: amount().max(10_000).required(),
      perOpenDay: amount().max(100_000).required(),
    }).noUnknown(),
  ),
  words: ({ clock, perDrink, perOpenDay }, { figure }) => {
    const { name, unit } = alongWords[clock]
    return `${upper(name)}: ${figure(perDrink)} a drink, ${figure(perOpenDay)} ${unit} an open day besides`
  },
})

/** Hours above 60 °C: rubber ages by them where they are known. */
export const hotHours = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['hot-hours']).required(),
      perOpenDay: amount().max(24).required(),
      perClosedDay: amount().max(24).required(),
    }).noUnknown(),
  ),
  words: ({ perOpenDay, perClosedDay }, { figure }) =>
    `Hot ${figure(perOpenDay)} h on an open day, ${figure(perClosedDay)} h on a closed one`,
})

/** From here on machines of a kind are reckoned as the firm's own version of it, or as it ships. */
export const kindAs = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['kind-as']).required(),
      kind: slug().required(),
      own: slug().required(),
    }).noUnknown(),
  ),
  words: ({ kind, own }) => `${kindName(kind)}: ${own === kind ? 'as it ships' : 'our own version'}`,
})

/** How the keys of a model, in one revision, start a programme: said once, shown in every later run. */
export const programmeKeys = settingKind({
  body: Versions.first(
    object({
      v,
      setting: string().oneOf(['programme-keys']).required(),
      maker: string().max(120),
      model: string().max(120).required(),
      revision: string().max(120),
      programme: string().oneOf(programmeIds).required(),
      pattern: keyPatternSchema.required(),
    }).noUnknown(),
  ),
  affects: 'nobody',
  words: ({ maker, model, revision, pattern }) =>
    `Keys of ${[maker, model].filter(Boolean).join(' ')}${revision ? `, revision ${revision}` : ''}: ${patternWords(pattern)}`,
})

const kindName = (id: string): string => kindById(id)?.name ?? id
