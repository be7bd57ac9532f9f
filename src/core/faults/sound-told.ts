import type { Told } from './circumstances-heard.ts'
import type { FaultBook } from './fault.ts'

/** The question a sound answers, the answer, and the words it is told in. */
const heardAs: readonly (readonly [test: string, outcome: string, said: RegExp])[] = [
  ['pump-sound', 'growls', /\b(?:growl|howl|groan|whin(?:e|ing)|screech)\w*/i],
  ['pump-sound', 'hums', /\bhum(?:s|ming)?\b/i],
]

/** Complaints that are about that sound: said once, it is weighed once. */
const ofSounds = new Set(['noise', 'hums', 'loud'])

/**
 * What somebody told of the pump’s sound, as the answer to the question for it: nobody is asked to run it dry once more
 * to hear it again.
 *
 * @param symptoms - what is complained of besides; nothing is told where the sound itself is
 * @example soundTold(c2Faults, 'It growls and then nothing comes', ['no-water']) // pump-sound: growls
 */
export function soundTold({ tests }: FaultBook, said: string, symptoms: readonly string[]): Told[] {
  if (symptoms.some((id) => ofSounds.has(id))) return []
  for (const [test, outcome, words] of heardAs) {
    const found = words.exec(said)
    if (found && tests.some(({ id, outcomes }) => id === test && outcomes.some((one) => one.id === outcome)))
      return [{ test, outcome, words: found[0] }]
  }
  return []
}
