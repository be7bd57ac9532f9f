import { randomUUID } from 'node:crypto'
import type { Act } from '../../src/core/firm/rights.ts'
import { kindById } from '../../src/core/kinds/index.ts'
import { entryAbout } from '../records/a-database.ts'

/** One way to ask the server for something, with a body it would take. */
export interface Asked {
  /** The file that answers, under `src/pages/api`. */
  route: string
  method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  path: string
  data?: unknown
  /** What whoever asks must have the right to; work where nothing is said. */
  act?: Act
  /** Answers without a session: it opens one, or ends one. */
  open?: boolean
}

/** What is asked about: ids of one firm, which another may try. */
export interface Subjects {
  machine: string
  site: string
  technician: string
  session: string
}

const date = '2026-11-20'
/** A list of past work with one row, as a browser sends it: of a machine that nobody has. */
const list = () => ({
  id: randomUUID(),
  what: 'work',
  columns: { serial: 0, date: 1, what: 2 },
  dateForm: 'year-first',
  mark: null,
  words: [],
  cells: JSON.stringify([
    ['Serial', 'Day', 'Work'],
    ['NOBODY-S', date, 'gasket'],
  ]),
})

/** Every endpoint there is. */
export const endpoints = ({ machine, site, technician, session }: Subjects): Asked[] => [
  { route: 'clock', method: 'GET', path: '/api/clock' },
  { route: 'crossed', method: 'GET', path: '/api/crossed' },
  { route: 'packing-list', method: 'GET', path: `/api/packing-list?sites=${site}` },
  ...(['machine', 'site'] as const).flatMap((of): Asked[] => {
    const [path, route] = [`/api/${of}s/${of === 'machine' ? machine : site}`, `${of}s/[id]`]
    return [
      { route: `${route}/page`, method: 'GET', path: `${path}/page` },
      { route: `${route}/page`, method: 'POST', path: `${path}/page` },
      { route: `${route}/label.pdf`, method: 'GET', path: `${path}/label.pdf?size=50x50` },
      { route: `${route}/page`, method: 'DELETE', path: `${path}/page` },
    ]
  }),
  { route: 'machines/all', method: 'GET', path: '/api/machines/all' },
  { route: 'machines/[id]/noted', method: 'GET', path: `/api/machines/${machine}/noted` },
  { route: 'round/index', method: 'GET', path: '/api/round' },
  { route: 'round/weeks', method: 'GET', path: '/api/round/weeks' },
  { route: 'places', method: 'GET', path: '/api/places' },
  {
    route: 'places',
    method: 'PUT',
    path: '/api/places',
    data: { places: [{ siteId: site, latitude: 44.5, longitude: -31.2 }] },
  },
  { route: 'round/visits', method: 'GET', path: `/api/round/visits?siteId=${site}` },
  { route: 'round/valley', method: 'GET', path: `/api/round/valley?siteId=${site}&on=2026-12-01` },
  { route: 'round/day', method: 'GET', path: '/api/round/day?on=2026-12-01' },
  { route: 'round/day-file', method: 'GET', path: `/api/round/day-file?on=2026-12-01&who=${technician}&as=gpx` },
  { route: 'calls/index', method: 'GET', path: '/api/calls' },
  { route: 'calls/who', method: 'GET', path: '/api/calls/who?q=bar' },
  { route: 'calls/place', method: 'GET', path: `/api/calls/place?siteId=${site}` },
  { route: 'calls/day', method: 'GET', path: `/api/calls/day?siteId=${site}&on=2026-12-01&minutes=40` },
  { route: 'calendar', method: 'GET', path: '/api/calendar' },
  { route: 'calendar', method: 'POST', path: '/api/calendar' },
  { route: 'calendar', method: 'DELETE', path: '/api/calendar' },
  { route: 'round/visit.ics', method: 'GET', path: `/api/round/visit.ics?visitId=${site}` },
  { route: 'find', method: 'GET', path: '/api/find?q=bar' },
  { route: 'machines/index', method: 'GET', path: '/api/machines' },
  { route: 'machines/[id]/bundle', method: 'GET', path: `/api/machines/${machine}/bundle` },
  { route: 'machines/[id]/history', method: 'GET', path: `/api/machines/${machine}/history` },
  { route: 'machines/[id]/alike', method: 'GET', path: `/api/machines/${machine}/alike` },
  { route: 'machines/[id]/passport.zip', method: 'GET', path: `/api/machines/${machine}/passport.zip` },
  { route: 'machines/[id]/passport.json', method: 'GET', path: `/api/machines/${machine}/passport.json` },
  { route: 'standings/[id]', method: 'GET', path: `/api/standings/${machine}?key=group-gasket@1` },
  { route: 'visits', method: 'GET', path: `/api/visits?machineId=${machine}` },
  // A visit that is not closed, or is nobody’s, has no report.
  { route: 'sites/[id]/water.pdf', method: 'GET', path: `/api/sites/${randomUUID()}/water.pdf` },
  { route: 'machines/[id]/passport.pdf', method: 'GET', path: `/api/machines/${randomUUID()}/passport.pdf` },
  { route: 'customers/[id]/day.pdf', method: 'GET', path: `/api/customers/${randomUUID()}/day.pdf?on=2026-11-26` },
  { route: 'visits/[id]/tests.pdf', method: 'GET', path: `/api/visits/${randomUUID()}/tests.pdf` },
  {
    route: 'visits/[id]/quotes/[entry].pdf',
    method: 'GET',
    path: `/api/visits/${randomUUID()}/quotes/${randomUUID()}.pdf`,
  },
  { route: 'visits/[id]/report.pdf', method: 'GET', path: `/api/visits/${randomUUID()}/report.pdf` },
  { route: 'visits/[id]/sheets.pdf', method: 'GET', path: `/api/visits/${randomUUID()}/sheets.pdf` },
  { route: 'visits/[id]/papers', method: 'GET', path: `/api/visits/${randomUUID()}/papers` },
  {
    route: 'visits/[id]/invoice',
    method: 'POST',
    path: `/api/visits/${randomUUID()}/invoice`,
    data: { id: randomUUID() },
    act: 'bill',
  },
  { route: 'visits/[id]/letters', method: 'GET', path: `/api/visits/${randomUUID()}/letters` },
  {
    route: 'visits/[id]/letters',
    method: 'POST',
    path: `/api/visits/${randomUUID()}/letters`,
    data: { id: randomUUID(), to: 'a@b.example', subject: 'Forged', papers: ['report'] },
  },
  { route: 'sites/[id]/letters', method: 'GET', path: `/api/sites/${randomUUID()}/letters` },
  {
    route: 'sites/[id]/letters',
    method: 'POST',
    path: `/api/sites/${randomUUID()}/letters`,
    data: { id: randomUUID(), to: 'a@b.example', subject: 'Forged', papers: ['water'] },
  },
  { route: 'letters/index', method: 'GET', path: '/api/letters' },
  {
    route: 'letters/index',
    method: 'POST',
    path: '/api/letters',
    data: { id: randomUUID(), to: 'a@b.example', subject: 'Forged' },
  },
  { route: 'letters/[id]/again', method: 'POST', path: `/api/letters/${randomUUID()}/again` },
  { route: 'mailbox/[id]/[n]', method: 'GET', path: `/api/mailbox/${randomUUID()}/0` },
  { route: 'invoices/index', method: 'GET', path: '/api/invoices' },
  {
    route: 'invoices/[id]/credit-note',
    method: 'POST',
    path: `/api/invoices/${randomUUID()}/credit-note`,
    data: { id: randomUUID(), why: 'forged' },
    act: 'bill',
  },
  { route: 'invoices/[id]/paper.pdf', method: 'GET', path: `/api/invoices/${randomUUID()}/paper.pdf` },
  { route: 'invoices/[id]/e-invoice.xml', method: 'GET', path: `/api/invoices/${randomUUID()}/e-invoice.xml` },
  { route: 'export/invoices.csv', method: 'GET', path: '/api/export/invoices.csv' },
  { route: 'kinds/index', method: 'GET', path: '/api/kinds' },
  { route: 'kinds/[id].json', method: 'GET', path: '/api/kinds/c2.json' },
  { route: 'procedures/[id].json', method: 'GET', path: '/api/procedures/descale.json' },
  { route: 'kinds/moves', method: 'POST', path: '/api/kinds/moves', data: kindById('pk') },
  { route: 'changes/index', method: 'GET', path: '/api/changes' },
  { route: 'changes/[id]/undo', method: 'POST', path: `/api/changes/${machine}/undo` },
  { route: 'merges', method: 'POST', path: '/api/merges', data: { kind: 'site', from: site, into: randomUUID() } },
  { route: 'odd-entries', method: 'GET', path: '/api/odd-entries' },
  { route: 'background/index', method: 'GET', path: '/api/background', act: 'see-to-the-works' },
  {
    route: 'background/[id]',
    method: 'POST',
    path: `/api/background/${machine}`,
    data: { what: 'again' },
    act: 'see-to-the-works',
  },
  {
    route: 'forgotten',
    method: 'POST',
    path: '/api/forgotten',
    data: { kind: 'technician', id: technician },
    act: 'forget-people',
  },
  { route: 'machines/[id]/care.pdf', method: 'GET', path: `/api/machines/${machine}/care.pdf` },
  { route: 'photos/index', method: 'POST', path: '/api/photos', data: { image: 'bm8gcGljdHVyZQ==' } },
  { route: 'photos/[name]/small', method: 'GET', path: `/api/photos/${'0'.repeat(64)}/small` },
  { route: 'photos/[name]', method: 'GET', path: `/api/photos/${'0'.repeat(64)}` },
  { route: 'export/everything.zip', method: 'GET', path: '/api/export/everything.zip', act: 'take-all-out' },
  { route: 'export/firm.json', method: 'GET', path: '/api/export/firm.json', act: 'take-all-out' },
  { route: 'export/ledger.csv', method: 'GET', path: '/api/export/ledger.csv' },
  { route: 'export/due.csv', method: 'GET', path: '/api/export/due.csv?days=90' },
  { route: 'sites/[id]/year', method: 'GET', path: `/api/sites/${site}/year?kind=hand&resinL=12` },
  { route: 'records/[kind]/index', method: 'GET', path: '/api/records/site' },
  { route: 'records/[kind]/[id]', method: 'GET', path: `/api/records/site/${site}` },
  { route: 'records/[kind]/[id]', method: 'DELETE', path: `/api/records/site/${site}` },
  {
    route: 'records/[kind]/[id]',
    method: 'PUT',
    path: `/api/records/supply/${site}`,
    data: { version: 1, record: { name: 'A zone', note: '' } },
  },
  {
    route: 'records/[kind]/[id]',
    method: 'PUT',
    path: `/api/records/technician/${technician}`,
    data: { version: 1, record: { name: 'Forged', initials: 'FG', role: 'owner' } },
    act: 'keep-people',
  },
  { route: 'entries', method: 'GET', path: '/api/entries?since=0' },
  {
    route: 'entries',
    method: 'POST',
    path: '/api/entries',
    data: { entries: [entryAbout('machine', machine, 'note', { text: 'forged' })], origin: 'a file' },
  },
  { route: 'imports/index', method: 'GET', path: '/api/imports' },
  { route: 'imports/index', method: 'POST', path: '/api/imports', data: list() },
  {
    route: 'imports/check',
    method: 'POST',
    path: '/api/imports/check',
    data: list(),
  },
  { route: 'imports/words', method: 'GET', path: '/api/imports/words' },
  { route: 'imports/[id]/index', method: 'GET', path: `/api/imports/${machine}` },
  { route: 'imports/[id]/file', method: 'GET', path: `/api/imports/${machine}/file` },
  { route: 'imports/[id]/refused.csv', method: 'GET', path: `/api/imports/${machine}/refused.csv` },
  { route: 'imports/[id]/stop', method: 'POST', path: `/api/imports/${machine}/stop` },
  { route: 'imports/[id]/back', method: 'POST', path: `/api/imports/${machine}/back` },
  {
    route: 'ages',
    method: 'POST',
    path: '/api/ages',
    data: { id: randomUUID(), scope: 'site', of: site, parts: 'unknown', on: date },
  },
  { route: 'import/passport.zip', method: 'POST', path: `/api/import/passport.zip?siteId=${site}` },
  { route: 'import/passport', method: 'POST', path: '/api/import/passport', data: { siteId: site, passport: {} } },
  { route: 'people/[id]/link', method: 'POST', path: `/api/people/${technician}/link`, act: 'make-a-link' },
  {
    route: 'people/[id]/second-proofs',
    method: 'DELETE',
    path: `/api/people/${technician}/second-proofs`,
    act: 'forget-others-proofs',
  },
  {
    route: 'signing-in/password',
    method: 'POST',
    path: '/api/signing-in/password',
    data: { current: 'not that one', password: 'seven kettles in a lorry' },
  },
  { route: 'signing-in/code-app', method: 'POST', path: '/api/signing-in/code-app', act: 'own-proofs' },
  {
    route: 'signing-in/code-app',
    method: 'PUT',
    path: '/api/signing-in/code-app',
    data: { code: '000000' },
    act: 'own-proofs',
  },
  { route: 'signing-in/code-app', method: 'DELETE', path: '/api/signing-in/code-app', act: 'own-proofs' },
  { route: 'signing-in/recovery-codes', method: 'POST', path: '/api/signing-in/recovery-codes', act: 'own-proofs' },
  { route: 'signing-in/passkeys/index', method: 'POST', path: '/api/signing-in/passkeys', act: 'own-proofs' },
  {
    route: 'signing-in/passkeys/index',
    method: 'PUT',
    path: '/api/signing-in/passkeys',
    data: { name: 'a phone', response: { id: 'x', rawId: 'x', type: 'public-key', response: {} } },
    act: 'own-proofs',
  },
  { route: 'signing-in/passkeys/[id]', method: 'DELETE', path: '/api/signing-in/passkeys/abc', act: 'own-proofs' },
  {
    route: 'signing-in/rule',
    method: 'PUT',
    path: '/api/signing-in/rule',
    data: { asksSecond: true },
    act: 'set-how-to-sign-in',
  },
  { route: 'signing-in/events', method: 'GET', path: '/api/signing-in/events', act: 'read-who-signed-in' },
  { route: 'sessions/[id]', method: 'DELETE', path: `/api/sessions/${session}` },
  { route: 'sign-in/index', method: 'POST', path: '/api/sign-in', open: true },
  { route: 'sign-in/second', method: 'POST', path: '/api/sign-in/second', open: true },
  { route: 'sign-in/passkey-options', method: 'POST', path: '/api/sign-in/passkey-options', open: true },
  { route: 'sign-in/passkey', method: 'POST', path: '/api/sign-in/passkey', data: { id: 'x' }, open: true },
  { route: 'sign-in/again', method: 'GET', path: '/api/sign-in/again' },
  { route: 'sign-in/again', method: 'POST', path: '/api/sign-in/again', data: { password: 'not that one' } },
  { route: 'sign-out', method: 'POST', path: '/api/sign-out', open: true },
  {
    route: 'first-run',
    method: 'POST',
    path: '/api/first-run',
    data: {
      firm: { name: 'Own', timeZone: 'Europe/London', currency: 'EUR' },
      policy: 'usual',
      owner: { name: 'Own Er', initials: 'OE', email: 'own@own.example', password: 'short' },
    },
    open: true,
  },
  { route: 'first-run-everything', method: 'POST', path: '/api/first-run-everything', open: true },
  {
    route: 'first-run-data',
    method: 'POST',
    path: '/api/first-run-data',
    data: { owner: { email: 'own@own.example', password: 'short' }, data: { format: 'x', records: {}, entries: [] } },
    open: true,
  },
  {
    route: 'join/[token]',
    method: 'POST',
    path: `/api/join/${randomUUID()}`,
    data: { email: 'new@own.example', password: 'a long password' },
    open: true,
  },
]
