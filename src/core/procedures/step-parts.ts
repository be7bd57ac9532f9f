import type { KeyPattern, Programme } from './key-patterns.ts'
import type { WayFigure } from './procedure.ts'
import { type Span, spanWords } from './span.ts'
import type { State } from './states.ts'
import type { Answer, Step, StepCaution, StepOf } from './step.ts'

/** A step of the hands. */
export const hands = (id: string, say: string, handsS: number, more: Partial<Step> = {}): Step =>
  ({ id, say, handsS, act: 'do', ...more }) as Step

/** It works by itself. */
export const soak = (
  id: string,
  say: string,
  what: string,
  seconds: number,
  more: Partial<StepOf<'soak'>> = {},
): Step => ({
  id,
  say,
  what,
  seconds,
  handsS: 0,
  ...more,
  act: 'soak',
})

/** Watched until something is seen. */
export const wait = (
  id: string,
  say: string,
  until: string,
  aboutS: number,
  more: Partial<StepOf<'wait'>> = {},
): Step => ({
  id,
  say,
  until,
  aboutS,
  handsS: 0,
  ...more,
  act: 'wait',
})

/** Cooling is done by nobody: it is drawn as time that passes, and the hands are free for what else there is. */
export const cools = (id: string, aboutS: number, more: Partial<StepOf<'wait'>> = {}): Step =>
  wait(id, 'Let it cool', 'it is cold to the touch where the hands go', aboutS, {
    mark: 'M',
    ...more,
    state: { heat: 'cold', ...more.state },
  })

/** How long until a hand may go there, s. From memory: a small block or boiler, one that holds litres, a nozzle alone. */
export const coolingS = { block: 1800, boiler: 7200, nozzle: 600 }

/** An answer that goes on, one that goes back to a step and why, one that ends it and why. */
type Lead =
  | [id: string, words: string, leads: 'pass', more?: Pick<Answer, 'fits' | 'keeps'>]
  | [id: string, words: string, leads: 'repeat', from: string, because: string, usually?: number]
  | [id: string, words: string, leads: 'stop', because: string]

/** A question with what follows from each answer. */
export const check = (
  id: string,
  say: string,
  ask: string,
  answers: Lead[],
  more: Partial<StepOf<'check'>> = {},
): Step => ({ id, say, ask, handsS: 10, ...more, act: 'check', answers: answers.map(asAnswer) })

function asAnswer(lead: Lead): Answer {
  const [id, words] = lead
  switch (lead[2]) {
    case 'pass':
      return { id, words, leads: 'pass', ...lead[3] }
    case 'repeat':
      return { id, words, leads: 'repeat', from: lead[3], because: lead[4], ...(lead[5] && { usually: lead[5] }) }
    case 'stop':
      return { id, words, leads: 'stop', because: lead[3] }
  }
}

/** Water and steam as for coffee: hot, tray and tank in their places. */
export const brewing: State = { power: 'on', heat: 'hot', tray: 'in', tank: 'in', unit: 'in', boiler: 'full' }
/** Steam is let out. */
export const steaming: State = { power: 'on', heat: 'hot', boiler: 'full' }
/** Nothing in what is drunk but water. */
export const drinkable: State = { path: 'water', group: 'water', screen: 'on', basket: 'at hand' }

export const unplugged: StepCaution = {
  hazard: 'mains',
  say: 'Plug out first.',
  how: 'A machine that is off is still live inside: prove it dead before a hand goes in. One that is wired in has no plug: isolator off, locked and proved dead by whoever is licensed for it.',
}

export const acid: StepCaution = {
  hazard: 'acid',
  say: 'Acid: off skin, eyes and stone; never with bleach or alkali.',
  how: 'Gloves and glasses; air in the room. In the machine it is not for use until it is rinsed.',
}

export const hotWater: StepCaution = { hazard: 'scald', say: 'Hot water falls free: hands and cloth away.' }

export const steam: StepCaution = {
  hazard: 'scald',
  say: 'Steam burns before it is seen: tip into the tray, hand on the cool part.',
}

export const milkHygiene: StepCaution = {
  hazard: 'milk',
  say: 'Milk spoils within hours: what touched it is cleaned today, not tomorrow.',
  how: 'Milk cleaner is not for eyes or skin; acid and alkaline ones never together.',
}

/** Grease where coffee and water pass. */
export const foodGrease = 'Food-grade silicone grease, a thin film; never petroleum jelly.'

export const hotTray: StepCaution = {
  hazard: 'scald',
  say: 'The tray is full of hot water: level, both hands, and slowly.',
}

/** The case is open and it runs. */
export const openAndLive: StepCaution = {
  hazard: 'live',
  say: 'Open, live and running: for qualified people only, as local rules allow it.',
  how: 'Behind a residual-current device. Gloves and glasses, a catch vessel: joints may spray. Look only, hands out; switched off before anything is touched.',
}

/** It moves by itself, or by its keys. */
export const itMoves: StepCaution = {
  hazard: 'pinch',
  say: 'The motor does not feel a finger: hands, hair and sleeves out while it moves.',
}

export const pierces: StepCaution = {
  hazard: 'sharp',
  say: 'The piercing needle cuts: never a finger into the head.',
}

export const drinkingWater: StepCaution = {
  hazard: 'water',
  say: 'Drinking water is protected: an air gap at every drain, a backflow preventer before the machine.',
  how: 'As local rules ask; those licensed for it fit it.',
}

