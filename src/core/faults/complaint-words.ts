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
    'slow\\w*|slower|drips?|dripping|drops?|dribbl\\w*|trickl\\w*|threads?|treacle|molasses|honey|syrup\\w*|ages|forever|eternity|an age|chok\\w*|clogged|too long to|takes? (?:\\w+ ){0,2}(?:minutes?|long|longer)|(?:to|over|up to) (?:a|one|two) minutes?|barely (?:any|a)|hardly (?:anything|any)|(?:for|fif|six|seven)ty(?:[- ]\\w+)? ?sec\\w*|(?:[4-9]\\d|1\\d\\d) ?(?:s|sec|secs|seconds)\\b|pull times?|seeps?|oozes?|crawls?',
  ],
  fast: [
    'fast\\w*|quick\\w*|gush\\w*|shoots? (?:through|out)|rush\\w*|races?|pours? through|flies through|runs? through|(?:in|after|under|within) (?:\\d|1[0-5]|ten|eight|nine|five|six|seven|twelve) ?\\w* ?(?:s|sec|secs|seconds)\\b|under extract\\w*|no crema|blond\\w*|pale|too short a time',
  ],
  thin: [
    'thin\\w*|watery|weak\\w*|washed out|like tea|dish ?water|dirty water|diluted|pale|not strong|no strength|no body|tasteless|insipid|see through',
  ],
  nothing: [
    `nothing (?:comes|came|is coming|at all|comes out|comes through|falls|is ground|arrives|lands|up)|no (?:more )?(?:${water})\\b(?! (?:from|in) the tank)|not a (?:single )?(?:drop|crumb|gram)|(?:stays?|is|bone) (?:dry|empty)|gives? nothing|sucks? nothing|${never} (?:\\S+ ){0,2}(?:come|comes|came|coming|arrive\\w*|dispens\\w*|flow\\w*)|dry`,
  ],
  pumpRuns: ['pump|hum\\w*|buzz\\w*|runs but|works but|makes (?:a )?noise|labou?rs?|strains?'],
  cold: [
    'cold|chilly|luke ?warm|tepid|(?:not|isn.t|hardly|barely|only|never|nor) (?:\\S+ ){0,2}(?:hot|warm)|cool\\w*|stone cold|not hot enough|temperature (?:is )?(?:too )?low|(?:[3-7]\\d) ?(?:degrees|°|celsius)',
  ],
  tooHot: [
    'too hot|far too hot|burnt|burns? the coffee|burning the coffee|boiling|scald\\w*|spit\\w* steam|steam comes out of the group',
  ],
  stale: [
    'tast\\w*|flavou?rs?|bitter|sour|stale|metallic|rancid|musty|plastic|vinegar|awful|salty|soapy|off|smells? funny|burnt|aftertaste|undrinkable|disgusting',
  ],
  atHandle: [
    `(?:${handle}|where (?:you|the handle|it) (?:lock|goes)|out of the group|from the group|group|in the face|brewing head)`,
    'leak\\w*|squirt\\w*|spray\\w*|spurt\\w*|wet all|drip\\w* round|runs? (?:out|over|down|round|around)|(?:sides|sideways|edge|rim|around|round|over the)',
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
    'tray|sink|drain|waste',
    'overflow\\w*|drain|backing up|backs? up|will not (?:go|run|empty)|does(?:n.t| not) (?:run|drain|empty)|not go down|stands?|blocked|clogged|smell\\w*|swims?',
  ],
  runsOn: [
    '(?:not|never|\\w+n.t|no longer|unable) (?:\\S+ ){0,4}stop\\w*|overflow\\w*|runs? over|runs? on|keeps? (?:running|going|pouring)|too much|over the top|too full',
  ],
  unequal: [
    'differ\\w*|uneven|unequal|inconsisten\\w*|erratic|all over the place|scatter\\w*|one \\S+ (?:is|has) .* (?:next|other)|the next one|var(?:y|ies|ying)|something else|never the same|every (?:dose|cup)|random|fluctuat\\w*|unreliable|volumetrics?',
  ],
  blinks: ['blink\\w*|flash\\w*|wink\\w*|flicker\\w*|cuts? (?:out|off)|aborts?|stops? by itself|alarm'],
  lamp: [
    'lamps?|lights?|leds?|orange|red light|indicator',
    'blink\\w*|flash\\w*|flicker\\w*|alternat\\w*|stays?|on|out|will not|won.t|all the time|go off',
  ],
  aKey: [
    'buttons?|keys?|touch\\w*|key ?pad|switch',
    'dead|nothing happens|not (?:work|respond|react|answer)\\w*|does nothing|stuck|no reaction|others? work|does not start',
  ],
  weakSteam: [
    `${steamer}|steaming|milk|pitcher`,
    `weak|feeble|little|hardly|low pressure|not enough|no pressure|ages|forever|(?:two|three|four|\\d) minutes|too slow|only (?:gets )?(?:warm|luke)|not (?:get )?hot|cannot froth|can.t froth|gone weak|less|never (?:gets )?hot`,
  ],
  noSteam: [
    `no (?:more )?steam|steam (?:is )?gone|without steam|${never} (?:\\S+ ){0,3}steam|steam (?:does not|doesn.t|will not) (?:come|work)`,
  ],
  wetSteam: [
    steamer,
    'only (?:hot )?water|hot water|water|sputter\\w*|spits?|wet|too full',
    'comes?|instead|from|all the time|with the|sputter\\w*|spits?|cough\\w*|spew\\w*|spray\\w*',
  ],
  steamDrips: [
    `${steamer}|tap|arm|pipe`,
    'drip\\w*|drops?|dropping|leak\\w*',
    'constantly|all (?:day|the time)|keeps?|closed|shut|tap|wand|arm|frother|when (?:off|closed)|after',
  ],
  noHeat: [
    '(?:not|never|\\w+n.t) (?:\\S+ ){0,2}heat\\w*|no heat|gauge (?:on|at) zero|(?:not|never|\\w+n.t) (?:move|come) off zero|stays? cold|stone cold|on for (?:\\S+ ){1,3}(?:and|but)|completely cold',
  ],
  notReady: ['(?:never|not) (?:\\S+ ){0,3}ready|heats? for(?:ever| half| an| hours)|waits? for ever|heating up for'],
  hisses: [
    'hiss\\w*|whistl\\w*|steams? (?:on|at|from) (?:the )?top|from the top|on top of it|escaping (?:steam|air)|on the (?:boiler )?lid',
  ],
  over: ['red|safety valve|too much pressure|off the scale', 'gauge|needle|pressure|valve|hiss\\w*'],
  noLights: [
    `no (?:lights?|power|reaction|display|life|sign of life)|dark|black|dead|lifeless|(?:${never}|no longer|will not|won.t|refuses to) (?:\\S+ ){0,2}(?:turn|switch|come|go|power|start)\\w*(?: on| up)?|will not power|does nothing|nothing lights|dead silence`,
  ],
  below: [
    `(?:under|underneath|below|beneath|behind) (?:it|the|machine)?|underneath|puddle|pool|work ?top|cupboard|counter|bench is|shelf|bottom|floor|beneath`,
    'water|wet|leak\\w*|puddle|pool|drip\\w*|soaked|damp',
  ],
  loud: [
    'loud\\w*|nois\\w*|howl\\w*|growl\\w*|groan\\w*|moan\\w*|rattl\\w*|clatter\\w*|vibrat\\w*|scream\\w*|screech\\w*|shriek\\w*|tractor|jack ?hammer|drill|stones in|terrible|squeal\\w*|whin\\w*|racket|grind(?:ing)? noise|horrible|deafening',
  ],
  leverStiff: ['lever|arm', 'stiff|hard to|heavy|squeak\\w*|squeal\\w*|difficult'],
  dripsOn: [
    'drip\\w*|dropping|drops|dribbl\\w*',
    'after\\w*|goes on|continues?|long after|for minutes|when (?:it is|i) (?:off|switch)|still|once the shot|finished|will not (?:quit|stop)|won.t (?:quit|stop)',
  ],
  grinderRuns: [
    'grind\\w*|burrs?|motor|spin\\w*',
    'no (?:coffee|grounds|beans)|nothing|empty|half|runs? (?:on|empty)|but|on and on|scream\\w*|loud|yet',
  ],
  grinderStill: [
    'grind\\w*',
    '(?:not|never|\\w+n.t) (?:\\S+ ){0,3}(?:start|run|turn|work|grind)\\w*|silent|silence|no (?:sound|noise|grinding)|hums?|stands|does nothing|dead|no grinding|nothing happens',
  ],
  beansNot: [
    'beans?|hopper',
    `no beans|${says}|empty|full|stuck|hang|stay\\w*|not fall|do(?:es)?n.t fall|not (?:go|drop|slide)`,
  ],
  halfCup: [
    'half|small\\w*|short\\w*|less|too little|not full|only|got an espresso|a third',
    'cups?|mugs?|coffee|espresso|full|drinks?|rest|lungo',
  ],
  waterBelowCup: ['tray|bin|container', 'water|full|fills?|runs?|rest|swim\\w*|flood\\w*'],
  clearWater: [
    'clear water|only (?:hot )?water|just (?:hot )?water|hot water (?:only|comes)|water (?:but|and) no coffee|no coffee in it',
  ],
  tankSays: ['tank|reservoir|no water|water', `${says}|fill|refill|top\\w* (?:it )?up|full|empty`],
  unitSays: [
    'brew(?:ing)? (?:unit|group)|group|unit|mechanism|piston',
    `${says}|jam\\w*|stuck|insert|stall\\w*|crack\\w*|clack\\w*|clunk\\w*|noise|move\\w*|halfway|error|alarm`,
  ],
  jams: ['jams?|jammed|stuck|crack\\w*|clack\\w*|clunk\\w*|stall\\w*|blocks?|cannot move'],
  groundsSay: [
    'grounds|container|tray|door|drawer|waste|bin',
    `${says}|empt\\w*|insert|open|closed|missing|all the time`,
  ],
  foam: [
    'foam\\w*|froth\\w*|bubbl\\w*|milk|latte|cappuccino',
    'no |without|bad|coarse|big|bubbl\\w*|not|doesn.t|does not|suck\\w*|none|flat|airy|poor|just milk|no cap|fine, only|collaps\\w*',
  ],
  beside: [
    'beside|next to|past the cup|down the front|from the front|at the front|drool\\w*|at the head|from the head|on the outside|over the edge|misses the cup',
  ],
  stuckHead: [
    'handle|lever|head|jaws?|capsule|pod|it|lid',
    'stuck|(?:cannot|can.t|will not|won.t|does not|doesn.t|refuses to) (?:be )?(?:close|open|push|lock|shut|latch)\\w*|jam\\w*|cannot be pushed',
  ],
  flatMilk: [
    'milk|froth\\w*|foam',
    'flat|no foam|no froth|not froth|does not froth|doesn.t froth|froth up|thin|collaps\\w*|plain milk',
  ],
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
    'less|too little|to little|light|instead of|only \\d+ ?g\\w*|down to \\d+|\\d+ ?g(?:rams?)? instead|under dose\\w*|small dose|dropped to|came down',
  ],
  hums: ['hum\\w*|buzz\\w*', 'not turn|does not|doesn.t|stands|stuck|but|not move|not spin'],
  willNotSet: [
    'adjust\\w*|collar|ring|setting|grind size|dial|knob',
    'cannot|can.t|stuck|seized|frozen|solid|tight|jammed|does nothing|no effect|not turn|will not|won.t|makes no difference',
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
