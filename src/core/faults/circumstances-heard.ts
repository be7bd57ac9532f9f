import type { FaultBook } from './fault.ts'

/** What was told besides the complaint: an answer to a question of the book, and the words it was heard in. */
export interface Told {
  test: string
  outcome: string
  words: string
}

const side = '(?:left|right|first|second|one|other|group (?:one|two|1|2)|(?:left|right|other)(?:[- ]hand)?)'
const well = "(?:fine|ok|okay|good|all right|normal|perfect|works?|working|great|doesn't|does not)"
const did = '(?:chang|descal|clean|repair|servic|replac|mov|regenerat|refill|fitt|install|adjust|swap|exchang)\\w*'
const whoever =
  '(?:technician|plumber|mechanic|electrician|colleague|your man|somebody|someone|you|we|they|i|he|she|my \\w+)'

/*
 * What people say of how it comes and goes, without being asked. In the order of the questions; the first that is heard
 * of a question counts. Common practice, no source.
 */
const heardAs: [test: string, outcome: string, said: string][] = [
  [
    'ask-often',
    'sometimes',
    'sometimes|now and then|now and again|once in a while|from time to time|not (?:always|every time|each time)|on and off|intermittent\\w*|occasionally|comes and goes|(?:once|twice|(?:two|three|four|five|several|\\d+) times) (?:a|per|each) (?:day|week|shift)|every (?:second|third|other|few|tenth|fifth) (?:cups?|shots?|times?|coffees?|drinks?|days?)|(?:one|two|three|\\d)(?: \\w+)? (?:out )?of (?:ten|five|three|\\d+)|some days',
  ],
  [
    'ask-came',
    'slowly',
    'slower and slower|more and more|less and less|louder and louder|weaker and weaker|gradual\\w*|bit by bit|little by little|(?:getting|gets|got|become|becoming) (?:worse|slower|weaker|louder|colder|less)|worse (?:and worse|every|each|from)|week by week|week to week|over (?:the )?(?:last )?(?:weeks|months)|for (?:weeks|months)|(?:slowly|steadily) (?:got|getting|worse)',
  ],
  [
    'ask-came',
    'sudden',
    'sudden\\w*|all of a sudden|from one (?:day|moment|cup) to the (?:next|other)|out of (?:the blue|nowhere)|at once it|since (?:this morning|today|lunch|yesterday|last night)|(?:yesterday|last week) it (?:was|still) (?:fine|ok|good|worked|perfect)|it (?:just )?(?:stopped|quit|died)\\b',
  ],
  [
    'ask-when',
    'cold',
    "first (?:coffees?|cups?|shots?|one|drinks?|espresso|thing)|only (?:when|while|from|if) (?:it is |it's )?cold|from cold|(?:when|while) (?:it is |it's )?(?:still )?cold|after (?:the night|a pause|standing)|later (?:ones?|it is|they are) (?:are )?(?:fine|hot|ok|good)",
  ],
  [
    'ask-when',
    'hot',
    "when (?:we are|we're|it is|it's|the place is) busy|at rush hour|during (?:the )?rush|after (?:about |some |roughly )?(?:many|several|a few|some|ten|five|six|twenty|thirty|\\d+) (?:cups|coffees|drinks|shots|minutes)|once (?:it is |it's )?(?:hot|warm)|only (?:when|if) (?:it is |it's )?(?:hot|warm)|(?<!even )when (?:it is |it's |it gets )?(?:hot|warm)\\b|in the afternoons?|after a while|warmed up",
  ],
  [
    'ask',
    'worked',
    `(?:since|after) (?:[^\\s,.;]+ ){0,5}?${did}|since (?:[^\\s,.;]+ ){0,3}?(?:put|opened|took)\\b|(?:since|after) (?:the |your )?(?:service|repair|visit|cleaning|descaling|regeneration|strip ?down)|(?:since|after) ${whoever} (?:was|were|had|has|have|did|looked|came)`,
  ],
  [
    'ask',
    'beans',
    '(?:new|other|different|another|changed) (?:coffee )?(?:beans?|roast\\w*|coffee|blend|barista|grinder)',
  ],
  [
    'ask',
    'stood',
    'after (?:the |our |a )?(?:holidays?|summer|winter|vacation|break|long weekend|closure|lockdown)|(?:stood|unused|not used|closed|off) for (?:\\S+ ){0,2}(?:weeks?|months?|days)',
  ],
  ['other-group', 'same', 'both (?:groups?|sides|handles)|(?:all|every) groups?|either (?:group|side|handle)'],
  [
    'other-group',
    'better',
    `(?:the )?${side}(?: (?:group|side|one|handle))? (?:is |are |still )?${well}|only (?:on |at |from )?(?:the )?(?:left|right|one|first|second)(?: group| side| hand)?|(?:on|at|from) (?:the )?(?:left|right)(?: group| side| hand side)\\b|(?:left|right)(?:[- ]hand)? (?:group|side|handle)|group (?:one|two|1|2)\\b`,
  ],
]

const compiled = heardAs.map(([test, outcome, said]) => ({ test, outcome, said: new RegExp(`\\b(?:${said})`, 'i') }))

/**
 * What somebody told of how a complaint comes and goes, and of what was done: as answers to the book’s own questions.
 *
 * @returns at most one answer a question; only of questions the book has, and of answers they have
 * @example circumstancesHeard(c2Faults, 'Since the gaskets were changed it leaks, now and then') // ask: worked, ask-often: sometimes
 */
export function circumstancesHeard({ tests }: FaultBook, said: string): Told[] {
  const text = said.replaceAll(/[’`]/g, "'")
  const told = new Map<string, Told>()
  for (const { test, outcome, said: words } of compiled) {
    if (told.has(test)) continue
    const known = tests.find(({ id }) => id === test)?.outcomes.some(({ id }) => id === outcome)
    const found = known && words.exec(text)
    if (found) told.set(test, { test, outcome, words: found[0].trim() })
  }
  return [...told.values()]
}
