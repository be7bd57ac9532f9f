import type { StopId } from './stops.ts'

/*
 * What is said where something must stop. A rule holds where a clause speaks of all its things, in whatever order, and
 * does not deny it. It is better to ask once too often: a false stop costs a question, a missed one a hand. Common
 * practice, no source.
 */
const things = {
  device:
    'breakers?|fuses?|fuse ?box(?:es)?|rcds?|rcbos?|gfcis?|gfi|elcb|fi|(?:main|mains|trip|earth leakage) ?(?:switch|fuse|breaker)?|circuit|residual current|consumer unit|switch in the (?:box|cupboard)|ring main|kitchen ring|electrics|protective device',
  falls:
    'trip\\w*|blow\\w*|blew|drop\\w*|fall\\w*|fell|goes?|going|went|gone|out|off|pop\\w*|jump\\w*|cuts?|kick\\w*|down|throw\\w*|threw|knock\\w*',
  tripped: 'trip(?:s|ped|ping)',
  knocksOut: 'knock\\w* (?:out )?(?:the )?(?:sockets?|lights?|power|electrics)',
  willNotHold: "(?:not|\\w+n't|never|wont)(?: \\S+){0,2} (?:hold\\w*|stay\\w*|reset\\w*)",
  lightsOut:
    '(?:no|without) (?:light|power|electricity)|(?:goes|went|gone|all) dark|lights? (?:goes?|went|out|off)|lose\\w* (?:the )?(?:electricity|power)|power (?:goes?|went|cuts?|out|off|\\S+ \\S+ \\S+ \\S+ cuts?)|electricity (?:goes?|went|cuts?|out|off)|power cut',
  place: 'shop|kitchen|bar|room|house|half|whole|entire|caf[eé]|office|building|flat|everything else|floor',
  smells: 'smell\\w*|smelt|stink\\w*|stank|reek\\w*|odou?rs?|whiff|stench|acrid',
  burnt:
    'burn\\w*|electric\\w*|plastic|melt\\w*|rubber|singe\\w*|scorch\\w*|hot|acrid|fishy|smou?lder\\w*|crackl\\w*|insulation',
  fire: 'smok(?:e|es|ing|ed)|spark\\w*|flames?|on fire|caught fire|smou?lder\\w*|arc(?:ing|ed)|charred',
  line: 'plugs?|sockets?|outlets?|cables?|leads?|flex|cord|wiring|wires?|connectors?',
  damaged:
    'brown\\w*|black(?:ened)?|melt\\w*|burnt|burned|charred|warm|hot|soft|scorch\\w*|discolou?r\\w*|glow\\w*|deformed|bubbl\\w*',
  shock:
    'shocks?|tingl\\w*|zap\\w*|electrocut\\w*|prickl\\w*|jolts?|(?:feels?|felt) (?:a )?(?:current|electricity|buzz)|under voltage|shocked (?:me|her|him|us|somebody|someone|my)',
  body: 'casing|case|body|housing|metal|panel|frame|machine|wand|group|tray|cup rail',
  alive: '(?:is|are|be) live|electrified|voltage|current on',
  wet: 'water|wet|leak\\w*|drip\\w*|flood\\w*|spil\\w*|soak\\w*|pour\\w*|ran|runs?|running|puddle|milk|coffee|liquid|tea|juice',
  electrics:
    '(?:\\S+ )?(?:sockets?|plugs?|plug ?board|outlets?|electrics|electronics|(?:control|circuit|power|main) board|circuitry|wiring|wires|cables?|extension (?:lead|cable|cord)|power (?:strip|lead|supply)|multi ?plug|key ?pad|buttons|display|screen|touch ?(?:panel|screen)|fuse ?box)',
  soaked:
    'soaked|in a puddle|in (?:the )?water|under water|lying in|drenched|wet through|got wet|is wet|are wet|full of water',
  valve: '(?:safety|over ?pressure|pressure relief|relief|top) valve|valve on (?:the )?top',
  lifts:
    'lift\\w*|open\\w*|blow\\w*|blew|hiss\\w*|steam\\w*|scream\\w*|go(?:es|ing)? off|went off|weep\\w*|drip\\w*|leak\\w*|non ?stop',
  gauge: 'gauge|needle|pressure|manometer',
  tooHigh: 'red|too high|off the scale|climb\\w*|past|above|over|maximum|rising|right round',
  boilerGauge:
    '(?:boiler|steam)(?: \\S+)? (?:gauge|pressure|needle|reads?|shows?|is at|at)|(?:gauge|needle|pressure) (?:of|on) the (?:boiler|steam)',
  goesOn:
    "(?:not|never|\\w+n't|cannot|cant|wont|unable to)(?: \\S+){0,3} (?:stop\\w*|switch\\w*|turn\\w*|cut\\w* out|shut)|stays on|(?:cannot|can't|could not|couldn't) (?:be )?(?:turn|switch)\\w*",
  heating: 'heat\\w*|boil(?:ing|s)?|elements?|heaters?|steaming',
  runsAway:
    'overheat\\w*|boil(?:s|ing|ed)? over|red hot|temperature (?:keeps|is) (?:climbing|rising|going up)|temperature (?:runs|ran) away|keeps? (?:on )?heating|boil(?:s|ing) in the tank',
  hot: 'steam\\w*|boiling|scald\\w*|hot water|hot',
  bursts:
    'blast\\w*|shoot\\w*|shot|spray\\w*|squirt\\w*|spurt\\w*|gush\\w*|blow\\w*|blew|jets?|burst\\w*|erupt\\w*|escap\\w*|comes?|came|coming|pour\\w*|hiss\\w*|leak\\w*',
  wrongPlace:
    '(?:from|out of|out at|at|under|inside|through|round|around|of|over) (?:the |its |a |every )?(?:sides?|back|rear|panel|case|casing|bottom|underneath|below|joints?|pipes?|hoses?|seam|lid|inside|vents?|hole|machine|bar|top cover)|underneath|everywhere|all over|from inside|inside',
  cameOff:
    '(?:hose|pipe|joint|line|tube)s? (?:has |have )?(?:come|came|comes|blew|blown|burst|popped|jumped)(?: off| apart)?',
  handle: 'handle|portafilter|porta filter|filter holder|basket',
  flies: 'flew|flies|shot off|blew|burst|jumped off|came off|explod\\w*|hit',
  hurt: 'burn(?:ed|t|s)?|scald\\w*',
  person: 'me|my|i|her|his|him|hand|hands|arm|face|finger|fingers|colleague|staff|barista|herself|himself',
  byWhat: 'water|steam|spray\\w*|handle|portafilter|machine',
  boiler: 'boiler|kettle|level ?glass|sight ?glass',
  empty: 'empty|dry|no water|without water|nothing',
  dryHeat:
    'boil(?:s|ed|ing)?(?: itself)? dry|heat\\w*(?: up)? (?:empty|dry)|heat\\w* (?:with )?(?:no|without) water|no water in (?:the |it.* )?boiler',
  chemical:
    'descal(?:ers?|ing (?:agent|acid|fluid|liquid|solution|stuff|water|product|powder))|acid|cleaner|cleaning (?:stuff|fluid|liquid|water|agent|solution|powder|product|chemical)|detergent|chemicals?|soap\\w*|vinegar|citric|bleach|caustic',
  descaling: 'descal(?:ed|ing|e)',
  drunkOf: 'tast\\w+|drank|drunk|swallow\\w*|sipp?\\w*|serv(?:ed|ing)',
  drunk:
    'tast\\w+|drank|drunk|drink\\w*|swallow\\w*|sipp?\\w*|serv(?:ed|ing)|in (?:the|my|a|her|his) (?:cup|coffee|milk|drink)|into (?:a|the) cup|(?:out )?with the (?:espresso|coffee|shot)|coffees?|guest\\w*|customer\\w*',
  milk: 'milk|cream',
  spoilt:
    'sour|gone off|went off|smells off|is off|turned|spoil\\w*|curdl\\w*|rancid|lump\\w*|slim[ey]\\w*|smells?|smelly|stinks?|yoghurt|yogurt',
  cooler: 'fridge|cooler|chiller|refrigerator|milk (?:box|container|unit|compartment)',
  warm: 'warm|stopped|not (?:cold|cool\\w*)|broken|off overnight|does not cool|doesn.t cool|defrost\\w*',
  ill: 'sick|ill|stomach|vomit\\w*|threw up|food poisoning|diarrh\\w*',
  milkDrink: 'milk|cappuccinos?|lattes?|flat white|drinks?|coffees?|macchiato',
  mould: 'mou?ld|mou?ldy|mildew|fungus|fungi|maggots?|larvae|furry|fuzzy growth',
  gasKind: 'co2|co₂|carbon dioxide|gas|cylinders?|gas bottles?|bottles?',
  alarm: 'alarms?|detectors?|warner|sensor|beep\\w*',
  cellar: 'cellar|basement|store ?room|cold room|downstairs|under the stairs|keg room',
  faint: 'headaches?|dizzy|dizziness|faint\\w*|light-?headed|short of breath|breathless|unwell|hiss\\w*|alarm\\w*',
  gas: 'gas',
  gasLeak: 'gas leak\\w*',
} as const
type Thing = keyof typeof things

