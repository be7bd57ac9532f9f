import { object, string } from 'yup'
import { type StopId, stopIds } from '../faults/stops.ts'
import { uuid } from '../parse/fields.ts'
import { type Parsed, parseStrict } from '../parse/parse-strict.ts'
import type { HardnessUnit } from '../quantity/hardness.ts'
import { numberIn } from '../typed/read-as.ts'
import type { Reported, Sending } from './sending.ts'
import type { TheyTold } from './their-fault.ts'

/** What a form of a machine's page holds: words, as every phone sends them. */
export type Form = Record<string, string>

const refused = (path: string, message: string): Parsed<never> => ({
  ok: false,
  issues: [{ path, code: 'unreadable', message }],
})

const sent = object({
  do: string().oneOf(['counter', 'job', 'regenerated', 'salt', 'strip', 'another-day']).required(),
  id: uuid().required(),
  count: string().max(30),
  say: string().max(120),
  kg: string().max(30),
  zone: string().max(10),
  words: string().max(600, 'must be at most 600 characters'),
  caller: string().max(100, 'must be at most 100 characters'),
  sure: string().max(5),
  // Left empty by whoever sees the page; programs fill in what is called so.
  website: string().max(200),
}).noUnknown()

/** Fields of the usual strip for total hardness turn at these, °dH; from memory. */
export const stripZones: { id: string; fields: number; low: number; high: number }[] = [
  { id: '0', fields: 0, low: 0, high: 3 },
  { id: '1', fields: 1, low: 4, high: 7 },
  { id: '2', fields: 2, low: 7, high: 14 },
  { id: '3', fields: 3, low: 14, high: 21 },
  { id: '4', fields: 4, low: 21, high: 30 },
]

/** What was sent, once it is in figures; null where a program filled the form in. */
export function sendingOf(form: Form): Parsed<{ id: string; sure: boolean; sending: Sending } | null> {
  const parsed = parseStrict(sent, form)
  if (!parsed.ok) return parsed
  const { id, website, sure, ...told } = parsed.value
  if (website) return { ok: true, value: null }
  const sending = figuresOf(told)
  return sending.ok ? { ok: true, value: { id, sure: sure === 'yes', sending: sending.value } } : sending
}

type Told = { [K in 'do' | 'count' | 'say' | 'kg' | 'zone' | 'words' | 'caller']?: string | undefined }

function figuresOf(told: Told): Parsed<Sending> {
  const words = told.words?.trim() ?? ''
  switch (told.do) {
    case 'counter': {
      const count = numberIn(told.count ?? '', { whole: true })
      if (count === null || count > 1e9) return refused('count', 'Only the figures it shows, such as 115146.')
      return { ok: true, value: { what: 'counter', count } }
    }
    case 'job':
      return { ok: true, value: { what: 'job', say: told.say ?? '' } }
    case 'regenerated':
    case 'salt': {
      const typed = told.kg?.trim() ?? ''
      const kg = typed === '' ? undefined : numberIn(typed)
      if (kg === null || (kg !== undefined && (kg <= 0 || kg > 100))) return refused('kg', 'Kilograms, such as 1.5.')
      if (told.do === 'regenerated')
        return { ok: true, value: { what: 'regenerated', ...(kg !== undefined && { saltKg: kg }) } }
      return kg === undefined ? refused('kg', 'How many kilograms?') : { ok: true, value: { what: 'salt', kg } }
    }
    case 'strip': {
      const zone = stripZones.find((one) => one.id === told.zone)
      if (!zone) return refused('zone', 'Choose how many fields turned.')
      return { ok: true, value: { what: 'strip', low: zone.low, high: zone.high, unit: 'dH' satisfies HardnessUnit } }
    }
    default: {
      if (!words) return refused('words', 'Say which days or hours suit you.')
      const caller = told.caller?.trim()
      return { ok: true, value: { what: 'another-day', words, ...(caller && { caller }) } }
    }
  }
}

const mostWords = 1000
/** No more answers are kept than questions are asked. */
const mostAnswers = 6

const wrong = object({
  words: string().max(mostWords, `must be at most ${mostWords} characters`),
  stop: string().max(30),
  denied: string().max(5),
  symptom: string().max(60),
  seen: string().max(1000),
  passed: string().max(1000),
  so: string().max(30),
  answer: string().max(130),
  id: uuid(),
  do: string().max(10),
  caller: string().max(100, 'must be at most 100 characters'),
  phone: string().max(50, 'must be at most 50 characters'),
  website: string().max(200),
}).noUnknown()

/** What was told so far, with the answer that was just pressed. */
export interface WrongForm {
  told: Reported
  id: string
  send: boolean
  /** A program filled it in. */
  isProgram: boolean
}

/** @example wrongOf({ words: 'It runs down beside the handle', stop: 'none' }) */
export function wrongOf(form: Form): Parsed<WrongForm> {
  const parsed = parseStrict(wrong, form)
  if (!parsed.ok) return parsed
  const { words = '', caller = '', phone = '', id = '', do: act, website, ...answers } = parsed.value
  if (!words.trim()) return refused('words', 'Say in your own words what is wrong.')
  return {
    ok: true,
    value: {
      told: { ...toldSoFar(words.trim(), answers), caller: caller.trim(), phone: phone.trim() },
      id,
      send: act === 'send',
      isProgram: Boolean(website),
    },
  }
}

type Answers = { [K in 'stop' | 'denied' | 'symptom' | 'seen' | 'passed' | 'so' | 'answer']?: string | undefined }

function toldSoFar(words: string, { stop, denied, symptom, seen, passed, so, answer }: Answers): TheyTold {
  const said = isStop(so) ? so : isStop(stop) ? stop : 'none'
  const [test, outcome] = (answer ?? '').split(':')
  return {
    words,
    stop: said,
    denied: denied === 'yes' || so === 'no',
    symptom: symptom || null,
    seen: [...pairs(seen), ...(test && outcome ? [{ test, outcome }] : [])].slice(0, mostAnswers),
    passed: [...(passed ? passed.split(' ') : []), ...(test && !outcome ? [test] : [])].slice(0, mostAnswers),
  }
}

const isStop = (id: string | undefined): id is StopId => stopIds.some((one) => one === id)

/** @example pairs('seal:worn drip:side') // [{ test: 'seal', outcome: 'worn' }, { test: 'drip', outcome: 'side' }] */
const pairs = (text = ''): { test: string; outcome: string }[] =>
  text.split(' ').flatMap((pair) => {
    const [test, outcome] = pair.split(':')
    return test && outcome ? [{ test, outcome }] : []
  })

/** The same as hidden fields of the next page. */
export const fieldsOf = ({ words, stop, denied, symptom, seen, passed }: TheyTold): Form => ({
  words,
  stop: stop ?? 'none',
  ...(denied && { denied: 'yes' }),
  ...(symptom && { symptom }),
  seen: seen.map(({ test, outcome }) => `${test}:${outcome}`).join(' '),
  passed: passed.join(' '),
})
