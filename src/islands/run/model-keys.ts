import { useState } from 'react'
import type { KeyPattern, Programme } from '../../core/procedures/key-patterns.ts'
import { type Histories, modelKeys } from '../../core/standing/histories.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'

/** Keys of one model and revision: what the firm has set, and how it is set. */
export interface ModelKeys {
  /** As it stands on the machine. @example 'Ostrel Duo, revision B' */
  model: string
  of(programme: Programme): KeyPattern | null
  /** @returns null where it is kept, else why not */
  set(programme: Programme, pattern: KeyPattern): Promise<string | null>
}

/** What a firm has said of this machine's keys; said once, every later run of the same model and revision shows it. */
export function useModelKeys({ machine, firmId }: MachineBundle, histories: Histories, today: string): ModelKeys {
  const [said, setSaid] = useState<Partial<Record<Programme, KeyPattern>>>({})
  const { maker, model, revision } = machine
  return {
    model: [[maker, model].filter(Boolean).join(' '), revision && `revision ${revision}`].filter(Boolean).join(', '),
    of: (programme) => said[programme] ?? modelKeys(histories, machine, programme)?.body.pattern ?? null,
    set: async (programme, pattern) => {
      const body = {
        setting: 'programme-keys' as const,
        ...(maker && { maker }),
        model,
        ...(revision && { revision }),
        programme,
        pattern,
      }
      const told = await writeFrom([makeEntry('firm', firmId, 'setting', body, today, { id: newId() })])
      if (!told.ok) return told.issues[0]!.message
      setSaid((before) => ({ ...before, [programme]: pattern }))
      return null
    },
  }
}
