/** What a page is for, in the words of whoever stands before it. */
export interface PageHelp {
  /** Matches the path of the page. */
  path: RegExp
  name: string
  /** What it answers. */
  answers: string
  /** How it is used, a sentence each. */
  how: string[]
  keys?: [keys: string[], what: string][]
}

const everywhere: PageHelp['keys'] = [
  [['Ctrl K'], 'find'],
  [['/'], 'find'],
  [['c'], 'a call'],
  [['?'], 'this help'],
  [['g', 'r'], 'go to the Round'],
  [['g', 'm'], 'go to Machines'],
  [['g', 'w'], 'go to the Water bench'],
  [['g', 'p'], 'go to Procedures'],
]

/** The first that matches is the page's own. */
export const helpPages: PageHelp[] = [
  {
    path: /^\/round\/weeks/,
    name: 'Weeks ahead',
    answers:
      'Who goes where when, so that the road, what is changed early and what comes late cost the least together.',
    how: [
      'Each line is a site, each ring a visit that is proposed: its day, its minutes, how many of the tasks due are done on it.',
      'The chosen line shows what the same visit would cost on every day: changed early, risk of being late, further road.',
      'Where many days cost the same it says so: then take the one that suits.',
      'What is proposed stays where it is unless another day saves more than a quarter of an hour.',
    ],
    keys: [
      [['1'], 'Coming due'],
      [['3'], 'the day'],
      [['j'], 'next site'],
      [['k'], 'site before'],
      [['←'], 'a day sooner'],
      [['→'], 'a day later'],
      [['v'], 'the next visit to this site'],
      [['b'], 'windows of all sites'],
      [['w'], 'the working, as a sheet'],
      [['Enter'], 'open the site'],
    ],
  },
  {
    path: /^\/round\/day/,
    name: 'The day',
    answers: 'When you are where, in which order, by which road, and what has to be in the van.',
    how: [
      'The strip is the day, its length is time: roads, stops, the break. Below it, wide and pale, when each place may be worked at; dark, our time there.',
      'The order is the best there is until somebody sets another; then what the best would save is said beside it.',
      'A stop the day cannot hold stands below the others, with why and what would help.',
      'Hours of a place are set on its page, your own on your card, a road that takes longer under “Road takes …”.',
      'What reported faults most likely need is on the list with its chance: by the complaint alone, until somebody has looked.',
    ],
    keys: [
      [['1'], 'Coming due'],
      [['2'], 'Weeks ahead'],
      [['j'], 'next stop'],
      [['k'], 'stop before'],
      [['J'], 'this stop later'],
      [['K'], 'this stop earlier'],
      [['s'], 'take the change that is proposed'],
      [['x'], 'the next thing is in the van'],
      [['m'], 'stops or places'],
      [['←'], 'the day before'],
      [['→'], 'the day after'],
      [['Enter'], 'I am there; on another day, open the site'],
    ],
  },
  {
    path: /^\/round\/call/,
    name: 'A call',
    answers: 'What to ask while they are on the line, how urgent it is, and when somebody can be there.',
    how: [
      'Any words find the machine: its place, its customer, a serial, or the number that rings. From a machine’s own page the call is about it.',
      'Their words are taken as a complaint; what else it may be is one press away. What must stop comes first, and is on record with one press.',
      'Five questions are enough. What is said is wrong one time in five, and is weighed so.',
      'A moment says what road it costs, what is not made till then and whom it makes later. A day that is full gives up a stop nobody was promised, never one that was.',
      'Who drives notes it with one tap; it stands in the round until somebody has rung back.',
    ],
    keys: [
      [['Tab'], 'next field'],
      [['↓'], 'next machine found'],
      [['a'], 'the first answer, and so on'],
      [['1'], 'the first moment, and so on'],
      [['←'], 'less urgent'],
      [['→'], 'more urgent'],
      [['Enter'], 'put it in'],
    ],
  },
  {
    path: /^\/round/,
    name: 'Round',
    answers: 'What is coming due, where, and how surely.',
    how: [
      'Each line is one thing at one machine. The mark is the likely day; the bar is the window it falls in eight times in ten.',
      'A wide bar wants a reading: the more often a counter is read, the narrower it gets.',
      'Choose a line to see how its date is reckoned, figure by figure. A figure that is from memory says so.',
    ],
    keys: [
      [['j'], 'next line'],
      [['k'], 'line before'],
      [['Enter'], 'open the machine'],
      [['w'], 'the working, as a sheet'],
      [['n'], 'new entry'],
      [['f'], 'change a word of the first line'],
    ],
  },
  {
    path: /^\/(machines\/[^/]+\/care|sites\/[^/]+\/labels)/,
    name: 'Care and labels',
    answers: 'What whoever works with a machine does between visits, and the page they open from its label.',
    how: [
      'A label is printed once a machine has a page. Whoever scans it reads its care without signing in; you are led to the machine.',
      'The word of the place is four figures: a phone on which it was typed sends what counts, any other what you look at first.',
      'What they send stands in the ledger with its origin; “something is wrong” rings in the list of calls to ring back.',
      'The code beside the square is typed into Find where nothing can be scanned.',
      'Another word asks every phone anew. Another address needs another label: the old one opens nothing.',
    ],
  },
  {
    path: /^\/(visits\/[^/]+\/papers|sites\/[^/]+\/papers|invoices|letters)/,
    name: 'Papers, invoices and letters',
    answers: 'What goes out of a closed visit and of a place, and what was issued.',
    how: [
      'An invoice has the lines the customer pays, as the visit was closed with them. What it lacks is said beside it, with the place to say it.',
      'Issued, it has the next number of its series and is not changed any more. A credit note takes it back; then it is issued anew.',
      'The e-invoice file is UBL 2.1 with the content of EN 16931: programs that keep books take it in.',
      'Quotes, the water report, care sheets and passports are papers of the place: they are sent from there, without a visit.',
      'A letter takes papers along as they are when it is written. It waits for the mail server, is tried for four days, and says what came of it.',
      'Where no mail server is set, letters lie in the mailbox of this installation and go nowhere: operations.md says how one is set.',
      'The spreadsheet has a line for each invoice and credit note, sums as decimals with a point; credit notes below nought.',
    ],
  },
  {
    path: /^\/machines\/[^/]+\/entry/,
    name: 'New entry',
    answers: 'What was found, done, fitted and read on this visit.',
    how: [
      'Fill in what was done and leave the rest empty. What the figures move shows at the side before anything is saved.',
      'A draft stays on this device until it is saved or thrown away, with the photos in it.',
      'A photo says which part it shows: it is seen again with the part, in the ledger and in the visit.',
      '“For us alone” keeps a line off the customer’s paper and out of a passport.',
      'Something wrong is put right later by a correction: what was written stays to be seen.',
    ],
    keys: [
      [['Tab'], 'next field'],
      [['Ctrl', 'Enter'], 'save the entry'],
      [['a … z'], 'tick the task with that letter'],
    ],
  },
  {
    path: /^\/machines\/[^/]+\/run/,
    name: 'Guided work',
    answers: 'The next step, where the hands are.',
    how: [
      'One step at a time; strokes and soaks run by the clock. What is said to be done is what goes on record.',
      'It is kept on this device at every press: after a call, a reload or an empty battery it stands where it was left.',
      'Danger stops it: cold, unplugged and at 0 bar before anything is opened. Local rules come first.',
    ],
    keys: [
      [['Space'], 'done, next step'],
      [['p'], 'pause, go on'],
      [['1 … 9'], 'answer a question'],
    ],
  },
  {
    path: /^\/machines\/[^/]+/,
    name: 'Machine',
    answers: 'How one machine stands: its water path, what wears, what is due, its history.',
    how: [
      'The drawing is the path of water from the supply to the cup. Choose a station to see what hangs on it.',
      'A complaint that is dangerous stops the fault lens first: what to do now, and the machine is marked as not for use.',
      'The lenses above it show the same path by wear, water, work, fault and ledger.',
      '“What is known of its ages” says at once that parts are good, or that nobody knows: then one first look is due and nothing is overdue.',
      'Under Change: what it is and what its counter counts, where it stands, what it stands behind, whether it is in service, in the workshop or on loan.',
      'Papers, also under Change: whose it is, who pays and may say yes, its plate, warranties, the certificate of its pressure vessel, the maker’s part numbers.',
    ],
    keys: [
      [['1'], 'wear'],
      [['2'], 'water'],
      [['3'], 'work'],
      [['4'], 'fault'],
      [['5'], 'ledger'],
      [['j'], 'next part or task'],
      [['k'], 'the one before'],
      [['n'], 'new entry'],
    ],
  },
  {
    path: /^\/machines/,
    name: 'Machines',
    answers: 'Every machine by place and name, with its last reading and what is due next.',
    how: [
      'Type part of a place, a name, a maker or a serial number.',
      'Those in the workshop and those out of service are chosen above the list: their history stays, and they can be set going again.',
    ],
  },
  {
    path: /^\/sites\/[^/]+\/leaving/,
    name: 'Leaving',
    answers:
      'The end of a visit: what was done, what is missing before it closes, what it costs whom, what stays open, who signs.',
    how: [
      'It is drawn from the ledger: what is not there was not done. What is missing has a letter, which leads to where it is done.',
      'A counter may be left with a reason. A machine that is not for use closes only isolated and tagged.',
      'Minutes, prices and who pays are put right here, with a word why; Rates and Contract say them for good.',
      'The page is turned to the customer last: each sentence can be struck out, and not signing is as good.',
      'A visit that is closed is closed anew where something was wrong: the first stays as it was.',
    ],
    keys: [
      [['a', 'b', 'd'], 'what is missing'],
      [['s'], 'turn it to the customer'],
    ],
  },
  {
    path: /^\/sites/,
    name: 'Sites',
    answers: 'Where machines stand: what is there, when it is open, what water comes in, who was there last.',
    how: [
      'Open days and closures move every counted date behind them.',
      'A test at the tap goes before what the water zone says.',
      'A place that was entered twice is made one under Edit.',
    ],
  },
  {
    path: /^\/customers/,
    name: 'Customers',
    answers: 'Whom you work for, and how to reach them.',
    how: ['A customer has sites; machines stand at sites. Whoever is no longer a customer keeps a history.'],
  },
  {
    path: /^\/softeners/,
    name: 'Water treatment',
    answers: 'What is left of a softener or a cartridge, and when it must be seen to.',
    how: [
      'Its litres are counted from the machines behind it, or by its meter.',
      'A measured hardness behind it goes before what is reckoned.',
    ],
  },
  {
    path: /^\/supplies/,
    name: 'Water zones',
    answers: 'What the waterworks delivers to many sites, by analysis.',
    how: ['An analysis holds until the next one. A test at a site’s own tap goes before it there.'],
  },
  {
    path: /^\/water/,
    name: 'Water bench',
    answers: 'What a test means, and what a mix or a treatment would make of this water.',
    how: ['Count drops or read a strip; the hardness follows in every unit, with what it may be off by.'],
  },
  {
    path: /^\/(visits)/,
    name: 'Visits',
    answers: 'Which calls were made, what was done on each, and whether it held.',
    how: ['A repair that came back within weeks is said at both visits.'],
  },
  {
    path: /^\/kinds/,
    name: 'Kinds of machine',
    answers: 'What a kind has that wears, after how much, and how it is drawn.',
    how: [
      'Every figure says where it is from. Copy a kind to give it your own figures; what would move shows before it is kept.',
      'For what no kind here describes make one of your own: its water, its counter, what comes round on it.',
    ],
  },
  {
    path: /^\/procedures/,
    name: 'Procedures',
    answers: 'How each piece of work is done, by the ways the trade has, with their reasons.',
    how: ['Copy one to change its steps for your firm. Work that was done names the version it was done by.'],
  },
  {
    path: /^\/parts/,
    name: 'What parts last',
    answers: 'How long parts have lasted on your own machines, against the catalogue.',
    how: ['Parts that are still in count too. Take a learned life over when there is enough behind it.'],
  },
  {
    path: /^\/instruments/,
    name: 'Instruments and reagents',
    answers: 'What you measure with, and how long its figures can be trusted.',
    how: ['A figure keeps the date that held when it was taken.'],
  },
  {
    path: /^\/imports?/,
    name: 'Lists',
    answers: 'What was brought in from spreadsheets, and what became of each row.',
    how: [
      'Nothing is written before every row was shown as it will be kept.',
      'A list can be taken back as one; what was built upon it since is named first.',
    ],
  },
  {
    path: /^\/data/,
    name: 'Data in and out',
    answers: 'All of it as files that other programs read, and back again.',
    how: [
      'The file of the firm holds its whole ledger. Backups are made by themselves; see that one was restored once.',
    ],
  },
  {
    path: /^\/firm/,
    name: 'The firm',
    answers: 'Who works here, in which units, and who changed what.',
    how: ['The log undoes what was removed, and makes two again what was made one.'],
  },
  {
    path: /^\/first-steps/,
    name: 'First steps',
    answers: 'From nothing to the first list of what is due.',
    how: ['A place, a machine, what its counter shows; or a whole list from a spreadsheet.'],
  },
  {
    path: /^\/figures/,
    name: 'Figures from memory',
    answers: 'What is reckoned with where nobody measured, and how to put your own figure there.',
    how: ['Each says what it is for and between what limits it can be set.'],
  },
  {
    path: /^\/(waits|here)/,
    name: 'What waits',
    answers: 'What was written on this device and is not in the ledger yet, and what of the firm is here.',
    how: [
      'It is sent by itself when there is network, in the order it was written, each visit whole.',
      'What is refused stands with the reason: it is never dropped, and never in the way of another visit.',
      'A device that cannot send any more writes all of it to a file; Data in and out reads it.',
    ],
  },
  {
    path: /^\/places/,
    name: 'Places and roads',
    answers: 'Where every site is, and how long the roads between them take.',
    how: [
      'A list from a map or a route planner gives many places at once; a square of minutes gives the roads.',
      'What is not said is reckoned as the crow flies, and learned from when you arrive and leave.',
    ],
  },
  {
    path: /^\/signing-in/,
    name: 'Signing in',
    answers: 'What you sign in with, and which devices are signed in.',
    how: ['Who has lost everything is let in by whoever keeps the server; the sign-in page says how.'],
  },
]

