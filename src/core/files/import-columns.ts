/** What a file brought in is a list of. */
export const importKinds = ['machines', 'customers', 'work', 'readings', 'analyses'] as const
export type ImportWhat = (typeof importKinds)[number]

/** How a column's cells are read. */
export type CellReads = 'text' | 'day' | 'count' | 'figure' | 'word'

/** A column of ours that a file may have, and how other people's files call it. */
export interface ImportColumn {
  id: string
  label: string
  /** Said beside it: what becomes of it where that is not plain. */
  hint?: string
  reads: CellReads
  required?: true
  /** Small letters; the first whose words stand in a head is it. Common practice, no source. */
  guess: RegExp
}

const column = (
  id: string,
  label: string,
  reads: CellReads,
  guess: RegExp,
  more: Pick<ImportColumn, 'required' | 'hint'> = {},
): ImportColumn => ({ id, label, reads, guess, ...more })
const required = { required: true } as const

const serial =
  /serial|s\/n|\bsn\b|seriennr|seriennummer|serien|n° de s[ée]rie|num[ée]ro de s[ée]rie|matricola|matricule|machine no|fabr\.? ?nr/
const count = /count|shots|drinks|cycles|z[äa]hler|bez[üu]ge|compteur|contatore|contador|teller|tassen|kilos?\b|kg\b/
const day = /^date$|date|\bday\b|datum|when|\bam$|jour|fecha|data/

/** The columns of each list, in the order they are asked for. */
export const importColumns: Record<ImportWhat, ImportColumn[]> = {
  machines: [
    column(
      'site',
      'Site',
      'text',
      /site|place|location|branch|store|standort|filiale|objekt|lieu|emplacement|sede|locatie|vestiging|caf[eé] name/,
      required,
    ),
    column('customer', 'Customer', 'text', /customer|client|account|kunde|auftraggeber|company|firma|cliente|klant/),
    column('contact', 'Contact', 'text', /contact|ansprechpartner|person|attention|referente/),
    column('phone', 'Phone', 'text', /phone|\btel|mobile|mobil|handy|gsm/),
    column('email', 'E-mail', 'text', /mail/),
    column('area', 'Area', 'text', /area|town|city|district|\bort\b|stadt|plz|postcode|zip|ville|citt[àa]|plaats/),
    column('address', 'Address', 'text', /address|street|adresse|stra(ss|ß)e|\brue\b|indirizzo|via\b|adres/),
    column('access', 'Access', 'text', /access|key|zugang|schl[üu]ssel|opening|[öo]ffnungszeiten|acc[èe]s/, {
      hint: 'key, hours',
    }),
    column(
      'name',
      'Called',
      'text',
      /^name|called|bezeichnung|machine name|room|position|raum|\bd[ée]signation|where it stands/,
    ),
    column('kind', 'Kind of machine', 'word', /kind|type|category|\bart\b|typ\b|kategorie|genre|tipo|soort|machine$/),
    column('groups', 'Groups', 'count', /groups?\b|gruppen|groupes|gruppi|groepen|no\.? of gr/),
    column('maker', 'Maker', 'text', /maker|make\b|manufact|brand|hersteller|marke|fabricant|marque|marca|merk/),
    column('model', 'Model', 'text', /model|modell|mod[èe]le|modello|ger[äa]t$/),
    column('revision', 'Revision', 'text', /revision|version|rev\b|baureihe|ausf[üu]hrung/),
    column('serial', 'Serial number', 'text', serial),
    column(
      'takenOn',
      'Taken on',
      'day',
      /install|taken on|commission|since|inbetriebnahme|aufgestellt|seit|mise en service|contract start|kaufdatum|purchas|bought|^date$|^datum$/,
    ),
    column(
      'servicedOn',
      'Last full service',
      'day',
      /last service|serviced on|last full|letzte wartung|letzter service|dernier entretien|derni[èe]re r[ée]vision|ultima manutenzione/,
      {
        hint: 'known good that day',
      },
    ),
    column('count', 'Counter', 'count', count),
    column(
      'readOn',
      'Counter read on',
      'day',
      /read on|reading date|abgelesen|stand vom|stand am|ablesung|relev[ée]|last visit|last read/,
      { hint: 'of the counter and the water' },
    ),
    column(
      'hardness',
      'Hardness of the water',
      'figure',
      /hardness|h[äa]rte|duret[ée]|durezza|dureza|hardheid|°dh|ppm|gpg|°fh/,
    ),
    column(
      'softener',
      'Water treatment',
      'word',
      /softener|filter|treatment|enth[äa]rter|wasserfilter|adoucisseur|addolcitore|descalcificador|ontharder/,
    ),
    column(
      'remark',
      'Remark',
      'text',
      /remark|note|comment|bemerkung|notiz|anmerkung|remarque|osservazion|opmerking|info/,
      { hint: 'kept as a note, inside' },
    ),
  ],
  customers: [
    column('name', 'Name', 'text', /name|customer|client|company|kunde|firm|soci[ée]t[ée]|cliente|klant/, required),
    column('contact', 'Contact', 'text', /contact|person|attention|ansprech|referente/),
    column('phone', 'Phone', 'text', /phone|\btel|mobile|mobil|handy|gsm/),
    column('email', 'E-mail', 'text', /mail/),
    column('note', 'Note', 'text', /note|remark|comment|bemerkung|notiz|remarque|opmerking/),
  ],
  work: [
    column('serial', 'Serial number', 'text', serial),
    column('site', 'Site', 'text', /site|place|location|branch|standort|filiale|lieu|sede|customer|kunde|client/, {
      hint: 'with the name, where there is no serial number',
    }),
    column('name', 'Called', 'text', /^machine$|^name|called|maschine|bezeichnung|ger[äa]t|appareil/),
    column('date', 'Day', 'day', day, required),
    column(
      'what',
      'What was done',
      'word',
      /what|work|done|descr|part|task|job|arbeit|t[äa]tigkeit|leistung|travail|intervention|lavoro|werk|action/,
      required,
    ),
    column('group', 'Group', 'count', /group|side|gruppe|groupe|gruppo/),
    column('count', 'Counter', 'count', count),
    column('by', 'By', 'text', /\bby\b|technician|engineer|techniker|monteur|technicien|tecnico|who/, {
      hint: 'kept in a note',
    }),
    column('note', 'Note', 'text', /note|remark|comment|bemerkung|notiz|anmerkung|remarque|opmerking/, {
      hint: 'kept as a note, inside',
    }),
    column(
      'charge',
      'Charged',
      'text',
      /charge|price|cost|amount|betrag|preis|kosten|prix|montant|importo|prijs|invoice|rechnung/,
      { hint: 'kept in a note' },
    ),
  ],
  readings: [
    column('serial', 'Serial number', 'text', serial, required),
    column('date', 'Day', 'day', /date|\bday\b|datum|read on|when|abgelesen|jour/, required),
    column(
      'count',
      'Counter',
      'count',
      /reading|total|stand|relev[ée]|count|shots|drinks|cycles|z[äa]hler|bez[üu]ge|compteur|contatore|teller/,
      required,
    ),
  ],
  analyses: [
    column('date', 'Day', 'day', /date|\bday\b|datum|sampled|when|entnahme|pr[ée]l[èe]vement/, required),
    column('total', 'Total hardness', 'figure', /total h|hardness|gesamth|h[äa]rte|duret[ée]|titre/),
    column('carbonate', 'Carbonate hardness', 'figure', /carbon|alkal|karbonat|\btac\b/),
    column('pH', 'pH', 'figure', /^ph\b/),
    column('conductivity', 'Conductivity, µS/cm', 'figure', /conduct|leitf|µs|μs|us\/cm/),
    column('calcium', 'Calcium, mg/L Ca', 'figure', /calcium|kalzium|\bca\b/),
    column('chloride', 'Chloride, mg/L', 'figure', /chlorid|chlorure/),
    column('silica', 'Silica, mg/L', 'figure', /silic|kiesel|sio/),
  ],
}

