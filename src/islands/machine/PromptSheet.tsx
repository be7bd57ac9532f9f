import { useMemo, useState } from 'react'
import type { Kind, Lamp, Prompt } from '../../core/kinds/kind.ts'
import { effective } from '../../core/standing/histories.ts'
import { machineFacts } from '../../core/standing/machine-facts.ts'
import { type PromptPace, promptPaces } from '../../core/standing/prompt-pace.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { figure } from '../../ui/format.ts'
import { lampWords } from '../../ui/lamp-words.ts'
import { quantityWords } from '../../ui/quantity.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { dueSentence } from '../standing-words.ts'

interface Props {
  bundle: MachineBundle
  kind: Kind
  standings: Standing[]
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

/** What the machine shows, looked up by its lamp: one tap for the lamp, and what it means stands there. */
export function PromptSheet({ bundle, kind, standings, today, onClose, onSaved }: Props) {
  const [open, setOpen] = useState<string | null>(null)
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState(false)
  const [ids] = useState(() => new Map(kind.prompts.map(({ id }) => [id, newId()])))
  const paces = useMemo(() => {
    const facts = machineFacts(effective(bundle.ledgers), false)
    return facts ? promptPaces(facts) : []
  }, [bundle])
  const note = async (prompt: Prompt) => {
    setBusy(true)
    const body = { task: prompt.asksFor!, prompt: prompt.id }
    const told = await writeFrom([
      makeEntry('machine', bundle.machine.id, 'prompt-seen', body, today, { id: ids.get(prompt.id)! }),
    ])
    setBusy(false)
    if (!told.ok) return setSaid(told.issues[0]!.message)
    setSaid('Noted: it stands in the ledger, and moves what it asks for.')
    await onSaved()
  }
  return (
    <Sheet
      open
      onOpenChange={(next) => !next && onClose()}
      title="What it shows"
      about={`${kind.name}. Tap the lamp or the words you see.`}
    >
      <ul className="m-0 list-none p-0">
        {kind.prompts.map((prompt) => (
          <li key={prompt.id} className="border-t border-hair">
            <button
              type="button"
              aria-expanded={open === prompt.id}
              className="flex min-h-[56px] w-full items-center gap-3 text-left"
              onClick={() => {
                setOpen(open === prompt.id ? null : prompt.id)
                setSaid('')
              }}
            >
              <LampMark lamp={prompt.shows} />
              <span className="min-w-0 flex-1">
                <b>{prompt.where}</b>
                <span className="block text-[14px] text-second">{prompt.looks ?? lampWords[prompt.shows]}</span>
              </span>
            </button>
            {open === prompt.id && (
              <Meaning
                prompt={prompt}
                kind={kind}
                today={today}
                standing={standings.find(({ task }) => task === prompt.asksFor) ?? null}
                pace={paces.find(({ task }) => task === prompt.asksFor) ?? null}
                busy={busy}
                said={said}
                onNote={() => note(prompt)}
              />
            )}
          </li>
        ))}
      </ul>
    </Sheet>
  )
}

function Meaning({
  prompt,
  kind,
  standing,
  pace,
  today,
  busy,
  said,
  onNote,
}: {
  prompt: Prompt
  kind: Kind
  standing: Standing | null
  pace: PromptPace | null
  today: string
  busy: boolean
  said: string
  onNote: () => void
}) {
  return (
    <div className="pb-4 pl-[52px]">
      <p className="m-0">
        It means: <b>{prompt.means}</b>.{' '}
        <span className="text-[13px] text-second">{prompt.mark === 'T' ? 'common practice' : 'from memory'}</span>
      </p>
      {prompt.everyDrinks !== undefined && (
        <p className="m-0 pt-1 text-[14px]">
          Said to come every {figure(prompt.everyDrinks)} {kind.counter.unit}
          {pace && <>; {paceWords(pace, kind.counter.unit)}</>}.
        </p>
      )}
      {prompt.everyDrinks === undefined && pace && (
        <p className="m-0 pt-1 text-[14px]">This one: {paceWords(pace, kind.counter.unit)}.</p>
      )}
      {prompt.distrust && <p className="m-0 pt-1 text-[14px] text-brass-ink">{prompt.distrust}</p>}
      {standing && <p className="m-0 pt-1 text-[14px]">By the reckoning: {dueSentence(standing, today)}.</p>}
      {prompt.asksFor && (
        <p className="m-0 flex flex-wrap items-center gap-3 pt-2">
          <button type="button" className="plain" disabled={busy} onClick={onNote}>
            Note that it asks
          </button>
          <span role="status" className="text-[14px]">
            {said}
          </span>
        </p>
      )}
    </div>
  )
}

/** How often it asked, against what it says it counts. */
function paceWords(pace: PromptPace, drinks: string): string {
  const every = `it asks every ${figure(Math.round(pace.everyDrinks))} ${drinks}`
  const claims = pace.claims === undefined ? '' : `, not ${figure(pace.claims)}`
  return `${every}${claims} (${pace.times} times noted, about ${quantityWords(Math.round(pace.everyLitres), 'L')} apart)`
}

/** A lamp as it behaves: full, with rays, in two halves, with a number. */
function LampMark({ lamp }: { lamp: Lamp }) {
  const ring = { fill: 'var(--enamel)', stroke: 'var(--deep)', strokeWidth: 1.75 }
  return (
    <svg width={40} height={40} viewBox="0 0 40 40" className="shrink-0" aria-hidden="true">
      {lamp === 'words' || lamp === 'counting' ? (
        <g>
          <rect x={4} y={10} width={32} height={20} rx={3} {...ring} />
          {lamp === 'words' ? (
            <path d="M9 17h22M9 23h14" stroke="var(--deep)" strokeWidth={1.75} />
          ) : (
            <text x={20} y={25} fontSize={14} textAnchor="middle" className="mono" fill="var(--deep)">
              30
            </text>
          )}
        </g>
      ) : lamp === 'in turn' ? (
        <g>
          <circle cx={12} cy={20} r={7} {...ring} fill="var(--brass)" />
          <circle cx={29} cy={20} r={7} {...ring} />
        </g>
      ) : (
        <g>
          <circle cx={20} cy={20} r={8} {...ring} fill="var(--brass)" />
          {lamp !== 'solid' && (
            <path
              d="M20 3v6M20 31v6M3 20h6M31 20h6M8 8l4 4M28 28l4 4M32 8l-4 4M12 28l-4 4"
              stroke="var(--brass)"
              strokeWidth={lamp === 'fast' ? 3 : 1.75}
              strokeDasharray={lamp === 'fast' ? '2 2' : undefined}
            />
          )}
        </g>
      )}
    </svg>
  )
}
