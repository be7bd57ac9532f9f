/**
 * Words that service records use, in English, German, French, Italian, Spanish and Dutch. Common practice, no source.
 * Whoever brings a record in sees what each text is taken for, and can say otherwise.
 */

/** What was done. The first that stands in a text is it: "cleaned and greased" is told apart by nobody. */
export const deeds = {
  descaled: /de-?scal|entkalk|d[ée]tartr|decalcific|descalcific|ontkalk/i,
  replaced:
    /\b(chang|replac|renew|fit|swap|exchang|new\b)|ersetz|ausgetauscht|getauscht|gewechselt|\bwechsel|erneuer|\bneue?[rs]?\b|remplac|chang[ée]|\bneu[fv]|\bneuf|sostitu|cambiat|\bnuov|sustitu|cambiad|\bnuev|vervang|vernieuw|\bnieuw/i,
  greased: /greas|lubric|gefettet|schmier|graiss|ingrass|lubrific|engras|smeer|gesmeerd/i,
  cleaned:
    /clean|soak|rins|back-?flush|detergent|gereinigt|reinig|gesp[üu]lt|r[üu]ckgesp|nettoy|rinc[ée]|pulit|pulizia|lavat|limpi|gereinigd|schoonge/i,
  checked:
    /\b(check|look|inspect|test|ok)\b|gepr[üu]ft|kontroll|pr[üu]fung|contr[ôo]l|v[ée]rifi|controllat|verificat|revisad|comprob|gecontroleerd|getest/i,
  serviced: /\bservice(d|s)?\b|wartung|gewartet|entretien|r[ée]vision|manutenzione|tagliando|mantenimiento|onderhoud/i,
  repaired: /repair|\bmend|\bfixed|repariert|reparatur|r[ée]par|riparat|reparad|hersteld|gerepareerd/i,
  faulty:
    /fault|complain|\bleak|does not|doesn't|\bno (coffee|steam|water|power)|defekt|undicht|\btropft|st[öo]rung|kein (kaffee|dampf|wasser|strom)|en panne|\bfuit|guasto|perdita|aver[íi]a|\blekt?\b|storing/i,
} as const

/** What parts are called besides their name here, by part; small letters. */
export const partWords: Record<string, readonly string[]> = {
  'group-gasket': [
    'group seal',
    'group ring',
    'portafilter gasket',
    'siebträgerdichtung',
    'brühgruppendichtung',
    'gruppendichtung',
    'joint de groupe',
    'joint groupe',
    'guarnizione gruppo',
    'guarnizione sottocoppa',
    'junta de grupo',
    'groepsrubber',
  ],
  'group-seal': [
    'group gasket',
    'siebträgerdichtung',
    'brühkopfdichtung',
    'joint de groupe',
    'guarnizione gruppo',
    'junta de grupo',
  ],
  'head-gasket': ['head seal', 'kopfdichtung', 'joint de tête'],
  'shower-screen': ['duschsieb', 'duschplatte', 'douchette', 'doccetta', 'douche'],
  screen: ['shower screen', 'duschsieb', 'douchette', 'doccetta'],
  'dispersion-block': ['diffuser', 'dispersion plate', 'verteilerplatte', 'diffuseur', 'diffusore'],
  'three-way-valve': ['3-wege-ventil', 'dreiwegeventil', '3-wege-magnetventil', 'three-way solenoid', '3-way solenoid'],
  'flow-meter': ['flowmeter', 'durchflussmesser', 'débitmètre', 'contatore volumetrico', 'caudalímetro'],
  'pump-head': ['rotationspumpe', 'rotary pump'],
  'rotary-pump': ['rotationspumpe'],
  pump: ['vibration pump', 'vibe pump', 'vibrationspumpe'],
  burrs: ['burr', 'burr set', 'mahlscheiben', 'mahlwerk', 'mahlsteine', 'meules', 'macine', 'muelas', 'maalschijven'],
  'steam-tip': ['steam nozzle', 'dampfdüse', 'buse vapeur', 'ugello vapore', 'boquilla de vapor', 'stoompijpje'],
  'vacuum-breaker': ['anti-vacuum valve', 'vakuumventil', 'antivide', 'valvola antirisucchio'],
  'safety-valve': [
    'sicherheitsventil',
    'soupape de sécurité',
    'valvola di sicurezza',
    'válvula de seguridad',
    'veiligheidsklep',
  ],
  'heating-element': ['heizstab', 'heizelement', 'résistance', 'resistenza', 'resistencia', 'verwarmingselement'],
  'control-board': ['pcb', 'mainboard', 'steuerplatine', 'carte électronique', 'printplaat'],
  'brew-unit': [
    'brewing unit',
    'brew group',
    'brühgruppe',
    'brüheinheit',
    'groupe infuseur',
    'gruppo infusore',
    'grupo erogador',
    'zetgroep',
  ],
  'piston-ring': ['brew unit seals', 'brew unit o-rings', 'brew group seals', 'o-ringe brühgruppe', 'joints groupe'],
  'milk-hose': ['milk tube', 'milchschlauch', 'tuyau à lait', 'tubo latte', 'melkslang'],
  'upper-gasket': ['piston gasket', 'kolbendichtung'],
  'tank-valve': ['tank seal', 'tankdichtung', 'tankventil', 'joint réservoir'],
  'inlet-hose': ['supply hose', 'braided hose', 'zulaufschlauch', 'panzerschlauch', 'flexible', 'tubo di carico'],
  'drain-hose': ['waste hose', 'ablaufschlauch', 'tuyau de vidange', 'tubo di scarico'],
  thermoblock: ['thermo block', 'durchlauferhitzer'],
  'pressure-switch': ['pressurestat', 'druckschalter', 'pressostat', 'pressostato'],
  'group-restrictor': ['gicleur'],
}

