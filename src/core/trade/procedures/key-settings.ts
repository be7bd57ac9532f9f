import type { KeyPattern, Programme } from '../../procedures/key-patterns.ts'
import type { Procedure } from '../../procedures/procedure.ts'
import { brewing, check, figure, hands, hotWater, startedByKeys } from '../../procedures/step-parts.ts'
import { oneWay, read } from './one-way.ts'

interface KeySetting {
  programme: Programme
  id: string
  name: string
  about: string
  reason: string
  unit: string
  /** What is read before and after. */
  what: string
  /** How a value is chosen once it is entered. */
  set: string
  figure: string
  /** What else is photographed first: it is lost. */
  writtenDown?: string
  examples: Record<string, KeyPattern>
}

/** Each a short procedure of its own; examples are made up, to show the shape. */
const settings: KeySetting[] = [
  {
    programme: 'hardness',
    id: 'set-hardness',
    name: 'Water hardness set by its keys',
    about:
      'Measured with drops, entered by this model’s keys, read back: it decides when the machine asks to be descaled.',
    reason: 'Left as it came it asks for hard water, or never: measured first, then set to the class just above.',
    unit: 'step',
    what: 'Hardness as set',
    set: 'The class just above the water, behind any treatment.',
    figure: 'the class above the measured water',
    examples: {
      dg: {
        from: 'off',
        keys: ['single'],
        way: 'hold-on',
        seconds: 5,
        answers: 'as many lamps light as the step set',
        next: 'press single for the next step',
      },
      sr: { from: 'ready', keys: ['Set up', 'Water'], way: 'menu', answers: 'the step set is marked' },
      st: { from: 'ready', keys: ['Settings', 'Hardness'], way: 'menu', answers: 'the step set blinks' },
      sp: { from: 'ready', keys: ['Technician', 'Water'], way: 'menu', answers: 'degrees stand in the line' },
      pl: {
        from: 'off',
        keys: ['latte'],
        way: 'hold-on',
        seconds: 3,
        answers: 'one to three keys blink: soft to hard',
        next: 'press latte for the next',
      },
      pk: {
        from: 'ready',
        keys: ['the button'],
        way: 'press',
        times: 7,
        withinS: 5,
        answers: 'it blinks one to four times',
        next: 'press once for the next',
      },
      dv: {
        from: 'off',
        keys: ['steam', 'one cup'],
        way: 'hold-on',
        seconds: 5,
        answers: 'one to three lamps',
        next: 'press one cup for the next',
      },
    },
  },
  {
    programme: 'temperature',
    id: 'set-temperature',
    name: 'Brew temperature set by its keys',
    about: 'Read, set two degrees at a time, tasted: hotter draws out more, dark roasts want less.',
    reason: 'One step, one coffee, then the next: two steps at once nobody can taste apart.',
    unit: '°C',
    what: 'Temperature as set',
    set: 'One step at a time: hotter is more bitter and less sour; dark roasts lower.',
    figure: 'a step at a time; where there are five, 88 to 96 °C, 92 as it comes',
    examples: {
      bt: {
        from: 'ready',
        keys: ['single', 'grinder'],
        way: 'hold',
        seconds: 3,
        answers: 'lamps tell the step that is set',
        next: 'press double for hotter, single for cooler',
      },
      pt: { from: 'ready', keys: ['Boilers', 'Brew'], way: 'menu', answers: 'degrees stand in the line' },
      sr: { from: 'ready', keys: ['Drinks', 'Temperature'], way: 'menu', answers: 'three steps, one marked' },
      st: { from: 'ready', keys: ['Settings', 'Temperature'], way: 'menu', answers: 'three steps, one blinks' },
      sp: { from: 'ready', keys: ['Technician', 'Brew boiler'], way: 'menu', answers: 'degrees stand in the line' },
      pl: {
        from: 'ready',
        keys: ['plus'],
        way: 'hold',
        seconds: 4,
        answers: 'plus or minus stands',
        next: 'press minus for cooler',
      },
    },
  },
  {
    programme: 'dose',
    id: 'set-dose',
    name: 'Drink volume set by its keys',
    about: 'A key held, or a dose taught: the cup measured before and after.',
    reason: 'Taught with coffee in, not with water alone: a puck takes up what the cup then lacks.',
    unit: 'ml',
    what: 'Volume in the cup',
    set: 'With coffee or a capsule in; released at the wanted volume.',
    figure: 'with coffee in; three doses to be sure',
    examples: {
      c2: {
        from: 'ready',
        keys: ['program'],
        way: 'hold',
        seconds: 5,
        answers: 'its keys blink in turn',
        next: 'press the dose, and again at the wanted volume',
      },
      dv: {
        from: 'ready',
        keys: ['one cup'],
        way: 'hold',
        seconds: 10,
        answers: 'the lamp blinks while water runs',
        next: 'let go at the wanted volume',
      },
      dg: {
        from: 'ready',
        keys: ['double', 'power'],
        way: 'hold',
        seconds: 4,
        answers: 'one beep',
        next: 'press single, and again at the wanted volume',
      },
      sr: { from: 'ready', keys: ['Drinks', 'Volume'], way: 'menu', answers: 'millilitres stand in the line' },
      st: { from: 'ready', keys: ['Drinks', 'Size'], way: 'menu', answers: 'a bar fills' },
      sp: { from: 'ready', keys: ['Technician', 'Recipes'], way: 'menu', answers: 'pulses stand in the line' },
      pk: {
        from: 'ready',
        keys: ['the button'],
        way: 'hold',
        seconds: 12,
        answers: 'water runs on past the usual end',
        next: 'let go at the wanted volume',
      },
      pl: {
        from: 'ready',
        keys: ['espresso'],
        way: 'hold',
        seconds: 5,
        answers: 'water runs while it is held',
        next: 'let go at the wanted volume: 20 to 100 ml',
      },
    },
  },
  {
    programme: 'energy',
    id: 'set-energy',
    name: 'Switching itself off, set by its keys',
    about: 'How soon it goes to sleep: what the place needs, and no longer.',
    reason: 'A machine that sleeps too soon is cold for every coffee; one that never sleeps ages by the hour.',
    unit: 'min',
    what: 'Minutes until it switches itself off',
    set: 'As the place works: shorter at home, longer in an office.',
    figure: 'as short as the place allows',
    examples: {
      dg: {
        from: 'off',
        keys: ['double'],
        way: 'hold-on',
        seconds: 5,
        answers: 'one lamp for short, two for long',
        next: 'press double to change',
      },
      pt: { from: 'ready', keys: ['Clock', 'Sleep'], way: 'menu', answers: 'minutes stand in the line' },
      sr: { from: 'ready', keys: ['Set up', 'Sleep'], way: 'menu', answers: 'minutes stand in the line' },
      st: { from: 'ready', keys: ['Settings', 'Standby'], way: 'menu', answers: 'a moon and minutes' },
      pk: {
        from: 'off',
        keys: ['the button'],
        way: 'hold-on',
        seconds: 6,
        answers: 'short or long blinks',
        next: 'press once to change',
      },
      pl: {
        from: 'off',
        keys: ['espresso'],
        way: 'hold-on',
        seconds: 3,
        answers: 'one key for short, two for long',
        next: 'press espresso to change',
      },
    },
  },
  {
    programme: 'factory-reset',
    id: 'set-factory',
    name: 'Back to factory settings by its keys',
    about: 'All that was taught is lost: written down first.',
    reason: 'A last resort before a board: doses, temperature and hardness are written down, then entered anew.',
    unit: 'step',
    what: 'Hardness as set',
    writtenDown: 'all other settings, page by page',
    set: 'Everything anew: hardness first, then doses.',
    figure: 'everything written down first',
    examples: {
      dg: {
        from: 'off',
        keys: ['single', 'double'],
        way: 'hold-on',
        seconds: 10,
        answers: 'all lamps blink three times',
      },
      sr: { from: 'ready', keys: ['Set up', 'As delivered'], way: 'menu', answers: 'it asks whether it is meant' },
      st: { from: 'ready', keys: ['Settings', 'Reset'], way: 'menu', answers: 'it asks twice' },
      pk: { from: 'ready', keys: ['the button'], way: 'press', times: 12, withinS: 10, answers: 'one long blink' },
      pl: {
        from: 'ready',
        keys: ['espresso', 'lungo', 'latte'],
        way: 'hold',
        seconds: 10,
        answers: 'all keys blink three times',
      },
    },
  },
]

