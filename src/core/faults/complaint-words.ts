/*
 * How people say what is wrong, and what they mean by it. A meaning is heard where its words are said, in whatever
 * order where there are several; a complaint is known by its meanings. The trade's own words and laymen's. Common
 * practice, no source.
 */
const water = 'water|coffee|espresso|drink|liquid'
const steamer = 'steam\\w*|wand|lance|froth\\w*|pannarello|nozzle'
const handle = 'handle|porta ?filter|filter ?holder|holder|basket'
const says = 'says?|shows?|asks?|asking|wants?|display\\w*|message|tells?|keeps? saying|insists?'
const never = "(?:not|never|no|cannot|\\w+n't|without|wont|doesnt|cant|neither|hardly|barely)"

/** What is meant: every pattern of a list has to be in what was said. */
export const meanings: Record<string, string[]> = {
  slow: [
    'slow\\w*|drips?|dripping|drops?|dribbl\\w*|trickl\\w*|treacle|honey|syrup|ages|forever|chok\\w*|too long to|takes? (?:a|too|so|very)? ?(?:minute|long)|dispense slowly|barely (?:any|a)|hardly (?:anything|any)|for(?:ty|ty five)? seconds|fifty|sixty',
  ],
  fast: [
    'fast\\w*|quick\\w*|gush\\w*|shoots? (?:through|out)|rush\\w*|races?|pours? through|(?:in|after) (?:\\d|ten|eight|five) ?\\w* ?seconds|too short time|under extract\\w*|no crema|blond\\w*|pale',
  ],
  thin: ['thin|watery|weak|like tea|dishwater|diluted|pale|not strong|no strength|tasteless|too weak'],
  nothing: [
    `nothing (?:comes|came|is coming|at all|comes out|comes through|falls|is ground|arrives)|no (?:more )?(?:${water})\\b(?! (?:from|in) the tank)|stays? dry|gives? nothing|${never} (?:\\S+ ){0,2}(?:come|comes|came|coming|arrive\\w*|dispens\\w*|flow\\w*)|dry`,
  ],
  pumpRuns: ['pump|hum\\w*|buzz\\w*|runs but|works but'],
  cold: [
    'cold|luke ?warm|tepid|(?:not|isn.t|hardly|barely|only|never|nor) (?:\\S+ ){0,2}(?:hot|warm)|cool|stone cold|barely warm|not hot enough',
  ],
  tooHot: [
    'too hot|far too hot|burnt|burns? the coffee|burning the coffee|boiling|scald\\w*|spit\\w* steam|steam comes out of the group',
  ],
  stale: ['tast\\w*|flavou?r|bitter|sour|stale|metallic|rancid|musty|plastic|vinegar|old|awful|salty|soapy'],
  atHandle: [
    `(?:${handle}|where (?:you|the handle|it) (?:lock|goes)|out of the group|from the group|group)`,
    'leak\\w*|squirt\\w*|spray\\w*|drip\\w* round|runs? (?:out|over|down|round|around)|(?:sides|sideways|edge|rim|around|round|over the)',
  ],
  kicks: [
    `${handle}|it|off|remov\\w*|open\\w*|loosen\\w*`,
    'kicks?|sneez\\w*|explod\\w*|spits?|splash\\w*|pressure (?:stays|remains|still)|still pressure|pops?|spurts? when',
  ],
  wetPuck: [
    'pucks?|used coffee|grounds|cake|bin',
    'wet|soup\\w*|mud\\w*|swim\\w*|slud\\w*|soggy|fall\\w* apart|mush\\w*|sloppy',
  ],
  intoTray: ['tray', 'into|fills?|runs?|straight|goes|full|during|every shot|water'],
  trayStands: [
    'tray',
    'overflow\\w*|drain|will not (?:go|run)|does(?:n.t| not) run|not go down|stands?|blocked|smell\\w*',
  ],
  runsOn: [
    '(?:not|never|\\w+n.t|no longer|unable) (?:\\S+ ){0,4}stop\\w*|overflow\\w*|runs? over|runs? on|keeps? (?:running|going|pouring)|too much|over the top|too full',
  ],
  unequal: [
    'differ\\w*|uneven|unequal|inconsistent|one \\S+ (?:is|has) .* (?:next|other)|the next one|varies|varying|something else|never the same|every (?:dose|cup)',
  ],
  blinks: ['blink\\w*|flash\\w*|cuts? (?:out|off)|stops? by itself|alarm'],
  lamp: [
    'lamp|light|led|orange|red light|indicator',
    'blink\\w*|flash\\w*|stays?|on|out|will not|won.t|all the time|go off',
  ],
  aKey: [
    'buttons?|keys?|touch\\w*|key ?pad|switch',
    'dead|nothing happens|not (?:work|respond|react|answer)\\w*|does nothing|stuck|no reaction|others? work|does not start',
  ],
  weakSteam: [
    `${steamer}|milk`,
    `weak|feeble|little|hardly|low pressure|not enough|no pressure|ages|forever|too slow|only (?:gets )?(?:warm|luke)|not (?:get )?hot|cannot froth|can.t froth|gone weak|less|never (?:gets )?hot`,
  ],
  noSteam: [
    `no (?:more )?steam|steam (?:is )?gone|without steam|${never} (?:\\S+ ){0,3}steam|steam (?:does not|doesn.t|will not) (?:come|work)`,
  ],
  wetSteam: [
    steamer,
    'only (?:hot )?water|hot water|water|sputter\\w*|spits?|wet',
    'comes?|instead|from|all the time|with the|sputter\\w*|spits?',
  ],
  steamDrips: [
    `${steamer}|tap|arm|pipe`,
    'drip\\w*|drops?|dropping|leak\\w*',
    'constantly|all (?:day|the time)|keeps?|closed|shut|tap|wand|arm|frother|when (?:off|closed)|after',
  ],
  noHeat: [
    '(?:not|never|\\w+n.t) (?:\\S+ ){0,2}heat\\w*|no heat|gauge (?:on|at) zero|stays? cold|stone cold|on for (?:\\S+ ){1,3}(?:and|but)|completely cold',
  ],
  notReady: ['(?:never|not) (?:\\S+ ){0,3}ready|heats? for(?:ever| half| an| hours)|waits? for ever|heating up for'],
  hisses: ['hiss\\w*|steams? (?:on|at|from) (?:the )?top|from the top|on top of it'],
  over: ['red|safety valve|too much pressure|off the scale', 'gauge|needle|pressure|valve|hiss\\w*'],
  noLights: [
    `no (?:lights?|power|reaction|display)|dark|black|dead|(?:${never}|no longer) (?:\\S+ ){0,2}(?:turn|switch|come|go|power)\\w* on|lifeless|does nothing|does not turn on|not start at all`,
  ],
  below: [
    `(?:under|underneath|below|beneath|behind) (?:it|the|machine)?|underneath|puddle|pool|work ?top|counter|bottom|floor|beneath`,
    'water|wet|leak\\w*|puddle|pool|drip\\w*',
  ],
  loud: [
    'loud\\w*|nois\\w*|howl\\w*|growl\\w*|rattl\\w*|vibrat\\w*|scream\\w*|screech\\w*|tractor|terrible|squeal\\w*|racket|grind(?:ing)? noise|horrible',
  ],
  leverStiff: ['lever|arm', 'stiff|hard to|heavy|squeak\\w*|squeal\\w*|difficult'],
  dripsOn: [
    'drip\\w*|dropping|drops',
    'after\\w*|goes on|continues?|long after|for minutes|when (?:it is|i) (?:off|switch)|still',
  ],
  grinderRuns: [
    'grind\\w*',
    'no (?:coffee|grounds|beans)|nothing|empty|half|runs? (?:on|empty)|but|on and on|scream\\w*|loud',
  ],
  grinderStill: [
    'grind\\w*',
    '(?:not|never|\\w+n.t) (?:\\S+ ){0,3}(?:start|run|turn|work|grind)\\w*|silent|no (?:sound|noise|grinding)|hums?|stands|does nothing|dead|no grinding',
  ],
  beansNot: ['beans?|hopper', `no beans|${says}|empty|full|stuck|hang|not fall|do(?:es)?n.t fall`],
  halfCup: ['half|small\\w*|short|less|too little|not full|only', 'cups?|coffee|espresso|full|drinks?|rest'],
  waterBelowCup: ['tray|bin|container', 'water|full|fills?|runs?|rest'],
  clearWater: [
    'clear water|only (?:hot )?water|just (?:hot )?water|hot water (?:only|comes)|water (?:but|and) no coffee|no coffee in it',
  ],
  tankSays: ['tank|no water|water', `${says}|fill|refill|full|empty`],
  unitSays: [
    'brew(?:ing)? (?:unit|group)|group|unit|mechanism|piston',
    `${says}|jam\\w*|stuck|insert|stall\\w*|crack\\w*|noise|move\\w*|halfway|error`,
  ],
  jams: ['jams?|jammed|stuck|crack\\w*|stall\\w*|blocks?|cannot move'],
  groundsSay: [
    'grounds|container|tray|door|drawer|waste|bin',
    `${says}|empt\\w*|insert|open|closed|missing|all the time`,
  ],
  foam: [
    'foam\\w*|froth\\w*|bubbl\\w*|milk|latte|cappuccino',
    'no |without|bad|coarse|big|bubbl\\w*|not|doesn.t|does not|suck\\w*|none|flat|airy|poor|fine, only',
  ],
  beside: ['beside|next to|past the cup|down the front|at the head|from the head|on the outside|over the edge'],
  stuckHead: [
    'handle|lever|head|capsule|pod|it|lid',
    'stuck|cannot (?:be )?(?:close|open|push|lock|shut)\\w*|can.t (?:close|open|push|lock|shut)|will not (?:close|open|lock|shut)|won.t (?:close|open|lock|shut)|jam\\w*|cannot be pushed',
  ],
  flatMilk: ['milk|froth\\w*|foam', 'flat|no foam|no froth|not froth|does not froth|doesn.t froth|froth up|thin'],
  coldMilk: ['milk|froth|foam', 'cold|luke\\w*|not (?:hot|warm)|cool'],
  jugLeaks: ['jug|milk container|container|carafe', 'leak\\w*|spill\\w*|escapes?|beside|runs? out'],
  trips: ['trip\\w*|breaker|fuses?|rcd|gfci|power goes|electricity goes|goes dark'],
  burning: [
    'burning|smok\\w*|scorch\\w*|melt\\w*|smell\\w*|burnt',
    'plastic|electr\\w*|smok\\w*|hot|burn\\w*|plug|rubber|motor|wires?',
  ],
  error: [
    'error|code|fault|message|warning|service',
    'shows?|says?|display\\w*|code|screen|number|appears?|comes up|call',
  ],
  less: [
    'less|too little|to little|light|instead of|only \\d+ ?g\\w*|\\d+ ?g(?:rams?)? instead|under dose\\w*|small dose',
  ],
  hums: ['hum\\w*|buzz\\w*', 'not turn|does not|doesn.t|stands|stuck|but'],
  willNotSet: [
    'adjust\\w*|collar|ring|setting|grind size|dial',
    'cannot|can.t|stuck|seized|does nothing|no effect|not turn|will not|won.t',
  ],
  hotSmell: ['hot|warm|smell\\w*|burn\\w*', 'motor|grinder|smell\\w*|burn\\w*'],
}

