import { dayLong, figure } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ImportRow } from '../../views/import.ts'
import { island } from '../island.tsx'
import { listWords, stateWords } from './import-words.ts'

/** Every list that was brought in, the latest first; each can be taken back. */
function ImportList({ imports, firm }: { imports: ImportRow[]; firm: string }) {
  return (
    <div>
      <TitleBlock name="Lists brought in" under={firm} facts={[{ label: 'Lists', value: imports.length }]} />
      <div className="max-w-[980px] px-4 pt-3 pb-12 lg:px-6">
        {imports.length === 0 && (
          <p className="m-0">
            None yet.{' '}
            <a className="word" href="/import/machines">
              Machines from a spreadsheet
            </a>{' '}
            is the usual beginning.
          </p>
        )}
        <ul className="m-0 list-none p-0">
          {imports.map((list) => (
            <li key={list.id} className="border-t border-hair">
              <a
                href={`/imports/${list.id}`}
                className="flex min-h-[52px] flex-wrap items-center gap-x-5 py-1 hover:underline"
              >
                <span className="min-w-[240px] flex-1">
                  <b className="font-semibold">{list.fileName}</b>
                  <span className="block text-[14px] text-second">
                    {listWords[list.what].things}, {dayLong(list.askedAt.slice(0, 10))}, {list.by}
                  </span>
                </span>
                <span className="mono text-[14px]">
                  {figure(list.done)} of {figure(list.rows)} rows
                </span>
                <span className={`w-[130px] ${list.state === 'failed' ? 'font-semibold text-seal-ink' : ''}`}>
                  {stateWords[list.state]}
                </span>
              </a>
            </li>
          ))}
        </ul>
      </div>
    </div>
  )
}

export const ImportListIsland = island(ImportList)
