import { Fragment, type ReactNode } from 'react'
import { Key } from './Key.tsx'

/** What the keys of a page do, at its foot; where there is a keyboard. */
export function KeyBar({ keys, children }: { keys: [keys: string[], words: string][]; children?: ReactNode }) {
  return (
    <p
      className="m-0 hidden flex-wrap items-center gap-x-4 gap-y-1 px-6 py-2 text-[13px] text-second md:flex"
      data-noprint
    >
      {keys.map(([of, words]) => (
        <span key={words}>
          {of.map((key) => (
            <Fragment key={key}>
              <Key>{key}</Key>{' '}
            </Fragment>
          ))}
          {words}
        </span>
      ))}
      {children}
    </p>
  )
}