interface Rule {
  all: Thing[]
  /** A clause that has this means something harmless. */
  unless?: string
  /** A figure in the clause lies above this: bar, °C. */
  above?: number
  /** These stand after a word of place: into, on, behind. */
  at?: Thing
  /** Its own words deny something: a "not" says nothing against it. */
  isDenial?: true
}

const drink = 'coffee|espresso|beans|roast|cup|shot'
const rules: Record<StopId, Rule[]> = {
  trips: [
    {
      all: ['device', 'falls'],
      unless: 'thermal fuse|fuse is fine|renewed|changed last|water main|main tap|mains? water|went off coffee',
    },
    { all: ['tripped'], unless: 'trip to|round trip' },
    { all: ['knocksOut'] },
    { all: ['device', 'willNotHold'], isDenial: true },
    { all: ['lightsOut', 'place'], unless: 'not light up|keys|lamp|other sockets work' },
  ],
  burning: [
    { all: ['smells', 'burnt'], unless: `${drink}|hot water` },
    { all: ['fire'], unless: 'no smoking|smoke detector is fine' },
    { all: ['line', 'damaged'], unless: 'hot water|all cool|is cold' },
  ],
  shock: [{ all: ['shock'], unless: 'bill|price|absorb\\w*|shock proof|cold shock' }, { all: ['body', 'alive'] }],
  'wet-electrics': [
    { all: ['wet'], at: 'electrics', unless: 'says|shows|message|reads|asks|error|in, socket|shower screen|works for' },
    { all: ['electrics', 'soaked'], unless: 'says|shows|message|reads|asks|error' },
  ],
  'over-pressure': [
    { all: ['valve', 'lifts'], unless: 'heating up|heats? up' },
    {
      all: ['gauge', 'tooHigh'],
      unless: 'brew\\w*|shot|pump|pull\\w*|espresso|extract\\w*|below|puck|supply|line pressure',
    },
    { all: ['boilerGauge'], above: 1.75, unless: 'minutes|seconds|litres?|degrees|°' },
  ],
  'heats-on': [
    { all: ['goesOn', 'heating'], unless: 'never gets|not get|ready|keeps? warm', isDenial: true },
    { all: ['runsAway'], unless: 'never (?:gets )?(?:ready|hot)|slow\\w*', isDenial: true },
  ],
  escapes: [
    { all: ['hot', 'bursts', 'wrongPlace'], unless: 'wand|lance|spout|tap|nozzle|frothing|capsule' },
    { all: ['cameOff', 'hot'] },
    { all: ['handle', 'flies'], unless: 'clean' },
    { all: ['hurt', 'person', 'byWhat'], unless: 'tongue|mouth|lip|tastes?|coffee' },
  ],
  dry: [
    { all: ['boiler', 'empty'], unless: 'at home', isDenial: true },
    { all: ['dryHeat'], isDenial: true },
  ],
  chemical: [
    {
      all: ['chemical', 'drunk'],
      unless: 'lamp|asks? for|how often|tastes? (?:better|fine|good)|comes on|no rinse needed',
    },
    { all: ['descaling', 'drunkOf'], unless: 'lamp|asks? for|how often|tastes? (?:better|fine|good)|comes on' },
  ],
  milk: [
    { all: ['milk', 'spoilt'], unless: 'smells? (?:nice|good)|foam|sour coffee|turned (?:on|down)', isDenial: true },
    { all: ['cooler', 'warm'], isDenial: true },
    { all: ['cooler'], above: 7.5, unless: 'bar\\b|years?|minutes|seconds|cm\\b|metres?' },
    { all: ['ill', 'milkDrink'], unless: 'sick (?:of|leave|note)' },
  ],
  mould: [{ all: ['mould'] }],
  cellar: [
    { all: ['gasKind', 'alarm'], unless: 'display' },
    { all: ['cellar', 'faint'] },
    { all: ['gasKind', 'cellar', 'faint'] },
  ],
  gas: [{ all: ['gas', 'smells'] }, { all: ['gasLeak'] }],
}

