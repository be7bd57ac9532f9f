import { stemmer } from 'stemmer'
import type { Kind, Prompt } from '../kinds/kind.ts'
import { wordsIn } from './complaint-terms.ts'

/** Words of whoever speaks of what a machine shows. From memory. */
const shows = stems(
  'lamp light led lit blink flash indicator display screen message icon symbol button key says shows asks orange white red glow on steady solid',
)
/** Of them, what alone says that it is about a lamp or a message. */
const ofLamps = stems('lamp light led lit blink flash indicator display message icon symbol says asks')

function stems(words: string): Set<string> {
  return new Set(words.split(' ').map((word) => stemmer(word)))
}

/** What is in every sentence. */
const small = new Set('the of and on in it its is be then to at for or with by'.split(' '))

const stemsIn = (text: string): Set<string> =>
  new Set(
    wordsIn(text)
      .filter((word) => !small.has(word))
      .map((word) => stemmer(word)),
  )

/** How a lamp behaves, as people say it. */
const behaves: Record<Prompt['shows'], string> = {
  solid: 'on steady solid lit glow stays',
  blinking: 'blink flash',
  fast: 'blink flash fast quickly',
  'in turn': 'blink turn alternate',
  counting: 'number counts',
  words: 'says shows asks message',
}

/**
 * What a machine means by what somebody saw on it, the likeliest first; none where nobody speaks of a lamp or message.
 *
 * @param kind - as the machine has it: a lamp means something else on another revision
 * @example promptsMeant(pk, 'the light flashes orange three times')[0].asksFor // 'descale'
 */
export function promptsMeant(kind: Pick<Kind, 'prompts'>, said: string): Prompt[] {
  const words = stemsIn(said)
  if (![...ofLamps].some((word) => words.has(word))) return []
  const weigh = ({ where, looks = '', shows: how, means }: Prompt): number => {
    const own = stemsIn(`${where} ${looks}`)
    const like = stems(behaves[how])
    const told = stemsIn(means)
    const heard = [...words].reduce(
      (sum, word) =>
        sum +
        (own.has(word) ? 2 : 0) +
        (like.has(word) ? 1 : 0) +
        (!shows.has(word) && !own.has(word) && told.has(word) ? 1 : 0),
      0,
    )
    // Of two that are heard alike, the one of which less was left unsaid.
    return heard > 0 ? heard - [...own].filter((word) => !words.has(word)).length / 4 : 0
  }
  return kind.prompts
    .map((prompt) => ({ prompt, weight: weigh(prompt) }))
    .filter(({ weight }) => weight > 0)
    .sort((a, b) => b.weight - a.weight)
    .map(({ prompt }) => prompt)
}
