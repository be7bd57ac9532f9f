import type { HeldReason } from '../procedures/held-reasons.ts'

/** What isolates before anything is searched for. */
export const stopIds = [
  'trips',
  'burning',
  'shock',
  'wet-electrics',
  'over-pressure',
  'heats-on',
  'escapes',
  'dry',
  'chemical',
  'milk',
  'mould',
  'cellar',
  'gas',
] as const
export type StopId = (typeof stopIds)[number]

/** Something that stops the machine, or a part of it, before anything else. Common practice, no source. */
export interface Stop {
  id: StopId
  /** As it is complained of. */
  name: string
  /** What is done now, in this order, by whoever stands there; nothing of it switches anything on. */
  now: string[]
  /** Who may go on, and what must be proved before it is used again. */
  after: string
  /** What may be tested: nothing; dead, by somebody qualified; or all of it, for nothing is served meanwhile. */
  mayTest: 'nothing' | 'dead' | 'all'
  /** What is held until that is proved. */
  holds: HeldReason
  /** Only this of the machine; absent: all of it. */
  only?: 'milk'
}

const offAtTheBoard =
  'Off at the board or the wall switch, from a dry place. The plug only with dry hands and standing dry.'
const notOnAgain = 'Do not switch it on again, not even to try. Put a note on it.'
const deadTest =
  'Whoever is qualified goes on: plug out, proved dead, tested dead. Earth, insulation and leakage passed before it is used. Local rules come first.'
const toZero = 'Nobody near it, nothing opened, until it is cold and the gauge stands at 0 bar.'

const all: Record<StopId, Omit<Stop, 'id'>> = {
  trips: {
    name: 'It trips the breaker or blows the fuse',
    now: ['Leave the breaker down. No other socket, no second try.', offAtTheBoard, notOnAgain],
    after: deadTest,
    mayTest: 'dead',
    holds: 'electrical',
  },
  burning: {
    name: 'It smells of burning, smokes, or a plug is brown',
    now: [
      'With flames or smoke: everybody out, call the fire service, nobody goes back.',
      offAtTheBoard,
      'Let it cool, watch it.',
      notOnAgain,
    ],
    after: deadTest,
    mayTest: 'dead',
    holds: 'electrical',
  },
  shock: {
    name: 'Somebody got a shock, or it tingles',
    now: [
      'Nobody touches it, nor the sink or tap beside it, nor whoever still touches it.',
      'Off at the board, from a dry place; not at the machine.',
      'Whoever got a shock sees a doctor, also when they feel well.',
      notOnAgain,
    ],
    after: deadTest,
    mayTest: 'dead',
    holds: 'electrical',
  },
  'wet-electrics': {
    name: 'Water is in or near the electrics',
    now: [
      'Not through the water. Off at the board, from a dry place.',
      'Then the water: tap shut, if it can be reached dry.',
      'Leave plug and cable lying until they are dead and dry.',
      notOnAgain,
    ],
    after: deadTest,
    mayTest: 'dead',
    holds: 'electrical',
  },
  'over-pressure': {
    name: 'Pressure too high, or its safety valve blows',
    now: [offAtTheBoard, 'Hands off the steam tap and the valve: it blows by itself.', toZero],
    after:
      'Whoever is qualified looks for what let it heat on: contacts, switch, probe. The cause is mended and seen at working pressure, the valve as its plate says, before it is used.',
    mayTest: 'dead',
    holds: 'pressure',
  },
  'heats-on': {
    name: 'It does not stop heating',
    now: [offAtTheBoard, toZero, notOnAgain],
    after:
      'Whoever is qualified looks for what let it heat on, dead: relay, sensor, cut-out. It is seen to switch off by itself before it is used.',
    mayTest: 'dead',
    holds: 'heating',
  },
  escapes: {
    name: 'Steam or hot water comes out where none should',
    now: [
      'Everybody back.',
      offAtTheBoard,
      toZero,
      'Burns under cool running water for twenty minutes; then a doctor.',
    ],
    after:
      'Opened cold and at 0 bar. What burst is mended, and seen tight hot and under pressure, case shut, before it is used.',
    mayTest: 'dead',
    holds: 'pressure',
  },
  dry: {
    name: 'The boiler heats without water',
    now: [offAtTheBoard, 'No water into it while it is hot: it turns to steam at once.', toZero],
    after:
      'Whoever is qualified goes on, cold: what let it run dry, then element, cut-outs and gaskets. It is filled and seen to hold its level before it is used.',
    mayTest: 'dead',
    holds: 'heating',
  },
  chemical: {
    name: 'Acid or detergent may be in what is drunk',
    now: [
      'Nothing from it is drunk or served. Put a note on it.',
      'Who drank of it: rinse the mouth, drink water, nothing to bring it up; ask the poison service, with the label at hand.',
      'Keep the cup.',
    ],
    after: 'Rinsed until it runs clear and feels of nothing at every outlet, then signed off.',
    mayTest: 'all',
    holds: 'chemical',
  },
  milk: {
    name: 'Milk is warm or spoilt, or made somebody ill',
    now: [
      'No drink with milk from it.',
      'The milk is thrown away, all of it, also what looks good.',
      'Hose, container and nozzle out and cleaned the same day.',
    ],
    after:
      'Cleaned with milk cleaner, rinsed, the cooler measured at 5 °C or below, before milk goes in again. Local food rules come first.',
    mayTest: 'all',
    holds: 'milk',
    only: 'milk',
  },
  mould: {
    name: 'There is mould in it',
    now: [
      'Nothing from it is drunk or served. Put a note on it.',
      'No brush and no cloth while it is dry: spores fly.',
      'What is mouldy and of rubber or hose is thrown away.',
    ],
    after: 'Stripped where it grew, cleaned, sanitised, rinsed, dried, then signed off. Local food rules come first.',
    mayTest: 'all',
    holds: 'mould',
  },
  cellar: {
    name: 'CO₂ alarm, hissing or headache in a cellar',
    now: [
      'Out, all of you, door open behind you. Nobody goes down again, not for a bottle and not for a person.',
      'Fire service: say that it is carbon dioxide.',
    ],
    after: 'Measured and let in by the fire service or the gas supplier. Nobody tests anything before.',
    mayTest: 'nothing',
    holds: 'place',
  },
  gas: {
    name: 'It smells of gas',
    now: ['Out. Touch no switch, no plug, no telephone inside.', 'From outside: the gas emergency line.'],
    after: 'Let in by the gas supplier. Nobody tests anything before.',
    mayTest: 'nothing',
    holds: 'place',
  },
}