/** Cut off from the mains, and proved: nothing passes it by. */
export const cutOff = (id: string, handsS: number, more: Partial<Step> = {}): Step =>
  hands(id, 'Off, and plug out', handsS, {
    gate: true,
    caution: unplugged,
    how: 'Wired in: isolator off, locked, proved dead.',
    ...more,
    state: { power: 'dead', ...more.state },
  })

/** A boiler that nothing comes out of: the gauge alone may stick. */
export const noPressure = (id: string, at: string[], more: Partial<StepOf<'check'>> = {}): Step =>
  check(
    id,
    'Is all pressure off?',
    'Gauge at zero, and steam tap wide open',
    [
      ['none', 'Zero, and nothing comes', 'pass'],
      [
        'some',
        'Something still comes, or the gauge stands above zero',
        'repeat',
        id,
        'Leave the tap open until nothing comes: a vessel is never opened on trust.',
      ],
    ],
    {
      gate: true,
      at,
      caution: { hazard: 'pressure', say: 'Nothing is opened until both say so: a gauge can stick at zero.' },
      besides: [steam],
      ...more,
      state: { pressure: 'none', ...more.state },
    },
  )

/** What follows where a cover that needs a tool came off: the machine stays held until it has passed. */
export const electricalTest = (id: string, at: string[] = ['board']): Step =>
  check(
    id,
    'Electrical test before it is used',
    'Earth, insulation, leakage, by a qualified person with a tester in date',
    [
      ['passed', 'Passed', 'pass'],
      ['later', 'Not now: nobody qualified, or no tester', 'pass', { keeps: true }],
      ['failed', 'Not passed', 'stop', 'It is not switched on again: found and mended first.'],
    ],
    {
      gate: true,
      clears: 'electrical',
      at,
      how: 'Insulation only as its maker allows: boards can die of it. Without a test the work is on record and the machine stays not for use.',
      caution: {
        hazard: 'mains',
        say: 'Testing belongs to those qualified for it; local rules come first.',
      },
      handsS: 120,
      state: { cover: 'shut' },
    },
  )

/** Before it is shut and switched on: what was loosened is tight, earth first. */
export const earthBack = (id: string, at: string[] = ['board']): Step =>
  check(
    id,
    'Earth leads back on, every plug home?',
    'Each earth lead, each plug, each clamp',
    [['all', 'All back and tight, looked at one by one', 'pass']],
    {
      gate: true,
      at,
      handsS: 45,
      caution: { hazard: 'mains', say: 'A lost earth lead kills whoever touches the case next.' },
    },
  )

/**
 * A programme of the model’s own: its leaflet first, the shape of such a thing beneath.
 * @param examples - by kind, made up to show the shape
 */
export function startedByKeys(
  id: string,
  say: string,
  programme: Programme,
  examples: Record<string, KeyPattern>,
  more: Partial<StepOf<'keys'>> = {},
): Step {
  const [first, ...others] = Object.entries(examples)
  const example = first![1]
  return {
    id,
    say,
    programme,
    example,
    handsS: Math.max(10, (example.seconds ?? 0) + 5),
    ...more,
    ...(others.length > 0 && {
      as: Object.fromEntries(others.map(([kind, one]) => [kind, { ...more.as?.[kind], example: one }])),
    }),
    act: 'keys',
    state: { power: 'on', ...more.state },
    mark: 'M',
  }
}

/** Whatever asks for it by a lamp asks no more, or the step that must be run again. */
export const lampOut = (id: string, from: string, because: string, more: Partial<StepOf<'check'>> = {}): Step =>
  check(
    id,
    'Look at its lamp or display',
    'Does it still ask?',
    [
      ['quiet', 'It asks no more', 'pass'],
      ['none', 'It has nothing that asks', 'pass'],
      ['asks', 'It still asks', 'repeat', from, because],
      ['maker', 'It asks again after a second full run', 'stop', 'All steps were right: its maker’s service.'],
    ],
    { at: ['board'], ...more },
  )

/** Keeps a figure and its unit on one line. */
export const nbsp = '\u00a0'

/** How a span of seconds or of strokes stands in a table. */
export const seconds = (span: Span): string => `${spanWords(span).replaceAll(' ', nbsp)}${nbsp}s`

/** A figure a way gives, by name; `M` marks what it does not say itself. With the step it is read off, if any. */
export const figure = (name: string, words: string, mark: 'T' | 'M' = 'T', step?: string): WayFigure => ({
  name,
  words,
  mark,
  ...(step && { step }),
})

/** The handle comes out after strokes. */
export const hotHandle: StepCaution = {
  hazard: 'scald',
  say: 'What is in the basket is hot: handle out only after the hiss, away from the face.',
  how: 'Never loosen a handle that is locked in while the water is on.',
}

/** The same with detergent in it. */
export const hotCaustic: StepCaution = {
  hazard: 'detergent',
  say: 'Hot and caustic: after the hiss loosen it slowly, tip it away from you.',
  how: 'Gloves. Splashes are rinsed with much water at once.',
}

/** The handle is half in on purpose, and water runs over it. */
export const runsOver: StepCaution = {
  hazard: 'scald',
  say: 'Water on purpose runs round the seal and down the handle: hold the grip’s end, sleeve away.',
  how: 'Half in, not sealed: no pressure builds. Water off before the handle is moved.',
}

export const lockedIn: StepCaution = {
  hazard: 'pressure',
  say: 'Pressure behind the blind basket: handle shut until it has hissed off.',
  how: 'The tray takes hot water at each stop: have it empty.',
}

export const alkaline: StepCaution = {
  hazard: 'detergent',
  say: 'Strong alkali: off skin and eyes, never with acid.',
  how: 'Gloves; rinse splashes with much water and see its label.',
}
