import { promptsMeant } from '../../core/faults/prompts-meant.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { lampWords } from '../../ui/lamp-words.ts'

/** What this machine means by the lamp or the message that was told: care it asks for is no fault. */
export function PromptsMeant({ kind, machineId, said }: { kind: Kind; machineId: string; said: string }) {
  const meant = promptsMeant(kind, said).slice(0, 3)
  if (meant.length === 0) return null
  return (
    <section className="mt-3 border-l-4 border-l-water pl-3" aria-label="What it shows">
      <h3 className="m-0 text-[15px] font-[620]">What this machine means by it</h3>
      <ul className="m-0 list-none p-0 text-[15px]">
        {meant.map(({ id, where, shows, looks, means, asksFor, distrust, mark }) => (
          <li key={id} className="py-0.5">
            <b>
              {where}, {looks ?? lampWords[shows]}:
            </b>{' '}
            {means}
            {mark === 'M' && <span className="text-second"> (from memory)</span>}
            {asksFor && (
              <>
                . It asks for care, which is no fault:{' '}
                <a href={`/machines/${machineId}?lens=work`}>
                  {kind.tasks.find((task) => task.id === asksFor)?.name.toLowerCase() ?? asksFor.replaceAll('-', ' ')}
                </a>
              </>
            )}
            {distrust && <span className="block text-[14px] text-brass-ink">{distrust}</span>}
          </li>
        ))}
      </ul>
    </section>
  )
}
