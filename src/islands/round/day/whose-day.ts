import type { DayPage, DayPerson, DayStop } from '../../../views/day-page.ts'

/** In the address and in the choice: all technicians. */
export const everybody = 'all'

/** All stops of somebody’s day: behind them, to come, and what does not fit. */
export const stopsOf = ({ been, order, left }: DayPerson): number[] => [
  ...been,
  ...order,
  ...left.map(({ stop }) => stop),
]

/** Somebody was asked or told. */
export const isPromised = ({ state }: DayStop): boolean => state === 'asked' || state === 'agreed'

export const isOut = (person: DayPerson): boolean => stopsOf(person).length > 0

/** Mine where I have something to do, else the first who has, else mine. */
export function whoAtFirst({ people }: DayPage, asked: string | null, me: string): string {
  if (asked === everybody || people.some(({ id }) => id === asked)) return asked!
  const busy = people.filter(isOut)
  const mine = (those: DayPerson[]) => those.find(({ id }) => id === me)
  return (mine(busy) ?? busy[0] ?? mine(people) ?? people[0])?.id ?? everybody
}