/** Where the keys sit, by kind. */
const keysAt: Record<string, string> = { c2: 'keys', dg: 'switches', bt: 'switches', pk: 'button', pl: 'button' }

const asProcedure = (one: KeySetting): Procedure => {
  const kinds = Object.keys(one.examples)
  const at = ['board', ...new Set(kinds.flatMap((kind) => keysAt[kind] ?? []))]
  return {
    id: one.id,
    version: 1,
    family: 'service',
    name: one.name,
    about: one.about,
    kinds,
    once: true,
    writes: [],
    ways: [
      oneWay(
        {
          id: 'read-set-read',
          name: 'read, set, read back',
          reason: one.reason,
          figures: [figure('Set to', one.figure), figure('Keys', 'of this model; its leaflet')],
          tools: [{ name: 'Its leaflet', why: 'keys differ by model and revision' }],
        },
        kinds,
        [
          read('before', `${one.what}, before`, one.unit, {
            at,
            state: { power: 'on' },
            how: 'Not shown: skip it.',
          }),
          ...(one.writtenDown
            ? [
                {
                  id: 'written-down',
                  say: 'Every other setting written down',
                  act: 'photo' as const,
                  of: one.writtenDown,
                  handsS: 60,
                  at,
                },
              ]
            : []),
          startedByKeys('keys', `Enter: ${one.name.toLowerCase()}`, one.programme, one.examples, {
            at,
            wrong: 'Nothing answers, or a drink runs: stop it, and the leaflet of this model again.',
          }),
          hands('set', one.set, 20, { at, state: { power: 'on' } }),
          check(
            'kept',
            'Did it keep it?',
            'Out of the setting, and looked at again',
            [
              ['kept', 'It stands as set', 'pass'],
              ['not', 'It does not', 'repeat', 'keys', 'It left the setting before it was stored: enter once more.'],
            ],
            { at },
          ),
          read('after', `${one.what}, after`, one.unit, {
            at,
            state:
              one.programme === 'dose' || one.programme === 'temperature'
                ? { ...brewing, path: 'water', group: 'water' }
                : { power: 'on' },
            ...((one.programme === 'dose' || one.programme === 'temperature') && { caution: hotWater }),
          }),
        ],
      ),
    ],
  }
}

export const keySettings: Procedure[] = settings.map(asProcedure)
