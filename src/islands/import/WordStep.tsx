import { useEffect, useMemo, useState } from 'react'
import { guessKind, plainWords } from '../../core/files/guess-kind.ts'
import type { WordMeaning } from '../../core/files/import-spec.ts'
import { isTotals } from '../../core/files/is-totals.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { treatmentKinds } from '../../core/softener/treatment-kind.ts'
import { figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { treatmentNames } from '../../ui/treatment-words.ts'
import { useOwnKinds } from '../kinds/own-kinds-here.ts'
import type { Import } from './use-import.ts'

/** What the import knows of a kind of machine: enough to guess it by. */
export type NamedKind = Pick<Kind, 'id' | 'name' | 'calledToo' | 'tasks'>

interface Props {
  list: Import
  kinds: NamedKind[]
  today: string
  /** A kind that the firm made here and now. */
  onMade(kind: Kind): void
}

/** What is chosen to make a kind in place. */
const anotherKind = 'another kind'

const SimpleKindSheet = later(() => import('../kinds/SimpleKindSheet.tsx').then((module) => module.SimpleKindSheet))

/** Each word of a column once: its best guess, how sure, and a choice. Nothing is guessed in silence. */
export function WordStep({ list, kinds, today, onMade }: Props) {
  const { table, choices } = list
  const { own, add } = useOwnKinds()
  const [making, setMaking] = useState<{ word: string; shown: string } | null>(null)
  if (!table || !choices) return null
  return (
    <section aria-labelledby="words" className="mt-6">
      <h2 id="words" className="head m-0">
        3 What its words mean
      </h2>
      <Words
        list={list}
        column="kind"
        title="Kind of machine"
        guess={(word) => kindGuess(word, kinds)}
        onAnother={(word, shown) => setMaking({ word, shown })}
      >
        {kinds.map(({ id, name }) => (
          <option key={id} value={asValue({ is: 'kind', kind: id })}>
            {name}
          </option>
        ))}
        <option value={asValue({ is: 'left-out' })}>leave these rows out</option>
        {own && <option value={anotherKind}>a kind of our own …</option>}
      </Words>
      {making && own && (
        <SimpleKindSheet
          own={own}
          called={making.shown}
          today={today}
          onMade={(made) => {
            add(made)
            onMade(made)
            list.say('kind', making.word, { is: 'kind', kind: made.id })
            setMaking(null)
          }}
          onClose={() => setMaking(null)}
        />
      )}
      {(choices.columns.softener ?? -1) >= 0 && (
        <Words list={list} column="softener" title="Water treatment" guess={treatmentGuess}>
          {treatmentKinds.map((kind) => (
            <option key={kind} value={asValue({ is: 'treatment', treatment: kind })}>
              {treatmentNames[kind]}
            </option>
          ))}
          <option value={asValue({ is: 'left-out' })}>none, or not known</option>
        </Words>
      )}
    </section>
  )
}

interface Guess {
  meaning: WordMeaning | null
  says: string
}

function kindGuess(word: string, kinds: NamedKind[]): Guess {
  const { kinds: fitting, sure, groups } = guessKind(word, kinds)
  const name = (id: string) => kinds.find((kind) => kind.id === id)?.name ?? id
  const [first] = fitting
  const meaning: WordMeaning | null = first ? { is: 'kind', kind: first, ...(groups && { groups }) } : null
  const many = groups ? `, ${groups} ${groups === 1 ? 'group' : 'groups'}` : ''
  if (sure === 'sure') return { meaning, says: `called so here too${many}` }
  if (sure === 'likely') return { meaning, says: `likely, please look${many}` }
  if (sure === 'which') return { meaning: null, says: `could be ${fitting.map(name).join('; or ')}` }
  return { meaning: null, says: word ? 'not known here' : 'nothing stands there' }
}

function treatmentGuess(word: string): Guess {
  const plain = plainWords(word)
  const found = treatmentPatterns.find(([pattern]) => pattern.test(plain))
  if (found) return { meaning: { is: 'treatment', treatment: found[1] }, says: 'likely, please look' }
  if (/^(no|none|nein|non|keiner?|ohne|sans|nessuno|0|false|n)$/.test(plain))
    return { meaning: { is: 'left-out' }, says: 'none' }
  return { meaning: null, says: 'not known here' }
}

/** Common practice, no source. */
const treatmentPatterns: [RegExp, (typeof treatmentKinds)[number]][] = [
  [/osmos|membran|\bro\b/, 'membrane'],
  [/salt|salz|resin|harz|regener|exchang|austausch|sel\b|adouciss|enth[äa]rtungsanlage/, 'exchanger'],
  [/cartridge|kartusche|kerze|cartouche|cartuccia|cartucho|filterpatrone/, 'cartridge'],
  [/carbon|charcoal|aktivkohle|charbon|carbone/, 'carbon'],
]

const asValue = (meaning: WordMeaning) => JSON.stringify(meaning)
/** Groups are said beside the kind: the choice is by kind alone. */
const chosen = (meaning: WordMeaning | undefined) =>
  meaning ? asValue(meaning.is === 'kind' ? { is: 'kind', kind: meaning.kind } : meaning) : ''

function Words({
  list,
  column,
  title,
  guess,
  onAnother,
  children,
}: {
  list: Import
  column: string
  title: string
  guess(word: string): Guess
  onAnother?(word: string, shown: string): void
  children: React.ReactNode
}) {
  const at = list.choices?.columns[column] ?? -1
  const words = useMemo(() => wordsOf(list.table?.rows ?? [], at), [list.table, at])
  const said = list.choices?.words[column] ?? {}
  // What is sure stands there as a choice already, to be seen and changed.
  useEffect(() => {
    const fresh = words.flatMap(({ word, shown }) => {
      const { meaning } = guess(shown)
      return meaning && !Object.hasOwn(said, word) ? [[word, meaning] as const] : []
    })
    if (fresh.length > 0)
      list.change({ words: { ...list.choices!.words, [column]: { ...said, ...Object.fromEntries(fresh) } } })
  }, [words])
  const waiting = words.filter(
    ({ word }) => !Object.hasOwn(said, word) && !(column === 'softener' && word === ''),
  ).length
  return (
    <div className="mt-2">
      <h3 className="slim m-0 text-[15px]">
        {title}{' '}
        <span className="font-normal text-second">
          {waiting === 0
            ? 'every word has its meaning'
            : `${figure(waiting)} ${waiting === 1 ? 'word waits' : 'words wait'} for one`}
        </span>
      </h3>
      <ul className="m-0 list-none p-0">
        {words
          .filter(({ word }) => !(column === 'softener' && word === ''))
          .map(({ word, shown, rows }) => {
            const { says, meaning } = guess(shown)
            return (
              <li key={word} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-1">
                <b className="w-[220px] min-w-0 break-words">{shown ? `“${shown}”` : '(empty)'}</b>
                <span className="mono w-[72px] text-right text-[14px]">
                  {figure(rows)} {rows === 1 ? 'row' : 'rows'}
                </span>
                <select
                  className="field w-[340px] max-w-full"
                  aria-label={`${shown || 'empty'} means`}
                  value={chosen(Object.hasOwn(said, word) ? said[word] : undefined)}
                  onChange={(event) => {
                    if (event.target.value === anotherKind) return onAnother?.(word, shown)
                    const picked = JSON.parse(event.target.value) as WordMeaning
                    const groups = meaning?.is === 'kind' ? meaning.groups : undefined
                    list.say(column, word, picked.is === 'kind' && groups ? { ...picked, groups } : picked)
                  }}
                >
                  <option value="" disabled>
                    choose …
                  </option>
                  {children}
                </select>
                <span className="min-w-0 text-[14px] text-second">{says}</span>
              </li>
            )
          })}
      </ul>
    </div>
  )
}

/** Distinct words of a column, those of most rows first; one nobody mapped is one empty word. */
function wordsOf(rows: string[][], at: number): { word: string; shown: string; rows: number }[] {
  const counted = new Map<string, { word: string; shown: string; rows: number }>()
  for (const row of rows) {
    if (row.some(isTotals)) continue
    const shown = at < 0 ? '' : (row[at] ?? '')
    const word = plainWords(shown)
    const known = counted.get(word)
    if (known) known.rows += 1
    else counted.set(word, { word, shown: word ? shown : '', rows: 1 })
  }
  return [...counted.values()].sort((a, b) => b.rows - a.rows)
}