const thing = Object.fromEntries(
  Object.entries(things).map(([name, words]) => [name, new RegExp(`\\b(?:${words})(?!\\w)`, 'i')]),
) as Record<Thing, RegExp>

/** Where something is: the one place that makes water a danger. */
const atThing = (name: Thing): RegExp =>
  new RegExp(
    `\\b(?:into|onto|over|on|in|behind|above|under|down|near|at|to|reached)\\W+(?:the |its |our |a |my )?(?:${things[name]})(?!\\w)`,
    'i',
  )

const compiled = (Object.entries(rules) as [StopId, Rule[]][]).map(([id, list]) => ({
  id,
  list: list.map(({ all, at, unless, above, isDenial }) => ({
    all: all.map((name) => thing[name]),
    at: at && atThing(at),
    unless: unless === undefined ? null : new RegExp(`\\b(?:${unless})`, 'i'),
    above,
    isDenial,
  })),
}))

const denies = /(?:\b(?:no|not|never|without|neither|nor|nobody|none)|n't|\b(?:hasnt|doesnt|didnt|isnt|wasnt|havent))$/

/** So many words before something may deny it. */
const deniedWithin = 4

/**
 * What must stop by what somebody said, the most pressing first.
 *
 * @example stopsIn('It trips the breaker. The coffee is fine.') // ['trips']
 * @example stopsIn('No smoke, it is just dead') // []
 */
export function stopsIn(said: string): StopId[] {
  const text = said.toLowerCase().replace(/[’`]/g, "'")
  const clauses = text
    .split(/\.(?!\d)|[;!?\n]+|,? but |, (?=no |not |nothing )/)
    .map((clause) => clause.trim())
    .filter(Boolean)
  return compiled
    .filter(({ list }) =>
      clauses.some((clause) =>
        list.some(({ all, at, unless, above, isDenial }) => {
          if (unless?.test(clause) || (at && !at.test(clause))) return false
          if (above !== undefined && !figuresIn(clause).some((figure) => figure > above)) return false
          return all.every((one) => {
            const found = one.exec(clause)
            return found !== null && (isDenial || !isDenied(clause, found.index))
          })
        }),
      ),
    )
    .map(({ id }) => id)
}

const figuresIn = (clause: string): number[] =>
  (clause.match(/\d+(?:[.,]\d+)?/g) ?? []).map((figure) => Number(figure.replace(',', '.')))

/** Whether one of the few words just before says that it is not so. */
const isDenied = (clause: string, at: number): boolean =>
  clause
    .slice(0, at)
    .split(/\s+/)
    .filter(Boolean)
    .slice(-deniedWithin)
    .some((word) => denies.test(word))