export const helpEverywhere = everywhere

/** Words of the trade and of this application, explained once. */
export const helpWords: [word: string, means: string][] = [
  ['Age not known', 'Nobody saw the part go in. It is not overdue: a first look at it is due.'],
  ['As found, as left', 'A reading before anything was touched, and after.'],
  ['Bypass', 'Raw water mixed back into softened water, as a share.'],
  ['Carbonate hardness', 'The part of hardness that falls out as chalk when water is heated.'],
  [
    'Cautious, usual, long life',
    'How early to act: three figures for every part, from careful to as long as it may go.',
  ],
  ['Correction', 'An entry that stands in the place of another, which stays to be seen, struck through.'],
  ['Due window', 'The days between which a part reaches its limit, eight times in ten.'],
  ['First look', 'One visit to a machine taken on in mid-life, to see its parts of unknown age.'],
  ['From memory', 'A figure of the trade for which no source is named: put your own in its place.'],
  ['Governs', 'Of several clocks (shots, litres, months) the one that runs out first.'],
  ['Guards', 'What protects from pressure, current or dirty water. Nothing but a look at it or a new one resets it.'],
  ['Ledger', 'All that was ever written about a machine. Nothing is rubbed out.'],
  ['Open day', 'A day on which drinks are made. Counts are by open days.'],
  ['Passport', 'One machine with its history as a file, to go along when it changes hands.'],
  ['Total hardness', 'Calcium and magnesium together, in °dH, °f, mg/L as CaCO₃ or mmol/L.'],
  ['Water path', 'From supply to cup: what the water meets, in order.'],
  ['Withdrawn', 'An entry says that another did not happen. It can be brought back.'],
  ['Working', 'How a date is reckoned, line by line, with where each figure is from.'],
]
