import type { Fault, Repair, Symptom, Test } from './fault.ts'

/** A fault; `per100` is its weight among those of its family, from memory, see `first-shares`. */
export const fault = (
  id: string,
  name: string,
  station: string | null,
  per100: number,
  complaints: Record<string, number>,
  repair: Repair,
  more: Pick<Fault, 'traits' | 'part'> = {},
): Fault => ({ id, name, station, per100, complaints, repair, ...more })

/** How it is put right. */
export const repair = (say: string, minutes: number, more: Omit<Repair, 'say' | 'minutes'> = {}): Repair => ({
  say,
  minutes,
  ...more,
})

type Look = Pick<Test, 'needs' | 'tools'> & Partial<Pick<Test, 'how' | 'hazard' | 'gate' | 'by'>>

/** Something looked at, listened to or asked: outcomes by id, the usual one first. */
export function look(
  id: string,
  say: string,
  station: string,
  minutes: number,
  outcomes: Record<string, string>,
  sees: Test['sees'],
  more: Partial<Look> = {},
): Test {
  const [usual, ...others] = Object.keys(outcomes)
  // What is fine is taken for not fine about once in fifteen looks.
  const odd = 0.065 / Math.max(1, others.length)
  return {
    id,
    say,
    station,
    minutes,
    tools: more.tools ?? [],
    needs: more.needs ?? [],
    ...(more.how && { how: more.how }),
    ...(more.hazard && { hazard: more.hazard }),
    ...(more.gate && { gate: more.gate }),
    ...(more.by && { by: more.by }),
    outcomes: Object.entries(outcomes).map(([outcome, words]) => ({ id: outcome, words })),
    normal: { [usual!]: 0.935, ...Object.fromEntries(others.map((other) => [other, odd])) },
    sees,
    mark: 'M',
  }
}

type Bands = [id: string, words: string, from: number][]

/** So far past what is good, of how wide that is, a reading is too much. From memory. */
const tooMuch = 0.35

/** From where on a reading is too much, three digits. */
export const topOf = (good: { from: number; to: number }): number =>
  Number((good.to + tooMuch * (good.to - good.from)).toPrecision(3))

/** Bands with a top: where what is good comes last, more than that is as much an answer as less. */
function withTop(bands: Bands, good: { from: number; to: number }): Bands {
  const last = bands.at(-1)![2]
  if (!Number.isFinite(good.to) || last > good.from || good.to >= 1e6) return bands
  const top = topOf(good)
  const [id, , from] = bands.at(-1)!
  return [...bands.slice(0, -1), [id, `${Number(from.toPrecision(3))} to ${top}`, from], ['high', `over ${top}`, top]]
}

/** Something read from an instrument: bands from the lowest up, what is good among them; a top one is put to it. */
export function reading(
  id: string,
  say: string,
  station: string,
  minutes: number,
  reads: NonNullable<Test['reads']>,
  from: Bands,
  sees: Test['sees'],
  more: Partial<Look> = {},
): Test {
  const bands = withTop(from, reads.good)
  const good = bands.findLast(([, , from]) => from <= (reads.good.from + Math.min(reads.good.to, 1e6)) / 2)![0]
  const odd = 0.1 / Math.max(1, bands.length - 1)
  return {
    ...look(id, say, station, minutes, Object.fromEntries(bands.map(([band, words]) => [band, words])), sees, more),
    reads,
    outcomes: bands.map(([band, words, from]) => ({ id: band, words, from })),
    normal: Object.fromEntries(bands.map(([band]) => [band, band === good ? 0.9 : odd])),
  }
}

export const symptom = (id: string, name: string, words: string, station: string | null = null): Symptom => ({
  id,
  name,
  words: words.split(', '),
  station,
})
