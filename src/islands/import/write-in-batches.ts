import type { Entry } from '../../core/ledger/entry.ts'
import { sendEntries } from '../send-entries.ts'
import type { Written } from './import-kind.ts'

const batch = 200

/** Writes the entries of each row, some rows at a time, until done, stopped or refused. */
export async function writeInBatches(
  rows: Entry[][],
  stop: AbortSignal,
  progress: (done: number) => void,
): Promise<Written> {
  let done = 0
  while (done < rows.length && !stop.aborted) {
    const some = rows.slice(done, done + batch)
    progress(done + some.length)
    const sent = await sendEntries(some.flat(), undefined, 'a spreadsheet')
    if (!sent.ok) {
      const refused = sent.why === 'refused' ? `Then one was refused: ${sent.issues[0]?.message}` : ''
      return { done, problem: 'message' in sent ? sent.message : refused }
    }
    done += some.length
  }
  return { done }
}
