import type { FittedPart } from '../procedures/run-state.ts'
import { fastenerWords, type InCup, type Thing } from './thing.ts'

/** One thing on the sheet: off, and back in or not yet. */
export interface OffThing {
  thing: Thing
  offAt: number
  inAt: number | null
  /** Names of its photos. */
  photos: string[]
  /** Noted while it was in the hand. */
  note?: string
  /** A new one went in for it, and how the old one was. */
  fitted?: FittedPart[]
}

/** A strip-down sheet: what came off, in order, and what of it is back. Plain data. */
export interface Sheet {
  openedAt: number
  things: OffThing[]
  /** Things go back from now on. */
  turnedAt: number | null
  /** Which one is in the hand while things go back; the last that came off unless another is chosen. */
  hand: number | null
  closed: { at: number; leftOver?: string; tested?: boolean } | null
  /** Known things that were left where they are, each with how many were off by then. */
  stayed?: { name: string; after: number }[]
}

/** What hands do to a sheet. */
export type SheetPress =
  | { type: 'off'; thing: Thing }
  | { type: 'stays'; name: string }
  | { type: 'photo'; photo: string }
  | { type: 'note'; words: string }
  | { type: 'turn' }
  | { type: 'take'; index: number }
  | { type: 'in'; fitted?: FittedPart[] }
  | { type: 'back' }
  | { type: 'close'; leftOver?: string; tested?: boolean }

export type SheetEvent = { at: number } & SheetPress

export const newSheet = (at: number): Sheet => ({ openedAt: at, things: [], turnedAt: null, hand: null, closed: null })

/** What is on the bench: off and not back, in the order it came off. */
export const onBench = (sheet: Sheet): { index: number; off: OffThing }[] =>
  sheet.things.flatMap((off, index) => (off.inAt === null ? [{ index, off }] : []))

/** The thing in the hand: the one that just came off, or the one that goes back next. */
export function inHand(sheet: Sheet): number | null {
  if (sheet.things.length === 0) return null
  if (sheet.turnedAt === null) return sheet.things.length - 1
  if (sheet.hand !== null && sheet.things[sheet.hand]?.inAt === null) return sheet.hand
  return onBench(sheet).at(-1)?.index ?? null
}

/** The known thing whose turn it is: neither off already, whatever else came off between, nor left where it is. */
export const comesNext = ({ things, stayed = [] }: Sheet, known: Thing[]): Thing | null =>
  known.find(
    ({ name }) => !things.some(({ thing }) => thing.name === name) && !stayed.some((one) => one.name === name),
  ) ?? null

/** Screws in the cup, by sort, most first. */
export function inCup(sheet: Sheet): InCup[] {
  const sorts = new Map<string, number>()
  for (const { off } of onBench(sheet))
    for (const fastener of off.thing.fasteners)
      if (fastener.count > 0)
        sorts.set(fastenerWords(fastener), (sorts.get(fastenerWords(fastener)) ?? 0) + fastener.count)
  return [...sorts].map(([words, count]) => ({ words, count })).sort((a, b) => b.count - a.count)
}

/**
 * The sheet after an event. Whatever came off stays on it until it is back in: it closes on an empty bench, or with a
 * word for what is left over.
 *
 * @returns the same sheet where the event means nothing there
 */
export function sheetStep(sheet: Sheet, event: SheetEvent): Sheet {
  if (sheet.closed) return sheet
  const hand = inHand(sheet)
  const change = (index: number, part: Partial<OffThing>): Sheet => ({
    ...sheet,
    things: sheet.things.map((off, i) => (i === index ? { ...off, ...part } : off)),
  })
  switch (event.type) {
    case 'off': {
      const off: OffThing = { thing: event.thing, offAt: event.at, inAt: null, photos: [] }
      // Something more may have to come off while things go back: it is the next to go in.
      return { ...sheet, things: [...sheet.things, off], hand: null }
    }
    case 'stays':
      return sheet.turnedAt !== null
        ? sheet
        : { ...sheet, stayed: [...(sheet.stayed ?? []), { name: event.name, after: sheet.things.length }] }
    case 'photo':
      return hand === null ? sheet : change(hand, { photos: [...sheet.things[hand]!.photos, event.photo] })
    case 'note':
      return hand === null || !event.words.trim() ? sheet : change(hand, { note: event.words.trim() })
    case 'turn':
      return sheet.things.length === 0 || sheet.turnedAt !== null ? sheet : { ...sheet, turnedAt: event.at, hand: null }
    case 'take':
      return sheet.turnedAt !== null && sheet.things[event.index]?.inAt === null
        ? { ...sheet, hand: event.index }
        : sheet
    case 'in':
      return sheet.turnedAt === null || hand === null
        ? sheet
        : { ...change(hand, { inAt: event.at, ...(event.fitted && { fitted: event.fitted }) }), hand: null }
    case 'back':
      return takenBack(sheet)
    case 'close': {
      const left = onBench(sheet)
      const word = event.leftOver?.trim()
      if (left.length > 0 && !word) return sheet
      const tested = event.tested === undefined ? {} : { tested: event.tested }
      return { ...sheet, closed: { at: event.at, ...(left.length > 0 && { leftOver: word }), ...tested } }
    }
  }
}

/** The last thing done, undone: what went back last is off again, what came off last never did, what stayed may come off. */
function takenBack(sheet: Sheet): Sheet {
  const last = sheet.things
    .map((off, index) => ({ index, inAt: off.inAt }))
    .filter(({ inAt }) => inAt !== null)
    .sort((a, b) => b.inAt! - a.inAt! || a.index - b.index)[0]
  if (last) {
    const things = sheet.things.map((off, i) => {
      if (i !== last.index) return off
      const { fitted: _, ...old } = off
      return { ...old, inAt: null }
    })
    return { ...sheet, things, hand: last.index }
  }
  if (sheet.turnedAt !== null) return { ...sheet, turnedAt: null, hand: null }
  const stayed = sheet.stayed ?? []
  if (stayed.at(-1)?.after === sheet.things.length && stayed.length > 0)
    return { ...sheet, stayed: stayed.slice(0, -1) }
  return { ...sheet, things: sheet.things.slice(0, -1) }
}
