import { useEffect, useMemo, useRef, useState } from 'react'
import { findHead, type ImportWhat } from '../../core/files/import-columns.ts'
import type { ImportSpec, WordMeaning } from '../../core/files/import-spec.ts'
import { type DateForm, fittingForms, formsDiffer } from '../../core/typed/read-day.ts'
import type { DecimalMark } from '../../core/typed/read-number.ts'
import type { JudgedRow } from '../../views/judged-row.ts'
import { newId } from '../new-id.ts'
import { cellsRead, guessReading } from './guess-reading.ts'
import { type ListFile, mostRows, readFile } from './read-file.ts'

/** How a list is read, as chosen so far. */
export interface Choices {
  sheet: number
  /** The line that names the columns. */
  head: number
  columns: Record<string, number>
  dateForm: DateForm
  mark: DecimalMark | null
  unit: NonNullable<ImportSpec['unit']>
  readOn: string
  fillDown: boolean
  words: ImportSpec['words']
}

/** A list on its way in: the file, how it is read, what becomes of its rows. */
export function useImport(what: ImportWhat, start: Pick<Choices, 'unit' | 'readOn' | 'words'>, supplyId?: string) {
  const [file, setFile] = useState<ListFile | null>(null)
  const [choices, setChoices] = useState<Choices | null>(null)
  const [judged, setJudged] = useState<JudgedRow[] | null>(null)
  // Meanings were chosen since the rows were judged: they are judged anew before anything is written.
  const [isOld, setIsOld] = useState(false)
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState('')
  const id = useRef('')
  const stop = useRef<AbortController | null>(null)
  useEffect(() => () => stop.current?.abort(), [])

  const table = useMemo(() => {
    if (!file || !choices) return null
    const lines = file.sheets[choices.sheet]!.lines
    const head = lines[choices.head]!.map((name, i) => name || `column ${i + 1}`)
    return { head, rows: lines.slice(choices.head + 1) }
  }, [file, choices])

  /** What follows from a sheet and its head, and what was said before. */
  const guessed = (given: ListFile, sheet: number, head: number, words: ImportSpec['words']): Choices => ({
    sheet,
    head,
    ...guessReading(what, given.sheets[sheet]!.lines, head),
    unit: start.unit,
    readOn: start.readOn,
    fillDown: false,
    words,
  })

  const change = (some: Partial<Choices>) => {
    setJudged(null)
    setProblem('')
    if (!file || !choices) return
    const moves = some.sheet !== undefined || some.head !== undefined
    const sheet = some.sheet ?? choices.sheet
    const head = some.head ?? (some.sheet === undefined ? choices.head : findHead(what, file.sheets[sheet]!.lines))
    setChoices(moves ? guessed(file, sheet, head, choices.words) : { ...choices, ...some })
  }

  const choose = async (given: File | undefined) => {
    if (!given) return
    setJudged(null)
    setProblem('')
    setBusy('Reading the file …')
    const read = await readFile(given)
    setBusy('')
    if (!read.ok) {
      setFile(null)
      setChoices(null)
      return setProblem(read.why)
    }
    const head = findHead(what, read.file.sheets[0]!.lines)
    const rows = read.file.sheets[0]!.lines.length - head - 1
    if (rows > mostRows)
      return setProblem(`${given.name} has ${rows} rows; up to ${mostRows} are read at once. Please split it.`)
    id.current = newId()
    setFile(read.file)
    setChoices(guessed(read.file, 0, head, start.words))
  }

  /** All of it as the server takes it. */
  const request = () => {
    const { columns, dateForm, mark, unit, readOn, fillDown, words } = choices!
    return {
      id: id.current,
      what,
      columns,
      dateForm,
      mark,
      unit,
      readOn,
      fillDown: fillDown ? 'yes' : 'no',
      ...(supplyId && { supplyId }),
      words: Object.entries(words).flatMap(([column, said]) =>
        Object.entries(said).map(([word, meaning]) => [column, word, JSON.stringify(meaning)]),
      ),
      cells: JSON.stringify([table!.head, ...table!.rows]),
    }
  }
  const send = async (url: string, words: string, more: object = {}): Promise<Response | null> => {
    setBusy(words)
    setProblem('')
    stop.current = new AbortController()
    try {
      return await fetch(url, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ...request(), ...more }),
        signal: stop.current.signal,
      })
    } catch {
      if (!stop.current.signal.aborted) setProblem('No connection: nothing was written.')
      return null
    } finally {
      setBusy('')
    }
  }
  const check = async () => {
    const response = await send('/api/imports/check', 'Checking each row …')
    if (!response) return
    const answer = await response.json()
    if (response.ok) {
      setJudged(answer.rows)
      setIsOld(false)
    } else setProblem(`The rows could not be checked: ${answer.issues?.[0]?.path} ${answer.issues?.[0]?.message}.`)
  }
  const write = async () => {
    const { name, encoding, separator, bytes } = file!
    const response = await send('/api/imports', 'Handing the list over …', {
      fileName: name,
      encoding,
      separator,
      file: base64(bytes),
    })
    if (!response) return
    const answer = await response.json()
    if (response.ok) location.assign(`/imports/${answer.id}`)
    else setProblem(`Nothing was written: ${answer.issues?.[0]?.path} ${answer.issues?.[0]?.message}.`)
  }

  const days = table && choices ? cellsRead(what, table.rows, choices.columns, ['day']) : []
  const fitting = fittingForms(days)
  return {
    file,
    table,
    choices,
    change,
    judged,
    problem,
    busy,
    choose,
    check,
    write,
    stop: () => stop.current?.abort(),
    /** Forms of days that fit, and whether it matters which. */
    days: { fitting, matters: days.length > 0 && (fitting.length === 0 || formsDiffer(days, fitting)) },
    isOld,
    /** What a word means; the rows as they were judged stay to be seen. */
    say: (column: string, word: string, meaning: WordMeaning) => {
      setIsOld(true)
      setChoices(
        (now) => now && { ...now, words: { ...now.words, [column]: { ...now.words[column], [word]: meaning } } },
      )
    },
  }
}

export type Import = ReturnType<typeof useImport>

function base64(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000))
  return btoa(text)
}