/** What each complaint is known by, besides its own words; the first says most of it. */
export const knownBy: Record<string, string[]> = {
  slow: ['slow'],
  fast: ['fast', 'thin'],
  'no-water': ['nothing', 'pumpRuns'],
  cold: ['cold'],
  'too-hot': ['tooHot'],
  taste: ['stale'],
  'handle-leaks': ['atHandle'],
  'handle-kicks': ['kicks', 'wetPuck'],
  'tray-runs': ['intoTray'],
  dose: ['runsOn', 'unequal'],
  blinks: ['blinks'],
  keys: ['aKey'],
  'weak-steam': ['weakSteam', 'noSteam'],
  'no-steam': ['noSteam'],
  'wet-steam': ['wetSteam'],
  'steam-drips': ['steamDrips'],
  'no-heat': ['noHeat'],
  over: ['over', 'hisses'],
  dead: ['noLights'],
  'wet-below': ['below'],
  'tray-full': ['trayStands'],
  noise: ['loud'],
  hisses: ['hisses'],
  'lever-stiff': ['leverStiff'],
  'not-ready': ['notReady'],
  'drips-on': ['dripsOn'],
  'no-grounds': ['grinderRuns'],
  'grinder-silent': ['grinderStill'],
  lamp: ['lamp', 'blinks'],
  'short-cup': ['halfCup', 'waterBelowCup'],
  weak: ['thin'],
  clear: ['clearWater'],
  'too-long': ['runsOn'],
  long: ['runsOn'],
  'tank-says': ['tankSays'],
  'unit-says': ['unitSays', 'jams'],
  'grounds-says': ['groundsSay'],
  'grinder-empty': ['grinderRuns', 'beansNot'],
  foam: ['foam'],
  'wet-puck': ['wetPuck'],
  beside: ['beside'],
  stuck: ['stuckHead'],
  button: ['aKey'],
  'flat-milk': ['flatMilk'],
  'cold-milk': ['coldMilk'],
  'jug-leaks': ['jugLeaks'],
  trips: ['trips'],
  burning: ['burning'],
  error: ['error'],
  less: ['less'],
  none: ['nothing'],
  uneven: ['unequal'],
  hums: ['hums'],
  silent: ['noLights', 'grinderStill'],
  loud: ['loud'],
  'will-not-set': ['willNotSet'],
  hot: ['hotSmell', 'burning'],
}
