import type { Takes } from '../../../core/trade/what-stops.ts'
import type { CallUrgency, Urgency } from '../../../core/visits/call-urgency.ts'
import { counted, dayNear, daysUntil, figure, weekdayShort } from '../../../ui/format.ts'
import type { CallDay, CallMoment } from '../../../views/call-page.ts'

export const urgencyWords: Record<Urgency, { name: string; when: string }> = {
  'can-wait': { name: 'Can wait', when: 'With the next visit, or within two weeks' },
  'drink-short': { name: 'A drink is short', when: 'Today or tomorrow' },
  'stands-still': { name: 'Trade stands still', when: 'Today' },
}

const takesWords: Record<Takes, string> = {
  all: 'nothing comes of it',
  some: 'some of its drinks',
  quality: 'it runs, not as it should',
}

/** Why it is as urgent as that, each with what is known. */
export function urgencyReasons({
  urgency,
  takes,
  danger,
  agreed,
}: {
  urgency: CallUrgency
  takes: Takes | null
  danger: string | null
  agreed: string
}): { what: string; value: string }[] {
  const { lostPerDay, ofPerDay, takenOver, isSmall } = urgency
  const drinks =
    lostPerDay === null || ofPerDay === null
      ? 'not known: no counter read twice'
      : `${figure(Math.round(lostPerDay))} of ${figure(Math.round(ofPerDay))}`
  return [
    { what: 'Drinks a day that stop', value: drinks },
    ...(takenOver >= 1
      ? [{ what: 'Others there make besides, from memory', value: `${figure(Math.round(takenOver))} a day` }]
      : []),
    { what: 'What the complaint takes', value: takes ? takesWords[takes] : 'not known' },
    ...(danger ? [{ what: 'Stopped first', value: danger }] : []),
    ...(isSmall ? [{ what: 'Nobody lives by so few', value: 'from memory' }] : []),
    { what: 'Agreed there already', value: agreed },
  ]
}

/** @example dayWords('2026-11-27', '2026-11-26') // 'Tomorrow' */
export function dayWords(on: string, today: string): string {
  const after = daysUntil(on, today)
  return after === 0 ? 'Today' : after === 1 ? 'Tomorrow' : `${weekdayShort(on)} ${dayNear(on, today)}`
}

/** Which place in the day it is. @example 'Today, between stop 3 and 4' */
export function momentName(
  { on, day, joins, name }: CallMoment,
  today: string,
  me: string,
  technicianId: string,
): string {
  const at = day.findIndex(({ state }) => state === 'call')
  const when = dayWords(on, today)
  const who = technicianId === me ? '' : `, ${name.split(' ')[0]}`
  if (joins) return `${when}${who}, with the visit there`
  if (day.length === 1) return `${when}${who}, the only stop`
  if (at === 0) return `${when}${who}, first`
  if (at === day.length - 1) return `${when}${who}, last`
  return `${when}${who}, between stop ${at} and ${at + 1}`
}

/** What the button does. @example 'Put it between 3 and 4' */
export function putWords({ day, joins }: CallMoment): string {
  const at = day.findIndex(({ state }) => state === 'call')
  if (joins) return 'Put it on that visit'
  if (day.length === 1) return 'Make it that day’s stop'
  if (at === 0) return 'Put it first'
  return at === day.length - 1 ? 'Put it last' : `Put it between ${at} and ${at + 1}`
}

export const whyNoMoment: Record<NonNullable<CallDay['why']>, string> = {
  closed: 'the place is closed',
  'nobody works': 'nobody works',
  full: 'full, or over before we could begin there',
}

/** What a moment moves. */
export function movesWords({ later, out, isLighter }: CallMoment): string {
  const moved = later.slice(0, 3).map(({ name, byMin }) => `${name} ${Math.round(byMin)} min later`)
  const more = later.length - moved.length
  return [
    isLighter ? 'Work of that day that nobody was promised is left for another visit' : '',
    out ? `${out.name} has no room then: it was promised nobody, and goes to another day` : '',
    moved.length > 0 ? `${moved.join(', ')}${more > 0 ? ` and ${counted(more, 'other')}` : ''}` : '',
  ]
    .filter(Boolean)
    .join('. ')
}