/** Every stop, those that cannot wait first. */
const stops: Stop[] = stopIds.map((id) => ({ id, ...all[id] }))
export const stopOf = (id: StopId): Stop => ({ id, ...all[id] })

/** What of a machine decides which stops may be so on it. */
export interface StopsAbout {
  /** Water passes it: a grinder has neither milk nor steam. */
  water: boolean
  /** It holds hot water under pressure. */
  boils: boolean
}

const withWater = new Set<StopId>(['heats-on', 'escapes', 'chemical', 'milk'])
const withBoiler = new Set<StopId>(['over-pressure', 'dry'])

/** What of them may be so on a kind of machine. */
const stopsOfKind = ({ water, boils }: StopsAbout): Stop[] =>
  stops.filter(({ id }) => (water || !withWater.has(id)) && (boils || !withBoiler.has(id)))

/** What a complaint may have behind it that comes before it; of every other the usual three. */
const behind: Record<string, StopId[]> = {
  trips: ['trips', 'shock', 'wet-electrics', 'burning'],
  burning: ['burning', 'trips', 'heats-on'],
  dead: ['trips', 'burning', 'shock', 'wet-electrics'],
  silent: ['trips', 'burning', 'shock'],
  'wet-below': ['wet-electrics', 'escapes', 'shock'],
  hisses: ['over-pressure', 'heats-on', 'escapes'],
  over: ['over-pressure', 'heats-on', 'escapes'],
  'too-hot': ['heats-on', 'over-pressure'],
  'no-heat': ['dry', 'trips', 'burning'],
  'no-steam': ['dry', 'trips', 'burning'],
  'weak-steam': ['dry', 'over-pressure'],
  'wet-steam': ['over-pressure', 'escapes'],
  'handle-leaks': ['escapes'],
  'handle-kicks': ['escapes'],
  'no-water': ['dry', 'burning'],
  noise: ['burning', 'dry'],
  hums: ['burning', 'trips'],
  hot: ['burning', 'trips'],
  loud: ['burning'],
  taste: ['chemical', 'mould', 'milk'],
  foam: ['milk', 'chemical'],
  'flat-milk': ['milk'],
  'cold-milk': ['milk'],
  'jug-leaks': ['escapes', 'milk'],
  keys: ['wet-electrics', 'shock'],
  button: ['wet-electrics', 'shock'],
}
const usual: StopId[] = ['trips', 'burning', 'escapes']

/**
 * What is asked before a complaint is searched: first what may stand behind it, then the rest.
 *
 * @example stopsBefore({ water: true, boils: true }, 'dead')[0]?.id // 'trips'
 */
export function stopsBefore(of: StopsAbout, symptom: string): { first: Stop[]; rest: Stop[] } {
  const asked = behind[symptom] ?? usual
  const all = stopsOfKind(of)
  return {
    first: asked.flatMap((id) => all.find((stop) => stop.id === id) ?? []),
    rest: all.filter(({ id }) => !asked.includes(id)),
  }
}

/** Complaints that stop by themselves, whatever else is said. */
const stopsItself: Record<string, StopId> = {
  trips: 'trips',
  burning: 'burning',
  hot: 'burning',
  over: 'over-pressure',
}

/** @returns the stop that a complaint is by itself; none where it has to be asked */
export const stopOfComplaint = (symptom: string | null): StopId | undefined =>
  symptom === null ? undefined : stopsItself[symptom]

/** The complaint a stop is searched under, where nobody has said another; the first of these that a kind knows. */
const nearest: Partial<Record<StopId, string[]>> = {
  trips: ['trips', 'dead', 'silent'],
  burning: ['burning', 'hot', 'hums', 'noise', 'dead'],
  shock: ['dead', 'silent'],
  'wet-electrics': ['wet-below', 'dead'],
  'over-pressure': ['over', 'hisses', 'wet-steam'],
  'heats-on': ['too-hot', 'over', 'hisses', 'cold'],
  escapes: ['wet-below', 'wet-steam', 'handle-leaks'],
  dry: ['no-heat', 'no-water', 'cold'],
  chemical: ['taste'],
  milk: ['foam', 'flat-milk', 'taste'],
  mould: ['taste'],
}

/** @returns the id of a complaint of the kind that lies nearest to a stop */
export const complaintNear = (symptoms: { id: string }[], stop: StopId): string =>
  (nearest[stop] ?? []).find((id) => symptoms.some((symptom) => symptom.id === id)) ?? symptoms[0]!.id

/** The name of a stop within a sentence. @example inSentence('CO₂ alarm in a cellar') // as it is */
export const inSentence = (name: string): string => name.replace(/^[A-Z](?=[a-z ])/, (letter) => letter.toLowerCase())
