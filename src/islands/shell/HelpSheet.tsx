import { useMemo, useState } from 'react'
import { Key } from '../../ui/Key.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { helpEverywhere, helpPages, helpWords, type PageHelp } from './help-pages.ts'

interface Props {
  open: boolean
  onOpenChange: (open: boolean) => void
}

/** The help of the page it opens on: what it answers, how, its keys; every page and every word found by typing. */
export function HelpSheet({ open, onOpenChange }: Props) {
  const [text, setText] = useState('')
  const here = useMemo(() => helpPages.find(({ path }) => path.test(location.pathname)), [])
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const has = (...said: string[]) => words.every((word) => said.join(' ').toLowerCase().includes(word))
  const pages = helpPages.filter((page) => page !== here && has(page.name, page.answers, ...page.how))
  const meanings = helpWords.filter(([word, means]) => has(word, means))
  return (
    <Sheet
      open={open}
      onOpenChange={onOpenChange}
      title={here ? `Help: ${here.name}` : 'Help'}
      about={here?.answers ?? 'What each page answers, its keys, and words explained.'}
    >
      <input
        className="field w-full"
        placeholder="Find in the help"
        aria-label="Find in the help"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {words.length === 0 && here && <How page={here} />}
      {words.length === 0 && (
        <section className="pt-4" aria-label="Keys everywhere">
          <h3 className="slim m-0 text-[15px] font-semibold">On every page</h3>
          <Keys keys={helpEverywhere} />
          <p className="m-0 pt-1 text-[14px] text-second">Every key has a button as well.</p>
        </section>
      )}
      {meanings.length > 0 && (
        <section className="pt-4" aria-label="Words">
          <h3 className="slim m-0 text-[15px] font-semibold">Words</h3>
          <dl className="m-0">
            {meanings.map(([word, means]) => (
              <div key={word} className="border-t border-hair py-1.5">
                <dt className="font-semibold">{word}</dt>
                <dd className="m-0 text-[14px]">{means}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      {pages.length > 0 && (
        <section className="pt-4" aria-label="Other pages">
          <h3 className="slim m-0 text-[15px] font-semibold">{words.length > 0 ? 'Pages' : 'Other pages'}</h3>
          {pages.map((page) => (
            <details key={page.name} className="border-t border-hair" open={words.length > 0 || undefined}>
              <summary className="min-h-[44px] cursor-pointer py-2">
                <b>{page.name}</b> <span className="text-[14px] text-second">{page.answers}</span>
              </summary>
              <How page={page} />
            </details>
          ))}
        </section>
      )}
      {words.length > 0 && meanings.length + pages.length === 0 && (
        <p className="m-0 pt-3 text-second">Nothing here has these words. Try fewer.</p>
      )}
    </Sheet>
  )
}

function How({ page }: { page: PageHelp }) {
  return (
    <div className="pt-2">
      <ul className="m-0 pl-5">
        {page.how.map((sentence) => (
          <li key={sentence} className="py-0.5">
            {sentence}
          </li>
        ))}
      </ul>
      {page.keys && <Keys keys={page.keys} />}
    </div>
  )
}

function Keys({ keys }: { keys: PageHelp['keys'] }) {
  return (
    <div className="grid gap-x-6 md:grid-cols-2">
      {keys?.map(([combination, what]) => (
        <div key={what + combination.join()} className="flex items-center gap-2 border-t border-hair py-1.5">
          <span className="flex w-[104px] shrink-0 gap-1">
            {combination.map((key) => (
              <Key key={key}>{key}</Key>
            ))}
          </span>
          <span>{what}</span>
        </div>
      ))}
    </div>
  )
}