/**
 * What is said of a part for short, by part: of several words it may be any other part's. Taken at its word only where
 * the text speaks of nothing else; else it is a guess.
 */
export const shortPartWords: Record<string, readonly string[]> = {
  'group-gasket': ['gasket', 'seal', 'dichtung', 'joint', 'guarnizione', 'junta'],
  'group-seal': ['gasket', 'seal', 'dichtung', 'joint', 'guarnizione', 'junta'],
  'head-gasket': ['gasket', 'seal', 'dichtung', 'joint', 'guarnizione', 'junta'],
  'shower-screen': ['screen', 'shower', 'sieb', 'ducha'],
  screen: ['shower', 'sieb', 'ducha'],
  'pump-head': ['pump', 'pumpe', 'pompe', 'pompa', 'bomba', 'pomp'],
  'rotary-pump': ['pump', 'pumpe', 'pompe', 'pompa', 'bomba', 'pomp'],
  pump: ['pump', 'pumpe', 'pompe', 'pompa', 'bomba', 'pomp'],
  'heating-element': ['element', 'heater', 'heizung'],
  'control-board': ['board', 'platine', 'elektronik', 'scheda', 'placa'],
  'three-way-valve': ['solenoid', 'magnetventil', 'électrovanne', 'elettrovalvola', 'electroválvula', 'magneetklep'],
  'group-restrictor': ['jet', 'düse'],
}

/** The same of tasks: a "service call" is no full service. */
export const shortTaskWords: Record<string, readonly string[]> = {
  'full-service': [
    'service',
    'serviced',
    'pm',
    'wartung',
    'gewartet',
    'inspektion',
    'entretien',
    'révision',
    'manutenzione',
    'tagliando',
    'mantenimiento',
    'onderhoud',
  ],
}

/** What tasks are called besides their name here, by task; small letters. */
export const taskWords: Record<string, readonly string[]> = {
  'full-service': [
    'full service',
    'annual service',
    'yearly service',
    'big service',
    'major service',
    'preventive maintenance',
    'jahreswartung',
    'große wartung',
    'entretien annuel',
    'révision annuelle',
    'manutenzione annuale',
    'onderhoudsbeurt',
  ],
  'group-service': ['piston group service', 'brew group service', 'gruppenwartung'],
  'detergent-backflush': [
    'backflush',
    'backflushed',
    'back flush',
    'chemical backflush',
    'rückgespült',
    'rückspülen',
    'rétrolavage',
    'controlavaggio',
  ],
  'cleaning-programme': [
    'cleaning cycle',
    'cleaning tablet',
    'reinigungsprogramm',
    'reinigungstablette',
    'cycle de nettoyage',
    'ciclo di pulizia',
  ],
  'electrical-test': [
    'pat',
    'pat test',
    'portable appliance test',
    'dguv',
    'vde prüfung',
    'e-check',
    'electrical safety',
  ],
  'milk-cleaner': ['milk clean', 'milk cleaning', 'milchreinigung', 'milchsystem gereinigt', 'nettoyage lait'],
}