/**
 * Which column of a file is which of ours, by its head; −1 where none is. Each column of the file is taken once, by
 * the first of ours that it fits.
 *
 * @example guessColumns('customers', ['Firma', 'Telefon']) // { name: 0, contact: -1, phone: 1, … }
 */
export function guessColumns(what: ImportWhat, head: readonly string[]): Record<string, number> {
  const taken = new Set<number>()
  const small = head.map((name) => name.toLowerCase())
  const found = new Map<string, number>()
  const find = (fits: (name: string, column: ImportColumn) => boolean) => {
    for (const column of importColumns[what]) {
      if (found.has(column.id)) continue
      const at = small.findIndex((name, i) => !taken.has(i) && fits(name, column))
      if (at < 0) continue
      found.set(column.id, at)
      taken.add(at)
    }
  }
  // A head that is just our own word is it, before anything is guessed.
  find((name, { label, id }) => name === label.toLowerCase() || name === id.toLowerCase())
  find((name, { guess }) => guess.test(name))
  return Object.fromEntries(importColumns[what].map(({ id }) => [id, found.get(id) ?? -1]))
}

/** So far down a head is looked for: titles and addresses stand above it. */
const mostAbove = 12

/**
 * Which line of a sheet names its columns: the one with the most names that are known; the first with two cells where
 * none is.
 *
 * @example findHead('customers', [['Customers of 2026'], [], ['Firma', 'Telefon'], ['Marl', '0555 1']]) // 2
 */
export function findHead(what: ImportWhat, lines: readonly string[][]): number {
  const known = lines.slice(0, mostAbove).map(
    (line) =>
      Object.values(
        guessColumns(
          what,
          line.map((cell) => cell.slice(0, 60)),
        ),
      ).filter((at) => at >= 0).length,
  )
  const most = Math.max(0, ...known)
  if (most >= 2) return known.indexOf(most)
  return Math.max(
    0,
    lines.findIndex((line) => line.filter((cell) => cell.trim()).length >= 2),
  )
}
