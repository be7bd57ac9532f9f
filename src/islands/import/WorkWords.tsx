import { useMemo } from 'react'
import { plainWords } from '../../core/files/guess-kind.ts'
import type { WordMeaning } from '../../core/files/import-spec.ts'
import type { WorkEntry, WorkMeaning } from '../../core/files/read-work.ts'
import { figure } from '../../ui/format.ts'
import type { JudgedWork } from '../../views/judged-row.ts'
import type { Import } from './use-import.ts'

/** What past work may have been about: a part or a task of one of the machines. */
export interface WorkChoice {
  entry: WorkEntry
  id: string
  words: string
  /** There are several of it on a machine. */
  many: boolean
}

const mostShown = 60

/** Texts that nobody could tell: kept as a note, unless a meaning is chosen, once for all rows that say so. */
export function WorkWords({ list, choices: all }: { list: Import; choices: WorkChoice[] }) {
  const { judged, table, choices } = list
  const texts = useMemo(
    () => notesOf(judged as JudgedWork[] | null, table?.rows ?? [], choices?.columns.what ?? -1),
    [judged, table, choices],
  )
  const said = choices?.words.what ?? {}
  const decided = Object.keys(said).length
  if (!judged || (texts.length === 0 && decided === 0)) return null
  return (
    <section aria-labelledby="texts" className="mt-6">
      <h2 id="texts" className="head m-0">
        4 What these texts mean
      </h2>
      <p className="m-0 mt-1 text-second">
        {figure(texts.length)} {texts.length === 1 ? 'text is' : 'texts are'} kept as notes: they move no date. Where
        one means a part or a task, say so once, then check the rows again.
        {decided > 0 && ` ${figure(decided)} ${decided === 1 ? 'is' : 'are'} said already.`}
      </p>
      <ul className="m-0 mt-1 list-none p-0">
        {texts.slice(0, mostShown).map(({ word, shown, rows, guess }) => (
          <li key={word} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-1">
            <b className="w-[300px] min-w-0 break-words">“{shown}”</b>
            <span className="mono w-[72px] text-right text-[14px]">
              {figure(rows)} {rows === 1 ? 'row' : 'rows'}
            </span>
            <select
              className="field w-[340px] max-w-full"
              aria-label={`${shown} means`}
              value={Object.hasOwn(said, word) ? JSON.stringify(said[word]) : ''}
              onChange={(event) => {
                if (event.target.value) list.say('what', word, JSON.parse(event.target.value) as WordMeaning)
              }}
            >
              <option value="">a note</option>
              {guess && <option value={asValue(guess)}>perhaps: {wordsOf(guess, all)}</option>}
              {all.map((choice) => (
                <option
                  key={`${choice.entry} ${choice.id}`}
                  value={asValue({ entry: choice.entry, id: choice.id, ...(choice.many && { group: 'all' }) })}
                >
                  {choice.words}
                </option>
              ))}
              <option value={JSON.stringify({ is: 'left-out' })}>leave these rows out</option>
            </select>
            {guess && <span className="text-[14px] text-second">nothing says that it was changed</span>}
          </li>
        ))}
      </ul>
      {texts.length > mostShown && <p className="text-second">and {figure(texts.length - mostShown)} rarer ones</p>}
      <button type="button" className="plain mt-2" disabled={list.busy !== ''} onClick={list.check}>
        Check the rows again
      </button>
    </section>
  )
}

const asValue = (meaning: WorkMeaning) => JSON.stringify({ is: 'work', ...meaning })
const wordsOf = (meaning: WorkMeaning, all: WorkChoice[]) =>
  all.find(({ entry, id }) => entry === meaning.entry && id === meaning.id)?.words ?? meaning.id

function notesOf(judged: JudgedWork[] | null, rows: string[][], at: number) {
  const counted = new Map<string, { word: string; shown: string; rows: number; guess?: WorkMeaning }>()
  judged?.forEach((row, i) => {
    if (row.verdict !== 'note-only' && !(row.verdict === 'taken' && row.guess)) return
    const shown = rows[i]?.[at] ?? ''
    const word = plainWords(shown)
    if (!word) return
    const known = counted.get(word)
    if (known) known.rows += 1
    else counted.set(word, { word, shown, rows: 1, ...(row.guess && { guess: row.guess }) })
  })
  return [...counted.values()].sort((a, b) => b.rows - a.rows)
}
